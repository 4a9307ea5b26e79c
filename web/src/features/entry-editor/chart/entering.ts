import type { Place } from '@wire-trail/core';

/** What is being typed into the outline, and where. */
export type Entry = Readonly<{
  what: 'step' | 'answer' | 'title' | 'rename' | 'link' | 'kind';
  row: number;
  place: Place | null;
  node: string | null;
}>;
