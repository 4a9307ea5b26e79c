import type { ChartId } from '../base/ids.ts';
import type { Bundle } from '../model/bundle.ts';

/** Something a change of a chart touches; `through` is the chart between, where it does so by a call. */
export type Touched = Readonly<{
  kind: 'code' | 'symptom' | 'chart' | 'route';
  id: string;
  family: string | null;
  through: ChartId | null;
}>;

/** Codes, symptoms, charts and routes that a change of this chart touches, directly or through charts that call it. */
export function touchedBy(entries: ReadonlyArray<Bundle['entries'][number]>, chart: ChartId): Touched[] {
  const callers = new Map<ChartId, ChartId | null>([[chart, null]]);
  for (let grew = true; grew; ) {
    grew = false;
    for (const e of entries)
      if (e.kind === 'chart' && !callers.has(e.id)) {
        const by = e.nodes.find((n) => n.kind === 'call' && callers.has(n.chart));
        if (by?.kind !== 'call') continue;
        callers.set(e.id, by.chart);
        grew = true;
      }
  }
  return entries.flatMap((e): Touched[] => {
    if (e.kind === 'chart') {
      const through = e.id === chart ? undefined : callers.get(e.id);
      return through ? [{ kind: e.kind, id: e.id, family: e.family, through: through === chart ? null : through }] : [];
    }
    if (e.kind !== 'code' && e.kind !== 'symptom' && e.kind !== 'route') return [];
    const named = e.chart;
    if (!named || !callers.has(named)) return [];
    return [{ kind: e.kind, id: e.id, family: e.family, through: named === chart ? null : named }];
  });
}
