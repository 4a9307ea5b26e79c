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

function write(value: string, lastsS: number): void {
  // biome-ignore lint/suspicious/noDocumentCookie: not every browser has the newer interface
  document.cookie = `${name}=${value}; path=/; max-age=${lastsS}; samesite=strict`;
}

/** Writes beside the store how many events wait in it. */
export function markWaiting(count: number): void {
  if (cookieOf() !== count) write(String(count), yearS);
}

export const forgetMark = (): void => write('', 0);

/** How many events waited in a store that was cleared since; null where nothing was. The store is marked afterwards. */
export async function clearedSince(): Promise<number | null> {
  const waited = cookieOf();
  if ((await keptNamed(mark)) !== undefined) return null;
  await keepNamed(mark, new Date().toISOString());
  return waited;
}
