import type { PlaceId } from '../../base/ids.ts';
import type { Step } from '../../model/route.ts';
import type { ControlFacts } from '../../unit/facts.ts';
import { heldOf } from './holds.ts';
import { farthest, saysLetGo } from './letting-go.ts';
import { isAct, type Made, type Reader } from './reader.ts';

/**
 * What comes back by itself stays where it was put only while it is held: `the pedal has to be down. Main switch on. Once the
 * lamp lights it may come up`. Where the supply comes on behind it and a hand comes off something, or it is told later that it
 * is held, let go of or back, it was held from there on.
 */
export function holdSprungOn(r: Reader, text: string): void {
  for (let i = 0; i < r.made.length; i += 1) {
    const put = r.made[i];
    const own = put && sprungBy(r, put);
    if (!put || !own || put.step.kind !== 'set') continue;
    const { to } = put.step;
    const next = r.made.findIndex((m, k) => k > i && isAbout(m, own));
    const between = r.made.slice(i + 1, next < 0 ? undefined : next).filter((m) => isAct(m.step));
    const [first] = between;
    const isSupplied =
      first !== undefined &&
      givesSupply(r, first) &&
      first.sentence - put.sentence <= 2 &&
      saysLetGo(text.slice(first.to, first.to + farthest));
    const later = r.made[next];
    const isOn = later !== undefined && between.length > 0 && between.length <= mostBetween && isHeldOn(own, to, later);
    if (!isOn && !isSupplied) continue;
    r.made[i] = { ...put, step: { kind: 'hold', controls: [heldOf(own, to)], until: { kind: 'release' } } };
    if (isOn && later) letGoAt(r, own, next, later);
  }
}

/** `now you can drop the float`, which was let go of: it is there by itself. */
export function dropBack(r: Reader): void {
  const beside = new Set<Made>();
  for (const [i, m] of r.made.entries()) {
    if (m.step.kind !== 'release') continue;
    const [id, ...others] = m.step.controls;
    const own = id === undefined || others.length > 0 ? undefined : r.called.facts.controls.get(id);
    const held = r.made
      .slice(0, i)
      .findLast(({ step }) => step.kind === 'hold' && step.controls.some((c) => c.control === id));
    const place = held?.step.kind === 'hold' ? held.step.controls.find((c) => c.control === id)?.place : undefined;
    const back = own && place ? own.springs.get(place) : undefined;
    const next = r.made[i + 1];
    if (next?.step.kind === 'set' && next.step.control === id && next.step.to === back) beside.add(next);
  }
  r.drop(beside);
}

/** Something held that long is not held through more than this. */
const mostBetween = 6;

/** The control that a step puts where it does not stay by itself. */
function sprungBy(r: Reader, { step }: Made): ControlFacts | null {
  const own = step.kind === 'set' ? r.called.facts.controls.get(step.control) : undefined;
  return step.kind === 'set' && own?.springs.has(step.to) ? own : null;
}

const givesSupply = (r: Reader, { step }: Made): boolean =>
  step.kind === 'set' && (r.called.facts.controls.get(step.control)?.powersAt.has(step.to) ?? false);

const isAbout = ({ step }: Made, { control }: ControlFacts): boolean =>
  ((step.kind === 'set' || step.kind === 'press') && step.control === control.id) ||
  (step.kind === 'hold' && step.controls.some((c) => c.control === control.id)) ||
  (step.kind === 'release' && step.controls.includes(control.id));

const isHeldOn = ({ control, springs }: ControlFacts, to: PlaceId, { step }: Made): boolean =>
  step.kind === 'release' ||
  (step.kind === 'hold' && step.controls.length === 1) ||
  (step.kind === 'set' && step.control === control.id && springs.get(to) === step.to);

/** Where it is told that it is held until something, or that it is back: there it is let go of. */
function letGoAt(r: Reader, { control }: ControlFacts, next: number, later: Made): void {
  const release = (at?: Extract<Step, { kind: 'release' }>['at']): Step => ({
    kind: 'release',
    controls: [control.id],
    ...(at && { at }),
  });
  if (later.step.kind === 'hold') {
    const { until } = later.step;
    if (until.kind === 'span')
      r.made.splice(next, 1, { ...later, step: { kind: 'rest', span: until.span } }, { ...later, step: release() });
    else if (until.kind === 'moment') r.made[next] = { ...later, step: release(until.moment) };
    else r.made.splice(next, 1);
  } else if (later.step.kind === 'set') {
    const before = r.made[next - 1];
    const [shown] = before?.step.kind === 'see' && later.sentence - before.sentence <= 1 ? before.step.signs : [];
    if (!before || !shown) r.made[next] = { ...later, step: release() };
    else
      r.made.splice(next - 1, 2, {
        ...later,
        from: before.from,
        step: release({ kind: 'sign', shown, nth: shown.kind === 'sound' ? (shown.times ?? 1) : 1 }),
      });
  }
}
