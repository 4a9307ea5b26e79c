import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { type Bundle, forSharing, genericMeaning, pairOf, readBundle } from '../index.ts';

const cart = (): Bundle => {
  const read = readBundle(JSON.parse(readFileSync(new URL('../../../demo/corrant-u3.json', import.meta.url), 'utf8')));
  if (!read.ok) throw new Error(JSON.stringify(read.error));
  return read.value;
};

it.each<[string, ReturnType<typeof pairOf>]>([
  ['412-3', { parameter: 412, mode: 3 }],
  ['412.19', { parameter: 412, mode: 19 }],
  ['SP 412 / F 3', { parameter: 412, mode: 3 }],
  ['P412/F3', { parameter: 412, mode: 3 }],
  ['K19', null],
  ['412', null],
])('pairOf %s', (text, expected) => expect(pairOf(text)).toEqual(expected));

describe('genericMeaning', () => {
  it.each<[string, number | null]>([
    ['999-3', 3],
    ['412-7', null],
    ['4127', null],
    ['999-30', null],
    ['K19', null],
  ])('%s on the cart: %s', (text, number) => expect(genericMeaning(cart(), text)?.number ?? null).toBe(number));
  it('a family that follows no scheme has none', () => {
    const bundle = cart();
    const without = {
      ...bundle,
      entries: bundle.entries.map((e) => (e.kind === 'family' ? { ...e, genericScheme: undefined } : e)),
    };
    expect(genericMeaning(without as Bundle, '999-3')).toBeNull();
  });
});

it('what may not be shared is taken out wherever it is named; a bundle without it stays as it is', () => {
  const bundle = cart();
  expect(forSharing(bundle).entries).toEqual(bundle.entries);
  const id = 'a'.repeat(64);
  const asset = {
    kind: 'asset',
    id,
    family: null,
    name: 'x',
    type: 'image/png',
    bytes: 1,
    mayBeShared: false,
    marks: [],
  };
  const withPicture = {
    ...bundle,
    entries: [
      ...bundle.entries.map((e) =>
        e.kind === 'chart' ? { ...e, nodes: e.nodes.map((n) => ({ ...n, pictures: [id] })) } : e,
      ),
      asset,
    ],
  } as unknown as Bundle;
  expect(JSON.stringify(forSharing(withPicture))).not.toContain(id);
});
