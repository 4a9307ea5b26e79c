import { assertNever } from '../base/result.ts';
import type { EarlierReading } from '../model/machine-past.ts';
import type { TakenReading } from '../model/taken-reading.ts';
import type { WalkEvent } from '../model/walk.ts';
import { eventsInForce } from './state.ts';

/** The readings of one walk that stand, in the order they were taken. */
export function readingsTaken(events: readonly WalkEvent[]): EarlierReading[] {
  return eventsInForce(events).flatMap((event): EarlierReading[] => {
    const { walk, at } = event;
    switch (event.kind) {
      case 'answered':
        return event.reading
          ? [{ walk, at, when: 'before', of: event.chart, step: event.node, reading: event.reading }]
          : [];
      case 'reading-after':
        return [{ walk, at, when: 'after', of: event.chart, step: event.node, reading: event.reading }];
      case 'tested':
        return event.reading
          ? [{ walk, at, when: 'test', of: event.mode, step: event.number, reading: event.reading }]
          : [];
      case 'chart-ended':
      case 'clear-step':
      case 'cleared':
      case 'closed':
      case 'code-settled':
      case 'code-taken':
      case 'confirmed':
      case 'locked-out':
      case 'changed':
      case 'noted':
      case 'owed':
      case 'passed':
      case 'pictured':
      case 'proved':
      case 'put-back':
      case 'read-done':
      case 'complaint':
      case 'offered':
      case 'beside':
      case 'proposed':
      case 'taken-over':
      case 'ordered':
      case 'reset-first':
      case 'resumed':
      case 'safe':
      case 'seen':
      case 'setting':
      case 'skipped':
      case 'special':
      case 'started':
      case 'suspected':
      case 'swept':
      case 'symptom-taken':
      case 'taken-back':
      case 'timer':
      case 'tried':
      case 'unit':
      case 'unlisted':
      case 'waits':
        return [];
      default:
        return assertNever(event);
    }
  });
}

/** Readings of one step that come nearer an edge of their good band. */
export type Drift = Readonly<{
  edge: 'lower' | 'upper';
  /** Days counted as those of the readings are. */
  sinceDay: number;
  /** What was left to that edge at first and at last, as a share of the band; of a band with one edge, of that edge. */
  from: number;
  to: number;
  /** When the line through them comes to the edge; not before the last of them. */
  leavesDay: number;
}>;

/** Less than this much nearer, in less than this time, is no drift but another day. */
const leastNearer = 0.1;
const leastDays = 20;
/** Nobody plans further than this. */
const mostDays = 5 * 365;

/** What is left to an edge, where a reading lies within its band: 1 at the other edge, 0 at this one. */
function leftTo(edge: Drift['edge'], { value, least, most }: TakenReading): number | null {
  const own = edge === 'lower' ? least : most;
  if (value === null || own === null) return null;
  const span = least !== null && most !== null ? most - least : Math.abs(own);
  return span > 0 ? (edge === 'lower' ? value - own : own - value) / span : null;
}

/**
 * Whether the readings of one step, oldest first, drift towards an edge: the least-squares line through what was left to
 * it, each reading in its own band, so that other temperatures and settings do not matter. A reading after a repair begins
 * anew. `day` counts from any beginning, parts of days included. Null with fewer than two readings, too little time between them, or none that comes nearer.
 */
export function driftOf(
  readings: ReadonlyArray<Pick<EarlierReading, 'when' | 'reading'> & Readonly<{ day: number }>>,
): Drift | null {
  const since = readings.findLastIndex((r) => r.when === 'after');
  const own = readings.slice(Math.max(0, since)).filter((r) => r.reading.verdict === 'pass');
  const drifts = (['lower', 'upper'] as const).flatMap((edge): Drift[] => {
    const points = own.flatMap((r) => {
      const left = leftTo(edge, r.reading);
      return left === null ? [] : [{ at: r.day, left }];
    });
    const [first, last] = [points[0], points.at(-1)];
    if (!first || !last || last.at - first.at < leastDays) return [];
    const mean = points.reduce((sum, p) => sum + p.at, 0) / points.length;
    const level = points.reduce((sum, p) => sum + p.left, 0) / points.length;
    const spread = points.reduce((sum, p) => sum + (p.at - mean) ** 2, 0);
    const perDay = points.reduce((sum, p) => sum + (p.at - mean) * p.left, 0) / spread;
    const nearer = -perDay * (last.at - first.at);
    const leaves = mean - level / perDay;
    if (nearer < leastNearer || leaves - last.at > mostDays) return [];
    return [
      {
        edge,
        sinceDay: first.at,
        from: first.left,
        to: last.left,
        leavesDay: Math.max(leaves, last.at),
      },
    ];
  });
  return drifts.sort((a, b) => a.to - b.to)[0] ?? null;
}
