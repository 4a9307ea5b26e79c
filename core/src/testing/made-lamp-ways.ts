import type { SignId } from '../base/ids.ts';
import { seeded } from '../base/random.ts';
import type { Example, LampWay } from '../readout/from-examples/learn.ts';
import { type Learned, learnLamps, looksKey, looksOf, textsOf } from '../readout/from-examples/learn.ts';
import type { PartShape, TextShape } from '../readout/from-examples/shape.ts';

/** A row of lamps that says codes in some made-up way. */
type MadeWay = Readonly<{ lamps: readonly SignId[]; way: LampWay; texts: readonly string[] }>;

const pick = <T>(random: () => number, list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;
const shuffled = <T>(random: () => number, list: readonly T[]): T[] => {
  const rest = [...list];
  return list.flatMap(() => rest.splice(Math.floor(random() * rest.length), 1));
};

/** Three to six lamps that count in some order, in one part or two, with or without a lamp that marks the part. */
function madeLampWay(seed: number): MadeWay {
  const random = seeded(seed);
  const parts = random() < 0.4 ? 1 : 2;
  const isMarked = parts > 1 && random() < 0.7;
  const count = 3 + Math.floor(random() * 4);
  const lamps = Array.from({ length: count }, (_, i) => `l${i + 1}` as SignId);
  const marked = isMarked ? pick(random, lamps) : null;
  const counting = lamps.filter((lamp) => lamp !== marked);
  const counts = random() < 0.85 ? counting.map((_, i) => 2 ** i) : [1, 2, 5, 10, 20, 50].slice(0, counting.length);
  const order = random() < 0.6 ? (random() < 0.5 ? counts : [...counts].reverse()) : shuffled(random, counts);
  const shapes: PartShape[] =
    parts === 1
      ? [pick(random, ['figures', 2] as const)]
      : random() < 0.7
        ? [1, 1]
        : [pick(random, ['letter', 1] as const), 2];
  const shape: TextShape = { prefix: pick(random, ['', 'E', 'M', 'F-']), parts: shapes };
  const way: LampWay = {
    shape,
    marker: marked ? { lamp: marked, litIn: [random() < 0.5 ? 0 : 1] } : null,
    weights: new Map(counting.map((lamp, i) => [lamp, order[i] ?? 1])),
  };
  return { lamps, way, texts: textsOf(way).filter((text) => looksOf(way, text)?.some((lit) => lit.length > 0)) };
}

/** What somebody would show of a code on such a row. */
const shownOn = ({ way }: MadeWay, text: string): Example => ({ text, looks: looksOf(way, text) ?? [] });

/** A code the row can show, by chance. */
const someCode = ({ texts }: MadeWay, seed: number): string => pick(seeded(seed), texts);

export type LampsLearnt = Readonly<{ learned: Learned; used: number; made: MadeWay; isRight: boolean }>;
/** Shows codes of a made-up row, one by chance and then what is asked for, up to so many; whether what was found reads them right. */
export function lampsLearnt(seed: number, most: number): LampsLearnt {
  const made = madeLampWay(seed);
  const examples = [shownOn(made, someCode(made, seed + 1))];
  let learned = learnLamps(made.lamps, examples);
  while (learned.is === 'open' && examples.length < most) {
    const asked = learned.next !== null && made.texts.includes(learned.next) ? learned.next : null;
    const text = asked ?? made.texts.find((t) => !examples.some((e) => e.text === t)) ?? '';
    examples.push(shownOn(made, text));
    learned = learnLamps(made.lamps, examples);
  }
  const { way, written } = learned.is === 'found' ? learned : { way: null, written: [] };
  // how it is written below ten may be open still
  const texts = written.length > 1 ? made.texts.filter((t) => /[1-9]\d$/.test(t)) : made.texts;
  const isRight = way !== null && texts.every((t) => looksKey(looksOf(way, t)) === looksKey(looksOf(made.way, t)));
  return { learned, used: examples.length, made, isRight };
}
