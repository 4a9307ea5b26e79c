import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  decode,
  evenTrace,
  keptLevels,
  type Look,
  lightsOf,
  matchPulses,
  matchTrace,
  type Pulse,
  patternsOf,
  pulsesOf,
  type Readout,
  readPulses,
  type Sample,
  type Segment,
  schedule,
  seeded,
} from '../index.ts';
import { counts, digits, leadIn, longShort, segmentsFor, stageIn, usual } from '../testing/rhythms.ts';
import { makeTaps, makeTrace } from './made.ts';

const truths: ReadonlyArray<readonly [string, Readout, Record<string, string>]> = [
  ['one blink', counts, { c: '1' }],
  ['nine blinks', counts, { c: '9' }],
  ['two digits', digits, { tens: '3', ones: '4' }],
  ['two digits alike', digits, { tens: '2', ones: '2' }],
  ['long and short', longShort, { r: 'C' }],
  ['all short', longShort, { r: 'A' }],
  ['behind a lead-in', leadIn, { c: '3' }],
  ['a sign that is no code', leadIn, { c: '!fine' }],
];

describe('taps', () => {
  it.each(truths)('%s: read within three rounds, whatever the person’s tempo', (_, readout, parts) => {
    const patterns = patternsOf(readout, stageIn(readout));
    for (const seed of [1, 2, 3, 4]) {
      const random = seeded(seed);
      const taps = makeTaps(segmentsFor(readout, parts), {
        rounds: 3,
        tempo: 0.85 + random() * 0.3,
        spread: 0.06,
        stray: 0.02,
        random,
      });
      expect(matchPulses(taps, patterns, 'taps')[0]?.parts).toEqual(parts);
    }
  });

  it('nothing tapped, or mere drumming, fits nothing', () => {
    const patterns = patternsOf(digits, stageIn(digits));
    expect(matchPulses([], patterns, 'taps')).toEqual([]);
    const drumming = Array.from({ length: 30 }, (_, i): Pulse => [i * 90, i * 90 + 40]);
    expect(matchPulses(drumming, patterns, 'taps')).toEqual([]);
  });

  /** Taps just as the lights are, so many rounds of them. */
  const exactly = (readout: Readout, parts: Record<string, string>, rounds: number, tempo = 1): Pulse[] =>
    makeTaps(segmentsFor(readout, parts), { rounds, tempo, spread: 0, stray: 0, random: seeded(1) });
  const best = (taps: readonly Pulse[], readout: Readout, by: 'taps' | 'camera' = 'taps') =>
    matchPulses(taps, patternsOf(readout, stageIn(readout)), by);

  it.each([
    ['A', 'sss'],
    ['B', 'ssl'],
    ['C', 'lss'],
    ['D', 'lsl'],
  ])('a single round of %s is told by how long each tap is: %s', (r) =>
    expect(best(exactly(longShort, { r }, 1), longShort)[0]?.parts).toEqual({ r }),
  );

  it('taps may come in any order; the best fit stands first at 0, each pattern once, and none is beyond telling', () => {
    const taps = exactly(counts, { c: '4' }, 3);
    const fits = best(taps, counts);
    expect(best(taps.toReversed(), counts)).toEqual(fits);
    expect([fits[0]?.parts, fits[0]?.log]).toEqual([{ c: '4' }, 0]);
    expect(fits.map((f) => f.log)).toEqual(fits.map((f) => f.log).toSorted((a, b) => b - a));
    expect(Math.min(...fits.map((f) => f.log))).toBeGreaterThanOrEqual(-60);
    expect(new Set(fits.map((f) => Object.values(f.parts)[0])).size).toBe(9);
  });

  it.each([0.65, 0.8, 1.25, 1.5])('whoever taps %s times as slowly is followed', (tempo) => {
    expect(best(exactly(counts, { c: '5' }, 3, tempo), counts)[0]?.parts).toEqual({ c: '5' });
    expect(best(exactly(digits, { tens: '2', ones: '5' }, 3, tempo), digits)[0]?.parts).toEqual({
      tens: '2',
      ones: '5',
    });
  });

  it('one tap that was missed, and one that slipped in, do not hide the count', () => {
    const taps = exactly(counts, { c: '6' }, 3);
    const [first, , third] = taps;
    expect(best(taps.toSpliced(8, 1), counts)[0]?.parts).toEqual({ c: '6' });
    const between = ((first?.[1] ?? 0) + (third?.[0] ?? 0)) / 2;
    expect(best([...taps, [between, between + 30]], counts)[0]?.parts).toEqual({ c: '6' });
  });

  it('a lead-in may be left untapped', () => {
    const whole = exactly(leadIn, { c: '3' }, 3);
    const longest = Math.max(...whole.map(([from, to]) => to - from));
    const untapped = whole.filter(([from, to]) => to - from < longest / 2);
    expect(untapped.length).toBe(9);
    expect(best(untapped, leadIn)[0]?.parts).toEqual({ c: '3' });
    expect(best(whole, leadIn)[0]?.parts).toEqual({ c: '3' });
  });

  it('no pattern, or none that is tapped, fits nothing', () => {
    expect(matchPulses(exactly(counts, { c: '4' }, 2), [], 'taps')).toEqual([]);
    expect(best([], counts, 'camera')).toEqual([]);
  });

  it('more rounds that agree make surer', () => {
    const codes = Array.from({ length: 9 }, (_, i) => ({ text: String(i + 1), frequency: 1 }));
    const sureness = (rounds: number): number => {
      const taps = makeTaps(segmentsFor(counts, { c: '4' }), {
        rounds,
        tempo: 1,
        spread: 0.04,
        stray: 0,
        random: seeded(5),
      });
      const look: Look = { kind: 'pulses', stage: 'c' as never, by: 'taps', pulses: taps };
      const [first] = decode(counts, codes, { slot: 1, looks: [look] }).candidates;
      return first?.code === '4' ? first.certainty : 0;
    };
    expect(sureness(2)).toBeGreaterThan(sureness(1));
    expect(sureness(1)).toBeGreaterThan(0.5);
  });
});

