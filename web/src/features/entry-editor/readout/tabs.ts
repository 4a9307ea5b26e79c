import type { Readout } from '@wire-trail/core';

/** The tabs a readout is worked on in. */
export const readoutTabs = [
  'Shown and read',
  'Learn from examples',
  'Look-alikes',
  'Tests',
  'Two descriptions',
  'About the readout',
] as const;

/** One edit of the readout, and what it belongs to, for undo. */
export type EditReadout = (change: Partial<Readout>, about: string) => void;
