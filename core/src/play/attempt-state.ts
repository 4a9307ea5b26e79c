import type { ControlId, ModeId, PlaceId } from '../base/ids.ts';
import type { BranchOn } from '../model/route.ts';
import type { Shown } from '../model/shown.ts';
import type { Grip, Program } from './op.ts';

/** What an attempt asks of the unit view it. */
export type UnitView = Readonly<{
  placeOf: (control: ControlId) => PlaceId | null;
  /** Where a knob with clicks stands, counted from its first rest. */
  clickOf: (control: ControlId) => number;
  poweredAt: () => number | null;
  shows: (shown: Shown) => boolean;
  reads: (on: Extract<BranchOn, { kind: 'reads' }>) => boolean;
}>;
/** Told which sign the unit shows when. */
export type Tell = (at: number, shown: Shown) => void;

/** Why an attempt came to nothing, at which step, and by how much in milliseconds where that can be said. */
export type MissCode =
  | 'too-early'
  | 'too-late'
  | 'before-sign'
  | 'before-window'
  | 'after-window'
  | 'other-control'
  | 'other-place'
  | 'other-way'
  | 'other-choice'
  | 'one-too-many'
  | 'too-few'
  /** A step that was not done at all, two that were done the other way round, and one after which nothing more came. */
  | 'left-out'
  | 'swapped'
  | 'unfinished'
  | 'let-go-early'
  | 'let-go-late'
  | 'held-not-pressed'
  | 'held-too-long'
  /** Keys that have to go down together went down one after the other. */
  | 'not-together'
  | 'no-power'
  /** Begun in a mode it does not begin in, or while what it wants does not hold. */
  | 'other-mode'
  | 'not-now'
  /** Begun while the unit takes nothing. */
  | 'deaf';

/** What was wrong, as far as it can be named. */
export type MissFacts = Readonly<{
  /** So many were meant, and so many were done. */
  meant?: number;
  did?: number;
  /** What was worked, and what should have been; a control that carries the supply, where there was none. */
  control?: ControlId;
  instead?: ControlId;
  /** Where it was put, and where it should have been. */
  place?: PlaceId;
  wanted?: PlaceId;
  /** The step it was swapped with. */
  other?: string;
  /** How long all of it took or would have taken at that pace, and how long it may take, in milliseconds. */
  wholeMs?: number;
  allowedMs?: number;
  /** The mode it was begun in, how long that lasts by itself, and how long it still does. */
  mode?: ModeId;
  lastsMs?: number;
  leftMs?: number;
}>;
export type Miss = Readonly<{
  code: MissCode;
  at: string;
  byMs: number | null;
  nth: number;
  done: number;
  of: number;
}> &
  MissFacts &
  /** What else was otherwise in the same try. */
  Readonly<{ also?: readonly Miss[] }>;

/** One attempt at a program: where it stands and what it holds. */
export type Attempt = Readonly<{
  pc: number;
  /** Presses, clicks or releases done within the operation. */
  count: number;
  /** When the operation began; for a hold, when all of it was down. */
  since: number;
  lastActAt: number;
  pressing: Readonly<{ control: ControlId; at: number }> | null;
  down: readonly ControlId[];
  held: readonly Grip[];
  heldSince: number;
  /** Let go any time: what a finished hold still holds. */
  loose: readonly ControlId[];
  /** By number of the window: the latest time for what is done in it, `NaN` while it is shut. */
  windows: readonly number[];
  /** A window that opens with the first act: its number and length. */
  opensWith: Readonly<{ window: number; mostMs: number }> | null;
  /** Whether a hand has done anything for it yet. */
  begun: boolean;
  /** The next act must come by then. */
  limit: number;
  /**
   * The latest moment at which a hand may take what comes now to have begun. Later than `since` after a rest, which ends
   * between two times, and after a sign, which is noticed a little later than it shows.
   */
  latest: number;
  /** When something is due by itself. */
  due: number;
  told: ReadonlyArray<Readonly<{ shown: Shown; at: number }>>;
}>;

export type Outcome =
  | Readonly<{ kind: 'ignored' }>
  | Readonly<{ kind: 'on'; attempt: Attempt }>
  | Readonly<{ kind: 'fires'; at: number; attempt: Attempt }>
  | Readonly<{ kind: 'dies'; miss: Miss }>;

/** An attempt of which nothing is done yet. */
export const blankAttempt: Attempt = {
  pc: 0,
  count: 0,
  since: 0,
  lastActAt: 0,
  pressing: null,
  down: [],
  held: [],
  heldSince: 0,
  loose: [],
  windows: [],
  opensWith: null,
  begun: false,
  limit: Number.POSITIVE_INFINITY,
  latest: 0,
  due: Number.POSITIVE_INFINITY,
  told: [],
};

/** How much of a program is done, in acts; counts within an act as a part of it. */
export function actsDone(program: Program, attempt: Attempt): number {
  const op = program.ops[attempt.pc];
  const before = attempt.pc === 0 ? 0 : (program.acts[attempt.pc - 1] ?? 0);
  if (op?.op === 'press') return before + attempt.count / op.times;
  if (op?.op === 'list') return before + Math.min(0.99, Math.abs(attempt.count) / op.entries);
  if (op?.op === 'turn') return before + Math.min(0.99, attempt.count / op.clicks);
  return before;
}
