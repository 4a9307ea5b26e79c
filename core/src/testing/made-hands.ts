import type { ControlId, PlaceId } from '../base/ids.ts';
import type { Step, UnitEvent, UnitPlan, UnitState } from '../index.ts';
import { drawing } from './made-units.ts';

/** What people do wrong, by how often it is told. */
export const missKinds = [
  'hold let go early',
  'press held',
  'one too many',
  'one too few',
  'did not wait',
  'another mode',
  'no supply',
  'one place short',
  'during the self-check',
  'overshot a list',
  'key that looks alike',
  'the other way',
  'step left out',
  'two swapped',
  'too slow for the window',
] as const;
export type MissKind = (typeof missKinds)[number];

/** A slip at one step, as it is looked for in what the unit answers. */
export type Expected = Readonly<{
  codes: readonly string[];
  at: readonly string[];
  byMs: number | null;
  did: number | null;
}>;
export type Leaf = Readonly<{ step: Step; at: string; inWindow: number | null }>;

/** Steps in the order they are done, groups unrolled. */
export function leaves(steps: readonly Step[], under = '', inWindow: number | null = null): Leaf[] {
  return steps.flatMap((step, i): Leaf[] => {
    const at = `${under}${i}`;
    if (step.kind !== 'group') return [{ step, at, inWindow }];
    const window = step.window?.mostMs ?? inWindow;
    return Array.from({ length: step.times }, () => leaves(step.steps, `${at}.steps.`, window)).flat();
  });
}

export type Slip = Readonly<{ leaf: number; kind: MissKind }>;
type Performed = Readonly<{ events: UnitEvent[]; expected: Expected | null }>;

/**
 * Somebody's hands on a unit, step by step and with times drawn within what the steps declare: how long a press, which
 * pace, how long a rest. With a slip, one step is done otherwise.
 */
