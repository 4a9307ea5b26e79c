import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { bundleFacts, printSteps, readBundle } from '../index.ts';
import { boardBundle } from '../testing/unit.ts';
import { readAnyTelling, readWritten } from './either.ts';
import { readTold } from './speech/read.ts';
import { stretchesOf } from './speech/stretches.ts';

const factsFrom = (family: string) => {
  const read = readBundle(JSON.parse(readFileSync(new URL(`../../../demo/${family}.json`, import.meta.url), 'utf8')));
  if (!read.ok) throw new Error(family);
  return bundleFacts(read.value);
};
const facts = factsFrom('hobrannet-t12');
const lamps = factsFrom('brindlewick-g4');
const scripts = (text: string): string[] =>
  readAnyTelling(text, facts).routes.map((r) => printSteps([...r.steps]).trim());

describe('however it is told', () => {
  it('written sentences are read by their grammar, whole', () => {
    const text = 'Key off. Wait 3 s. Press up three times within 4 s.';
    const written = readWritten(text, facts);
    expect(written?.routes.length).toBe(1);
    expect(scripts(text)).toEqual(written?.routes.map((r) => printSteps([...r.steps]).trim()));
    expect(written?.routes[0]?.phrases.length).toBe(written?.routes[0]?.steps.length);
    if (written)
      expect(
        stretchesOf(written)
          .map((s) => s.text)
          .join(''),
      ).toBe(text);
  });
  it('speech is read as it comes', () => {
    const text = 'So what I always do is I turn the key off, have a sip of tea, and then up, three times.';
    expect(readWritten(text, facts)).toBeNull();
    expect(readAnyTelling(text, facts)).toEqual(readTold(text, facts));
    expect(scripts(text)).toEqual(['set key off\npress lift 3 times']);
  });
  it('what a written summing-up says otherwise is told with what it differs in', () => {
    const bench = bundleFacts(boardBundle([]));
    const text = 'Lid open. Press b three times. In short: lid open and press b four times.';
    expect(readWritten(text, bench)?.contradictions).toMatchObject([
      { about: 'count', said: 'press b four times', before: { times: 3 } },
    ]);
  });
  it.each(['', ' ', 'Good morning to everybody at the harbour.', '…', '/rant. Going to bed.', 'Going to bed.'])(
    'nothing is made of %j',
    (text) => {
      expect(readAnyTelling(text, facts).routes).toEqual([]);
    },
  );
  it.each<[string, string]>([
    ['It must show lamp c lit green within 3 s.', 'see lamp-c lit green within 0 ms to 3 s'],
    ['Lamp c blinks slowly in amber.', 'see lamp-c slow amber'],
    ['Lamp c goes out.', 'see lamp-c dark'],
  ])('how soon and in what colour: %s', (told, script) => {
    const read = readTold(`Um, so, breaker off, right. ${told}`, lamps);
    expect(read.routes.map((r) => printSteps([...r.steps]).trim())).toEqual([`set breaker off\n${script}`]);
  });
});
