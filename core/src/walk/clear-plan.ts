import type { PartId } from '../base/ids.ts';
import { causeOf, causeToRenew, putInNew } from '../chart/remedies.ts';
import type { ChartWalk } from '../chart/walk.ts';
import { isKept } from '../code/prove.ts';
import type { Bundle } from '../model/bundle.ts';
import type { Setting } from '../model/code.ts';
import type { Part } from '../model/family.ts';
import type { Route } from '../model/route.ts';
import { entriesOf, entryOf, familyEntry } from '../model/select.ts';
import type { Clearing } from '../model/walk.ts';
import { routesUpTo, withFirst } from '../modes-map/routes-to.ts';
import { type Changed, changedByHand } from './changed.ts';
import { wayBack } from './needs.ts';
import type { Walk } from './state.ts';
import { isInside, restingModes } from './way-in.ts';

/** One thing that is done at Clear. */
export type ClearStep =
  /** What was changed by hand: each is put back, or left so for somebody. */
  | Readonly<{ kind: 'put-back'; changes: readonly Changed[] }>
  | Readonly<{
      kind: 'close-up' | 'close-last';
      /** What goes back on, in the order of doing it. */
      back: readonly string[];
      /** The unit is dead while this is done, and has its supply again only afterwards. */
      isDead: boolean;
    }>
  /** What a part wants that was put in new; with the routes that do it and what has to be set right, where there is any. */
  | Readonly<{
      kind: 'recalibrate';
      part: string;
      demands: string;
      routes: readonly Route[];
      settings: readonly Setting[];
    }>
  | Readonly<{ kind: 'erase' | 'leave'; routes: readonly Route[] }>;

type Asked = Readonly<{
  bundle: Bundle;
  walk: Walk;
  chartWalk: ChartWalk | null;
  /** Charts of codes that were tested before, of several. */
  earlier?: readonly ChartWalk[];
  /** The routes this walk may go: those that hold for the unit. */
  routes: readonly Route[];
  clear: Route | null;
  leave: Route | null;
}>;

/**
 * What Clear is made of, by what wants the supply: whatever was opened for the tests goes back on while the unit is still
 * dead; only then it has its supply, is recalibrated and erased by way of the mode it was thrown out of, and left. What has
 * to stay open for that goes back on at the end.
 */
export function clearPlan({ bundle, walk, chartWalk, earlier = [], routes, clear, leave }: Asked): ClearStep[] {
  const path = [...earlier, ...(chartWalk ? [chartWalk] : [])].flatMap((c) => c.path);
  const done = path.filter((s) => s.skipped === null).map((s) => s.node);
  const opened = entriesOf(bundle, 'access').filter((a) =>
    [
      ...done.flatMap((n) => n.ways),
      ...walk.tries.flatMap((t) => entryOf(bundle, 'route', t.route)?.ways ?? []),
    ].includes(a.id),
  );
  const isDead =
    opened.some((a) => a.isolateFirst) ||
    done.some((n) => (n.kind === 'act' && n.act === 'isolate') || (n.kind === 'measure' && n.supply === 'dead'));
  const resting = restingModes(entriesOf(bundle, 'mode'));
  // what was isolated has forgotten its mode
  const isIn = !isDead && isInside(walk);
  const upTo = (route: Route): Route[] => (isIn ? withFirst([route], routes) : routesUpTo(route, routes, resting));
  const read = [...walk.taken.map((t) => t.code), ...(walk.code ? [walk.code] : [])];
  // a result that is not kept leaves nothing to erase
  const hasRead = read.some((id) => {
    const code = entryOf(bundle, 'code', id);
    return !code || isKept(code, entryOf(bundle, 'readout', code.readout ?? undefined));
  });
  const erasing = clear && hasRead ? upTo(clear) : [];
  const isInAfter = isIn || erasing.length > 0;
  const leaving = leave && isInAfter ? [leave] : [];
  const wants = replacedParts(bundle, walk, chartWalk, path);
  const settings = [...new Set(wants.flatMap((p) => p.setAfter ?? []))].flatMap(
    (id) => entryOf(bundle, 'setting', id) ?? [],
  );
  const calibrating = [...wants.map((p) => p.recalibrateBy), ...settings.map((s) => s.route)].flatMap(
    (id) => routes.find((r) => r.id === id) ?? [],
  );
  const needed = new Set([...erasing, ...leaving, ...calibrating].flatMap((r) => r.ways));
  // what is in the way of that comes on last, opened for the tests or only then
  const now = opened.filter((a) => !needed.has(a.id));
  const last = entriesOf(bundle, 'access').filter((a) => needed.has(a.id));
  const plugs = [...new Set(done.flatMap((n) => (n.kind === 'measure' ? n.disconnect : [])))];
  const changes = changedByHand(bundle, walk, path);
  return [
    ...(changes.length > 0 ? [{ kind: 'put-back' as const, changes }] : []),
    { kind: 'close-up', back: [...plugs.map(onAgain), ...wayBack(now)], isDead },
    ...(wants.length > 0 ? [recalibrating(wants, [...new Set(calibrating.flatMap(upTo))], settings)] : []),
    ...(erasing.length > 0 ? [{ kind: 'erase' as const, routes: erasing }] : []),
    ...(leaving.length > 0 ? [{ kind: 'leave' as const, routes: leaving }] : []),
    ...(last.length > 0
      ? [{ kind: 'close-last' as const, back: wayBack(last), isDead: last.some((a) => a.isolateFirst) }]
      : []),
  ];
}