export function hands(
  plan: UnitPlan,
  begin: UnitState,
  all: readonly Leaf[],
  random: () => number,
  slip: Slip | null,
): Performed {
  const d = drawing(random);
  const events: UnitEvent[] = [];
  const places = new Map(begin.places);
  const clicks = new Map(begin.clicks);
  let t = begin.at + 300;
  let windowAt: number | null = null;
  let lastAt = begin.at;
  let cut: { leastMs: number; at: string } | null = null;
  let expected: Expected | null = null;
  const within = (least: number, most: number): number => least + random() * (most - least);
  const put = (event: UnitEvent): void => {
    windowAt ??= event.at;
    if (cut) look(['too-early'], cut.at, { byMs: cut.leastMs - (event.at - lastAt) });
    cut = null;
    events.push(event);
    lastAt = event.at;
    if (event.kind === 'place') places.set(event.control, event.to);
  };
  const mechanism = (c: ControlId) => plan.facts.controls.get(c)?.mechanism;
  const springs = (c: ControlId, p: PlaceId) => plan.facts.controls.get(c)?.springs.get(p);
  const grip = (c: ControlId, p: PlaceId | undefined): void =>
    put(p === undefined ? { at: t, kind: 'down', control: c } : { at: t, kind: 'place', control: c, to: p });
  const drop = (c: ControlId, p: PlaceId | undefined): void => {
    const home = p === undefined ? undefined : springs(c, p);
    if (p === undefined) put({ at: t, kind: 'up', control: c });
    else if (home !== undefined) put({ at: t, kind: 'place', control: c, to: home });
  };
  const look = (codes: readonly string[], at: string, more: Partial<Expected> = {}): void => {
    expected = { codes, at: [at], byMs: null, did: null, ...more };
  };
  const alike = (c: ControlId): ControlId => {
    const twin = [...plan.facts.controls.values()]
      .filter((o) => o.mechanism.kind === 'push' && o.control.id !== c)
      .map((o) => o.control.id);
    const pairs: Array<[string, string]> = [
      ['temp-up', 'temp-down'],
      ['plus', 'minus'],
      ['left', 'right'],
      ['f1', 'f2'],
      ['tens', 'ones'],
      ['time-up', 'time-down'],
    ];
    const own = pairs.flatMap(([x, y]) => (x === c ? [y] : y === c ? [x] : []))[0];
    return (twin.find((o) => o === own) ?? d.one(twin)) as ControlId;
  };

  const order = [...all.keys()];
  if (slip?.kind === 'two swapped') [order[slip.leaf], order[slip.leaf + 1]] = [slip.leaf + 1, slip.leaf];
  for (const [pos, index] of order.entries()) {
    const { step, at, inWindow } = all[index] as Leaf;
    const mine = slip !== null && slip.leaf === index ? slip.kind : null;
    const firstInWindow = inWindow !== null && (pos === 0 || all[order[pos - 1] ?? -1]?.inWindow !== inWindow);
    // nothing done before it: it begins with the first act in it
    if (firstInWindow) windowAt = events.length === 0 ? null : lastAt;
    // people are quick enough for a window unless they are not
    const slow = mine === 'too slow for the window';
    const tempo = (least: number, most: number): number =>
      within(least, inWindow === null ? most : least + (most - least) * 0.25);
    if (mine === 'step left out') {
      look(['left-out'], at);
      continue;
    }
    if (mine === 'two swapped') look(['swapped'], at, { at: [at, all[index + 1]?.at ?? ''] });
    switch (step.kind) {
      case 'press':
      case 'step-list': {
        const meant = step.kind === 'press' ? step.times : Math.abs(step.to - step.start);
        let times = meant;
        if (mine === 'one too many') times += 1;
        if (mine === 'overshot a list') times += d.number(1, 3);
        if (mine === 'one too few') times -= 1;
        if (times > meant) look(['one-too-many'], at, { did: times });
        if (times < meant) look(['too-few'], at, { did: times });
        const wrong = mine === 'key that looks alike' && step.control !== 'any' ? alike(step.control) : null;
        if (wrong) look(['other-control'], at);
        const heldOne = mine === 'press held' ? d.number(0, times - 1) : -1;
        const each = step.takes ? [step.takes.leastMs / meant, step.takes.mostMs / meant] : [280, 850];
        const control = wrong ?? (step.control === 'any' ? alike('' as ControlId) : step.control);
        const overBy =
          inWindow !== null && slow
            ? (inWindow * within(1.15, 1.6)) /
              Math.max(
                1,
                all
                  .filter((l) => l.at.startsWith(at.slice(0, at.indexOf('.steps'))))
                  .reduce((n, l) => n + (l.step.kind === 'press' ? l.step.times : 1), 0),
              )
            : null;
        for (let n = 0; n < times; n += 1) {
          const pace = overBy ?? tempo(each[0] ?? 280, each[1] ?? 850);
          const down = Math.min(pace * 0.6, within(70, 400));
          t += pace - down;
          put({ at: t, kind: 'down', control });
          const lasts = n === heldOne ? within(1700, 3000) : down;
          if (n === heldOne) look(['held-not-pressed'], at, { byMs: lasts - 1000 });
          t += lasts;
          put({ at: t, kind: 'up', control });
        }
        break;
      }
      case 'hold': {
        const controls = step.controls;
        const wrong =
          mine === 'key that looks alike' && controls.length === 1 && controls[0] ? alike(controls[0].control) : null;
        for (const h of controls) {
          t += within(60, 300);
          grip(wrong ?? h.control, wrong ? undefined : h.place);
        }
        if (wrong) look(['other-control'], at);
        if (step.until.kind === 'span') {
          const { span } = step.until;
          const most = span.mostMs > span.leastMs ? span.mostMs - 120 : span.leastMs + 2000;
          const early = mine === 'hold let go early' ? within(600, Math.min(1500, span.leastMs * 0.6)) : 0;
          t += early > 0 ? span.leastMs - early : within(span.leastMs + 5, most);
          if (early > 0) look(['let-go-early'], at, { byMs: early });
        } else if (step.until.kind === 'moment' && step.until.moment.kind === 'sign') {
          const { nth } = step.until.moment;
          t += nth * ((step.takes?.usualMs ?? 1500 * nth) / nth) + within(200, 900);
        }
        for (const h of controls) {
          drop(wrong ?? h.control, wrong ? undefined : h.place);
          t += 15;
        }
        break;
      }
      case 'keep': {
        for (const h of step.controls) {
          t += within(60, 300);
          grip(h.control, h.place);
        }
        const inner = hands(
          plan,
          { ...begin, at: t - 200, places },
          leaves(step.during, `${at}.during.`),
          random,
          null,
        );
        for (const e of inner.events) put(e);
        t = lastAt + within(60, 300);
        for (const h of step.controls) drop(h.control, h.place);
        break;
      }
      case 'turn':
      case 'sweep': {
        const m = mechanism(step.control);
        const per = m?.kind === 'clicks' ? m.perTurn : 1;
        const rest =
          m?.kind === 'clicks' && step.kind === 'sweep' && !m.springsBack ? (m.rests[0]?.atClick ?? 0) : null;
        const stands = clicks.get(step.control) ?? 0;
        const off = rest === null ? 0 : step.way === 'cw' ? rest - stands : stands - rest;
        const meant =
          step.kind === 'turn'
            ? step.clicks
            : step.turns * per + (off >= per / 2 ? off - per : off < -per / 2 ? off + per : off);
        const times = meant + (mine === 'one too many' ? 1 : mine === 'one too few' ? -1 : 0);
        if (times > meant) look(['one-too-many'], at, { did: times });
        if (times < meant) look(['too-few'], at, { did: times });
        const way = mine === 'the other way' ? (step.way === 'cw' ? 'ccw' : 'cw') : step.way;
        if (way !== step.way) look(['other-way'], at);
        for (let n = 0; n < times; n += 1) {
          t += step.kind === 'turn' ? tempo(160, 600) : within(60, 200);
          put({ at: t, kind: 'click', control: step.control, way });
          const turnedTo = (clicks.get(step.control) ?? 0) + (way === 'cw' ? 1 : per - 1);
          clicks.set(step.control, m?.kind === 'clicks' && m.springsBack ? 0 : turnedTo % per);
        }
        break;
      }
      case 'set': {
        const m = mechanism(step.control);
        const stops = m?.kind === 'places' ? m.places.map((p) => p.id) : [];
        const i = stops.indexOf(step.to);
        const from = stops.indexOf(places.get(step.control) ?? ('' as PlaceId));
        // one place short of it, or one past it
        const short = stops[i + (from < i ? -1 : 1)] ?? stops[i - 1] ?? step.to;
        const near = mine === 'one place short' && stops.length > 2 && short !== stops[from] ? short : step.to;
        if (near !== step.to) look(['other-place'], at);
        t += all[order[pos - 1] ?? -1]?.step.kind === 'rest' ? 600 : within(600, 2000);
        if (near !== places.get(step.control)) put({ at: t, kind: 'place', control: step.control, to: near });
        break;
      }
      case 'rest': {
        const { leastMs, mostMs } = step.span;
        const short = mine === 'did not wait' ? within(Math.min(1500, leastMs * 0.7), leastMs * 0.8) : 0;
        const gap = short > 0 ? leastMs - short : within(leastMs + 5, Math.max(leastMs + 10, mostMs - 700));
        t = lastAt + gap;
        // a hand that has waited acts at once
        if (short > 0) cut = { leastMs, at };
        const next = all[index + 1]?.step;
        if (next?.kind === 'press' || next?.kind === 'step-list') t -= 100;
        if (next?.kind === 'set') t -= 600;
        if (next?.kind === 'turn' || next?.kind === 'sweep') t -= 60;
        if (next?.kind === 'hold' || next?.kind === 'keep') t -= 60;
        if (index === 0) t = Math.max(t, begin.at);
        break;
      }
      case 'see':
        if (step.must === 'must') t = lastAt + (step.within?.usualMs ?? 0) + within(150, 900);
        break;
      case 'at-place':
      case 'say':
      case 'dial':
      case 'choose':
      case 'branch':
      case 'release':
      case 'group':
      case 'bypass':
        break;
    }
    if (slow) {
      const took = lastAt - (windowAt ?? lastAt);
      look(['after-window'], at, { byMs: took - (inWindow ?? 0) });
    }
  }
  return { events, expected };
}
