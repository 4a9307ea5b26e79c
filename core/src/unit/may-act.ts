import { type Scope, scopes } from '../base/text.ts';
import type { Bundle } from '../model/bundle.ts';
import type { ChartNode } from '../model/chart.ts';
import type { Route } from '../model/route.ts';
import { entryOf } from '../model/select.ts';
import { eachStep } from '../model/steps.ts';

/** The strictest of who may act; the widest where nothing is said. */
export const strictest = (all: ReadonlyArray<Scope | undefined>): Scope =>
  scopes[Math.max(0, ...all.map((s) => (s === undefined ? 0 : scopes.indexOf(s))))] ?? 'operator';

/** Whether something is for others than somebody of this level. */
export const isBeyond = (level: Scope, needs: Scope): boolean => scopes.indexOf(needs) > scopes.indexOf(level);

const ofHazards = (bundle: Bundle, ids: readonly string[]): Array<Scope | undefined> =>
  ids.map((id) => entryOf(bundle, 'hazard', id)?.scope);

/** Who may do a step of a chart: what it says itself, and what can hurt there. */
export const scopeOfNode = (bundle: Bundle, node: ChartNode): Scope =>
  strictest([node.scope, ...ofHazards(bundle, node.hazards)]);

/** The first step of a route that is for others than somebody of this level, with whom it is for; null where none is. */
export function beyondIn(bundle: Bundle, route: Route, level: Scope): Readonly<{ at: string; needs: Scope }> | null {
  const whole = strictest(ofHazards(bundle, route.hazards));
  if (isBeyond(level, whole)) return { at: '', needs: whole };
  for (const { step, at } of eachStep(route.steps, []))
    if (step.scope !== undefined && isBeyond(level, step.scope)) return { at: at.join('.'), needs: step.scope };
  return null;
}
