import type { Retry, Route } from '../model/route.ts';
import type { Happened } from '../model/walk.ts';

/** One thing to do after a try that did not take. */
export type Advice =
  | Readonly<{ kind: 'again'; pace: number; why: 'faster' | 'slower' | 'again' }>
  | Readonly<{ kind: 'reset-first' | 'check-supply' | 'suspect-board' }>
  | Readonly<{ kind: 'other-way'; route: Route }>;

export type AdviceAsked = Readonly<{
  route: Route;
  /** Other routes into the same mode that hold for this unit. */
  others: readonly Route[];
  /** Failed tries of this route so far, the last one included. */
  failed: number;
  happened: Happened;
  /** The pace a model of hands advises; 1 where it makes no odds. */
  pace: number;
  lastPace: number;
}>;

const clamp = (pace: number): number => Math.round(Math.min(1.5, Math.max(0.5, pace)) * 20) / 20;

/** The route's own advice; where it has none, the order in which people try. */
const orderOf = (route: Route): readonly Retry[] =>
  route.retry.length > 0 ? route.retry : ['again', 'reset-first', 'check-supply', 'suspect-board'];

const asPace = (what: Retry, { pace, lastPace }: AdviceAsked): Advice => {
  if (what === 'faster') return { kind: 'again', pace: clamp(Math.min(pace, lastPace * 0.85)), why: 'faster' };
  if (what === 'slower') return { kind: 'again', pace: clamp(Math.max(pace, lastPace * 1.2)), why: 'slower' };
  if (what === 'again') return { kind: 'again', pace: clamp(pace), why: 'again' };
  return { kind: what };
};

/**
 * What to do now, the first thing first: what happened decides over the order the route names, which is gone through try
 * by try; the other way in comes when half of that is used up, and after all of it what to suspect.
 */
export function adviceAfter(asked: AdviceAsked): Advice[] {
  const { route, others, failed, happened } = asked;
  const order = orderOf(route);
  const told: Partial<Record<Happened, Retry>> = {
    'too-slow': 'faster',
    'too-fast': 'slower',
    reset: 'reset-first',
    'other-mode': 'reset-first',
  };
  const named = told[happened];
  const next = order.slice(Math.max(0, failed - 1));
  const first = happened === 'count-over' ? 'again' : failed <= order.length ? named : undefined;
  const kinds = [...(first ? [first] : []), ...next.filter((r) => r !== first)];
  const advice = kinds.map((k) => asPace(k, asked));
  const other: Advice[] = others.map((o) => ({ kind: 'other-way', route: o }));
  const late = failed > order.length / 2;
  const all = late ? [...advice.slice(0, 1), ...other, ...advice.slice(1)] : [...advice, ...other];
  return all.length > 0 ? all : [...other, { kind: 'suspect-board' }];
}
