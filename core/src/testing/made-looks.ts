import { seeded } from '../base/random.ts';
import { characterLikelihood, countLikelihood, deadShare, type Told, toldAs } from '../decode/likelihood.ts';
import { encode, type Listed, type Look, looksOf, type Readout, type Seen, splitCode } from '../index.ts';
import { valuesOf } from '../readout/values.ts';
import { lampsStage, readoutOf, stageOf } from './readouts.ts';

/** A look at a made-up readout, told by somebody who slips now and then, with what it really showed. */
export type MadeLook = Readonly<{
  seed: number;
  readout: Readout;
  listed: readonly Listed[];
  seen: Seen;
  truth: string;
  /** Whether a table lists it, what was done with the whole look, and how many single slips there were. */
  isListed: boolean;
  confused: string | null;
  slips: number;
}>;

type Random = () => number;
const pick = <T>(random: Random, list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;
const some = <T>(random: Random, list: readonly T[], n: number): T[] => {
  const rest = [...list];
  const found: T[] = [];
  while (found.length < n && rest.length > 0) found.push(...rest.splice(Math.floor(random() * rest.length), 1));
  return found;
};

const weighted = (id: string, signs: readonly string[], digits: number) =>
  lampsStage(
    id,
    signs.map((sign, i) => ({ sign, weight: 2 ** i })),
    { kind: 'number', least: 0, most: 2 ** signs.length - 1, digits },
  );
const row = (prefix: string, n: number): string[] => Array.from({ length: n }, (_, i) => `${prefix}${i}`);
const bySign = { kind: 'sign', shown: { kind: 'lamp', sign: 'phase', state: 'lit' } } as const;

/** Readouts of the kinds units have, none of them the demo's. */
function madeReadout(random: Random): Readout {
  const n = 4 + Math.floor(random() * 3);
  switch (1 + Math.floor(random() * 8)) {
    case 1:
      return readoutOf([weighted('a', row('l', 4), 2), { ...weighted('b', row('l', 4), 2), comes: bySign }]);
    case 2: {
      const letters = 'dlsf';
      const patterns = some(
        random,
        row('', 60).map((_, i) => [0, 1, 2].map((k) => letters[(i >> (2 * k)) & 3]).join('')),
        20,
      );
      return readoutOf([
        lampsStage(
          'a',
          row('l', 3).map((sign) => ({ sign })),
          {
            kind: 'table',
            rows: patterns.map((pattern, i) => ({ pattern, value: `C${String(i).padStart(2, '0')}` })),
          },
        ),
      ]);
    }
    case 3: {
      const nine = { kind: 'number', least: 1, most: 9 };
      return readoutOf([
        stageOf('a', { kind: 'blinks', sign: 'x', most: 9, to: nine }),
        stageOf('b', { kind: 'blinks', sign: 'x', most: 9, to: nine }, { kind: 'alternates', everyMs: 2000 }),
      ]);
    }
    case 4: {
      const leadIn = random() < 0.5 ? { leadIn: { steadyMs: 4000, means: 'the other unit' } } : {};
      return readoutOf([
        stageOf('a', {
          kind: 'blinks',
          sign: 'x',
          most: 14,
          to: { kind: 'number', least: 1, most: 14, digits: 2 },
          ...leadIn,
        }),
      ]);
    }
    case 5:
      return readoutOf([
        stageOf('a', {
          kind: 'which',
          lamps: ['P', 'Q', 'R', 'S'].map((value) => ({ sign: `l${value.toLowerCase()}`, value })),
          most: 8,
        }),
      ]);
    case 6:
      return readoutOf([
        stageOf('a', {
          kind: 'text',
          sign: 'd',
          length: 3,
          ...(random() < 0.5 && { shortest: 2, words: ['LO', 'HOT'] }),
          face: random() < 0.7 ? 'segments' : 'text',
          characters: '0123456789AEFHLPU',
        }),
      ]);
    case 7: {
      const patterns = some(
        random,
        Array.from({ length: 62 }, (_, i) => (i + 2).toString(2).slice(1).replaceAll('0', 's').replaceAll('1', 'l')),
        24,
      );
      return readoutOf([
        stageOf('a', {
          kind: 'rhythm',
          sign: 'x',
          rows: patterns.map((pattern, i) => ({ pattern, value: `${10 + i}` })),
        }),
      ]);
    }
  }
  return readoutOf([weighted('a', row('l', n), 2)]);
}

/** Everything a readout can show, or for a display what a maker would. */
function canShow(readout: Readout, random: Random): string[] {
  const [only] = readout.stages;
  if (only?.reads.kind === 'text') {
    const { reads } = only;
    const letters = some(random, [...'AEFHLPU'], 2);
    const two = letters.flatMap((l) => Array.from({ length: 60 }, (_, i) => `${l}${String(i).padStart(2, '0')}`));
    const short = reads.shortest ? letters.flatMap((l) => Array.from({ length: 10 }, (_, i) => `${l}${i}`)) : [];
    return [...two, ...short, ...reads.words];
  }
  let texts = [{ text: '', parts: new Map() as Map<never, string> }];
  for (const stage of readout.stages)
    texts = texts.flatMap(({ text, parts }) =>
      [...valuesOf(stage, parts).keys()].map((t) => ({
        text: text + t,
        parts: new Map([...parts, [stage.id as never, t]]),
      })),
    );
  return [...new Set(texts.map((t) => t.text))];
}

/** How often people slip, beside what the engine reckons with; shares of what is told that is out of the usual. */
export type Slipping = Readonly<{ rate: number; unlisted: number; confused: number }>;
export const usualSlipping: Slipping = { rate: 1, unlisted: 0.05, confused: 0.05 };

function told<K extends string>(random: Random, odds: Readonly<Partial<Record<K, number>>>, right: K, rate: number): K {
  if (random() >= (1 - (odds[right] ?? 0)) * rate) return right;
  const others = (Object.keys(odds) as K[]).filter((k) => k !== right);
  let at = random() * others.reduce((sum, k) => sum + (odds[k] ?? 0), 0);
  for (const k of others) {
    at -= odds[k] ?? 0;
    if (at <= 0) return k;
  }
  return right;
}

type Slips = { n: number };

function slip(
  look: Look,
  readout: Readout,
  dead: ReadonlySet<string>,
  random: Random,
  rate: number,
  slips: Slips,
): Look {
  if (look.kind === 'lamps') {
    const lamps = Object.fromEntries(
      Object.entries(look.lamps).map(([sign, is]) => {
        if (is === 'dim' || is === 'unsure') return [sign, is];
        const shows: Told = dead.has(sign) ? 'dark' : is;
        const seen = told<Told>(random, toldAs[shows], shows, rate);
        if (seen !== is && seen !== 'dim') slips.n++;
        return [sign, random() < 0.02 ? 'unsure' : seen];
      }),
    );
    return { ...look, lamps: lamps as typeof look.lamps };
  }
  if (look.kind === 'blinks') {
    const odds: Record<string, number> = Object.fromEntries(
      [-2, -1, 0, 1, 2].map((d) => [`${d}`, countLikelihood(look.count + d, look.count)]),
    );
    const off = Number(told(random, odds, '0', rate));
    if (off === 0) return look;
    slips.n += Math.abs(off);
    return { ...look, count: Math.max(1, look.count + off) };
  }
  if (look.kind === 'rhythm') {
    const pattern = [...look.pattern]
      .map((c) => {
        if (random() >= 0.04 * rate) return c;
        slips.n++;
        return c === 's' ? 'l' : 's';
      })
      .join('');
    return { ...look, pattern };
  }
  if (look.kind === 'text') {
    const reads = readout.stages[0]?.reads;
    const face = reads?.kind === 'text' ? reads.face : 'text';
    const alphabet = '0123456789ABCDEFGHILOPSUZ';
    let text = [...look.text]
      .map((c) => {
        const odds = Object.fromEntries(
          [...alphabet, c].map((x) => [x, x === c ? 0 : characterLikelihood(x, c, face)]),
        );
        const all = Object.values(odds).reduce((a, b) => a + b, 0);
        // two that look the same on the face are no slip of anybody
        if (random() >= Math.min(0.07, all) * rate) return c;
        const seen = told(random, { ...odds, [c]: 0 }, c, 1);
        if (seen !== c) slips.n++;
        return seen;
      })
      .join('');
    if (random() < 0.015 * rate) {
      const at = Math.floor(random() * text.length);
      text =
        random() < 0.6 ? text.slice(0, at) + text.slice(at + 1) : text.slice(0, at) + text.charAt(at) + text.slice(at);
      slips.n++;
    }
    return { ...look, text };
  }
  return look;
}

/** What somebody does with a whole look: exchanges halves, counts from the other end, counts the lead-in. */
function confuse(
  looks: readonly Look[],
  readout: Readout,
  random: Random,
): { looks: readonly Look[]; confused: string | null } {
  const [a, b] = looks;
  const [stage] = readout.stages;
  if (a && b && a.kind === b.kind && random() < 0.7)
    return {
      looks: [
        { ...b, stage: a.stage },
        { ...a, stage: b.stage },
      ],
      confused: 'halves-swapped',
    };
  if (a?.kind === 'lamps' && stage?.reads.kind === 'lamps' && stage.reads.lamps.length > 3) {
    const made = looks.map((look): Look => {
      if (look.kind !== 'lamps') return look;
      const signs = Object.keys(look.lamps) as Array<keyof typeof look.lamps>;
      const lamps = Object.fromEntries(signs.map((s, i) => [s, look.lamps[signs[signs.length - 1 - i] as never]]));
      return { ...look, lamps: lamps as typeof look.lamps };
    });
    return { looks: made, confused: 'other-end' };
  }
  if (a?.kind === 'blinks' && stage?.reads.kind === 'blinks' && stage.reads.leadIn)
    return { looks: [{ ...a, count: a.count + 1 }], confused: 'lead-in-counted' };
  return { looks, confused: null };
}

/** One made-up look; the same seed gives the same one. */
export function madeLook(seed: number, slipping: Slipping = usualSlipping): MadeLook {
  const random = seeded(seed);
  for (;;) {
    const readout = madeReadout(random);
    const all = canShow(readout, random).filter((t) => splitCode(readout, t) !== null);
    // a table lists between a tenth and half of what could show
    const share = 0.1 + 0.4 * random();
    const texts = some(random, all, Math.max(3, Math.min(80, Math.round(all.length * share))));
    const listed = texts.map((text) => ({ text, frequency: 1 + Math.floor(random() * 6) ** 2 }));
    const open = all.filter((t) => !texts.includes(t));
    const isListed = open.length === 0 || random() >= slipping.unlisted;
    const sum = listed.reduce((n, l) => n + l.frequency, 0);
    let at = random() * sum;
    const drawn = listed.find((l) => {
      at -= l.frequency;
      return at <= 0;
    });
    const truth = isListed ? (drawn?.text ?? texts[0] ?? '') : pick(random, open);
    const shows = encode(readout, truth);
    if (!shows.ok) continue;
    const perfect = looksOf(readout, shows.value);
    const made = random() < slipping.confused ? confuse(perfect, readout, random) : { looks: perfect, confused: null };
    const signs = readout.stages.flatMap((s) =>
      s.reads.kind === 'lamps' ? s.reads.lamps.map((l) => l.sign as string) : [],
    );
    const dead = new Set([...new Set(signs)].filter(() => random() < deadShare * slipping.rate));
    const slips: Slips = { n: 0 };
    const looks = made.looks.map((look) => slip(look, readout, dead, random, slipping.rate, slips));
    return {
      seed,
      readout,
      listed,
      seen: { slot: 1, looks },
      truth,
      isListed,
      confused: made.confused,
      slips: slips.n,
    };
  }
}
