import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { baseUnits, type OwnUnits } from '../base/quantity.ts';
import { type Bundle, entryOf, inOwnUnits, type MeasureNode, measure, readBundle, shownBy, shownIn } from '../index.ts';
import { measuredAtWords } from '../words/measured.ts';

const read = readBundle(JSON.parse(readFileSync(new URL('../../../demo/pellgrave-p8.json', import.meta.url), 'utf8')));
if (!read.ok) throw new Error('the demo does not read');
const bundle: Bundle = read.value;
const node = entryOf(bundle, 'chart', 'air')?.nodes.find((n) => n.id === 'seen') as MeasureNode;

const judged = (typed: string) => {
  const result = measure({
    node,
    known: { parameters: new Map() },
    typed: { readings: [{ typed, afterMs: 0 }] },
    shown: shownBy(bundle, node),
  });
  return result.ok ? result.value.answer : result.error.error.code;
};

describe('a reading the unit itself shows', () => {
  it('is found behind its address', () => {
    expect(shownBy(bundle, node)).toMatchObject({ address: '07', field: { name: 'air', quantity: 'temperature' } });
    const other = { ...node, shownBy: { readout: 'live' as never, address: '99' } };
    expect(shownBy(bundle, other)).toBeNull();
    expect(shownBy(bundle, { ...node, shownBy: undefined })).toBeNull();
  });
  it.each([
    ['22', 'pass'],
    ['8', 'low'],
    ['60', 'high'],
    // half of the last place decides nothing
    ['15', 'too-close'],
    ['45', 'too-close'],
    // what it cannot show was misread
    ['140', 'beyond-instrument'],
  ])('%s °C: %s', (typed, answer) => expect(judged(typed)).toBe(answer));
  it('is read in the unit’s own unit, whatever one’s own is', () => {
    const by = shownBy(bundle, node);
    if (!by) throw new Error('not shown');
    const warm = { ...by, field: { ...by.field, unit: '°F', least: 14, most: 176 } };
    const take = (typed: string, own: OwnUnits) => {
      const result = measure({
        node,
        known: { parameters: new Map() },
        typed: inOwnUnits({ readings: [{ typed, afterMs: 0 }] }, node.quantity, own, { shown: shownIn(warm, node) }),
        shown: warm,
      });
      return result.ok
        ? [result.value.answer, Math.round(result.value.taken.value ?? Number.NaN)]
        : result.error.error.code;
    };
    const other: OwnUnits = { ...baseUnits, temperature: '°F' };
    expect([take('72', baseUnits), take('72', other), take('47', baseUnits), take('200', baseUnits)]).toEqual([
      ['pass', 22],
      ['pass', 22],
      ['low', 8],
      'beyond-instrument',
    ]);
    // a unit that shows °C is not read in °F by who thinks in it
    const plain = inOwnUnits({ readings: [{ typed: '22', afterMs: 0 }] }, node.quantity, other, {
      shown: shownIn(by, node),
    });
    expect(plain.readings[0]?.typed).toBe('22');
  });
  it('names no meter, and says where it is read', () => {
    const result = measure({
      node,
      known: { parameters: new Map() },
      typed: { readings: [{ typed: '22', afterMs: 0 }] },
      instrument: entryOf(bundle, 'instrument', 'thermometer'),
      shown: shownBy(bundle, node),
    });
    expect(result.ok && result.value.taken.instrument).toBeUndefined();
    expect(measuredAtWords(node)).toBe('shown by the unit at 07');
    expect(measuredAtWords({ ...node, shownBy: undefined, probes: ['A', 'B'], supply: 'dead' })).toBe('A – B, at rest');
  });
});
