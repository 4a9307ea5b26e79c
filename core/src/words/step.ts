import { assertNever } from '../base/result.ts';
import type { Span } from '../base/text.ts';
import { type CoachCard, coachCards, type HandAct } from '../gesture/coach.ts';
import type { Panel } from '../model/panel.ts';
import type { BranchOn, Retry, Step } from '../model/route.ts';
import { standingWords } from './names.ts';
import { momentWords, partName, placeName, shownWords } from './sign.ts';

const placeOf = (act: HandAct, panel: Panel): string =>
  act.place === null ? '' : placeName(panel, act.control, act.place);

const turns = (act: HandAct, way: string, panel: Panel): string =>
  `${act.times === 1 ? 'one full turn' : `${act.times} full turns`} ${way}${act.place === null ? '' : `, stop at ${placeOf(act, panel)}`}`;

const actName = (act: HandAct, panel: Panel): string =>
  act.control === 'any' ? 'any key' : act.control ? partName(panel, act.control) : '';

/** The big word of a card: what the hand does. */
export function actBig(act: HandAct, panel: Panel): string {
  switch (act.act) {
    case 'press':
      return act.times === 1 ? 'press' : `press ${act.times} times`;
    case 'hold':
      return act.place ? `hold ${placeOf(act, panel)}` : 'hold';
    case 'let-go':
      return 'let go';
    case 'set':
      return placeOf(act, panel);
    case 'turn-right':
      return `${act.times} right`;
    case 'turn-left':
      return `${act.times} left`;
    case 'sweep-right':
      return turns(act, 'right', panel);
    case 'sweep-left':
      return turns(act, 'left', panel);
    case 'confirm':
      return `wait for “${act.words ?? ''}”, then confirm`;
    case 'enter':
      return `enter ${act.words ?? ''}`;
    case 'do':
      return act.words ?? '';
    default:
      return assertNever(act.act);
  }
}

const seconds = (ms: number): string => `${ms / 1000} s`;

/** A span as people write it: what it usually is, and the bounds where they differ from it. */
export const spanWords = ({ leastMs, usualMs, mostMs }: Span): string =>
  leastMs === mostMs ? seconds(usualMs) : `${seconds(usualMs)} (${leastMs / 1000} to ${seconds(mostMs)})`;

/** What a branch asks, as a sentence begins. */
export function conditionWords(on: BranchOn, panel: Panel): string {
  switch (on.kind) {
    case 'sign':
      return `If ${shownWords([on.shown], panel)}`;
    case 'reads':
      return `If “${on.readout}” shows ${on.code.toUpperCase()}`;
    case 'nothing-done':
      return `If nothing is done within ${seconds(on.withinMs)}`;
    default:
      return assertNever(on);
  }
}

const watching: Readonly<Record<'must' | 'may' | 'must-not', string>> = {
  must: 'Now it must show',
  may: 'It may show',
  'must-not': 'It must not show',
};

/** What a card without a control is about. */
function withoutControl(step: Step, panel: Panel): string {
  switch (step.kind) {
    case 'rest':
      return 'Wait';
    case 'choose':
      return step.on === 'unit' ? 'On the screen, choose' : `On the instrument “${step.on}”, choose`;
    case 'at-place':
      return 'Go to';
    case 'say':
      return 'Know this';
    case 'branch':
      return `${conditionWords(step.on, panel)}:`;
    case 'dial':
      return 'Set';
    case 'release':
      return 'All that is held';
    case 'press':
    case 'hold':
    case 'keep':
    case 'turn':
    case 'sweep':
    case 'set':
    case 'do':
      return 'Do';
    case 'step-list':
    case 'together':
    case 'see':
    case 'group':
    case 'bypass':
      return '';
    default:
      return assertNever(step);
  }
}

/** Whether several controls are named, each with something of its own to do: then each act says whose it is. */
function isMixed({ step, acts }: CoachCard, panel: Panel): boolean {
  const controls = new Set(acts.map((a) => a.control)).size;
  if (controls < 2 || step.kind === 'together') return false;
  const isHeld = acts.every((a) => a.act === 'hold' || a.act === 'let-go');
  return !isHeld || acts.length > controls || new Set(acts.map((a) => actBig(a, panel))).size > 1;
}

/** What the card is about, in one line above the big words. */
export function cardLead(card: CoachCard, panel: Panel): string {
  if (card.watch.length > 0) return watching[card.must ?? 'must'];
  const controls = [...new Set(card.acts.map((a) => actName(a, panel)))].filter(Boolean);
  const since = card.windowFrom ? `${momentWords(card.windowFrom, panel)}: ` : '';
  // a hold ends at its moment and begins when one likes; what is let go of goes at it
  const letsGo = card.acts.every((a) => a.act === 'let-go');
  const until = card.holdUntil && letsGo ? `${momentWords(card.holdUntil, panel)}: ` : '';
  if (isMixed(card, panel)) return `${since}${until}In this order:`;
  return `${since}${until}${controls.join(' and ') || withoutControl(card.step, panel)}`;
}

