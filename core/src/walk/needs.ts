import type { HazardId } from '../base/ids.ts';
import type { Access } from '../model/access.ts';
import type { Bundle } from '../model/bundle.ts';
import type { Chart } from '../model/chart.ts';
import type { Code, Symptom } from '../model/code.ts';
import type { Route } from '../model/route.ts';
import { entriesOf } from '../model/select.ts';
import type { Hazard } from '../model/source.ts';

/** What a walk goes through: its codes or symptoms, the ways in and out, its charts. */
export type Along = Readonly<{
  subjects: ReadonlyArray<Code | Symptom>;
  routes: readonly Route[];
  charts: readonly Chart[];
}>;
export type Needs = Readonly<{
  hazards: readonly Hazard[];
  ways: readonly Access[];
  /** Each once, in the order of the hazards. */
  gear: readonly string[];
  isolation: readonly string[];
  tools: readonly string[];
}>;

const once = <T>(list: readonly T[]): T[] => [...new Set(list)];

/** Everything a walk needs before its first step, collected from all of its stations, each thing once. */
export function needsOf(bundle: Pick<Bundle, 'entries'>, { subjects, routes, charts }: Along): Needs {
  const nodes = charts.flatMap((c) => c.nodes);
  const wayIds = once([...routes.flatMap((r) => r.ways), ...nodes.flatMap((n) => n.ways)]);
  const ways = entriesOf(bundle, 'access').filter((a) => wayIds.includes(a.id));
  const ids = once<HazardId>([
    ...subjects.flatMap((s) => s.hazards),
    ...routes.flatMap((r) => r.hazards),
    ...nodes.flatMap((n) => n.hazards),
    ...ways.flatMap((w) => w.hazards),
  ]);
  const hazards = entriesOf(bundle, 'hazard').filter((h) => ids.includes(h.id));
  return {
    hazards,
    ways,
    gear: once(hazards.flatMap((h) => h.gear)),
    isolation: once(hazards.flatMap((h) => h.isolation)),
    tools: once([...routes.flatMap((r) => r.tools), ...nodes.flatMap((n) => n.tools), ...ways.flatMap((w) => w.tools)]),
  };
}

/** The way back from where some access ways led, in the order of doing it: the last way first, each from its end. */
export function wayBack(ways: readonly Access[]): string[] {
  return [...ways]
    .reverse()
    .flatMap((way) => [...way.steps].reverse().flatMap((step) => (step.back ? [step.back] : [])));
}
