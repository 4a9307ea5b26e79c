import { unitMs } from './lexicon.ts';
import { type Called, mentionAt } from './mentions.ts';
import { bucket } from './odds.ts';
import { wordsOf } from './text.ts';

/** A word of what is told, or a name in it: of which control or sign, and where it stands. */
export type Said = Readonly<{ from: number; to: number; as: string; id: string; isStop: boolean; isLarge: boolean }>;

/** All that is told, word by word, what it names of the unit as one. */
export function saidIn(text: string, called: Called): readonly Said[] {
  const words = wordsOf(text);
  const said: Said[] = [];
  for (let i = 0; i < words.length; ) {
    const w = words[i];
    if (!w) break;
    const control = mentionAt(words, i, called.controls);
    const sign = control ? null : mentionAt(words, i, called.signs);
    const length = control?.length ?? sign?.length ?? 1;
    const own = w.value !== null ? 'NUMBER' : w.word in unitMs ? 'UNIT' : w.word;
    said.push({
      from: w.from,
      to: words[i + length - 1]?.to ?? w.to,
      as: control ? 'CONTROL' : sign ? 'SIGN' : own,
      id: control?.of.control.id ?? sign?.of.id ?? '',
      isLarge: /^\p{Lu}/u.test(w.raw),
      isStop: /^[.!?\n;…]$/.test(w.raw),
    });
    i += length;
  }
  return said;
}

/** The place of the first that ends behind a place in the text. */
export function endedBy(all: readonly Said[], at: number): number {
  let [low, high] = [0, all.length];
  while (low < high) {
    const half = (low + high) >> 1;
    if ((all[half]?.to ?? 0) <= at) low = half + 1;
    else high = half;
  }
  return low;
}

const [mostBefore, mostBehind] = [8, 7];
/** What stands round some words as far as their sentence goes, what is named by an own name as that, and the clues it gives. */
export function roundAbout(
  all: readonly Said[],
  begin: number,
  end: number,
  own: ReadonlySet<string>,
): Readonly<{
  before: readonly string[];
  said: readonly string[];
  behind: readonly string[];
  clues: readonly string[];
}> {
  const lead = all.slice(Math.max(0, begin - mostBefore), begin);
  const tail = all.slice(end, end + mostBehind);
  const cut = lead.findLastIndex((w) => w.isStop);
  const stop = tail.findIndex((w) => w.isStop);
  const asOf = (some: readonly Said[]): string[] => some.map((w) => (own.has(w.id) ? 'OWN' : w.as));
  const before = asOf(lead.slice(cut + 1));
  const behind = asOf(stop < 0 ? tail : tail.slice(0, stop));
  const said = asOf(all.slice(begin, end));
  const clues: string[] = [];
  for (const w of before) clues.push(`b ${w}`);
  for (const w of behind) clues.push(`a ${w}`);
  clues.push(`b2 ${before.at(-1) ?? '^'}`, `b3 ${before.at(-2) ?? '^'} ${before.at(-1) ?? '^'}`);
  clues.push(`a2 ${behind[0] ?? '$'}`, `a3 ${behind[0] ?? '$'} ${behind[1] ?? '$'}`);
  const near = [...before.slice(-3), ...said, ...behind.slice(0, 3)];
  for (let k = 0; k + 1 < near.length; k += 1) clues.push(`bi ${near[k]} ${near[k + 1]}`);
  clues.push(`nb ${bucket(before.length, 1, 2, 4, 7)}`, `na ${bucket(behind.length, 1, 2, 4, 7)}`);
  clues.push(`stop ${stop < 0 ? '' : tail[stop]?.as}`, `begin ${cut < 0 ? '' : lead[cut]?.as} ${before.length}`);
  return { before, said, behind, clues };
}

/** How a name is written here and how it is elsewhere: `it really holds the heat` is no key that is written large elsewhere. */
export function writtenAs(all: readonly Said[], named: Said | undefined, own: ReadonlySet<string>): string {
  const mentions = all.filter((w) => own.has(w.id));
  const large = mentions.filter((w) => w.isLarge).length;
  return `${named?.isLarge ?? 'none'} ${bucket(large / Math.max(1, mentions.length), 0.01, 0.5, 1)}`;
}
