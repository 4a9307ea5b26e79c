import type { ControlId, PlaceId } from '../base/ids.ts';
import { codeIdOf, freeIn } from '../base/slug.ts';
import { stepsSpan } from '../gesture/timing.ts';
import type { Bundle } from '../model/bundle.ts';
import type { Entry } from '../model/entry.ts';
import type { Finding } from '../model/finding.ts';
import type { Retry, Route, Step } from '../model/route.ts';
import { entriesOf } from '../model/select.ts';
import { eachStep } from '../model/steps.ts';
import { changeStep, insertBefore, stepAt, stretchWindow } from '../timeline/edit.ts';
import { bundleFacts, type ControlFacts } from '../unit/facts.ts';
import { retryWords } from '../words/step.ts';
import { entryOf, type Mend, type Menders } from './mend.ts';

/** The route a finding is in, and the place of its step among the route's steps, `2.during.0`; empty for the route as a whole. */
function stepOf(finding: Finding, bundle: Bundle): { route: Route; place: string; step: Step | null } | null {
  const route = entryOf(finding, bundle, 'route');
  if (!route) return null;
  const place = finding.at.slice(3).join('.');
  return { route, place, step: place === '' ? null : stepAt(route.steps, place) };
}

const only = (words: string, ...entries: Entry[]): Mend[] => [{ words, entries }];
const labelOf = (own: ControlFacts, place: PlaceId): string =>
  own.mechanism.kind === 'places' ? (own.mechanism.places.find((p) => p.id === place)?.label ?? place) : place;

/** Where a control has to stand for the supply: as it begins, where that is such a place. */
const livePlace = (own: ControlFacts): PlaceId | null =>
  own.start !== null && own.powersAt.has(own.start) ? own.start : ([...own.powersAt][0] ?? null);
const deadPlace = ({ mechanism, powersAt }: ControlFacts): PlaceId | null =>
  mechanism.kind === 'places' ? (mechanism.places.find((p) => !powersAt.has(p.id))?.id ?? null) : null;

/** The controls whose supply a route takes away before a step, or that have none as it begins. */
function unsupplied(route: Route, place: string, supply: readonly ControlFacts[]): ControlFacts[] {
  const first = Number(place.split('.')[0]);
  return supply.filter((own) => {
    const put = route.steps.slice(0, first).findLast((s) => s.kind === 'set' && s.control === own.control.id);
    const now = put?.kind === 'set' ? put.to : own.start;
    return now !== null && !own.powersAt.has(now);
  });
}

/** What is put back with the supply still off goes in front of the step that brings it back. */
const deadWork: ReadonlySet<string> = new Set(['jumper', 'fuse', 'dip', 'slide', 'plug']);

/** What one may try again, by what the steps are: a window wants quicker hands, a knob slower ones. */
function retriesFor(steps: readonly Step[]): Retry[] {
  const all = eachStep(steps, []).map((s) => s.step);
  if (all.some((s) => s.kind === 'group' && s.window)) return ['faster', 'reset-first'];
  if (all.some((s) => s.kind === 'turn' || s.kind === 'sweep')) return ['slower', 'again'];
  return ['again', 'reset-first'];
}

/** A window that leaves a quarter of its time over, in whole or half seconds. */
const roomFor = (usualMs: number): number => {
  const wanted = usualMs / 0.74;
  const grain = wanted > 4000 ? 1000 : 500;
  return Math.ceil(wanted / grain) * grain;
};

