import type { Step } from '../../model/route.ts';
import type { Shown } from '../../model/shown.ts';
import { meantKey } from '../answers.ts';
import { actOf, unitMs } from './lexicon.ts';
import { bias, weights } from './meant-learnt.ts';
import { type Called, mentionAt } from './mentions.ts';
import type { Hole, Made, Reader } from './reader.ts';
import { wordsOf } from './text.ts';

/** What was made, without its sentence. */
type MadeOf = Omit<Made, 'sentence'>;

/** What a step is about: a control, a sign, or nothing. */
function about(step: Step): readonly string[] {
  if (step.kind === 'group') return step.steps.flatMap(about);
  if (step.kind === 'hold' || step.kind === 'keep') return step.controls.map((c) => c.control);
  if (step.kind === 'release') return step.controls;
  if (step.kind === 'see') return step.signs.map((s) => s.sign);
  return 'control' in step ? [step.control] : [];
}

const shownAs = (shown: Shown): string => (shown.kind === 'text' ? 'text' : `${shown.kind} ${shown.state}`);

/** What kind of step it is, as far as that says how it is told. */
function kindOf(step: Step | undefined): string {
  if (!step) return 'none';
  if (step.kind === 'see') return `see ${step.signs.map(shownAs)[0] ?? ''}`;
  if (step.kind === 'group') return step.window ? 'within' : 'group';
  if (step.kind === 'hold') return `hold ${step.until.kind}`;
  return step.kind;
}

/** A word of what is told, or a name in it: of which control or sign, and where it stands. */
type Said = Readonly<{ from: number; to: number; as: string; id: string; isStop: boolean; isLarge: boolean }>;

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
function endedBy(said: readonly Said[], at: number): number {
  let [low, high] = [0, said.length];
  while (low < high) {
    const half = (low + high) >> 1;
    if ((said[half]?.to ?? 0) <= at) low = half + 1;
    else high = half;
  }
  return low;
}

const bucket = (n: number, ...ends: readonly number[]): string => {
  const i = ends.findIndex((end) => n < end);
  return i < 0 ? String(ends.length) : String(i);
};

const [mostBefore, mostBehind] = [8, 7];
/**
 * What speaks for or against a step being meant as it was read: the words it was made of and those around it, what was
 * made before and behind it, what stands already, what was not understood close by.
 */
export function cluesOf(
  made: readonly MadeOf[],
  i: number,
  all: readonly Said[],
  called: Called,
  holes: readonly Hole[],
): readonly string[] {
  const m = made[i];
  if (!m) return [];
  const { step } = m;
  const kind = kindOf(step);
  const own = new Set(about(step));
  const [begin, over] = [endedBy(all, m.from), endedBy(all, m.to)];
  // a name the stretch ends within belongs to it
  const end = (all[over]?.from ?? m.to) < m.to ? over + 1 : over;
  const lead = all.slice(Math.max(0, begin - mostBefore), begin);
  const tail = all.slice(end, end + mostBehind);
  const cut = lead.findLastIndex((w) => w.isStop);
  const stop = tail.findIndex((w) => w.isStop);
  const asOf = (some: readonly Said[]): string[] => some.map((w) => (own.has(w.id) ? 'OWN' : w.as));
  const before = asOf(lead.slice(cut + 1));
  const behind = asOf(stop < 0 ? tail : tail.slice(0, stop));
  const said = asOf(all.slice(begin, end));
  // `it really holds the heat`: a key that is written large elsewhere
  const named = all.slice(begin, end).find((w) => own.has(w.id));
  const mentions = all.filter((w) => own.has(w.id));
  const large = mentions.filter((w) => w.isLarge).length;
  const clues: string[] = [`k ${kind}`];
  const push = (...some: string[]): void => {
    clues.push(...some);
  };
  for (const w of before) push(`b ${w}`);
  for (const w of behind) push(`a ${w}`);
  for (const w of said) push(`s ${w}`);
  for (const w of new Set([...before, ...behind, ...said])) push(`w ${w}`, `${step.kind} ${w}`);
  push(`b2 ${before.at(-1) ?? '^'}`, `b3 ${before.at(-2) ?? '^'} ${before.at(-1) ?? '^'}`);
  push(`a2 ${behind[0] ?? '$'}`, `a3 ${behind[0] ?? '$'} ${behind[1] ?? '$'}`);
  push(`s1 ${said[0] ?? ''}`, `s9 ${said.at(-1) ?? ''}`, `ks1 ${kind} ${said[0] ?? ''}`);
  for (let k = 0; k + 1 < said.length; k += 1) push(`ss ${said[k]} ${said[k + 1]}`);
  const near = [...before.slice(-3), ...said, ...behind.slice(0, 3)];
  for (let k = 0; k + 1 < near.length; k += 1) push(`bi ${near[k]} ${near[k + 1]}`);
  push(`case ${step.kind} ${named?.isLarge ?? 'none'} ${bucket(large / Math.max(1, mentions.length), 0.01, 0.5, 1)}`);
  push(`len ${step.kind} ${bucket(said.length, 1, 2, 3, 4, 6, 10, 16)}`, `nb ${bucket(before.length, 1, 2, 4, 7)}`);
  push(`na ${bucket(behind.length, 1, 2, 4, 7)}`);
  push(`verb ${step.kind} ${said.some((w) => actOf.has(w))}`, `own ${step.kind} ${said.includes('OWN')}`);
  push(`stop ${stop < 0 ? '' : tail[stop]?.as}`, `begin ${cut < 0 ? '' : lead[cut]?.as} ${before.length}`);
  const last = made[i - 1];
  const next = made[i + 1];
  push(`p ${kindOf(last?.step)} ${kind}`, `n ${kind} ${kindOf(next?.step)}`);
  push(`pn ${kindOf(last?.step)} ${step.kind} ${kindOf(next?.step)}`);
  const gap = last ? m.from - last.to : 999;
  push(`gap ${step.kind} ${bucket(gap, 0, 1, 6, 20, 60, 150, 400)}`);
  push(`ahead ${step.kind} ${bucket(next ? next.from - m.to : 999, 0, 1, 6, 20, 60, 150, 400)}`);
  if (last && JSON.stringify(last.step) === JSON.stringify(step)) push(`same ${step.kind}`);
  const lately = made.slice(Math.max(0, i - 4), i).filter((x) => about(x.step).some((id) => own.has(id)));
  push(`lately ${step.kind} ${lately.map((x) => x.step.kind).at(-1) ?? ''}`);
  const soon = made.slice(i + 1, i + 4).find((x) => about(x.step).some((id) => own.has(id)));
  push(`soon ${step.kind} ${soon?.step.kind ?? ''}`);
  if (step.kind === 'set') {
    const control = called.facts.controls.get(step.control);
    const puts = made
      .slice(0, i)
      .flatMap(({ step: s }) => (s.kind === 'set' && s.control === step.control ? [s.to] : []));
    const stands = puts.at(-1) ?? control?.start ?? '';
    push(`stands ${stands === step.to}`, `puts ${puts.length}`, `look ${control?.control.look} ${step.to}`);
    push(`look ${control?.control.look}`, `to ${step.to}`, `power ${control?.powersAt.has(step.to) ?? false}`);
    push(`supply ${(control?.powersAt.size ?? 0) > 0} ${puts.length}`);
  }
  if (step.kind === 'press') push(`times ${bucket(step.times, 2, 3, 4, 6)}`);
  if (step.kind === 'see' && step.signs[0]?.kind === 'text') {
    const { text: shows } = step.signs[0];
    push(`shows ${/^[\d.]+$/.test(shows) ? 'number' : /^[A-Z]+$/.test(shows) ? 'capitals' : 'other'} ${shows.length}`);
  }
  if (step.kind === 'rest') push(`rest ${bucket(step.span.usualMs, 5000, 11_000, 31_000, 61_000, 301_000)}`);
  const hole = holes
    .map((h) => ({ h, far: h.from > m.to ? h.from - m.to : m.from > h.to ? m.from - h.to : 0 }))
    .sort((x, y) => x.far - y.far)[0];
  push(hole && hole.far < 60 ? `hole ${hole.h.why} ${bucket(hole.far, 3, 20)}` : 'hole none');
  push(`hole ${step.kind} ${hole && hole.far < 30 ? hole.h.why : ''}`);
  return [...new Set(clues)];
}