/** The big words of a card: what the hand does, or what is to be seen. */
export function cardBig(card: CoachCard, panel: Panel): string {
  if (card.watch.length > 0) return shownWords(card.watch, panel);
  if (card.step.kind === 'rest') return spanWords(card.step.span);
  if (card.step.kind === 'branch') return stepsInLine(card.step.met, panel);
  if (card.step.kind === 'release' && card.acts.length === 0) return 'let go';
  if (card.step.kind === 'together')
    return 'press both at once'.replace('both', card.step.controls.length > 2 ? 'all' : 'both');
  if (isMixed(card, panel)) return card.acts.map((a) => `${actName(a, panel)} ${actBig(a, panel)}`.trim()).join(' · ');
  // what is held together is held, whoever is named for it
  const bigs = card.acts.map((a) => actBig(a, panel));
  return (new Set(card.acts.map((a) => a.control)).size > 1 ? bigs.slice(0, 1) : bigs).join(' · ');
}

/** What to do when a step or a route does not take. */
export const retryWords: Readonly<Record<Retry, string>> = {
  faster: 'do it faster',
  slower: 'do it slower',
  again: 'do it again',
  'reset-first': 'reset first',
  'check-supply': 'check the supply',
  'suspect-board': 'then suspect the board',
};

/** How long a hold lasts, where it lasts for a time. */
function holdOf(card: CoachCard): string[] {
  const { step } = card;
  if (card.holdMs === null) return [];
  const until = step.kind === 'hold' || step.kind === 'keep' ? step.until : undefined;
  const since = until?.kind === 'span' && until.from === 'power-on' ? ' from when the supply comes' : '';
  return [`for ${until?.kind === 'span' ? spanWords(until.span) : seconds(card.holdMs)}${since}`];
}

/** One thing that belongs to an act, beside what is done, and what it is of: a screen may show some as a clock or a count. */
export type CardDetail = Readonly<{
  of: 'part' | 'hold' | 'until' | 'entry' | 'past' | 'dial' | 'needs' | 'times' | 'window' | 'within' | 'keeping';
  words: string;
}>;

/** What else belongs to the act: how long, how often, in which time, up to where, with what. */
export function cardDetails(card: CoachCard, panel: Panel): CardDetail[] {
  const { step } = card;
  const details: CardDetail[] = [];
  const add = (of: CardDetail['of'], words: string): void => void details.push({ of, words });
  const letsGo = card.acts.every((a) => a.act === 'let-go');
  if (card.part) add('part', partWords(card.part));
  for (const words of holdOf(card)) add('hold', words);
  if (card.holdUntil && !letsGo) add('until', `let go ${lower(momentWords(card.holdUntil, panel))}`);
  if (step.kind === 'step-list') {
    add('entry', `${step.by === 'ramp' ? 'hold until' : 'to'} entry ${step.to}`);
    if (step.by === 'ramp' && step.repeats)
      add(
        'entry',
        `runs by itself after ${seconds(step.repeats.afterMs)}, an entry every ${seconds(step.repeats.everyMs)}`,
      );
    if (step.back) add('past', `went past it: back with ${partName(panel, step.back)}`);
    if (step.round) add('past', `past ${step.round.to} comes ${step.round.from} again`);
    if (step.overshoot) add('past', `past it: ${step.overshoot}`);
  }
  if (step.kind === 'together') add('within', `no more than ${seconds(step.withinMs)} apart`);
  if (step.kind === 'dial') add('dial', `from ${step.start} until it shows ${step.text}`);
  if (step.kind === 'choose' && step.needs) add('needs', `needs ${step.needs}`);
  if (card.times > 1) add('times', step.kind === 'group' ? `all of it ${card.times} times` : `${card.times} times`);
  if (card.windowMs !== null) add('window', `within ${seconds(card.windowMs)}`);
  if (card.withinMs !== null) add('within', `within ${seconds(card.withinMs)}`);
  if (card.keeping.length > 0 && !letsGo)
    add('keeping', `keep holding ${card.keeping.map((k) => partName(panel, k.control)).join(' and ')}`);
  return details;
}

/** Which way within this one it is, and which time it is gone. */
const partWords = ({ names, round }: NonNullable<CoachCard['part']>): string =>
  `in “${names.join(' › ')}”${round ? `, ${round.n} of ${round.of}` : ''}`;

const lower = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);

/** What is told beside a card, in the order it is wanted: with what, how it feels, why, what when it fails, how sure. */
export function cardNotes({ notes }: CoachCard): string[] {
  return [
    ...(notes.tools.length > 0 ? [`With: ${notes.tools.join(', ')}`] : []),
    ...notes.feelsLike,
    ...notes.why,
    ...notes.ifItFails.map((text) => `If it fails: ${text}`),
    ...(notes.retry.length > 0 ? [`If it does not take: ${notes.retry.map((r) => retryWords[r]).join(', ')}`] : []),
    ...notes.standings.map((s) => `How sure: ${standingWords[s]}`),
  ];
}

/** A card in one line: what it is about, what is done, and what belongs to that; some of this may be left out. */
export const cardLine = (card: CoachCard, panel: Panel, without: readonly CardDetail['of'][] = []): string =>
  [
    cardLead(card, panel),
    cardBig(card, panel),
    ...cardDetails(card, panel).flatMap((d) => (without.includes(d.of) ? [] : [d.words])),
  ]
    .filter(Boolean)
    .join(' ');

/** Steps in one line, as they are told where there is room for one card only. */
export const stepsInLine = (steps: readonly Step[], panel: Panel): string =>
  coachCards(steps)
    .map((card) => cardLine(card, panel))
    .join(', then ');