/** What was taken off, said the other way round: `Plug S7 from the board` goes back on the board. */
function onAgain(what: string): string {
  const [, part, place] = /^(.+?),? (?:off|from) (.+?)\.?$/i.exec(what) ?? [];
  if (part !== undefined && place !== undefined) return `${part}, back on ${place}`;
  return `Back on: ${what.replace(/ off\.?$/, '')}`;
}

const recalibrating = (parts: readonly Part[], routes: readonly Route[], settings: readonly Setting[]): ClearStep => ({
  kind: 'recalibrate',
  part: parts.map((p) => p.name).join(', '),
  demands: parts.flatMap((p) => p.afterReplacing ?? []).join(' '),
  routes,
  settings,
});

/** The parts that were found to be causes, or were put in new on the way, and want something once they are new. */
function replacedParts(bundle: Bundle, walk: Walk, chartWalk: ChartWalk | null, path: ChartWalk['path']): Part[] {
  const { parts } = familyEntry(bundle);
  const replaced = new Set<PartId>(putInNew(path));
  const found = foundOn(walk, chartWalk);
  const renewed = found?.verdict === 'cause-found' ? causeToRenew(path, found.cause) : null;
  if (renewed) replaced.add(renewed);
  for (const settled of walk.settled.values()) if (settled.found?.cause) replaced.add(settled.found.cause);
  return parts.filter((p) => replaced.has(p.id) && (p.afterReplacing || p.recalibrateBy || p.setAfter));
}

type Found = NonNullable<Walk['found']>;

/** What a chart came to, as a walk keeps it; without a result where it ended openly. */
export function chartFound({ chart, end, path }: ChartWalk): Found {
  const verdict = end?.kind === 'verdict' ? end.verdict : null;
  return {
    chart: chart.id,
    node: verdict?.id ?? null,
    verdict: verdict?.verdict ?? null,
    cause: verdict?.verdict === 'cause-found' ? causeOf(path, verdict.cause) : (verdict?.cause ?? null),
  };
}

/** What the tests of a walk came to: as it said when they did, else as its chart stands. */
export const foundOn = (walk: Walk, chartWalk: ChartWalk | null): Walk['found'] =>
  walk.found ?? (chartWalk?.end ? chartFound(chartWalk) : null);

/** What was found, in words for the log and for what fixed it: the part, or the verdict where it names none. */
export function foundWords(
  bundle: Bundle,
  found: Walk['found'],
): Readonly<{ cause: string | null; title: string | null }> {
  const node =
    found?.node != null ? entryOf(bundle, 'chart', found.chart)?.nodes.find((n) => n.id === found.node) : undefined;
  const part = familyEntry(bundle).parts.find((p) => p.id === found?.cause);
  const title = node?.title ?? null;
  return { cause: part?.name ?? (found?.verdict === 'cause-found' ? title : null), title };
}

/** The first step of a plan that is not done yet; null once everything is. */
export const clearingNow = (plan: readonly ClearStep[], done: ReadonlySet<Clearing>): ClearStep | null =>
  plan.find((step) => !done.has(step.kind)) ?? null;
