/// <reference lib="dom" />
import type { Page } from '@playwright/test';
import { signedIn, withBuiltSchool } from './built-school.ts';
import { median, type Row, row } from './row.ts';

const times = 3;
const scrollMs = 2000;

/** The Shelf as of a school with so many families: those of the demo over and over, each under a name of its own. */
async function servesFamilies(page: Page, count: number): Promise<void> {
  await page.route(/\/api\/v1\/families(\?|$)/, async (route) => {
    const response = await route.fetch();
    const page = (await response.json()) as { cards: Array<{ family: { id: string; name: string } }> };
    const own = page.cards;
    const many = Array.from({ length: count }, (_, i) => {
      const card = own[i % own.length];
      if (!card) throw new Error('the demo has no family');
      return i < own.length
        ? card
        : { ...card, family: { ...card.family, id: `${card.family.id}-${i}`, name: `${card.family.name} ${i}` } };
    });
    await route.fulfill({ response, json: { ...page, cards: many } });
  });
  // what is drawn of a copy is what is drawn of the one it was copied from
  await page.route(/\/families\/.+-\d+\/face$/, (route) =>
    route.continue({
      url: route
        .request()
        .url()
        .replace(/-\d+\/face$/, '/face'),
    }),
  );
}

/** From asking for the page until its first card stands, in milliseconds. */
async function firstCard(
  address: string,
  count: number,
): Promise<{ ms: number; page: Page; close: () => Promise<void> }> {
  const { page, close } = await signedIn(address, 'trainer', { width: 1280, height: 800 });
  await servesFamilies(page, count);
  const began = Date.now();
  await page.goto(`${address}/shelf`);
  await page.locator('.unit-tile .panel').first().waitFor();
  return { ms: Date.now() - began, page, close };
}

/** Pictures a second while the page is scrolled on and on. */
const framesWhileScrolling = (page: Page): Promise<number> =>
  // as a text: what the page runs must not lean on this program's helpers
  page.evaluate<number>(`new Promise((resolve) => {
    const began = performance.now();
    let frames = 0;
    const step = (now) => {
      frames += 1;
      window.scrollBy(0, 40);
      if (now - began < ${scrollMs}) requestAnimationFrame(step);
      else resolve((frames * 1000) / (now - began));
    };
    requestAnimationFrame(step);
  })`);

/** The Shelf of a thousand families against one of eight, and whether it scrolls as if it were nothing. */
export async function benchShelf(): Promise<Row[]> {
  return withBuiltSchool(async (address) => {
    const few: number[] = [];
    const many: number[] = [];
    let frames = 0;
    for (let i = 0; i < times; i++) {
      const small = await firstCard(address, 8);
      few.push(small.ms);
      await small.close();
      const large = await firstCard(address, 1000);
      many.push(large.ms);
      frames = Math.max(frames, await framesWhileScrolling(large.page));
      await large.close();
    }
    const ratio = median(many) / median(few);
    return [
      row('web.shelf1000Ratio', ratio, 'times', '≤ 1.5', ratio <= 1.5),
      row('web.shelf1000Frames', frames, 'frames/s', '≥ 50', frames >= 50),
    ];
  });
}
