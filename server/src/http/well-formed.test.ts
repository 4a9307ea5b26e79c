import { describe, expect, it } from 'vitest';
import { mayHaveHalves, wellFormed } from './well-formed.ts';

describe('texts that came', () => {
  it.each<[unknown, unknown]>([
    ['cut \ud83d', 'cut \ufffd'],
    ['\ude00 begun', '\ufffd begun'],
    ['whole \u{1f600}', 'whole \u{1f600}'],
    [
      { a: ['\ud800', 1, null], '\ud800': true },
      { a: ['\ufffd', 1, null], '\ufffd': true },
    ],
  ])('%j is made %j', (came, kept) => expect(wellFormed(came)).toEqual(kept));
  it.each([
    ['{"why":"\\ud800"}', true],
    ['{"why":"\\uDC00"}', true],
    ['{"why":"plain \\u00e4"}', false],
  ])('%s may hold half a character: %s', (json, may) => expect(mayHaveHalves(json)).toBe(may));
});
