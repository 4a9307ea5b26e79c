import type { UnitFacts } from '../../unit/facts.ts';
import type { Miss, MissCode, MissFacts } from '../attempt-state.ts';
import type { Hand, Program } from '../op.ts';
import type { RanOver } from './run-over.ts';

/** One thing done otherwise than a program says, and how unlikely it is beside others that say the same. */
export type Edit = Readonly<{
  code: MissCode;
  at: string;
  byMs: number | null;
  facts: MissFacts;
  cost: number;
  /** Which of a count it was, counted from 1. */
  nth?: number;
  /** A window that was overrun: its number, when it opened and how long it is. Measured once all is run. */
  window?: Readonly<{ window: number; openedAt: number; mostMs: number }>;
}>;
/** A program as somebody may have meant it: with this edit it goes further over what was done. */
export type Variation = Readonly<{
  program: Program;
  skips: readonly number[];
  powered: boolean;
  edit: Edit;
}>;

/** A program that came to nothing over some hands. */
export type Death = Readonly<{
  program: Program;
  ran: RanOver;
  miss: Miss;
  hands: readonly Hand[];
  facts: UnitFacts;
  /** Edits that are already assumed: what was taken for something once is easily taken for it again. */
  before: readonly Edit[];
}>;
