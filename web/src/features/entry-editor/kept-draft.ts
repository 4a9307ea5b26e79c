import { EntryKind } from '@wire-trail/core';
import { z } from 'zod';
import { readKept } from '../../foundation/kept-json.ts';

// a body in the making need not be sound: what is wrong in it is said at its fields
const Kept = z.object({ basedOn: z.number(), body: z.looseObject({ kind: EntryKind, id: z.string() }) });
export type Kept = Readonly<z.infer<typeof Kept>>;
const name = (address: string): string => `wire-trail-draft:${address}`;

/** What was typed into an entry and not saved; it survives a reload and a closed tab. */
export function keptDraft(address: string): Kept | null {
  return Kept.safeParse(readKept(name(address))).data ?? null;
}

export function keepDraft(address: string, kept: Kept | null): void {
  if (kept === null) localStorage.removeItem(name(address));
  else localStorage.setItem(name(address), JSON.stringify(kept));
}
