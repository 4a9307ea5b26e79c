import type { ControlId, PlaceId } from '../base/ids.ts';
import type { Span } from '../base/text.ts';
import { longestPressMs } from '../gesture/timing.ts';
import { defaultWithinMs, type Held, type Step } from '../model/route.ts';
import type { UnitFacts } from '../unit/facts.ts';
import type { UnitEvent } from './op.ts';

/** A pause shorter than this is how people do things, and nothing that has to be said. */
const restFromMs = 1500;

/** Something that was done, from when to when: a control kept down or up against its spring, or a single act. */
type Act = Readonly<{ from: number; to: number }> &
  (Readonly<{ kind: 'grip'; controls: readonly Held[] }> | Readonly<{ kind: 'step'; step: Step }>);

const wholeHalves = (ms: number): number => Math.max(500, Math.round(ms / 500) * 500);

/** A time somebody took, as a span: a fifth less would have done as well, and half as much again. */
const about = (ms: number): Span => {
  const usualMs = wholeHalves(ms);
  return { leastMs: Math.round(usualMs * 0.8), usualMs, mostMs: Math.round(usualMs * 1.5) };
};

/** What was done, act by act. What is still down at the end was let go then. */
function actsOf(events: readonly UnitEvent[], facts: UnitFacts): Act[] {
  const acts: Act[] = [];
  const down = new Map<ControlId, Readonly<{ at: number; place?: PlaceId }>>();
  const end = events.at(-1)?.at ?? 0;
  const lift = (control: ControlId, at: number): void => {
    const grip = down.get(control);
    if (!grip) return;
    down.delete(control);
    const held: Held = grip.place === undefined ? { control } : { control, place: grip.place };
    acts.push({ kind: 'grip', from: grip.at, to: at, controls: [held] });
  };
  const put = (at: number, step: Step) => acts.push({ kind: 'step', from: at, to: at, step });
  for (const event of events)
    switch (event.kind) {
      case 'down':
        down.set(event.control, { at: event.at });
        break;
      case 'up':
        lift(event.control, event.at);
        break;
      case 'place': {
        const { control, to, at } = event;
        // letting go of what springs back is the end of holding it
        if (down.has(control)) lift(control, at);
        else if (facts.controls.get(control)?.springs.has(to)) down.set(control, { at, place: to });
        else put(at, { kind: 'set', control, to });
        break;
      }
      case 'click':
        put(event.at, { kind: 'turn', control: event.control, clicks: 1, way: event.way });
        break;
      case 'choose':
        put(event.at, { kind: 'choose', on: event.on as 'unit', path: [event.words] });
        break;
      case 'code':
      case 'input':
      case 'tick':
        break;
    }
  for (const control of [...down.keys()]) lift(control, end);
  return acts.sort((a, b) => a.from - b.from || b.to - a.to);
}

/** A press that begins so much later and ends so much sooner than the keys beside it was done while those were kept down. */
const fingersMs = 100;

/** Fingers that went down and up together are one grip. */
function joinGrips(acts: readonly Act[]): Act[] {
  const joined: Act[] = [];
  for (const act of acts) {
    const last = joined.at(-1);
    const isWith =
      act.kind === 'grip' &&
      last?.kind === 'grip' &&
      act.from < last.to &&
      !(act.from - last.from > fingersMs && last.to - act.to > fingersMs) &&
      act.from - last.from <= defaultWithinMs &&
      Math.abs(act.to - last.to) <= defaultWithinMs &&
      last.controls.every((held) => !act.controls.some((own) => own.control === held.control));
    if (isWith)
      joined[joined.length - 1] = {
        ...last,
        to: Math.max(last.to, act.to),
        controls: [...last.controls, ...act.controls],
      };
    else joined.push(act);
  }
  return joined;
}

function gripStep({ controls, from, to }: Extract<Act, { kind: 'grip' }>): Step {
  const [first] = controls;
  const isShort = to - from < longestPressMs;
  if (isShort && controls.length === 1 && first?.place !== undefined)
    return { kind: 'set', control: first.control, to: first.place };
  if (isShort && controls.length === 1 && first) return { kind: 'press', control: first.control, times: 1 };
  if (isShort && controls.every((c) => c.place === undefined))
    return { kind: 'together', controls: controls.map((c) => c.control), times: 1, withinMs: defaultWithinMs };
  return { kind: 'hold', controls: [...controls], until: { kind: 'span', span: about(to - from) } };
}

/** Two steps that are one, done more often. */
function merged(a: Step | undefined, b: Step): Step | null {
  if (a?.kind === 'press' && b.kind === 'press' && a.control === b.control) return { ...a, times: a.times + b.times };
  if (a?.kind === 'turn' && b.kind === 'turn' && a.control === b.control && a.way === b.way)
    return { ...a, clicks: a.clicks + b.clicks };
  if (a?.kind === 'together' && b.kind === 'together' && a.controls.join() === b.controls.join())
    return { ...a, times: a.times + b.times };
  return null;
}

/** Steps of acts in order; those within a grip are done while it is kept, those across its end come between taking and letting go. */
function stepsOf(acts: readonly Act[], since: number | null): Step[] {
  const steps: Step[] = [];
  let last = since;
  const put = (step: Step, from: number, to: number): void => {
    const pause = last === null ? 0 : from - last;
    const one = pause < restFromMs ? merged(steps.at(-1), step) : null;
    if (pause >= restFromMs) steps.push({ kind: 'rest', span: about(pause) });
    if (one) steps[steps.length - 1] = one;
    else steps.push(step);
    last = to;
  };
  const letGo: Array<Readonly<{ at: number; controls: ControlId[] }>> = [];
  const dropBefore = (at: number): void => {
    for (const drop of letGo.filter((d) => d.at <= at).sort((a, b) => a.at - b.at)) {
      letGo.splice(letGo.indexOf(drop), 1);
      put({ kind: 'release', controls: drop.controls }, drop.at, drop.at);
    }
  };
  for (let i = 0; i < acts.length; i += 1) {
    const act = acts[i];
    if (!act) break;
    dropBefore(act.from);
    if (act.kind === 'step') {
      put(act.step, act.from, act.to);
      continue;
    }
    const during = acts.slice(i + 1).filter((a) => a.from < act.to);
    if (during.length === 0 && letGo.every((d) => d.at >= act.to)) put(gripStep(act), act.from, act.to);
    else if (during.every((a) => a.to <= act.to) && letGo.every((d) => d.at >= act.to)) {
      const doneAt = Math.max(...during.map((a) => a.to));
      // kept on for a while after the last that was done under it
      const until = act.to - doneAt >= restFromMs ? ({ kind: 'span', span: about(act.to - act.from) } as const) : null;
      put(
        { kind: 'keep', controls: [...act.controls], during: stepsOf(during, act.from), ...(until && { until }) },
        act.from,
        act.to,
      );
      i += during.length;
    } else {
      put({ kind: 'hold', controls: [...act.controls], until: { kind: 'release' } }, act.from, act.from);
      letGo.push({ at: act.to, controls: act.controls.map((c) => c.control) });
    }
  }
  dropBefore(Number.POSITIVE_INFINITY);
  return steps;
}

/**
 * What hands did at a unit as the steps of a way: presses counted, holds and waits by about how long they took, what was done
 * while something was kept down within it. Waits under a second and a half are nothing that has to be said.
 */
export const stepsAsDone = (events: readonly UnitEvent[], facts: UnitFacts): Step[] =>
  stepsOf(
    joinGrips(
      actsOf(
        [...events].sort((a, b) => a.at - b.at),
        facts,
      ),
    ),
    null,
  );
