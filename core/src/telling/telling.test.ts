import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bundleFacts, entriesOf, printSteps, readBundle } from '../index.ts';
import { boardBundle } from '../testing/unit.ts';
import { readPhrasings, scorePhrasings } from './measured.ts';
import { mostTelling, readTelling } from './telling.ts';

const demo = (family: string) => {
  const read = readBundle(JSON.parse(readFileSync(new URL(`../../../demo/${family}.json`, import.meta.url), 'utf8')));
  if (!read.ok) throw new Error(family);
  return { facts: bundleFacts(read.value), instruments: entriesOf(read.value, 'instrument') };
};
const families = new Map<string, ReturnType<typeof demo>>();
const unit = (family: string) => {
  const known = families.get(family) ?? demo(family);
  families.set(family, known);
  return known;
};
const read = (family: string, told: string) => readTelling(told, unit(family).facts, unit(family).instruments);
const bench = bundleFacts(boardBundle([]));
const onBench = (told: string) => printSteps(readTelling(told, bench).steps).trim();

describe('all lamps', () => {
  it('are those in sight: a lamp behind a cover is not among them', () => {
    const facts = unit('hobrannet-t12').facts;
    const lamps = [...facts.signs.values()].filter((s) => s.kind === 'lamp');
    const hidden = new Set(lamps.slice(1).map((l) => l.id));
    const told = (covered: ReadonlySet<string>) =>
      readTelling('All lamps light.', { ...facts, covered: covered as typeof facts.covered }).steps.flatMap((s) =>
        s.kind === 'see' ? s.signs.map((x) => x.sign) : [],
      );
    expect(told(new Set())).toEqual(lamps.map((l) => l.id));
    expect(told(hidden)).toEqual(lamps.slice(0, 1).map((l) => l.id));
    // where all lie behind covers there are no others to mean
    expect(told(new Set(lamps.map((l) => l.id)))).toEqual(lamps.map((l) => l.id));
  });
});

describe('plain words', () => {
  const score = scorePhrasings(readPhrasings(readFileSync(new URL('./phrasings.txt', import.meta.url), 'utf8')), read);

  it('makes nine steps in ten of the phrasings written beforehand, and passes next to nothing wrong off as understood', () => {
    expect(score.lines.length).toBeGreaterThanOrEqual(150);
    expect(score.share).toBeGreaterThanOrEqual(0.9);
    expect(score.wrong).toBeLessThanOrEqual(0.02);
  });

  it.each([
    ['Turn the knob four clicks to the right, then two back.', 'turn knob right 4 clicks'],
    ['turn the knob three clicks left', 'turn knob left 3 clicks'],
    ['Press b twice and hold c for 5 s', 'press b 2 times\nhold c for 5 s'],
    ['press b; press c', 'press b\npress c'],
    ['Lift the lid. Lower it.', 'set lid open\nset lid shut'],
    ['One full turn of the knob clockwise', 'sweep knob right 1 turns'],
    ['With the rocker held up, press c three times.', 'keep rocker up\n  press c 3 times'],
  ])('%s', (told, script) => expect(onBench(told)).toContain(script));

  it('the example of somebody at the bench', () => {
    const told =
      'breaker open, keep the rocker down, close the breaker, let go at the second beep, then wiggle the strainer twice';
    const intake = read('brindlewick-g4', told);
    expect(printSteps(intake.steps)).toBe(
      'set breaker off\nhold rocker down\nset breaker on\nlet-go rocker at beeper on #2\n',
    );
    expect(intake.notUnderstood.map((p) => p.text)).toEqual(['wiggle the strainer twice']);
  });

  it('links every step to its words, and every word lost to its place', () => {
    const told = 'Press b twice. Sing a song. Hold c for 5 s.';
    const intake = readTelling(told, bench);
    expect(intake.phrases.map((p) => [p.at, told.slice(p.from, p.to)])).toEqual([
      ['0', 'Press b twice'],
      ['1', 'Hold c for 5 s'],
    ]);
    expect(intake.notUnderstood.map((p) => told.slice(p.from, p.to))).toEqual(['Sing a song']);
  });

  it('holds the summing-up against what was told', () => {
    const told = 'Lid open. Press b three times. In short: lid open and press b four times.';
    const intake = readTelling(told, bench);
    expect(printSteps(intake.steps)).toBe('set lid open\npress b 3 times\n');
    expect(intake.contradictions).toMatchObject([
      { text: 'press b four times', said: { times: 4 }, steps: { times: 3 } },
    ]);
    expect(readTelling(told.replace('four', 'three'), bench).contradictions).toEqual([]);
  });

  it('says what it took one way though it may be meant another', () => {
    expect(read('quorrin-b2', 'The light blinks red.').doubts.map((d) => d.about)).toEqual(['how fast it flashes']);
  });

  it.each(['', '   ', '…', 'Good morning to everybody at the harbour.', '12345', '"'])(
    'makes no step of %j',
    (told) => {
      expect(readTelling(told, bench).steps).toEqual([]);
    },
  );

  it('never throws, whatever is pasted, and gives the same answer twice', () => {
    const words = fc.constantFrom(
      ...'press hold keep let go until lid open shut twice three times within 5 s a b c knob right and then , . ; while if lamp l1 lights "X" it'.split(
        ' ',
      ),
    );
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string(),
          fc.array(words, { maxLength: 25 }).map((w) => w.join(' ')),
        ),
        (told) => {
          const one = readTelling(told, bench);
          expect(readTelling(told, bench)).toEqual(one);
          for (const p of [...one.phrases, ...one.notUnderstood, ...one.contradictions])
            expect(told.slice(p.from, p.to)).toBe(p.text);
        },
      ),
      { numRuns: 800 },
    );
  });

  it('reads a very long text to its limit, and says what is left', () => {
    const told = 'press b. '.repeat(120_000);
    const intake = readTelling(told, bench);
    expect(intake.notUnderstood.at(-1)?.from).toBe(mostTelling);
    expect(intake.steps.length).toBeGreaterThan(1000);
  });
});
