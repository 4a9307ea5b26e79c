import {
  type Bundle,
  type Chart,
  type Code,
  entriesOf,
  entryOf,
  type Face,
  familyEntry,
  type Hazard,
  type Needs,
  needsOf,
  type Panel,
  type Readout,
  type Route,
  resolvePlate,
  type Symptom,
  type Walk,
} from '@wire-trail/core';

/** Everything a walk needs of its family's bundle, resolved once. */
export type TrailData = Readonly<{
  bundle: Bundle;
  subject: Code | Symptom | null;
  panel: Panel;
  front: Face;
  readout: Readout | null;
  enter: Route | null;
  clear: Route | null;
  leave: Route | null;
  chart: Chart | null;
  hazards: readonly Hazard[];
  needs: Needs;
  parameters: ReturnType<typeof resolvePlate>['parameters'];
}>;

/** Puts together what a walk shows, from the bundle it began with and what it has found out so far. */
export function trailData(bundle: Bundle, walk: Walk): TrailData {
  const subject = entryOf(bundle, 'code', walk.code) ?? entryOf(bundle, 'symptom', walk.symptom) ?? null;
  const routes = entriesOf(bundle, 'route');
  const enter =
    entryOf(bundle, 'route', subject?.enter) ?? (subject ? null : (routes.find((r) => r.purpose === 'enter') ?? null));
  const clear =
    entryOf(bundle, 'route', subject?.clear) ??
    routes.find((r) => r.purpose === 'clear' && r.onlyFor.length === 0) ??
    null;
  const leave =
    routes.find((r) => r.purpose === 'leave' && enter?.to && r.from !== 'any' && r.from.includes(enter.to)) ?? null;
  const readouts = entriesOf(bundle, 'readout');
  const readout = readouts.find((r) => enter?.to && r.modes.includes(enter.to)) ?? readouts[0] ?? null;
  const chart = entryOf(bundle, 'chart', subject?.chart) ?? null;
  const panels = entriesOf(bundle, 'panel');
  const panel = panels.find((p) => p.controller === readout?.controller) ?? panels[0];
  const front = panel?.faces[0];
  if (!panel || !front) throw new Error(`${bundle.family} has no panel`);
  // before the code is known, what may hurt at any of them
  const subjects = subject ? [subject] : entriesOf(bundle, 'code');
  const along = { subjects, routes: [enter, clear].flatMap((r) => r ?? []), charts: chart ? [chart] : [] };
  const needs = needsOf(bundle, along);
  const plate = walk.unit
    ? {
        model: walk.unit.model || null,
        serial: walk.unit.serial,
        software: walk.unit.software,
        options: walk.unit.options,
      }
    : { model: null, serial: null, software: null };
  return {
    bundle,
    subject,
    panel,
    front,
    readout,
    enter,
    clear,
    leave,
    chart,
    hazards: needs.hazards,
    needs,
    parameters: resolvePlate(familyEntry(bundle), plate).parameters,
  };
}

/** The face a part sits on, and whether a cover is in front of it. */
export function faceOf(panel: Panel, id: string): Face | null {
  return panel.faces.find((f) => f.controls.some((c) => c.id === id) || f.signs.some((s) => s.id === id)) ?? null;
}
