import { coachCards, entriesOf, type HandAct, type Moment, type Panel, type Shown } from '@wire-trail/core';
import { describe, expect, it } from 'vitest';
import { glasswasher, velmarrow } from '../../testing/trail.tsx';
import { actBig, cardLead, momentWords, partName, shownWords } from './coach-words.ts';

const panel = entriesOf(glasswasher, 'panel')[0] as Panel;
const act = (part: Partial<HandAct> & Pick<HandAct, 'act'>): HandAct => ({
  control: null,
  place: null,
  times: 1,
  words: null,
  ...part,
});
const lamp = (sign: string, state: string, colour?: string) => ({ kind: 'lamp', sign, state, colour }) as Shown;

describe('words of the coach', () => {
  it.each<[HandAct, string]>([
    [act({ act: 'press' }), 'press'],
    [act({ act: 'hold', control: 'rocker' as never, place: 'down' as never }), 'hold down'],
    [act({ act: 'hold', control: 'rocker' as never }), 'hold'],
    [act({ act: 'let-go' }), 'let go'],
    [act({ act: 'set', control: 'hood' as never, place: 'open' as never }), 'open'],
    [act({ act: 'turn-right', times: 3 }), '3 right'],
    [act({ act: 'turn-left', times: 2 }), '2 left'],
    [act({ act: 'sweep' }), 'one full turn'],
    [act({ act: 'sweep', times: 2 }), '2 full turns'],
    [act({ act: 'do', words: 'at the tap' }), 'at the tap'],
  ])('%j is “%s”', (what, words) => expect(actBig(what, panel)).toBe(words));

  it.each<[Moment, string]>([
    [{ kind: 'power-on' }, 'From power-on'],
    [{ kind: 'step-before' }, 'Straight after'],
    [{ kind: 'sign', nth: 1, shown: { kind: 'sound', sign: 'pump' as never, state: 'off' } }, 'When the pump stops'],
    [{ kind: 'sign', nth: 2, shown: { kind: 'sound', sign: 'beeper' as never, state: 'on' } }, 'At the second beep'],
    [{ kind: 'sign', nth: 1, shown: { kind: 'sound', sign: 'pump' as never, state: 'on' } }, 'At the pump'],
    [{ kind: 'sign', nth: 1, shown: lamp('lamp-c', 'lit') }, 'When c shows'],
  ])('%j is “%s”', (moment, words) => expect(momentWords(moment, panel)).toBe(words));

  it('tells lamps that show alike together', () => {
    expect(
      shownWords([lamp('lamp-a', 'lit', 'green'), lamp('lamp-b', 'lit', 'green'), lamp('lamp-c', 'dark')], panel),
    ).toBe('a, b lit green; c dark');
    expect(shownWords([lamp('lamp-a', 'slow', 'amber'), lamp('lamp-b', 'fast')], panel)).toBe(
      'a blinking slowly amber; b blinking fast',
    );
    expect(shownWords([{ kind: 'sound', sign: 'pump' as never, state: 'off' }], panel)).toBe('pump silent');
    expect(shownWords([{ kind: 'text', sign: 'beeper' as never, text: 'E7' }], panel)).toBe('beeper “E7”');
  });

  it('calls a part by its label, and by its id where it has none', () => {
    expect([
      partName(panel, 'lamp-a'),
      partName(panel, 'rocker'),
      partName(panel, 'sensor-plug'),
      partName(panel, 'nowhere'),
    ]).toEqual(['a', 'rocker', 'plug S7 rinse sensor', 'nowhere']);
  });

  it('has a lead for every card of every route of every family', () => {
    for (const bundle of [glasswasher, velmarrow]) {
      const own = entriesOf(bundle, 'panel')[0] as Panel;
      const leads = entriesOf(bundle, 'route').flatMap((r) =>
        coachCards(r.steps).map((c) => [c, cardLead(c, own)] as const),
      );
      expect(leads.filter(([, lead]) => lead === '').map(([card]) => card.step)).toEqual([]);
    }
  });
});
