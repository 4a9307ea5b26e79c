import { describe, expect, it } from 'vitest';
import { begunStations, entriesOf, stations } from '../index.ts';
import { boardBundle } from '../testing/unit.ts';

describe('stations there is anything for', () => {
  const { entries } = boardBundle([]);
  const of = (...kinds: string[]) => [...begunStations(entries.filter((e) => kinds.includes(e.kind)))];

  it('of nothing none, and of a name alone none', () => {
    expect([...begunStations([])]).toEqual([]);
    const [family] = entriesOf({ entries }, 'family');
    if (!family) throw new Error('no family');
    expect([...begunStations([{ ...family, recognisedBy: [] }])]).toEqual([]);
  });

  it('each by what it needs, and never more than there are', () => {
    expect(of('panel')).toEqual(['unit']);
    expect(of('chart')).toEqual(entriesOf({ entries }, 'chart').length > 0 ? ['test'] : []);
    for (const station of begunStations(entries)) expect(stations).toContain(station);
  });
});
