import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  type Decoded,
  decode,
  encode,
  isTold,
  type Listed,
  type Look,
  lookAlikes,
  looksOf,
  type Readout,
  splitCode,
} from '../index.ts';
import { valuesOf } from '../readout/values.ts';
import { anyReadout, lampsStage, readoutOf, stageOf } from '../testing/readouts.ts';

const listedOf = (texts: readonly string[]): Listed[] => texts.map((text) => ({ text, frequency: 1 }));
const perfect = (readout: Readout, text: string): Look[] => {
  const shows = encode(readout, text);
  if (!shows.ok) throw new Error(`cannot show ${text}`);
  return looksOf(readout, shows.value);
};
const seen = (looks: readonly Look[]) => ({ slot: 1, looks: [...looks] });

/** Some codes a readout can show: everything its stages list, or made up where they show free text. */
function someCodes(readout: Readout, n: number): string[] {
  let texts = [{ text: '', parts: new Map<string, string>() }];
  for (const stage of readout.stages) {
    const { reads } = stage;
    texts = texts.flatMap(({ text, parts }) => {
      const listed =
        reads.kind === 'text'
          ? ['0', '8', 'E', 'F'].map((c) => c.repeat(reads.length))
          : reads.kind === 'pair' || reads.kind === 'bytes'
            ? ['412-7', '100-0', '524287-31']
            : [...valuesOf(stage, parts as never).keys()];
      return listed.map((t) => ({ text: text + t, parts: new Map([...parts, [stage.id, t]]) }));
    });
  }
  const all = [...new Set(texts.map((t) => t.text))].filter((t) => splitCode(readout, t));
  return all.slice(0, n);
}

describe('every kind of readout', () => {
  it('decode ∘ encode is the identity', () => {
    fc.assert(
      fc.property(anyReadout, (readout) => {
        const codes = someCodes(readout, 40);
        const listed = listedOf(codes);
        for (const text of codes) {
          const { literal, candidates } = decode(readout, listed, seen(perfect(readout, text)));
          expect([literal, candidates[0]?.code, candidates[0]?.misread]).toEqual([text, text, []]);
        }
      }),
      { numRuns: 150 },
    );
  });

  it('keeps the truth among the candidates while what was seen agrees with it', () => {
    fc.assert(
      fc.property(
        anyReadout,
        fc.nat(),
        fc.array(fc.boolean(), { minLength: 40, maxLength: 40 }),
        (readout, pick, hide) => {
          const codes = someCodes(readout, 60);
          const text = codes[pick % codes.length] ?? '';
          let i = 0;
          const looks = perfect(readout, text).map((look): Look => {
            const hidden = (): boolean => hide[i++ % hide.length] ?? false;
            if (look.kind === 'lamps')
              return {
                ...look,
                lamps: Object.fromEntries(Object.entries(look.lamps).map(([s, v]) => [s, hidden() ? 'unsure' : v])),
              };
            if (look.kind === 'text')
              return { ...look, text: [...look.text].map((c) => (hidden() ? '?' : c)).join('') };
            if (look.kind === 'blinks' && hidden()) return { ...look, count: look.count + 1, maybe: [look.count] };
            return look;
          });
          const rare = codes.map((t) => ({ text: t, frequency: t === text ? 1 : 1000 }));
          expect(decode(readout, rare, seen(looks)).candidates.map((c) => c.code)).toContain(text);
        },
      ),
      { numRuns: 150 },
    );
  });

  it('a further look that agrees never adds candidates', () => {
    const names = (d: Decoded) => d.candidates.filter((c) => c.kind !== 'unlisted').map((c) => c.code);
    fc.assert(
      fc.property(anyReadout, fc.nat(), (readout, pick) => {
        const codes = someCodes(readout, 60);
        const listed = listedOf(codes);
        const looks = perfect(readout, codes[pick % codes.length] ?? '');
        let before = names(decode(readout, listed, seen(looks.slice(0, 1))));
        for (const more of [looks, [...looks, ...looks], [...looks, ...looks, ...looks]]) {
          const now = names(decode(readout, listed, seen(more)));
          expect(now.filter((c) => !before.includes(c))).toEqual([]);
          before = now;
        }
      }),
      { numRuns: 100 },
    );
  });

  it('certainties never add up to more than 1', () => {
    fc.assert(
      fc.property(anyReadout, fc.nat(), (readout, pick) => {
        const codes = someCodes(readout, 30);
        const { candidates } = decode(
          readout,
          listedOf(codes),
          seen(perfect(readout, codes[pick % codes.length] ?? '')),
        );
        expect(candidates.reduce((sum, c) => sum + c.certainty, 0)).toBeLessThanOrEqual(1.000001);
      }),
      { numRuns: 60 },
    );
  });
});

