import type { Code, Entry, Readout } from '@wire-trail/core';
import type { EditReadout } from './tabs.ts';

/** What every tab of a readout needs of the unit. */
export type ReadoutAt = Readonly<{
  body: Readout;
  bodies: { entries: Entry[] };
  codes: readonly Code[];
  /** Every code's text once. */
  texts: readonly string[];
  nameOf: (sign: string) => string;
  onEdit: EditReadout;
}>;
