import type { ChartWalk } from '../chart/walk.ts';
import type { Proposal } from '../model/proposal.ts';
import { foundOn } from './clear-plan.ts';
import { stepKey, type Walk } from './state.ts';

/** What a walk has that may be offered to the library: what it found behind its code, and what measured well at the end. */
export function offersOf(walk: Walk, chartWalk: ChartWalk | null): Proposal[] {
  const found = foundOn(walk, chartWalk);
  const about = { code: walk.code, symptom: walk.symptom };
  const fix: Proposal[] =
    (walk.code || walk.symptom) && (found?.verdict === 'cause-found' || walk.closed?.outcome === 'fixed')
      ? [{ kind: 'fix', ...about, part: found?.cause ?? null }]
      : [];
  // after the repair before what was read on the way: a step counts once
  const seen = new Set<string>();
  const readings = walk.answers.toReversed().flatMap(({ chart, node, reading: then }): Proposal[] => {
    const key = stepKey({ chart, node });
    const reading = walk.after.get(key) ?? then;
    if (reading?.verdict !== 'pass' || seen.has(key)) return [];
    seen.add(key);
    return [{ kind: 'reading', ...about, chart, node, reading }];
  });
  const had = new Set(walk.proposed.map((p) => JSON.stringify(p.offer)));
  return [...fix, ...readings.reverse()].filter((p) => !had.has(JSON.stringify(p)));
}
