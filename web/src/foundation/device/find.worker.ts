import { buildFindIndex, type FindIndex, type Found, find, findFamilyOf } from '@wire-trail/core';
import { keptBundles } from './database.ts';

export type FindAsk = Readonly<{ kind: 'index' } | { kind: 'find'; ask: number; query: string; most: number }>;
export type FindAnswer = Readonly<{ ask: number; found: Found[] }>;

let index: Promise<FindIndex> | null = null;
const made = async (): Promise<FindIndex> => buildFindIndex((await keptBundles()).map((k) => findFamilyOf(k.bundle)));

self.onmessage = async ({ data }: MessageEvent<FindAsk>) => {
  if (data.kind === 'index') {
    index = made();
    return;
  }
  index ??= made();
  const { ask, query, most } = data;
  const answer: FindAnswer = { ask, found: find(await index, query, most) };
  self.postMessage(answer);
};