/** What can be done about findings of a route and its steps. */
export const stepMenders: Menders = {
  'never-let-go': (f, bundle) => {
    const found = stepOf(f, bundle);
    if (!found) return [];
    const held = found.step && 'controls' in found.step ? found.step.controls : [];
    const { controls } = bundleFacts(bundle);
    const ids = held
      .map((h): ControlId => (typeof h === 'string' ? h : h.control))
      .filter((id) => (controls.get(id)?.control.label ?? id) === f.control);
    if (ids.length === 0) return [];
    const steps: Step[] = [...found.route.steps, { kind: 'release', controls: ids }];
    return only(`Let go of “${f.control}” at the end`, { ...found.route, steps });
  },
  'let-go-not-held': (f, bundle) => {
    const found = stepOf(f, bundle);
    if (found?.step?.kind !== 'release' || found.route.steps.length < 2) return [];
    const steps = changeStep(found.route.steps, found.place, () => null);
    return only(`Take out letting go of “${f.control}”`, { ...found.route, steps });
  },
  'pressed-without-power': (f, bundle) => {
    const found = stepOf(f, bundle);
    if (!found?.step) return [];
    const off = unsupplied(found.route, found.place, bundleFacts(bundle).supply);
    const puts = off.flatMap((own) => {
      const to = livePlace(own);
      return to === null ? [] : [{ own, to }];
    });
    if (puts.length === 0) return [];
    const steps = puts.reduceRight<Step[]>(
      (now, { own, to }) => insertBefore(now, found.place, { kind: 'set', control: own.control.id, to }),
      found.route.steps,
    );
    const named = puts.map(({ own, to }) => `“${own.control.label}” to ${labelOf(own, to)}`).join(' and ');
    return only(`Put ${named} before it`, { ...found.route, steps });
  },
  'not-put-back': (f, bundle) => {
    const route = entryOf(f, bundle, 'route');
    const { controls, supply } = bundleFacts(bundle);
    const own = [...controls.values()].find((c) => c.control.label === f.control && c.start !== null);
    if (!route || !own || own.start === null) return [];
    const back: Step = { kind: 'set', control: own.control.id, to: own.start };
    const live = route.steps.findLastIndex(
      (s) => s.kind === 'set' && supply.some((c) => c.control.id === s.control && c.powersAt.has(s.to)),
    );
    const at = live >= 0 && deadWork.has(own.control.look) ? live : route.steps.length;
    const steps = [...route.steps.slice(0, at), back, ...route.steps.slice(at)];
    return only(`Put “${f.control}” back to ${f.home}`, { ...route, steps });
  },
  'window-too-short': windowMends,
  'window-tight': windowMends,
  'retry-missing': (f, bundle) => {
    const route = entryOf(f, bundle, 'route');
    if (!route) return [];
    const retry = retriesFor(route.steps);
    return only(`Say what to try: ${retry.map((r) => retryWords[r]).join(', ')}`, { ...route, retry });
  },
  'no-confirming-sign': (f, bundle) => {
    const route = entryOf(f, bundle, 'route');
    if (!route) return [];
    // which one it is only somebody who has seen it knows: each is offered
    const signs = [...bundleFacts(bundle).signs.values()];
    return signs.slice(0, 8).flatMap((sign): Mend[] => {
      if (sign.kind !== 'lamp' && sign.kind !== 'beeper') return [];
      const shown =
        sign.kind === 'lamp'
          ? { kind: 'lamp' as const, sign: sign.id, state: sign.shows.find((s) => s !== 'pattern') ?? ('lit' as const) }
          : { kind: 'sound' as const, sign: sign.id, state: 'on' as const };
      const words = sign.kind === 'lamp' ? `“${sign.label}” lights then` : `“${sign.label}” sounds then`;
      return only(words, { ...route, steps: [...route.steps, { kind: 'see', must: 'must', signs: [shown] }] });
    });
  },
  'summary-differs': (f, bundle) => {
    const route = entryOf(f, bundle, 'route');
    if (!route) return [];
    const { summary: _said, ...rest } = route;
    return only('Leave the summary out', rest);
  },
  'cover-not-opened': (f, bundle) => {
    const found = stepOf(f, bundle);
    const faces = entriesOf(bundle, 'panel').flatMap((p) => p.faces);
    const face = faces.find((own) => own.cover?.label === f.cover && own.controls.some((c) => c.label === f.control));
    if (!found || !face?.cover) return [];
    const ways = entriesOf(bundle, 'access').filter((w) => w.opens.includes(face.id));
    if (ways.length > 0)
      return ways.slice(0, 3).map((w) => ({
        words: `Get there by “${w.name}”`,
        entries: [{ ...found.route, ways: [...found.route.ways, w.id] }],
      }));
    const taken = entriesOf(bundle, 'access').map((w) => String(w.id));
    const id = freeIn(new Set(taken), codeIdOf(`open ${face.cover.label}`).slice(0, 60));
    const way = {
      kind: 'access',
      id,
      family: found.route.family,
      name: `Open ${face.cover.label}`,
      isolateFirst: face.cover.isolateFirst,
      opens: [face.id],
      steps: [{ do: `Take off or open: ${face.cover.label}.`, back: `Put back or shut: ${face.cover.label}.` }],
      tools: [],
      hazards: [],
      minutes: 5,
      source: null,
      standing: 'hearsay',
    };
    return only(
      `Write down how “${face.cover.label}” is opened, and get there so`,
      // the id is made a line above and names nothing else
      way as unknown as Entry,
      { ...found.route, ways: [...found.route.ways, id as Route['ways'][number]] },
    );
  },
  'cover-without-isolation': (f, bundle) => {
    const found = stepOf(f, bundle);
    const face = entriesOf(bundle, 'panel')
      .flatMap((p) => p.faces)
      .find((own) => own.cover?.label === f.cover);
    const way = entriesOf(bundle, 'access').find(
      (w) => found?.route.ways.includes(w.id) && face !== undefined && w.opens.includes(face.id),
    );
    return way ? only(`“${way.name}” takes the supply off first`, { ...way, isolateFirst: true }) : [];
  },
  'no-way-out': (f, bundle) => {
    const mode = entryOf(f, bundle, 'mode');
    const supply = bundleFacts(bundle).supply.find((own) => deadPlace(own) !== null && livePlace(own) !== null);
    const modes = entriesOf(bundle, 'mode');
    const rest = modes.find((m) => m.sort === 'standby' && m.controller === mode?.controller);
    if (!mode || !supply || !rest) return [];
    const off = modes.find((m) => m.sort === 'off' && m.controller === mode.controller) ?? rest;
    const goes = mode.transitions.some((t) => t.on.kind === 'supply' && t.on.becomes === 'off');
    const [dead, live] = [deadPlace(supply), livePlace(supply)];
    if (dead === null || live === null) return [];
    const id = freeIn(new Set(entriesOf(bundle, 'route').map((r) => String(r.id))), `leave-${mode.id}`.slice(0, 60));
    const route = {
      kind: 'route',
      id,
      family: mode.family,
      name: `Leave “${mode.name}”`,
      purpose: 'leave',
      from: [mode.id],
      to: rest.id,
      steps: [
        { kind: 'set', control: supply.control.id, to: dead },
        { kind: 'rest', span: { leastMs: 10_000, usualMs: 10_000, mostMs: 10_000 } },
        { kind: 'set', control: supply.control.id, to: live },
      ],
      standing: 'hearsay',
    };
    const words = `It ends when “${supply.control.label}” is put to ${labelOf(supply, dead)} and back to ${labelOf(supply, live)}`;
    return only(
      words,
      ...(goes
        ? []
        : [
            {
              ...mode,
              transitions: [
                ...mode.transitions,
                { on: { kind: 'supply' as const, becomes: 'off' as const }, effects: [], to: off.id },
              ],
            },
          ]),
      // completed by its schema where it is tried
      route as unknown as Entry,
    );
  },
};

function windowMends(f: Extract<Finding, { code: 'window-too-short' | 'window-tight' }>, bundle: Bundle): Mend[] {
  const found = stepOf(f, bundle);
  const { step } = found ?? {};
  if (!found || step?.kind !== 'group' || !step.window) return [];
  const { usualMs } = stepsSpan(Array.from({ length: step.times }, () => step.steps).flat());
  const mostMs = roomFor(usualMs);
  const steps = stretchWindow(found.route.steps, found.place, mostMs);
  const seconds = (ms: number): string => `${ms / 1000} s`;
  return only(`Give ${seconds(mostMs)} for it instead of ${seconds(f.windowMs)}, where the unit does`, {
    ...found.route,
    steps,
  });
}
