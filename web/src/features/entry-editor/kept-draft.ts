import type { Body } from '../../foundation/entry-draft-slice.ts';

export type Kept = Readonly<{ basedOn: number; body: Body }>;
const name = (address: string): string => `wire-trail-draft:${address}`;

/** What was typed into an entry and not saved; it survives a reload and a closed tab. */
export function keptDraft(address: string): Kept | null {
  const text = localStorage.getItem(name(address));
  return text === null ? null : (JSON.parse(text) as Kept);
}

export function keepDraft(address: string, kept: Kept | null): void {
  if (kept === null) localStorage.removeItem(name(address));
  else localStorage.setItem(name(address), JSON.stringify(kept));
}
