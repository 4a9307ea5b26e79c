import 'fake-indexeddb/auto';
import type { WalkId } from '@wire-trail/core';
import { expect, it } from 'vitest';
import { keepHappenings } from './walks.ts';

it('whatever is done at once on a walk, every event has a number of its own and none is lost', async () => {
  const walk = crypto.randomUUID() as WalkId;
  const note = (text: string) => ({ kind: 'noted', text }) as never;
  const taps = Array.from({ length: 20 }, (_, i) =>
    keepHappenings({ walk, by: 1, happenings: i % 2 ? [note(`${i}`)] : [note(`${i} a`), note(`${i} b`)] }),
  );
  const all = (await Promise.all(taps)).reduce((a, b) => (a.length > b.length ? a : b));
  expect(all.map((e) => e.event.seq)).toEqual(Array.from({ length: 30 }, (_, i) => i));
  // what belongs together stays together
  const texts = all.map((e) => String(e.event.text));
  for (const [i, text] of texts.entries()) if (text.endsWith(' a')) expect(texts[i + 1]).toBe(text.replace('a', 'b'));
});