const four = (id: string, more: object = {}) =>
  lampsStage(
    id,
    [8, 4, 2, 1].map((weight) => ({ sign: `w${weight}`, weight })),
    { kind: 'number', least: 1, most: 15, digits: 2 },
    { ...more },
  );
const lit = (stage: string, on: readonly number[], more: Record<string, string> = {}): Look => ({
  kind: 'lamps',
  stage: stage as never,
  lamps: Object.fromEntries(
    [8, 4, 2, 1].map((w) => [`w${w}`, more[`w${w}`] ?? (on.includes(w) ? 'lit' : 'dark')]),
  ) as never,
});
const all15 = listedOf(Array.from({ length: 15 }, (_, i) => String(i + 1).padStart(2, '0')));

describe('what is really seen', () => {
  const readout = readoutOf([four('n')]);

  it('a look that contradicts reopens the candidates and says so', () => {
    const once = decode(readout, all15, seen([lit('n', [4, 1]), lit('n', [4, 1])]));
    const then = decode(readout, all15, seen([lit('n', [4, 1]), lit('n', [4, 1]), lit('n', [8, 4, 1])]));
    expect(once.disagreements).toEqual([]);
    expect(then.disagreements).toEqual([{ stage: 'n', sign: 'w8', told: ['dark', 'lit'] }]);
    expect(then.candidates[0]?.certainty).toBeLessThan(once.candidates[0]?.certainty ?? 0);
    expect(then.candidates.map((c) => c.code)).toContain('13');
  });

  it('a lamp that was seen to light in one stage is not the dead one of the next', () => {
    const two = readoutOf([four('hi'), { ...four('lo'), comes: { kind: 'colour', colour: 'green' } }]);
    const codes = listedOf(['0505', '0513', '1305', '1313']);
    const odds = (looks: readonly Look[]) => decode(two, codes, seen(looks)).candidates.find((c) => c.code === '1313');
    const darkTwice = odds([lit('hi', [8, 4, 1]), lit('lo', [4, 1])]);
    const never = decode(two, codes, seen([lit('hi', [4, 1]), lit('lo', [4, 1])])).candidates.find(
      (c) => c.code === '1313',
    );
    // once lit, a slip of the eye is all that is left; never lit, one dead lamp explains both
    expect(never?.certainty).toBeGreaterThan((darkTwice?.certainty ?? 1) / 2);
    expect(darkTwice?.misread).toHaveLength(1);
    const proven = decode(two, codes, { ...seen([lit('hi', [4, 1]), lit('lo', [4, 1])]), alive: ['w8' as never] });
    expect(proven.candidates.map((c) => c.code)).not.toContain('1313');
  });

  it('asks whether a lamp lights at all where only a dead one is left in question', () => {
    const looks = Array.from({ length: 5 }, () => lit('n', [4, 1]));
    const [ask] = decode(readout, listedOf(['05', '13']), seen(looks)).undecided;
    expect(ask).toMatchObject({ kind: 'lamp-test', sign: 'w8' });
  });

  it('a dim lamp may be lit: both stay, and that lamp decides', () => {
    const decoded = decode(readout, all15, seen([lit('n', [4, 1], { w8: 'dim' })]));
    expect(decoded.candidates.slice(0, 2).map((c) => c.code)).toEqual(['13', '05']);
    expect(decoded.undecided[0]).toMatchObject({ kind: 'lamp', sign: 'w8' });
  });

  it('offers nothing as the answer that does not stand out', () => {
    const two = decode(readout, all15, seen([lit('n', [4], { w8: 'unsure', w1: 'unsure' })]));
    expect([isTold(two), two.candidates.filter((c) => c.fit > 0.9).length]).toEqual([false, 4]);
    expect(isTold(decode(readout, all15, seen([lit('n', [4, 1])])))).toBe(true);
    expect(isTold(decode(readout, all15, seen([])))).toBe(false);
  });

  it('names the single misreading that would explain an entry that is no code', () => {
    const few = listedOf(['05', '08']);
    const decoded = decode(readout, few, seen([lit('n', [4])]));
    expect(decoded.oneSlip).toMatchObject({
      code: '05',
      misread: [{ kind: 'lamp', sign: 'w1', seen: 'dark', shows: 'lit' }],
    });
  });

  it('takes characters a display cannot show as the look-alike it can, and says so', () => {
    const display = readoutOf([
      stageOf('t', { kind: 'text', sign: 'd', face: 'segments', length: 3, characters: '0123456789E' }),
    ]);
    const decoded = decode(
      display,
      listedOf(['E05', 'E08']),
      seen([{ kind: 'text', stage: 't' as never, text: 'EOS' }]),
    );
    expect([decoded.literal, decoded.taken.map((t) => t.as)]).toEqual(['E05', ['0', '5']]);
  });

  it('one segment that may be dead is among the candidates', () => {
    const display = readoutOf([
      stageOf('t', { kind: 'text', sign: 'd', face: 'segments', length: 2, characters: '0123456789E' }),
    ]);
    const decoded = decode(
      display,
      listedOf(['E6', 'E8', 'E2']),
      seen([{ kind: 'text', stage: 't' as never, text: 'E6' }]),
    );
    expect(decoded.candidates.slice(0, 2).map((c) => c.code)).toEqual(['E6', 'E8']);
  });

  it('a count that may be one more keeps both, the frequent one first', () => {
    const blinks = readoutOf([
      stageOf('c', { kind: 'blinks', sign: 'x', most: 9, to: { kind: 'number', least: 1, most: 9 } }),
    ]);
    const codes = [
      { text: '3', frequency: 1 },
      { text: '4', frequency: 5 },
    ];
    const look: Look = { kind: 'blinks', stage: 'c' as never, count: 3, maybe: [4] };
    expect(decode(blinks, codes, seen([look])).candidates.map((c) => c.code)).toEqual(['4', '3']);
  });

  it('a later stage is read by the table the earlier one names', () => {
    const table = readoutOf([
      lampsStage('kind', [{ sign: 'k' }], {
        kind: 'table',
        rows: [
          { pattern: 'R', value: 'E' },
          { pattern: 'G', value: 'W' },
        ],
      }),
      {
        id: 'n',
        label: 'n',
        comes: { kind: 'route', route: 'next' },
        reads: {
          kind: 'blinks',
          sign: 'x',
          most: 9,
          to: {
            kind: 'by-stage',
            stage: 'kind',
            maps: [{ when: ['E'], to: { kind: 'number', least: 1, most: 4 } }],
            otherwise: { kind: 'characters', characters: 'ABCD' },
          },
        },
      },
    ]);
    const codes = listedOf(['E3', 'WC']);
    for (const text of ['E3', 'WC']) expect(decode(table, codes, seen(perfect(table, text))).literal).toBe(text);
    expect(encode(table, 'EC').ok).toBe(false);
  });

  it.each([
    ['7', { unit: 'main unit', part: 'first compressor', value: '7' }],
    ['8', { unit: 'main unit', part: 'second compressor', value: '8' }],
    ['11', { unit: 'sub unit 2', part: 'first compressor', value: '11' }],
    ['6', null],
    ['99', null],
  ])('sub code %s names the unit and the part', (value, place) => {
    const readout = readoutOf(
      [
        four('n'),
        stageOf(
          'sub',
          { kind: 'text', sign: 'd', length: value.length, characters: '0123456789' },
          { kind: 'route', route: 'next' },
        ),
      ],
      {
        compose: [{ kind: 'stage', stage: 'n' }],
        sub: {
          stage: 'sub',
          names: {
            kind: 'count',
            first: 7,
            main: 'main unit',
            unit: 'sub unit',
            parts: ['first compressor', 'second compressor'],
            most: 4,
          },
        },
      },
    );
    const looks = [lit('n', [4, 1]), { kind: 'text', stage: 'sub', text: value } as unknown as Look];
    expect(decode(readout, all15, seen(looks)).place).toEqual(place);
  });
});

