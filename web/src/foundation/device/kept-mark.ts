import { keepNamed, keptNamed } from './database.ts';

/*
 * A browser that runs short of space may clear all a page has kept, and says nothing of it. Its cookies stay: one says how much
 * waited here. Where that is there and the mark in the store is not, the store was cleared.
 */
const name = 'wire-trail-waits';
const mark = 'mark';
const yearS = 31_536_000;

const cookieOf = (): number | null => {
  const found = new RegExp(`(?:^|; )${name}=(\\d{1,6})(?:;|$)`).exec(document.cookie);
  return found ? Number(found[1]) : null;
};

/** Writes beside the store how many events wait in it. */
export function markWaiting(count: number): void {
  if (cookieOf() !== count) document.cookie = `${name}=${count}; path=/; max-age=${yearS}; samesite=strict`;
}

export function forgetMark(): void {
  document.cookie = `${name}=; path=/; max-age=0; samesite=strict`;
}

/** How many events waited in a store that was cleared since; null where nothing was. The store is marked afterwards. */
export async function clearedSince(): Promise<number | null> {
  const waited = cookieOf();
  if ((await keptNamed(mark)) !== undefined) return null;
  await keepNamed(mark, new Date().toISOString());
  return waited;
}