const at = (starts: readonly number[], ms = 200): Pulse[] => starts.map((s) => [s, s + ms]);
const mixed = (...spans: ReadonlyArray<readonly [number, number]>): Pulse[] => {
  let now = 500;
  return spans.map(([on, off]) => {
    const pulse: Pulse = [now, now + on];
    now += on + off;
    return pulse;
  });
};

describe('symbols of pulses, with no readout at hand', () => {
  it.each<[string, Pulse[], readonly string[], readonly string[]]>([
    ['three and a pause, twice', at([0, 500, 1000, 3000, 3500, 4000]), ['sss'], ['one-length']],
    ['no pause at all', at([0, 500, 1000, 1500]), ['ssss'], ['one-length', 'no-pause']],
    ['one alone', at([0]), ['s'], ['too-few']],
    ['nothing', [], [], ['too-few']],
    [
      'rounds that differ',
      at([0, 500, 1000, 3000, 3500, 4000, 6000, 6500]),
      ['sss'],
      ['one-length', 'repetitions-differ'],
    ],
    ['long and short', mixed([200, 300], [200, 300], [800, 2000], [210, 310], [190, 300], [820, 0]), ['ssl'], []],
    [
      'two runs and a longer pause',
      at([0, 500, 2200, 2700, 3200, 8000, 8500, 10_200, 10_700, 11_200]),
      ['ss', 'sss'],
      ['one-length'],
    ],
    [
      'a contact that bounces',
      [
        [0, 100],
        [115, 220],
        [700, 900],
        [3000, 3200],
        [3700, 3900],
      ],
      ['ss'],
      ['one-length'],
    ],
    [
      'a lead-in before each',
      mixed([2000, 700], [300, 300], [300, 1500], [2000, 700], [300, 300], [300, 0]),
      ['ss'],
      ['one-length'],
    ],
  ])('%s', (_, pulses, runs, doubts) => {
    const read = readPulses(pulses);
    expect([read.runs, read.doubts.map((d) => d.code)]).toEqual([runs, doubts]);
  });

  it('says so where there are far too many', () => {
    const many = Array.from({ length: 5000 }, (_, i): Pulse => [i * 100, i * 100 + 40]);
    expect(readPulses(many).doubts).toEqual([{ code: 'too-many', pulses: 5000, most: 4000 }]);
  });

  it('reads back any runs it is given, and the certainty stays between 0 and 1', () => {
    fc.assert(
      fc.property(
        fc
          .string({ unit: fc.constantFrom('s', 'l'), minLength: 2, maxLength: 6 })
          .filter((p) => p.includes('s') && p.includes('l')),
        fc.integer({ min: 2, max: 4 }),
        fc.double({ min: 0.5, max: 1.8, noNaN: true }),
        (pattern, rounds, tempo) => {
          const round = [...pattern].map((c, i): [number, number] => [
            (c === 's' ? 200 : 700) * tempo,
            (i === pattern.length - 1 ? 2200 : 300) * tempo,
          ]);
          const read = readPulses(mixed(...Array.from({ length: rounds }, () => round).flat()));
          expect(read.runs).toEqual([pattern]);
          expect(read.certainty).toBeGreaterThan(0.9);
          expect(read.certainty).toBeLessThanOrEqual(1);
        },
      ),
    );
  });
});