describe('look-alikes', () => {
  const slips = (readout: Readout, codes: readonly string[]) =>
    lookAlikes(readout, codes).map(({ code, becomes, slip }) => `${code}>${becomes} ${slip.kind}`);

  it('a dead lamp is dead in every stage it belongs to', () => {
    const two = readoutOf([four('hi'), { ...four('lo'), comes: { kind: 'colour', colour: 'green' } }]);
    expect(slips(two, ['1313', '0505', '0513', '1305'])).toEqual([
      '1313>0505 lamp-dark',
      '0513>0505 lamp-dark',
      '1305>0505 lamp-dark',
    ]);
  });
  it('counts are one off, both ways', () => {
    const blinks = readoutOf([
      stageOf('c', { kind: 'blinks', sign: 'x', most: 9, to: { kind: 'number', least: 1, most: 9 } }),
    ]);
    expect(slips(blinks, ['3', '4', '6'])).toEqual(['3>4 blink-added', '4>3 blink-missed']);
  });
  it('segments die, characters are swapped', () => {
    const segments = readoutOf([
      stageOf('t', { kind: 'text', sign: 'd', face: 'segments', length: 2, characters: 'E0123456789' }),
    ]);
    expect(slips(segments, ['E8', 'E6', 'E5'])).toEqual(['E8>E6 segment-lost', 'E6>E5 segment-lost']);
    const line = readoutOf([stageOf('t', { kind: 'text', sign: 'd', length: 2, characters: 'E0123456789OS' })]);
    expect(slips(line, ['E5', 'ES', 'E0', 'E8'])).toEqual(['E5>ES character', 'ES>E5 character']);
  });
  it('rates and colours are taken for one another', () => {
    const rows = [
      ['s', 'A'],
      ['f', 'B'],
      ['R', 'C'],
      ['A', 'D'],
    ].map(([pattern, value]) => ({ pattern, value }));
    const one = readoutOf([lampsStage('k', [{ sign: 'k' }], { kind: 'table', rows })]);
    expect(slips(one, ['A', 'B', 'C', 'D'])).toEqual(
      expect.arrayContaining(['A>B rate', 'B>A rate', 'C>D colour', 'D>C colour']),
    );
  });
  it('every look-alike is one slip that decode allows for', () => {
    fc.assert(
      fc.property(anyReadout, (readout) => {
        const codes = someCodes(readout, 25);
        for (const { code, becomes } of lookAlikes(readout, codes).slice(0, 20)) {
          const decoded = decode(readout, listedOf(codes), seen(perfect(readout, becomes)));
          expect(decoded.candidates.map((c) => c.code)).toContain(code);
        }
      }),
      { numRuns: 60 },
    );
  });
});
