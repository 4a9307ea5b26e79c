import type { ParameterId, RouteId } from '../base/ids.ts';
import { assertNever } from '../base/result.ts';
import type { Span } from '../base/text.ts';
import type { Route, Step } from './route.ts';
import { withInner } from './steps.ts';

/** Routes that do routes go so deep; deeper is a circle. */
const deepest = 8;

type Values = ReadonlyMap<ParameterId, number>;

/** A span of the same shape about another usual length. */
function scaled(span: Span, usualMs: number): Span {
  const by = span.usualMs > 0 ? usualMs / span.usualMs : 1;
  return { leastMs: span.leastMs * by, usualMs, mostMs: span.mostMs * by };
}

/** A count as the schema takes it. */
const whole = (value: number, least: number): number => Math.max(least, Math.round(value));

/** The same number written as the characters a dial begins with: as many places, zeros before it. */
const asCharacters = (value: number, like: string): string => String(Math.round(value)).padStart(like.length, '0');

/**
 * A step with the value its number stands for: how often, how many clicks or turns, which entry, which characters, which
 * value, or how long (values in seconds). A step without a number stays as it is.
 */
function withAmount(step: Step, value: number): Step {
  const ms = value * 1000;
  switch (step.kind) {
    case 'press':
    case 'group':
    case 'together':
    case 'do':
      return { ...step, times: whole(value, 1) };
    case 'turn':
      return { ...step, clicks: whole(value, 1) };
    case 'sweep':
      return { ...step, turns: whole(value, 1) };
    case 'step-list':
      return { ...step, to: whole(value, 0) };
    case 'dial':
      return { ...step, text: asCharacters(value, step.text) };
    case 'choose':
      return { ...step, value: String(value) };
    case 'rest':
      return { ...step, span: scaled(step.span, ms) };
    case 'hold':
      return step.until.kind === 'span'
        ? { ...step, until: { ...step.until, span: scaled(step.until.span, ms) } }
        : step;
    case 'keep':
      return step.until?.kind === 'span'
        ? { ...step, until: { ...step.until, span: scaled(step.until.span, ms) } }
        : step;
    case 'see':
      return step.within ? { ...step, within: scaled(step.within, ms) } : step;
    case 'at-place':
    case 'branch':
    case 'bypass':
    case 'release':
    case 'say':
    case 'set':
      return step;
    default:
      return assertNever(step);
  }
}

/**
 * Steps as they are gone: what another route does is filled in, under its name, and every number that is a value of the
 * family's has it. A route that does itself, or one that is not there, is left as it stands. `values` are in base units.
 */
export function wholeSteps(
  steps: readonly Step[],
  routes: ReadonlyMap<RouteId, Route>,
  values: Values = new Map(),
  within: readonly RouteId[] = [],
): Step[] {
  return steps.map((step): Step => {
    const { amount, ...plain } = step;
    const value = amount === undefined ? undefined : values.get(amount);
    const own = value === undefined ? step : withAmount(plain as Step, value);
    if (own.kind !== 'do') return withInner(own, (inner) => wholeSteps(inner, routes, values, within));
    const done = routes.get(own.route);
    if (!done || within.includes(done.id) || within.length >= deepest) return own;
    const bound = new Map([...values, ...(own.values ?? []).map((v) => [v.parameter, v.is] as const)]);
    return { ...own, name: done.name, steps: wholeSteps(done.steps, routes, bound, [...within, done.id]) };
  });
}

/** The routes a route does, straight or by way of others; itself among them where it does itself. */
export function routesDone(route: Route, routes: ReadonlyMap<RouteId, Route>): ReadonlySet<RouteId> {
  const found = new Set<RouteId>();
  const look = (steps: readonly Step[]): void => {
    for (const step of steps) {
      if (step.kind === 'do' && !found.has(step.route)) {
        found.add(step.route);
        look(routes.get(step.route)?.steps ?? []);
      }
      withInner(step, (inner) => {
        look(inner);
        return [...inner];
      });
    }
  };
  look(route.steps);
  return found;
}
