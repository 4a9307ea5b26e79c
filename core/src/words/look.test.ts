import { describe, expect, it } from 'vitest';
import { confusionKinds } from '../decode/confusions.ts';
import { entriesOf, ifWords, liveValueWords, type Panel } from '../index.ts';
import { glasswasher } from '../testing/bundles.ts';
import { confusionQuestion } from './look.ts';

const panel = entriesOf(glasswasher(), 'panel')[0] as Panel;

describe('what a candidate takes to hold', () => {
  it.each([
    [{ kind: 'lamp', stage: 's', sign: 'lamp-c', seen: 'dark', shows: 'lit' }, 'if c is lit'],
    [{ kind: 'count', stage: 's', seen: 3, shows: 4 }, 'if it blinks 4 times'],
    [{ kind: 'pattern', stage: 's', seen: 'ss', shows: 'sl' }, 'if it is short long'],
    [{ kind: 'character', stage: 's', position: 1, seen: '8', shows: '6' }, 'if place 2 shows 6'],
    [{ kind: 'place-missing', stage: 's', position: 2, shows: '6' }, 'if 6 was left out at place 3'],
    [{ kind: 'place-extra', stage: 's', position: 1, seen: '6' }, 'if one 6 is too many'],
    [{ kind: 'which-lamp', stage: 's', seen: 'lamp-a', shows: 'lamp-b' }, 'if it is b that blinks'],
  ])('%j', (misread, words) => {
    expect(ifWords({ confusion: null, misread: [misread as never] }, panel)).toBe(words);
  });
  it('says nothing where it is as it was told, and all of it where there is more', () => {
    expect(ifWords({ confusion: null, misread: [] }, panel)).toBeNull();
    const count = { kind: 'count', stage: 's' as never, seen: 3, shows: 4 } as const;
    expect(ifWords({ confusion: 'halves-swapped', misread: [count] }, panel)).toBe(
      'if the two halves were told the other way round, and it blinks 4 times',
    );
  });
  it('asks one question back for every confusion', () => {
    for (const kind of confusionKinds) expect(confusionQuestion[kind]).toMatch(/^[A-Z].*\?$/);
  });
});

describe('a live value', () => {
  const value = { stage: 'v' as never, name: 'Water', quantity: 'temperature', least: 5, most: 95 } as const;
  it.each([
    [{ shown: 41, canShow: true, withPoint: null }, 'Water 41 °C'],
    [{ shown: 104, canShow: true, withPoint: null, unit: '°F' }, 'Water 104 °F (40 °C)'],
    [{ shown: 410, canShow: false, withPoint: null }, 'Water 410 °C: that cannot show, it runs from 5 to 95 °C'],
    [
      { shown: 412, canShow: false, withPoint: 41.2 },
      'Water 412 °C: that cannot show, it runs from 5 to 95 °C; with its point it is 41.2 °C',
    ],
  ])('%j', (told, words) => expect(liveValueWords({ ...value, ...told })).toBe(words));
});
