import type { ChartWalk } from '../chart/walk.ts';
import type { Proposal } from '../model/proposal.ts';
import { foundOn } from './clear-plan.ts';
import type { Walk } from './state.ts';

/** What a walk has that may be offered to the library: what it found behind its code, and what measured well at the end. */
export function offersOf(walk: Walk, chartWalk: ChartWalk | null): Proposal[] {
  const found = foundOn(walk, chartWalk);
  const about = { code: walk.code, symptom: walk.symptom };
  const fix: Proposal[] =
    (walk.code || walk.symptom) && (found?.verdict === 'cause-found' || walk.closed?.outcome === 'fixed')
      ? [{ kind: 'fix', ...about, part: found?.cause ?? null }]
      : [];
  // after the repair before what was read on the way: a step counts once
  const read = [
    ...[...walk.after].map(([key, reading]) => ({ key, reading })),
    ...walk.answers.map((a) => ({ key: `${a.chart}/${a.node}`, reading: a.reading })),
  ];
  const seen = new Set<string>();
  const readings = read.flatMap(({ key, reading }): Proposal[] => {
    if (reading?.verdict !== 'pass' || seen.has(key)) return [];
    seen.add(key);
    const [chart = '', node = ''] = key.split('/');
    return [{ kind: 'reading', ...about, chart: chart as never, node: node as never, reading }];
  });
  const had = new Set(walk.proposed.map((p) => JSON.stringify(p.offer)));
  return [...fix, ...readings].filter((p) => !had.has(JSON.stringify(p)));
}
