import { type Change, EntryKind } from '@wire-trail/core';
import { z } from 'zod';
import { readKept } from '../../foundation/kept-json.ts';

// a body in the making need not be sound: what is wrong in it is said at its fields
const Edit = z.object({ about: z.string(), changes: z.array(z.custom<Change>((c) => typeof c === 'object')) });
const Kept = z.object({
  basedOn: z.number(),
  body: z.looseObject({ kind: EntryKind, id: z.string() }),
  /** What can still be undone, the latest last. */
  past: z.array(Edit).default([]),
});
export type Kept = Readonly<z.infer<typeof Kept>>;
const name = (address: string): string => `wire-trail-draft:${address}`;

/** What was typed into an entry and not saved; it survives a reload and a closed tab. */
export function keptDraft(address: string): Kept | null {
  return Kept.safeParse(readKept(name(address))).data ?? null;
}

export function keepDraft(address: string, kept: z.input<typeof Kept> | null): void {
  if (kept === null) localStorage.removeItem(name(address));
  else localStorage.setItem(name(address), JSON.stringify(kept));
}
