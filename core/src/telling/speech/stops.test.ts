import { existsSync, readdirSync, readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bundleFacts, printSteps, readBundle } from '../../index.ts';
import { calledOf } from './mentions.ts';
import { readTold } from './read.ts';
import { withStops } from './stops.ts';
import { wordsOf } from './text.ts';

const folder = new URL('../../../../tellings/blind/', import.meta.url);
/** Letters and calls that are told in sentences, some of each ten rounds. */
const letters = readdirSync(folder)
  .filter((name) => /^r\d+[27]-.*(?:letter|second|memo|mail|phone)$/.test(name))
  .filter((name) => existsSync(new URL(`${name}/telling.txt`, folder)));
const of = (name: string) => {
  const bundle = readBundle(JSON.parse(readFileSync(new URL(`${name}/unit.json`, folder), 'utf8')));
  if (!bundle.ok) throw new Error(`${name} does not read`);
  return { facts: bundleFacts(bundle.value), text: readFileSync(new URL(`${name}/telling.txt`, folder), 'utf8') };
};
/** As captions have it: no stop, a large letter only where a name or a display has one. */
const withoutStops = (text: string): string =>
  text
    .replace(/(^|[.!?:;\n]\s*)(\p{Lu})(?=[\p{Ll}' ])/gu, (_, before, letter) => before + letter.toLowerCase())
    .replace(/(?<!\d)[.,;:!?"“”()…]+|[.,;:!?"“”()…]+(?!\d)/g, ' ')
    .replace(/\s+/g, ' ');
const stepsOf = (text: string, { facts }: ReturnType<typeof of>): string[] =>
  readTold(text, facts).routes.flatMap((r) =>
    printSteps([...r.steps])
      .trim()
      .split('\n'),
  );

describe('told without stops', () => {
  it('is read much as with them', () => {
    expect(letters.length).toBeGreaterThan(6);
    let [all, again] = [0, 0];
    for (const name of letters) {
      const own = of(name);
      const wanted = stepsOf(own.text, own);
      const found = stepsOf(withoutStops(own.text), own);
      all += wanted.length;
      again += wanted.filter((s) => found.includes(s)).length;
    }
    expect(again / all).toBeGreaterThan(0.72);
  });
  it('keeps every word, in order, and puts in nothing but stops and commas', () => {
    const called = calledOf(of(letters[0] ?? '').facts);
    const word = fc.constantFrom('press', 'the', 'lamp', 'then', 'you', 'wait', 'red', 'if', 'it', 'off', 'cover');
    fc.assert(
      fc.property(fc.array(word, { maxLength: 60 }), (said) => {
        const words = wordsOf(said.join(' '));
        const put = withStops(words, called);
        expect(put.filter((w) => words.includes(w))).toEqual(words);
        for (const w of put)
          if (!words.includes(w)) expect([w.raw, w.to - w.from]).toEqual([expect.stringMatching(/^[.,]$/), 0]);
      }),
    );
  });
  it('leaves what is joined by *and then* as it is told', () => {
    const called = calledOf(of(letters[0] ?? '').facts);
    const words = wordsOf(
      'so you switch it off and then you wait a bit and now you take the cover off and then it is out',
    );
    expect(withStops(words, called)).toBe(words);
  });
});
