import { z } from 'zod';
import { CodeId, ControlId, InputId, PlaceId } from '../base/ids.ts';
import { assertNever } from '../base/result.ts';
import type { Moment, Step } from '../model/route.ts';
import type { Shown } from '../model/shown.ts';

/** Something a hand does, as the recogniser takes it: a control that springs back goes down and up, another is set. */
export type Hand = Readonly<{ at: number }> &
  (
    | Readonly<{ kind: 'down'; control: ControlId; place: PlaceId | null }>
    | Readonly<{ kind: 'up'; control: ControlId }>
    | Readonly<{ kind: 'set'; control: ControlId; to: PlaceId }>
    | Readonly<{ kind: 'click'; control: ControlId; way: 'cw' | 'ccw' }>
    | Readonly<{ kind: 'choose'; on: string; words: string }>
  );

const at = z.number().min(0).max(1e12);
/** What happens at a unit, at an instant in milliseconds. A push control goes down and up, a place control to a place. */
export const UnitEvent = z.discriminatedUnion('kind', [
  z.strictObject({ at, kind: z.enum(['down', 'up']), control: ControlId }),
  z.strictObject({ at, kind: z.literal('place'), control: ControlId, to: PlaceId }),
  z.strictObject({ at, kind: z.literal('click'), control: ControlId, way: z.enum(['cw', 'ccw']) }),
  z.strictObject({ at, kind: z.literal('choose'), on: z.string().max(64), words: z.string().max(120) }),
  z.strictObject({ at, kind: z.literal('input'), input: InputId, value: z.number() }),
  /** A code comes up and stands, or stands no longer. */
  z.strictObject({ at, kind: z.literal('code'), code: CodeId, stands: z.boolean() }),
  z.strictObject({ at, kind: z.literal('tick') }),
]);
export type UnitEvent = z.infer<typeof UnitEvent>;

/** Something a hand has hold of: a push control, or one kept in a place. */
/** `sticks`: it stays in that place when let go, so that letting go does nothing. */
export type Grip = Readonly<{ control: ControlId; place: PlaceId | null; sticks: boolean }>;
/** A sign that is waited for: the nth time it comes, usually so far apart. */
export type SignWait = Readonly<{ shown: Shown; also?: readonly Shown[] | undefined; nth: number; gapMs: number }>;
type Bound = Readonly<{ leastMs: number; usualMs: number; mostMs: number | null }>;

/** Which round of a repeated group an operation belongs to, counted from 0, of how many; `at` is the group's step. */
type Round = Readonly<{ at: string; n: number; of: number }>;

/**
 * One operation of a compiled route. `at` is the place of its step in the script, e.g. `4.steps.0`. `paceMs` is what one act
 * of it usually takes, `slowMs` the longest that was said.
 */
