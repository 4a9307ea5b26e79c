import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { lint } from '../library/lint.ts';
import { readBundle } from '../library/read.ts';
import { findingWords } from './finding.ts';

const demo = new URL('../../../demo/', import.meta.url);
const families = readdirSync(demo).filter((f) => f.endsWith('.json'));
/** What a finding quotes as it stands, because that is what is wrong with it. */
const quotesIds = new Set(['dangling-id', 'part-unknown', 'duplicate-id', 'summary-differs']);

type Json = string | number | boolean | null | Json[] | { [key: string]: Json };

/** Everything that has an id is called after it, in words nobody else uses. */
const renamed = (value: Json, ids: Set<string>): Json => {
  if (Array.isArray(value)) return value.map((v) => renamed(v, ids));
  if (value === null || typeof value !== 'object') return value;
  const id = typeof value.id === 'string' ? value.id : null;
  if (id !== null && !['code', 'symptom'].includes(String(value.kind))) ids.add(id);
  return Object.fromEntries(
    Object.entries(value).map(([key, v]) => [
      key,
      id !== null && ['name', 'label', 'title'].includes(key) && typeof v === 'string'
        ? `Name of ${id}`
        : renamed(v, ids),
    ]),
  );
};

/** A unit with a few things gone wrong: a line lost, a number a power of ten off, a yes for a no. */
function spoilt(raw: Json, random: () => number): Json {
  const copy = structuredClone(raw);
  const spots: Array<() => void> = [];
  const collect = (value: Json): void => {
    if (value === null || typeof value !== 'object') return;
    if (Array.isArray(value) && value.length > 0)
      spots.push(() => value.splice(Math.floor(random() * value.length), 1));
    if (!Array.isArray(value))
      for (const [key, v] of Object.entries(value)) {
        if (typeof v === 'number') spots.push(() => (value[key] = Math.round(v * (random() < 0.5 ? 10 : 0.1))));
        if (typeof v === 'boolean') spots.push(() => (value[key] = !v));
      }
    for (const v of Object.values(value)) collect(v);
  };
  collect((copy as { entries: Json }).entries);
  for (let i = 0; i < 3; i++) spots[Math.floor(random() * spots.length)]?.();
  return copy;
}

describe('findings in words', () => {
  it.each(families)('%s: never say a name that only the file uses, whatever goes wrong', (file) => {
    const raw = JSON.parse(readFileSync(new URL(file, demo), 'utf8')) as Json;
    let seed = 7;
    const random = () => {
      seed = (seed * 16_807) % 2_147_483_647;
      return seed / 2_147_483_647;
    };
    const said = new Set<string>();
    let read = 0;
    for (let round = 0; round < 12; round++) {
      const ids = new Set<string>();
      const bundle = readBundle(renamed(round === 0 ? raw : spoilt(raw, random), ids));
      if (!bundle.ok) continue;
      read += 1;
      for (const finding of lint(bundle.value)) {
        if (quotesIds.has(finding.code)) continue;
        const words = findingWords(finding);
        const bare = words.replace(/Name of [\w-]+/g, '…');
        const found = [...bare.matchAll(/[A-Za-z0-9][\w-]*/g)].map(([word]) => word).filter((word) => ids.has(word));
        if (found.some((word) => word.includes('-') || bare.includes(`“${word}”`))) said.add(words);
      }
    }
    expect(read).toBeGreaterThan(3);
    expect([...said]).toEqual([]);
  });
});
