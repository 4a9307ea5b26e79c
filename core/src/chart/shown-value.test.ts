import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { type Bundle, entryOf, type MeasureNode, measure, readBundle, shownBy } from '../index.ts';
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
