import { partsAbout } from '../chart/graph.ts';
import { isKept } from '../code/prove.ts';
import type { Bundle } from '../model/bundle.ts';
import type { Chart } from '../model/chart.ts';
import type { Code } from '../model/code.ts';
import type { Route } from '../model/route.ts';
import { entriesOf, entryOf, familyEntry } from '../model/select.ts';
import type { FirstBy } from '../model/walk.ts';
import { routesUpTo } from '../modes-map/routes-to.ts';
import { wayBack } from './needs.ts';
import { restingModes } from './way-in.ts';

/** Something that can be done for a code before anything is tested, to see whether it comes back. */
export type FirstMove = Readonly<{
  by: FirstBy;
  /** What is calibrated, by name; empty for a reset. */
  of: readonly string[];
  /** In the order they are gone, with what leads to them and out again. */
  routes: readonly Route[];
  /** What goes back on before the unit is run. */
  back: readonly string[];
}>;

type Asked = Readonly<{
  bundle: Bundle;
  code: Code;
  /** The chart the code is tested by, with its parts filled in. */
  chart: Chart | null;
  /** The routes this walk may go: those that hold for the unit. */
  routes: readonly Route[];
  clear: Route | null;
  /** The mode the unit stands in; null where it is run as it is used. */
  inMode: Route['to'];
}>;

/**
 * What can be done first for a code. A reset erases what is stored, where something is stored and a route erases it. A
 * recalibration goes the routes that calibrate what the code may come from (its suspects, what its chart finds or asks to
 * calibrate) and then erases. Both leave the mode again: the unit has to run as it is used.
 */
export function firstMoves({ bundle, code, chart, routes, clear, inMode }: Asked): FirstMove[] {
  const resting = restingModes(entriesOf(bundle, 'mode'));
  const erase = clear && isKept(code, entryOf(bundle, 'readout', code.readout ?? undefined)) ? [clear] : [];
  const within = new Set([...code.suspects.map((s) => s.part), ...(chart ? partsAbout(chart) : [])]);
  const suspected = familyEntry(bundle).parts.filter((p) => within.has(p.id));
  const asked = chart?.nodes.flatMap((n) => (n.kind === 'act' ? (n.recalibrate ?? []) : [])) ?? [];
  const calibrating = [...new Set([...suspected.flatMap((p) => p.recalibrateBy ?? []), ...asked])].flatMap(
    (id) => routes.find((r) => r.id === id) ?? [],
  );
  /** The row that goes these in turn, each from where the one before ends, and leaves what it ends in. */
  const row = (goals: readonly Route[]): Route[] => {
    const gone: Route[] = [];
    let at = inMode;
    for (const goal of goals) {
      const on = at ? routesUpTo(goal, routes, [at]) : [];
      const reaches = on.length > 1 || (at && startsIn(goal, at));
      gone.push(...(reaches ? on : routesUpTo(goal, routes, resting)));
      at = goal.to;
    }
    const leave = routes.find((r) => r.purpose === 'leave' && at && startsIn(r, at));
    return leave ? [...gone, leave] : gone;
  };
  const move = (by: FirstBy, of: readonly string[], goals: readonly Route[]): FirstMove[] => {
    if (goals.length === 0) return [];
    const gone = row(goals);
    const opened = new Set(gone.flatMap((r) => r.ways));
    return [{ by, of, routes: gone, back: wayBack(entriesOf(bundle, 'access').filter((a) => opened.has(a.id))) }];
  };
  return [
    ...move('reset', [], erase),
    ...move(
      'recalibrate',
      calibrating.map((r) => r.name),
      calibrating.length > 0 ? [...calibrating, ...erase] : [],
    ),
  ];
}

const startsIn = (route: Route, mode: NonNullable<Route['to']>): boolean =>
  route.from === 'any' || route.from.includes(mode);
