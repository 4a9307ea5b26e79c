import { describe, expect, it } from 'vitest';
import { Code, entriesOf, entryOf, findCodes, lockOutMs, plainCode, proveRun } from '../index.ts';
import { glasswasher } from '../testing/bundles.ts';

const detection = (id: string) => (entryOf(glasswasher(), 'code', id) as Code).detection;

describe('proveRun', () => {
  it.each([
    // the first warm-up is not watched, then two in a row that last as long as the limit: 3 × 9 min
    ['k19', { cycles: 3, notWatched: 1, erasedAfter: 40, erasesWithin: false, cycleMs: 540_000, leastMs: 3 * 540_000 }],
    ['k23', { cycles: 1, notWatched: 0, erasedAfter: null, erasesWithin: false, cycleMs: 5000, leastMs: 5000 }],
    // twelve in a row to store it, one clean one to forget it, and nothing says how long one is
    ['s02', { cycles: 12, notWatched: 0, erasedAfter: 1, erasesWithin: true, cycleMs: null, leastMs: null }],
  ])('%s', (id, expected) => expect(proveRun(detection(id))).toEqual(expected));

  const base = { notWatchedCycles: 1, inARow: 2, erasedAfterCleanCycles: null };
  it.each([
    ['cycles that follow each other', { cycleMs: 60_000 }, 3 * 60_000],
    ['one cycle a day', { cycleMs: 60_000, cycleEveryMs: 86_400_000 }, 2 * 86_400_000 + 60_000],
    ['arming comes first', { armingMs: 300_000, cycleMs: 60_000 }, 480_000],
    ['a cycle lasts as long as the threshold must be passed', { cycleMs: 60_000, forMs: 90_000 }, 270_000],
    ['spacing alone', { cycleEveryMs: 3_600_000 }, 2 * 3_600_000],
    ['nothing known', {}, null],
    ['arming alone', { armingMs: 300_000 }, 300_000],
    ['only how long the threshold must be passed', { forMs: 90_000 }, 270_000],
    ['cycles that follow faster than one lasts', { cycleMs: 60_000, cycleEveryMs: 10_000 }, 180_000],
  ])('%s', (_, more, leastMs) => expect(proveRun({ ...base, ...more }).leastMs).toBe(leastMs));
});

it.each([
  [2, true],
  [3, true],
  [4, false],
  [null, false],
])('a code erased after %s clean cycles within a run of 3: %s', (erasedAfterCleanCycles, erases) =>
  expect(proveRun({ notWatchedCycles: 1, inARow: 2, erasedAfterCleanCycles }).erasesWithin).toBe(erases),
);

describe('lockOutMs', () => {
  it.each([
    ['how often, but not how long', { locksOutAfter: 3 }],
    ['how long, but not how often', { attempt: { runMs: 1000, restMs: 0 } }],
  ])('is not known by %s alone', (_, known) => expect(lockOutMs(Code.shape.detection.parse(known))).toBeNull());

  it('three fills of 6 min with 2 min rest lock out after 22 min', () =>
    expect(lockOutMs(detection('c03'))).toBe(22 * 60_000));
  it('forty primes of 2 min with 13 min rest are about ten hours', () => {
    const code = Code.shape.detection.parse({ locksOutAfter: 40, attempt: { runMs: 120_000, restMs: 780_000 } });
    expect((lockOutMs(code) ?? 0) / 3_600_000).toBeCloseTo(9.78, 2);
  });
  it('is not known without attempts', () => expect(lockOutMs(detection('k19'))).toBeNull());
});

describe('findCodes', () => {
  const codes = entriesOf(glasswasher(), 'code');
  it.each([
    ['K19', 'K19', 'same'],
    ['k-19', 'K19', 'spelling'],
    ['k 19', 'K19', 'spelling'],
    ['K I9', 'K19', 'look-alike'],
    ['KI9', 'K19', 'look-alike'],
    ['CO3', 'C03', 'look-alike'],
    ['c3', 'C03', 'spelling'],
    ['P21', 'P12', 'near'],
    ['5O2', 'S02', 'look-alike'],
  ])('%s means %s (%s)', (typed, text, why) => {
    const [first] = findCodes(typed, codes);
    expect([first?.code.text, first?.why]).toEqual([text, why]);
  });
  it('does not guess from afar', () => {
    expect(findCodes('ZZZ', codes)).toEqual([]);
    expect(findCodes('', codes)).toEqual([]);
  });
  it('plain spelling is found again', () => expect(plainCode('co-07')).toBe('CO7'));
});
