import type { Step } from '../../model/route.ts';
import type { Shown } from '../../model/shown.ts';
import { controlsOf } from '../../model/steps.ts';
import { type MadeOf, standingClues } from './how-it-stands.ts';
import { actOf } from './lexicon.ts';
import type { Called } from './mentions.ts';
import { namedClues, oddsOfDone } from './named-done.ts';
import { bucket } from './odds.ts';
import type { Hole } from './reader.ts';
import { endedBy, roundAbout, type Said, writtenAs } from './round-about.ts';

/** What a step is about: a control, a sign, or nothing. */
export function about(step: Step): readonly string[] {
  if (step.kind === 'group') return step.steps.flatMap(about);
  if (step.kind === 'see') return step.signs.map((s) => s.sign);
  return controlsOf(step);
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

/** Names of what a step is about in the words it was made of, by their places among all that is told. */
export function namedIn({ step, from, to }: MadeOf, all: readonly Said[]): readonly number[] {
  const own = new Set(about(step));
  const found: number[] = [];
  for (let i = endedBy(all, from - 2); i < all.length && (all[i]?.to ?? 0) <= to + 2; i += 1)
    if (own.has(all[i]?.id ?? '') && (all[i]?.from ?? 0) >= from - 2) found.push(i);
  return found;
}

/** How much speaks for a name being worked or seen where it stands: what was learnt, unless it is being learnt. */
export type OddsOfName = (i: number) => number;
const learntFor =
  (all: readonly Said[], called: Called): OddsOfName =>
  (i) =>
    oddsOfDone(namedClues(all, i, called));

const ends = [-3, -2, -1, 0, 1, 2, 3, 4] as const;
function nameClues(m: MadeOf, all: readonly Said[], oddsOf: OddsOfName): readonly string[] {
  const odds = namedIn(m, all).map(oddsOf);
  if (odds.length === 0) return ['not named'];
  const [least, most] = [bucket(Math.min(...odds), ...ends), bucket(Math.max(...odds), ...ends)];
  return [`named ${most}`, `named ${m.step.kind} ${most}`, `least ${least}`];
}

/**
 * What speaks for or against each step being meant as it was read: the words it was made of and those around it, whether
 * what it names is named as something done, what was made before and behind it, how all stands, what was not understood.
 */
export function meantClues(
  made: readonly MadeOf[],
  all: readonly Said[],
  called: Called,
  holes: readonly Hole[],
  oddsOf: OddsOfName = learntFor(all, called),
): ReadonlyArray<readonly string[]> {
  const standing = standingClues(made, called);
  return made.map((m, i) => [
    ...new Set([
      ...saidClues(m, all, called),
      ...nameClues(m, all, oddsOf),
      ...amongClues(made, i),
      ...(standing[i] ?? []),
      ...holeClues(m, holes),
      `place ${m.step.kind} ${Math.floor((5 * i) / made.length)}`,
      `of ${bucket(made.length, 8, 14, 20, 28)}`,
      `holes ${bucket(holes.length, 1, 2, 4, 7)}`,
      `holed ${bucket(holes.length / made.length, 0.05, 0.1, 0.2, 0.4)}`,
    ]),
  ]);
}

/** By the words a step was made of and those around it. */
function saidClues({ step, from, to }: MadeOf, all: readonly Said[], called: Called): readonly string[] {
  const kind = kindOf(step);
  const own = new Set(about(step));
  const [begin, over] = [endedBy(all, from), endedBy(all, to)];
  // a name the stretch ends within belongs to it
  const end = (all[over]?.from ?? to) < to ? over + 1 : over;
  const { before, said, behind, clues } = roundAbout(all, begin, end, own);
  const named = all.slice(begin, end).find((w) => own.has(w.id));
  const more: string[] = [`k ${kind}`];
  for (const w of said) more.push(`s ${w}`);
  for (const w of new Set([...before, ...behind, ...said])) more.push(`w ${w}`, `${step.kind} ${w}`);
  more.push(`s1 ${said[0] ?? ''}`, `s9 ${said.at(-1) ?? ''}`, `ks1 ${kind} ${said[0] ?? ''}`);
  for (let k = 0; k + 1 < said.length; k += 1) more.push(`ss ${said[k]} ${said[k + 1]}`);
  more.push(`case ${step.kind} ${writtenAs(all, named, own)}`);
  more.push(`len ${step.kind} ${bucket(said.length, 1, 2, 3, 4, 6, 10, 16)}`);
  more.push(`verb ${step.kind} ${said.some((w) => actOf.has(w))}`, `own ${step.kind} ${said.includes('OWN')}`);
  if (step.kind === 'set') {
    const look = called.facts.controls.get(step.control)?.control.look;
    more.push(`look ${look} ${step.to}`, `look ${look}`, `to ${step.to}`);
  }
  if (step.kind === 'press') more.push(`times ${bucket(step.times, 2, 3, 4, 6)}`);
  if (step.kind === 'see' && step.signs[0]?.kind === 'text') {
    const { text: shows } = step.signs[0];
    more.push(
      `shows ${/^[\d.]+$/.test(shows) ? 'number' : /^[A-Z]+$/.test(shows) ? 'capitals' : 'other'} ${shows.length}`,
    );
  }
  if (step.kind === 'rest') more.push(`rest ${bucket(step.span.usualMs, 5000, 11_000, 31_000, 61_000, 301_000)}`);
  return [...clues, ...more];
}

const gaps = [0, 1, 6, 20, 60, 150, 400] as const;
/** By what was made before and behind a step. */
function amongClues(made: readonly MadeOf[], i: number): readonly string[] {
  const m = made[i];
  if (!m) return [];
  const { step } = m;
  const [kind, last, next] = [kindOf(step), made[i - 1], made[i + 1]];
  const own = new Set(about(step));
  const isOfSame = (x: MadeOf): boolean => about(x.step).some((id) => own.has(id));
  const lately = made.slice(Math.max(0, i - 4), i).filter(isOfSame);
  const soon = made.slice(i + 1, i + 4).find(isOfSame);
  return [
    `p ${kindOf(last?.step)} ${kind}`,
    `n ${kind} ${kindOf(next?.step)}`,
    `pn ${kindOf(last?.step)} ${step.kind} ${kindOf(next?.step)}`,
    `gap ${step.kind} ${bucket(last ? m.from - last.to : 999, ...gaps)}`,
    `ahead ${step.kind} ${bucket(next ? next.from - m.to : 999, ...gaps)}`,
    ...(last && JSON.stringify(last.step) === JSON.stringify(step) ? [`same ${step.kind}`] : []),
    `lately ${step.kind} ${lately.map((x) => x.step.kind).at(-1) ?? ''}`,
    `soon ${step.kind} ${soon?.step.kind ?? ''}`,
  ];
}

/** By what was not understood close by. */
function holeClues({ step, from, to }: MadeOf, holes: readonly Hole[]): readonly string[] {
  const [nearest] = holes
    .map((h) => ({ h, far: h.from > to ? h.from - to : from > h.to ? from - h.to : 0 }))
    .sort((x, y) => x.far - y.far);
  const isNear = nearest && nearest.far < 60;
  return [
    isNear ? `hole ${nearest.h.why} ${bucket(nearest.far, 3, 20)}` : 'hole none',
    `hole ${step.kind} ${nearest && nearest.far < 30 ? nearest.h.why : ''}`,
  ];
}
