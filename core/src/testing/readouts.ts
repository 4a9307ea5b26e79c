import fc from 'fast-check';
import { Readout } from '../model/readout.ts';

type Loose = Record<string, unknown>;

/** A readout of these stages, composed in their order; what is left out takes its default. */
export function readoutOf(stages: readonly Loose[], more: Loose = {}): Readout {
  return Readout.parse({
    kind: 'readout',
    id: 'made',
    family: 'made-up',
    name: 'Made up',
    controller: 'main',
    modes: ['memory'],
    stages,
    compose: stages.map((s) => ({ kind: 'stage', stage: s.id })),
    standing: 'document',
    ...more,
  });
}

export const lampsStage = (id: string, lamps: readonly Loose[], to: Loose, more: Loose = {}): Loose => ({
  id,
  label: id,
  comes: { kind: 'at-once' },
  reads: { kind: 'lamps', lamps, to, ...more },
});
export const stageOf = (id: string, reads: Loose, comes: Loose = { kind: 'at-once' }): Loose => ({
  id,
  label: id,
  comes,
  reads,
});

const weights = fc.integer({ min: 2, max: 5 }).chain((n) =>
  fc.boolean().map((reversed) => {
    const powers = Array.from({ length: n }, (_, i) => 2 ** i);
    return reversed ? powers.reverse() : powers;
  }),
);
const signs = (prefix: string, n: number): string[] => Array.from({ length: n }, (_, i) => `${prefix}${i}`);

const weighted = (id: string) =>
  weights.map((ws) =>
    lampsStage(
      id,
      ws.map((weight, i) => ({ sign: `${id}${i}`, weight })),
      { kind: 'number', least: 1, most: 2 ** ws.length - 1, digits: 2 },
    ),
  );
/** Rows of any of the letters but `-`, no two alike. */
const tabled = (id: string) =>
  fc.integer({ min: 2, max: 4 }).chain((n) =>
    fc
      .uniqueArray(fc.string({ unit: fc.constantFrom(...'dlsfRGB'), minLength: n, maxLength: n }), {
        minLength: 2,
        maxLength: 12,
      })
      // lit in no named colour fits lit in any: told apart by rows that name one
      .map((patterns) => patterns.filter((p) => !p.includes('l') || !patterns.some((q) => q !== p && meets(p, q))))
      .filter((patterns) => patterns.length > 0)
      .map((patterns) =>
        lampsStage(
          id,
          signs(id, n).map((sign) => ({ sign })),
          { kind: 'table', rows: patterns.map((pattern, i) => ({ pattern, value: String.fromCharCode(65 + i) })) },
        ),
      ),
  );
const meets = (p: string, q: string): boolean =>
  [...p].every(
    (c, i) => c === q[i] || (c === 'l' && 'RGB'.includes(q[i] ?? '')) || (q[i] === 'l' && 'RGB'.includes(c)),
  );
const blinks = (id: string) =>
  fc
    .integer({ min: 2, max: 12 })
    .map((most) =>
      stageOf(id, { kind: 'blinks', sign: `${id}0`, most, to: { kind: 'number', least: 1, most, digits: 2 } }),
    );
const rhythm = (id: string) =>
  fc
    .uniqueArray(fc.string({ unit: fc.constantFrom('s', 'l'), minLength: 1, maxLength: 6 }), {
      minLength: 1,
      maxLength: 10,
    })
    .map((patterns) =>
      stageOf(id, {
        kind: 'rhythm',
        sign: `${id}0`,
        rows: patterns.map((pattern, i) => ({ pattern, value: String.fromCharCode(65 + i) })),
      }),
    );
const which = (id: string) =>
  fc.integer({ min: 2, max: 4 }).map((n) =>
    stageOf(id, {
      kind: 'which',
      lamps: signs(id, n).map((sign, i) => ({ sign, value: String.fromCharCode(65 + i) })),
      most: 6,
    }),
  );
const text = (id: string) =>
  fc
    .record({ length: fc.integer({ min: 1, max: 3 }), face: fc.constantFrom('segments', 'text') })
    .map(({ length, face }) =>
      stageOf(id, { kind: 'text', sign: `${id}0`, length, face, characters: '0123456789EFHLP' }),
    );
const pair = (id: string) => fc.constant(stageOf(id, { kind: 'pair', sign: `${id}0` }));
const bytes = (id: string) => fc.constant(stageOf(id, { kind: 'bytes', sign: `${id}0` }));

const first = fc.oneof(weighted('a'), tabled('a'), blinks('a'), rhythm('a'), which('a'), text('a'));
const last = fc.oneof(
  weighted('b'),
  tabled('b'),
  blinks('b'),
  rhythm('b'),
  which('b'),
  text('b'),
  pair('b'),
  bytes('b'),
);

/** Readouts of one or two stages of any kind; two share no sign and come by a gesture. */
export const anyReadout: fc.Arbitrary<Readout> = fc.oneof(
  last.map((s) => readoutOf([s])),
  fc.tuple(first, last).map(([a, b]) => readoutOf([a, { ...b, comes: { kind: 'route', route: 'next' } }])),
);
