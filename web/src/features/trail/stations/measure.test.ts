import { type Chart, entryOf, type MeasureNode, readBundle } from '@wire-trail/core';
import { describe, expect, it } from 'vitest';
import demo from '../../../../../demo/brindlewick-g4.json';
import { judge } from './Measure.tsx';

const read = readBundle(demo);
if (!read.ok) throw new Error('the demo does not read');
const bundle = read.value;
const family = entryOf(bundle, 'family', bundle.family);
const parameters = new Map(family?.parameters.map((p) => [p.id, p.value]));
const node = (id: string) =>
  (entryOf(bundle, 'chart', 'rinse-heat') as Chart).nodes.find((n) => n.id === id) as MeasureNode;
const at = (id: string, typed: string, temperature = '') =>
  judge({ node: node(id), parameters, accuracyRatio: 0.01, typed, temperature });

describe('judge', () => {
  it.each([
    ['sensor', '12k', '25', 'pass'],
    ['sensor', '12k', '60', 'high'],
    ['sensor', '12k', '77 °F', 'pass'],
    ['sensor', '12.7k', '25', 'too-close'],
    ['element', '17,6', '', 'pass'],
    ['element', '12', '', 'low'],
    ['element', 'OL', '', 'high'],
  ])('%s %s at “%s” is %s', (id, typed, temperature, verdict) => {
    expect(at(id, typed, temperature)).toMatchObject({ kind: 'judged', taken: { typed, verdict } });
  });

  it.each([
    ['sensor', '12k', '', 'temperature'],
    ['sensor', '12k', 'warm', 'temperature'],
    ['sensor', '12k', 'OL', 'temperature'],
    ['element', '', '', 'reading'],
    ['element', '-3', '', 'reading'],
    ['element', '230 V', '', 'reading'],
  ])('%s “%s” at “%s” is wrong in its %s', (id, typed, temperature, field) => {
    expect(at(id, typed, temperature)).toMatchObject({ kind: 'wrong', field });
  });

  it('a missing parameter is said, not guessed', () => {
    expect(
      judge({ node: node('element'), parameters: new Map(), accuracyRatio: 0, typed: '17', temperature: '' }),
    ).toMatchObject({ kind: 'wrong', field: 'band' });
  });
});