describe('brightness over time', () => {
  const look = (samples: readonly Sample[], readout: Readout) =>
    matchTrace(evenTrace(samples), patternsOf(readout, stageIn(readout)));

  it.each(truths)('%s: read through drift, noise, jitter and dropped frames', (_, readout, parts) => {
    for (const [seed, framesPerS] of [
      [1, 15],
      [2, 24],
      [3, 60],
    ] as const) {
      const segments = segmentsFor(readout, parts);
      const round = segments.reduce((sum, s) => sum + s.ms, 0);
      const samples = makeTrace({
        ...usual,
        segments,
        framesPerS,
        lastsMs: Math.max(10_000, 2.6 * round),
        random: seeded(seed),
      });
      const match = look(samples, readout);
      expect(match.ok ? match.value.fits[0]?.parts : match.error.refusal).toEqual(parts);
    }
  });

  it('the same trace, kept in whole levels with a walk, decodes to the code', () => {
    const samples = makeTrace({ ...usual, segments: segmentsFor(counts, { c: '6' }), random: seeded(9) });
    const codes = Array.from({ length: 9 }, (_, i) => ({ text: String(i + 1), frequency: 1 }));
    const kept: Look = { kind: 'trace', stage: 'c' as never, ...keptLevels(evenTrace(samples)) };
    expect(decode(counts, codes, { slot: 1, looks: [kept] }).candidates[0]).toMatchObject({ code: '6' });
  });

  const clear = { ...usual, decibels: 24, jitter: 0, drift: 0, dropped: 0 };
  it.each([0.72, 0.85, 1, 1.17, 1.37])('says at which tempo it was shown: %s', (tempo) => {
    const samples = makeTrace({
      ...clear,
      tempo,
      lastsMs: 11_000,
      segments: segmentsFor(counts, { c: '4' }),
      random: seeded(3),
    });
    const match = look(samples, counts);
    expect(match.ok ? [match.value.fits[0]?.parts, match.value.tempo] : match.error.refusal).toEqual([
      { c: '4' },
      tempo,
    ]);
  });

  it('one whole pause is enough, and how many were seen is told', () => {
    const segments = segmentsFor(counts, { c: '3' });
    const round = segments.reduce((sum, s) => sum + s.ms, 0);
    for (const [rounds, pauses] of [
      [1.6, 1],
      [2.6, 2],
      [3.6, 3],
    ] as const) {
      const match = look(makeTrace({ ...clear, lastsMs: rounds * round, segments, random: seeded(5) }), counts);
      expect(match.ok ? [match.value.fits[0]?.parts, match.value.wholePauses] : match.error.refusal).toEqual([
        { c: '3' },
        pauses,
      ]);
    }
  });

  it('the best fit stands first at 0, the others behind it by no more than can be told', () => {
    const match = look(makeTrace({ ...clear, segments: segmentsFor(counts, { c: '5' }), random: seeded(4) }), counts);
    if (!match.ok) throw new Error(match.error.refusal.code);
    const logs = match.value.fits.map((f) => f.log);
    expect(logs[0]).toBe(0);
    expect(logs.every((log) => log <= 0 && log >= -60)).toBe(true);
    expect(logs.slice(1).every((log) => log <= -8)).toBe(true);
    expect(new Set(match.value.fits.map((f) => Object.values(f.parts)[0])).size).toBe(match.value.fits.length);
  });

  it('lights that were not found are no pictures; a steady lamp is told with its level', () => {
    const trace = evenTrace(makeTrace({ ...clear, segments: segmentsFor(counts, { c: '5' }), random: seeded(4) }));
    const none = matchTrace(trace, patternsOf(counts, stageIn(counts)), null);
    expect(none.ok ? null : none.error).toEqual({ refusal: { code: 'no-pictures' }, lights: null });
    const steady = look(flat(140), counts);
    expect(steady.ok ? null : steady.error.refusal).toEqual({ code: 'steady', level: expect.closeTo(140, 3) });
  });

  it('a rhythm this readout does not know is refused, not guessed', () => {
    const odd: Segment[] = Array.from({ length: 7 }, (_, i) => ({
      on: i % 2 === 0,
      ms: 120 + 470 * ((i * 5) % 3),
      role: 'gap',
    }));
    const match = look(makeTrace({ ...usual, decibels: 20, segments: odd, random: seeded(2) }), counts);
    expect(match.ok).toBe(false);
  });

  const flat = (level: number, n = 300): Sample[] => Array.from({ length: n }, (_, i) => ({ atMs: i * 33, level }));
  const noisy = (n: number): Sample[] => {
    const random = seeded(4);
    return Array.from({ length: n }, (_, i) => ({ atMs: i * 33, level: 100 + 60 * (random() - 0.5) }));
  };
  it.each<[string, Sample[], string]>([
    ['no pictures', [], 'no-pictures'],
    ['half a second', flat(80, 15), 'too-short'],
    ['a black picture', flat(0), 'black'],
    ['a saturated picture', flat(255), 'saturated'],
    ['a steady lamp', flat(140), 'steady'],
    ['nothing but noise', noisy(300), 'too-noisy'],
    [
      'less than one round',
      makeTrace({ ...usual, lastsMs: 2600, segments: segmentsFor(counts, { c: '9' }), random: seeded(3) }),
      'undecided',
    ],
  ])('%s is refused', (_, samples, code) => {
    const match = look(samples, counts);
    expect(match.ok ? match.value.fits : match.error.refusal.code).toBe(code);
  });

  it('pulses of a clear trace stand where the lamp was lit', () => {
    const shown = schedule(counts, '3');
    if (!shown.ok) throw new Error('cannot show 3');
    const samples = makeTrace({
      ...usual,
      decibels: 24,
      jitter: 0,
      drift: 0,
      segments: segmentsFor(counts, { c: '3' }),
      random: seeded(6),
    });
    const lights = lightsOf(evenTrace(samples));
    const pulses = lights ? pulsesOf(lights).slice(1, -1) : [];
    expect(pulses.length).toBeGreaterThan(8);
    for (const [from, to] of pulses) expect(Math.abs(to - from - 300)).toBeLessThan(90);
  });
});
