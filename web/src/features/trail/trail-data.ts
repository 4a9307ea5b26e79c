import {
  asBuilt,
  type BandKnown,
  type Bundle,
  type Chart,
  type ChartKnown,
  type ChartWalk,
  type ClearStep,
  type Code,
  chartKnown,
  chartsCalled,
  clearPlan,
  entriesOf,
  entryOf,
  type Face,
  type FirstMove,
  familyEntry,
  fillChart,
  firstMoves,
  type Hazard,
  holdsFor,
  isInside,
  type Needs,
  needsOf,
  type Panel,
  type Plate,
  plateOf,
  type Readout,
  type Root,
  type Route,
  readingsOnPath,
  resolvePlate,
  rootsOf,
  type Symptom,
  squeezed,
  type Variant,
  type Walk,
  walkChart,
  wayIn,
} from '@wire-trail/core';

/** Everything a walk needs of its family's bundle, resolved once. */
export type TrailData = Readonly<{
  /** The family as this unit is built, as far as its plate tells; and as it is stored. */
  bundle: Bundle;
  stored: Bundle;
  subject: Code | Symptom | null;
  panel: Panel;
  /** What may stand in its place, as long as the plate does not tell which of them it is. */
  otherPanels: readonly Panel[];
  front: Face;
  readout: Readout | null;
  enter: Route | null;
  /** Routes that bring the unit to where its codes show, in the order they are gone. */
  way: readonly Route[];
  /** Every way into the same mode that holds, or may hold, on this unit. */
  waysIn: readonly Route[];
  /** Variants that fit the plate as far as it is known. */
  alive: readonly Variant['id'][];
  clear: Route | null;
  /** What Clear is made of, in the order of doing it. */
  clearing: readonly ClearStep[];
  leave: Route | null;
  /** What can be done first for the code, to see whether it comes back, before anything is tested. */
  firstMoves: readonly FirstMove[];
  /** The test chart, as it stands for this code. */
  chart: Chart | null;
  /** Where the walk stands in it; null without one. */
  chartWalk: ChartWalk | null;
  known: ChartKnown;
  /** What good bands go by here. */
  bandKnown: BandKnown;
  hazards: readonly Hazard[];
  needs: Needs;
  /** Codes that hold, or may hold, on this unit as far as its plate is known. */
  codes: readonly Code[];
  /** What is known of its plate. */
  plate: Plate;
  parameters: ReturnType<typeof resolvePlate>['parameters'];
  /** The codes read on this walk that no other explains, and how far each is. */
  roots: readonly Root[];
}>;

const noUse = { values: {}, parts: {} };

/** The walk's code; where its entry does not hold for this variant, the entry of the same code that does. */
function codeHere(bundle: Bundle, walk: Walk, codes: readonly Code[]): Code | undefined {
  const code = entryOf(bundle, 'code', walk.code);
  if (!code || codes.includes(code)) return code;
  return codes.find((c) => c.controller === code.controller && squeezed(c.text) === squeezed(code.text)) ?? code;
}

const leadsInto = (way: readonly Route[], { modes }: Readout): boolean => modes.some((m) => m === way.at(-1)?.to);

