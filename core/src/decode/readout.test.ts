import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  decode,
  encode,
  entriesOf,
  type Look,
  literalOf,
  type Readout,
  type StageId,
  type StageShow,
  splitCode,
} from '../index.ts';
import { dryer, glasswasher } from '../testing/bundles.ts';

const table = (bundle: ReturnType<typeof dryer>) => {
  const readout = entriesOf(bundle, 'readout')[0] as Readout;
  const codes = entriesOf(bundle, 'code').map((c) => ({ text: c.text, frequency: c.frequency }));
  return { readout, codes };
};
const arc = table(glasswasher());
const column = table(dryer());

/** What a person with perfect eyes would enter. */
const seenOf = (shows: readonly StageShow[]): Look[] =>
  shows.map((show): Look => {
    if (show.blinks !== null) return { kind: 'blinks', stage: show.stage, count: show.blinks };
    return {
      kind: 'lamps',
      stage: show.stage,
      lamps: Object.fromEntries(show.shown.flatMap((s) => (s.kind === 'lamp' ? [[s.sign, s.state]] : []))),
    };
  });
const perfect = (readout: Readout, text: string): Look[] => {
  const shows = encode(readout, text);
  if (!shows.ok) throw new Error(shows.error.text);
  return seenOf(shows.value);
};
const lamps = (stage: string, lit: string, unsure = ''): Look => ({
  kind: 'lamps',
  stage: stage as StageId,
  lamps: Object.fromEntries(
    [...'abcde'].map((l) => [`lamp-${l}`, unsure.includes(l) ? 'unsure' : lit.includes(l) ? 'lit' : 'dark']),
  ),
});

describe('encode and decode', () => {
  it.each([
    ['glasswasher', arc],
    ['dryer', column],
  ])('%s: decode ∘ encode is the identity for every code', (_, { readout, codes }) => {
    for (const { text } of codes) {
      const decoded = decode(readout, codes, { slot: 1, looks: perfect(readout, text) });
      expect([decoded.candidates[0]?.code, decoded.candidates[0]?.misread, decoded.literal]).toEqual([text, [], text]);
    }
  });

  it('every text the glasswasher can show splits and joins', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...'ABCDEFGHIJKLMNOPQRSTUVWXYZ'),
        fc.integer({ min: 1, max: 31 }),
        (letter, number) => {
          const text = `${letter}${String(number).padStart(2, '0')}`;
          const parts = splitCode(arc.readout, text);
          expect(parts && [...parts.values()]).toEqual([letter, text.slice(1)]);
          expect(decode(arc.readout, [], { slot: 1, looks: perfect(arc.readout, text) }).literal).toBe(text);
        },
      ),
    );
  });

  it.each(['K32', 'K00', '11', 'k19', '', 'K190'])('the glasswasher cannot show %j', (text) => {
    expect(encode(arc.readout, text)).toEqual({ ok: false, error: { code: 'code-not-shown-here', text } });
  });

  it('one doubtful lamp leaves the two codes it tells apart, the frequent one first, and asks for that lamp', () => {
    const decoded = decode(arc.readout, arc.codes, {
      slot: 1,
      looks: [lamps('letter', 'bde'), lamps('number', 'ade', 'c')],
    });
    expect(decoded.candidates.slice(0, 2).map((c) => c.code)).toEqual(['K19', 'K23']);
    expect(decoded.undecided[0]).toMatchObject({ stage: 'number', sign: 'lamp-c', weight: 4 });
    expect(decoded.literal).toBeNull();
  });

  it('a look that agrees raises certainty, and never adds candidates', () => {
    const once = decode(arc.readout, arc.codes, { slot: 1, looks: [lamps('letter', 'bde'), lamps('number', 'ade')] });
    const twice = decode(arc.readout, arc.codes, {
      slot: 1,
      looks: [lamps('letter', 'bde'), lamps('number', 'ade'), lamps('number', 'ade')],
    });
    expect(twice.candidates[0]?.certainty).toBeGreaterThan(once.candidates[0]?.certainty ?? 1);
    expect(twice.candidates.length).toBeLessThanOrEqual(once.candidates.length);
  });

  it('a dead lamp stays possible however often one looks', () => {
    const looks = [lamps('letter', 'bde'), ...Array.from({ length: 6 }, () => lamps('number', 'ade'))];
    expect(decode(arc.readout, arc.codes, { slot: 1, looks }).candidates.map((c) => c.code)).toContain('K23');
  });

  it('names the one lamp that explains a pattern no table lists', () => {
    const decoded = decode(arc.readout, arc.codes, { slot: 1, looks: [lamps('letter', 'bde'), lamps('number', 'ae')] });
    expect(decoded.literal).toBe('K17');
    const odd = decode(arc.readout, arc.codes, { slot: 1, looks: [lamps('letter', 'bde'), lamps('number', 'ad')] });
    expect(odd.candidates.map((c) => c.kind)).toContain('unlisted');
    expect(odd.candidates.find((c) => c.code === 'K19')?.misread).toEqual([
      { kind: 'lamp', stage: 'number', sign: 'lamp-e', seen: 'dark', shows: 'lit' },
    ]);
  });

  it('knows the sign for nothing stored, and that it is no code', () => {
    const slow: Look = {
      kind: 'lamps',
      stage: 'letter' as StageId,
      lamps: Object.fromEntries([...'abcde'].map((l) => [`lamp-${l}`, 'slow'])),
    };
    expect(decode(arc.readout, arc.codes, { slot: 1, looks: [slow] }).candidates[0]).toMatchObject({
      kind: 'special',
      code: 'nothing-stored',
    });
  });

  it('says so when a complete pattern stands for nothing', () => {
    const dark = [lamps('letter', ''), lamps('number', '')];
    expect(decode(arc.readout, arc.codes, { slot: 1, looks: dark })).toMatchObject({
      literal: null,
      noSuchPattern: true,
    });
  });

  it('reads a table with a lamp that may be either, then a blink count off by one as doubt', () => {
    expect(literalOf(column.readout.stages[0] as Readout['stages'][0], perfect(column.readout, 'Q-7'))).toBe('Q');
    const looks: Look[] = [
      ...perfect(column.readout, 'T-3').slice(0, 1),
      { kind: 'blinks', stage: 'count' as StageId, count: 3 },
    ];
    const decoded = decode(column.readout, column.codes, { slot: 1, looks });
    expect(decoded.candidates.slice(0, 2).map((c) => c.code)).toEqual(['T-3', 'T-4']);
  });

  it('the truth is always among the candidates while what was seen agrees with it', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...arc.codes.map((c) => c.text)),
        fc.array(fc.boolean(), { minLength: 10, maxLength: 10 }),
        (text, unsure) => {
          let i = 0;
          const looks = perfect(arc.readout, text).map((look) =>
            look.kind === 'lamps'
              ? {
                  ...look,
                  lamps: Object.fromEntries(
                    Object.entries(look.lamps).map(([k, v]) => [k, unsure[i++] ? ('unsure' as const) : v]),
                  ),
                }
              : look,
          );
          const decoded = decode(arc.readout, arc.codes, { slot: 1, looks });
          expect(decoded.candidates.map((c) => c.code)).toContain(text);
          expect(decoded.candidates.reduce((sum, c) => sum + c.certainty, 0)).toBeLessThanOrEqual(1.000001);
        },
      ),
    );
  });
});
