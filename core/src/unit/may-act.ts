import { type Scope, scopes } from '../base/text.ts';
import type { Bundle } from '../model/bundle.ts';
import type { ChartNode } from '../model/chart.ts';
import type { Code } from '../model/code.ts';
import type { Route } from '../model/route.ts';
import { entryOf } from '../model/select.ts';
import { eachStep } from '../model/steps.ts';

/** What somebody may do: a level, and the trades they have a paper for. */
export type Actor = Readonly<{ level: Scope; trades: readonly string[] }>;
/** What somebody has to be for a piece of work; no trade is named where any licence will do. */
export type Permit = Readonly<{ scope: Scope; trades: readonly string[] }>;

type Asking = Readonly<{ scope?: Scope | undefined; trade?: string | undefined }>;

const same = (a: string, b: string): boolean => a.trim().toLowerCase() === b.trim().toLowerCase();

/** The strictest of all that is asked: the widest level where nothing is, and every trade that is named. */
export function permitFor(all: readonly Asking[]): Permit {
  const scope = scopes[Math.max(0, ...all.map((a) => (a.scope === undefined ? 0 : scopes.indexOf(a.scope))))];
  const trades = all.flatMap((a) => a.trade ?? []);
  return { scope: scope ?? 'operator', trades: trades.filter((t, i) => trades.findIndex((u) => same(t, u)) === i) };
}

/**
 * What somebody lacks for a piece of work; null where they may do it. Where trades are named, their papers are the licence:
 * a general licence is none for them, and who has them needs no other.
 */
export function lacking(actor: Actor, needs: Permit): Permit | null {
  const trades = actor.level === 'maker' ? [] : needs.trades.filter((t) => !actor.trades.some((own) => same(own, t)));
  const isPapered = needs.scope === 'licensed' && needs.trades.length > 0 && actor.level !== 'operator';
  const isLow = scopes.indexOf(needs.scope) > scopes.indexOf(actor.level) && !isPapered;
  if (trades.length === 0 && !isLow) return null;
  return { scope: trades.length > 0 ? permitFor([needs, { scope: 'licensed' }]).scope : needs.scope, trades };
}

const ofHazards = (bundle: Bundle, ids: readonly string[]): Asking[] =>
  ids.map((id) => entryOf(bundle, 'hazard', id) ?? {});

/** Steps at which nothing is done to the unit: anybody may look, ask and wait. */
const looksOnly: ReadonlySet<ChartNode['kind']> = new Set([
  'look',
  'ask',
  'split',
  'compare',
  'wait',
  'call',
  'verdict',
]);

/** Who may do something about a code or a symptom: what it says itself, and what can hurt. */
export const permitForSubject = (bundle: Bundle, subject: Pick<Code, 'scope' | 'hazards'>): Permit =>
  permitFor([subject, ...ofHazards(bundle, subject.hazards)]);

/**
 * Who may do a step of a chart: what it says itself and what can hurt there; where something is done to the unit, also what
 * the code or symptom says that is tested.
 */
export const permitForNode = (bundle: Bundle, node: ChartNode, subject: Pick<Code, 'scope'> | null = null): Permit =>
  permitFor([node, ...ofHazards(bundle, node.hazards), ...(subject && !looksOnly.has(node.kind) ? [subject] : [])]);

/** The first step of a route that is for others, with what is lacking; null where none is. */
export function lackingIn(bundle: Bundle, route: Route, actor: Actor): Readonly<{ at: string; needs: Permit }> | null {
  const whole = lacking(actor, permitFor(ofHazards(bundle, route.hazards)));
  if (whole) return { at: '', needs: whole };
  for (const { step, at } of eachStep(route.steps, [])) {
    const needs = lacking(actor, permitFor([step]));
    if (needs) return { at: at.join('.'), needs };
  }
  return null;
}