let learnt: Readonly<Record<string, number>> | null = null;
/** How much speaks against a step being meant, as the logarithm of the odds. */
function oddsAgainst(clues: readonly string[]): number {
  learnt ??= JSON.parse(weights) as Readonly<Record<string, number>>;
  let sum = bias;
  for (const clue of clues) sum += learnt[clue] ?? 0;
  return sum / 100;
}

/** From which odds on it is asked whether a step is done, and from how many steps on: a sentence or two say too little. */
const [askedFrom, leastSteps] = [-0.3, 8];
/** What has words of its own for what it is was found by those: codes dialled, numbers gone up to, entries of menus, rows of keys in so many seconds. */
const asksOf = new Set<Step['kind']>(['press', 'hold', 'keep', 'release', 'set', 'rest', 'see']);

/**
 * `Plus = older, Minus = newer` reads as a key that is pressed: what looks as what was read and not meant looked in earlier
 * tellings is asked about. It stays out of the steps, in its place, until somebody says that it is done.
 */
export function askWhetherMeant(r: Reader, text: string): void {
  if (r.made.length < leastSteps) return;
  const all = saidIn(text, r.called);
  const seems = new Set(
    r.made.filter(
      (m, i) => asksOf.has(m.step.kind) && oddsAgainst(cluesOf(r.made, i, all, r.called, r.holes)) > askedFrom,
    ),
  );
  // what is let go of was held: asked only where the hand that comes off is
  const doubted = r.made.filter((m, i) => {
    if (!seems.has(m) || m.step.kind !== 'hold' || m.step.until.kind !== 'release') return seems.has(m);
    const ids = m.step.controls.map((c) => c.control);
    const off = r.made
      .slice(i + 1)
      .find((x) => x.step.kind === 'release' && x.step.controls.some((id) => ids.includes(id)));
    return off === undefined || seems.has(off);
  });
  const open = new Set<Made>();
  for (const m of doubted) {
    const { from, to, step } = m;
    const asked = { is: 'meant', phrase: text.slice(from, to).replace(/\s+/g, ' ').trim(), step } as const;
    if (r.answers.meant?.includes(meantKey(asked))) continue;
    open.add(m);
    r.ask(asked, 'is it done, or only told?', { from, to });
    r.holes.push({ from, to, why: 'not-understood' });
  }
  // asked in its place, and not where it was said once more: so nothing is put there instead
  r.made.splice(0, r.made.length, ...r.made.filter((m) => !open.has(m)));
}