/** Puts together what a walk shows, from the bundle it began with and what it has found out so far. */
export function trailData(stored: Bundle, walk: Walk): TrailData {
  const plate = plateOf(walk);
  const { alive, parameters } = resolvePlate(familyEntry(stored), plate);
  // the unit as it is built, as far as its plate tells
  const bundle = asBuilt(stored, alive);
  const codes = entriesOf(bundle, 'code').filter((c) => holdsFor(c.onlyVariants, alive) !== 'no');
  const subject = codeHere(bundle, walk, codes) ?? entryOf(bundle, 'symptom', walk.symptom) ?? null;
  const routes = entriesOf(bundle, 'route');
  const holds = (r: Route): boolean => holdsFor(r.onlyVariants, alive) !== 'no';
  const named =
    entryOf(stored, 'route', subject?.enter) ?? (subject ? null : (routes.find((r) => r.purpose === 'enter') ?? null));
  const waysIn = routes.filter((r) => named && r.purpose === 'enter' && r.to === named.to && holds(r));
  // the way a code names may be another generation's: then the one that holds here
  const enter = named && !holds(named) ? (waysIn[0] ?? named) : named;
  const clear =
    entryOf(bundle, 'route', subject?.clear) ??
    routes.find((r) => r.purpose === 'clear' && r.onlyFor.length === 0) ??
    null;
  const readouts = entriesOf(bundle, 'readout').filter((r) => holdsFor(r.onlyVariants, alive) !== 'no');
  const modes = entriesOf(bundle, 'mode');
  const wayTo = (r: Readout | null): Route[] =>
    enter ? wayIn(enter, r?.modes ?? [], { routes: routes.filter(holds), modes }) : [];
  const readout =
    (subject?.kind === 'code' && readouts.find((r) => r.id === subject.readout)) ||
    readouts.find((r) => enter?.to && r.modes.includes(enter.to)) ||
    readouts.find((r) => leadsInto(wayTo(r), r)) ||
    readouts[0] ||
    null;
  const way = wayTo(readout);
  const inMode = way.at(-1)?.to ?? null;
  const leave =
    routes.find((r) => r.purpose === 'leave' && inMode && r.from !== 'any' && r.from.includes(inMode)) ?? null;
  const ownChart = entryOf(bundle, 'chart', subject?.chart) ?? null;
  const holdsHere = ownChart && holdsFor(ownChart.onlyVariants, alive) !== 'no';
  const known = chartKnown({ bundle, walk, subject, variants: alive });
  const chart = holdsHere ? fillChart(ownChart, subject?.chartUse ?? noUse, known.partNames) : null;
  const chartWalk = chart ? walkChart(chart, walk.answers, known) : null;
  const earlier = [...walk.settled].flatMap(([id, { as }]): ChartWalk[] => {
    const code = id === walk.code || as !== 'tested' ? undefined : entryOf(bundle, 'code', id);
    const own = entryOf(bundle, 'chart', code?.chart);
    if (!code || !own) return [];
    const before = chartKnown({ bundle, walk, subject: code, variants: alive });
    return [walkChart(fillChart(own, code.chartUse ?? noUse, before.partNames), walk.answers, before)];
  });
  const panels = entriesOf(bundle, 'panel');
  const panel = panels.find((p) => p.controller === readout?.controller) ?? panels[0];
  const otherPanels = panels.filter((p) => p !== panel && p.controller === panel?.controller && p.onlyVariants?.length);
  const front = panel?.faces[0];
  if (!panel || !front) throw new Error(`${bundle.family} has no panel`);
  // before the code is known, what may hurt at any of them
  const subjects = subject ? [subject] : codes;
  const charts = new Map(entriesOf(bundle, 'chart').map((c) => [c.id, c]));
  const along = {
    subjects,
    routes: [...way, ...(clear ? [clear] : [])],
    charts: chart ? chartsCalled(chart, charts) : [],
  };
  const needs = needsOf(bundle, along);
  return {
    bundle,
    stored,
    subject,
    panel,
    otherPanels,
    front,
    readout,
    enter,
    way,
    waysIn,
    alive,
    clear,
    clearing: clearPlan({ bundle, walk, chartWalk, earlier, routes: routes.filter(holds), clear, leave }),
    leave,
    firstMoves:
      subject?.kind === 'code'
        ? firstMoves({
            bundle,
            code: subject,
            chart,
            routes: routes.filter(holds),
            clear,
            inMode: isInside(walk) ? inMode : null,
          })
        : [],
    chart,
    chartWalk,
    known,
    bandKnown: {
      parameters,
      cases: known.cases,
      settings: known.settings ?? new Map(),
      earlier: chartWalk ? readingsOnPath(chartWalk) : new Map(),
    },
    hazards: needs.hazards,
    needs,
    plate,
    parameters,
    codes,
    roots: rootsOf(bundle, walk),
  };
}

/** The face a part sits on, and whether a cover is in front of it. */
export function faceOf(panel: Panel, id: string): Face | null {
  return panel.faces.find((f) => f.controls.some((c) => c.id === id) || f.signs.some((s) => s.id === id)) ?? null;
}