export type Op = Readonly<{ at: string; round?: Round }> &
  (
    | Readonly<{
        op: 'press';
        control: ControlId | 'any';
        times: number;
        paceMs: number;
        slowMs: number;
        /** However long it is held, it counts as a press. */
        anyLength?: true;
      }>
    | (Readonly<{
        op: 'hold';
        grips: readonly Grip[];
        sign: SignWait | null;
        /** From the first that goes down to the last, where they have to go down together. */
        withinMs?: number;
        /** Counted from when the supply came. */
        fromPower?: true;
      }> &
        Bound)
    | Readonly<{ op: 'grip'; grips: readonly Grip[] }>
    | (Readonly<{ op: 'drop'; grips: readonly Grip[]; sign: SignWait | null; fromPower?: true }> & Bound)
    /** Brings a list to an entry, by presses and by keeping its key down: past it and back again, or round, is as good. */
    | Readonly<{
        op: 'list';
        control: ControlId;
        /** A knob that is clicked on this way, and back the other; null for a key. */
        knob: 'cw' | 'ccw' | null;
        back: ControlId | null;
        /** So many entries on; and how many the whole list has, where it goes round. */
        entries: number;
        goesRound: number | null;
        repeats: Readonly<{ afterMs: number; everyMs: number }> | null;
        paceMs: number;
        slowMs: number;
        /** Left alone for so long, it is taken to stand there. */
        settleMs: number;
      }>
    | Readonly<{
        op: 'turn';
        control: ControlId;
        way: 'cw' | 'ccw';
        clicks: number;
        /** Full turns that stop at a rest: that many clicks more or less are forgiven if it stops there. */
        stop: Readonly<{ click: number; perTurn: number }> | null;
        paceMs: number;
        slowMs: number;
      }>
    | Readonly<{
        op: 'set';
        control: ControlId;
        to: PlaceId;
        atClick: number | null;
        /** It goes back by itself from there: standing there is not having been put there. */
        springs: boolean;
        paceMs: number;
      }>
    | (Readonly<{ op: 'rest' }> & Bound)
    | Readonly<{ op: 'choose'; on: string; words: string; paceMs: number }>
    | Readonly<{ op: 'show'; signs: readonly Shown[]; delayMs: number; must: boolean }>
    | Readonly<{ op: 'open'; window: number; from: Moment; mostMs: number; gapMs: number }>
    | Readonly<{ op: 'close'; window: number }>
    /** After something counted: doing it once more within this time is one too many. */
    | Readonly<{
        op: 'guard';
        of: Readonly<{ control: ControlId | 'any'; place: PlaceId | null }>;
        settleMs: number;
        count: number;
      }>
    | Readonly<{ op: 'branch'; on: Extract<Step, { kind: 'branch' }>['on']; otherwise: number }>
    | Readonly<{ op: 'jump'; to: number }>
  );

/** A route as the recogniser runs it. `acts` counts what has to be done, for saying how far a try came. */
export type Program = Readonly<{
  ops: readonly Op[];
  windows: number;
  acts: readonly number[];
  lastAct: number;
  /** The last operation that has to be over before it is complete: an act, or what settles a count. */
  lastWanted: number;
}>;

const acts: Readonly<Record<Op['op'], boolean>> = {
  press: true,
  hold: true,
  grip: true,
  drop: true,
  turn: true,
  list: true,
  set: true,
  rest: true,
  choose: true,
  show: false,
  open: false,
  close: false,
  guard: false,
  branch: false,
  jump: false,
};

/** Whether a hand has to do something for this operation, waiting included. */
export const isAct = (op: Op): boolean => acts[op.op];

/** Whether a list that went past its entry can be brought back. */
export const comesBack = ({ back, knob }: Extract<Op, { op: 'list' }>): boolean => back !== null || knob !== null;

/** How far a list still has to go: entries on, or back where it was overshot; round only where nothing leads back. */
export function entriesLeft(op: Extract<Op, { op: 'list' }>, count: number): number {
  const { entries, goesRound } = op;
  if (goesRound === null) return entries - count;
  const left = (((entries - count) % goesRound) + goesRound) % goesRound;
  return comesBack(op) && left > goesRound / 2 ? left - goesRound : left;
}

/** How many entries a key of a list that was down for so long has stepped. */
export const steppedBy = ({ repeats }: Extract<Op, { op: 'list' }>, ms: number): number =>
  repeats === null || ms < repeats.afterMs ? 1 : 1 + Math.floor((ms - repeats.afterMs) / repeats.everyMs);

/** How often an operation is done, where it is counted; null where it is not. */
export const countOf = (op: Op | undefined): number | null =>
  op?.op === 'press' ? op.times : op?.op === 'turn' ? op.clicks : op?.op === 'list' ? op.entries : null;

/** The control an operation works first; null where it works none. */
export function controlOfOp(op: Op | undefined): ControlId | 'any' | null {
  switch (op?.op) {
    case 'press':
    case 'turn':
    case 'list':
    case 'set':
      return op.control;
    case 'hold':
    case 'grip':
      return op.grips.map((g) => g.control).sort()[0] ?? null;
    case 'branch':
    case 'choose':
    case 'close':
    case 'drop':
    case 'guard':
    case 'jump':
    case 'open':
    case 'rest':
    case 'show':
    case undefined:
      return null;
    default:
      return assertNever(op);
  }
}
