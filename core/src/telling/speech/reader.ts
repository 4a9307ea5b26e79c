import type { ControlId, PlaceId } from '../../base/ids.ts';
import { exactly } from '../../base/text.ts';
import type { Sign } from '../../model/panel.ts';
import type { Moment, Step } from '../../model/route.ts';
import type { Shown } from '../../model/shown.ts';
import type { ControlFacts } from '../../unit/facts.ts';
import { type Answers, type Asked, noAnswers } from '../answers.ts';
import type { Item, Light } from './item.ts';
import type { Called } from './mentions.ts';
import type { Segment } from './segments.ts';

/** A step with the stretch of the telling it was made of. */
export type Made = Readonly<{ step: Step; from: number; to: number; sentence: number }>;
/** A stretch that names something of the unit and of which nothing was made. */
export type Hole = Readonly<{ from: number; to: number; why: 'warned' | 'asked' | 'not-understood' }>;
export type Doubt = Readonly<{ from: number; to: number; about: string; asked?: Asked }>;

export type ItemOf<K extends Item['is']> = Extract<Item, { is: K }>;
export const isOf =
  <K extends Item['is']>(...kinds: K[]) =>
  (item: Item): item is ItemOf<K> =>
    (kinds as string[]).includes(item.is);

export const spanOf = ({ ms, mostMs }: Readonly<{ ms: number; mostMs: number }>) =>
  ms === mostMs
    ? exactly(ms)
    : { leastMs: Math.min(ms, mostMs), usualMs: (ms + mostMs) / 2, mostMs: Math.max(ms, mostMs) };

export const isPush = (own: ControlFacts): boolean => own.mechanism.kind === 'push';

/** What a reader of a telling has made so far, and what it remembers of what was named, held and counted. */
export class Reader {
  readonly made: Made[] = [];
  readonly holes: Hole[] = [];
  readonly doubts: Doubt[] = [];
  readonly called: Called;
  /** Told how far it has come, by the place in the text. */
  comesTo: ((at: number) => void) | null = null;
  /** What “it” and “both” go back to. */
  last: ControlFacts[] = [];
  held: ControlFacts[] = [];
  mode: 'press' | 'hold' | 'turn' | null = null;
  sentence = -1;
  skipping: number | null = null;
  window: { mostMs: number; from: Moment; at: number; sentence: number } | null = null;
  lastSign: Shown | null = null;
  pending: Sign[] = [];
  /** Whether what is pending was named all at once: `the lamps`. */
  pendingAll = false;
  far = false;
  listed = false;
  muted = false;
  /** Whether what is told now is a list of what does nothing. */
  listsUseless = false;
  /** Whether it is said later what does work. */
  saysWhatWorks = false;
  /** Whether a stretch says how something has to stand before one begins; where such stretches are. */
  isBeforehand = false;
  readonly beforehand = new Set<number>();
  /** Since when it is told what is read and what it means; what shows then is no step. */
  reading = false;
  /** What is told behind a stretch in the same sentence. */
  ahead: readonly Segment[] = [];
  /** What the sentence said before it. */
  saidBefore = '';
  /** The keys characters were put in with just now: what they do is told, not done once more. */
  entered: Readonly<{ sentence: number; keys: readonly ControlId[] }> | null = null;
  /** In which sentence it was asked how often something sounds or shows. */
  askedHow = -9;
  /** In which sentence it was asked what is done if something shows: the answer is done only then. */
  askedIf = -9;
  /** In which sentence whoever is told read out codes. */
  heardCodes = -9;
  /** In which sentence it was told what others do, or what was done before. */
  heardIn = -9;
  /** In which sentence something was said to be wrong or too slow. */
  wrongIn = -9;
  /** All that is told, for whether something is said once more. */
  whole = '';
  /** Where another begins to speak. */
  turnsAt: readonly number[] = [];
  /** Where figures of a list stand. */
  marks: ReadonlySet<number> = new Set();
  menuAt: number | null = null;
  /** Which way was said for clicks that are told behind it. */
  wayIn: Readonly<{ way: 'cw' | 'ccw'; sentence: number }> | null = null;
  /** The lamps a question was about: what is answered is of them. */
  askedOf: readonly Sign[] = [];
  /** In which sentence that was. */
  askedIn = -9;
  /** In which sentence it was asked how something stands. */
  askedPlace = -9;
  measured: ReadonlySet<number> = new Set();
  leftAlone: ReadonlySet<number> = new Set();
  chosen: ReadonlySet<string> = new Set();
  chosenIn = -1;
  chosenAt = -1;
  refused = -1;
  waiting = -1;
  /** Whether more is done later in the same sentence. */
  actsAhead = false;
  /** Whether it is told without stops, as captions are. */
  flows = false;
  /** Which time of a sign was named just now, for what is done at it. */
  nth: Readonly<{ n: number; sentence: number }> | null = null;
  /** What is told first and done last, and how much was made before it. */
  later: Readonly<{
    own: ControlFacts;
    to: PlaceId;
    at: Readonly<{ from: number; to: number }>;
    sentence: number;
    made: number;
  }> | null = null;
  pressedIn = -1;
  /** In which sentence two keys were named as a pair. */
  pairIn = -1;
  both = false;
  /** In which sentence a key was said to lead on to the next of what is stored. */
  ledIn = -1;
  timed: ControlFacts[] = [];
  readonly places = new Map<ControlId, PlaceId>();
  /** What was said to be put where it stood already. */
  readonly putAgain: Array<Readonly<{ own: ControlFacts; to: PlaceId; from: number; end: number }>> = [];
  branch: { on: Shown; from: number; at: number; otherwise: number | null; sentence: number } | null = null;

  readonly answers: Answers;

  constructor(called: Called, answers: Answers = noAnswers) {
    this.called = called;
    this.answers = answers;
  }

  /** What stays open until somebody answers: told once for all that is alike. */
  ask(asked: Asked, about: string, at: Readonly<{ from: number; to: number }>): void {
    this.doubts.push({ from: at.from, to: at.to, about, asked });
  }

  /**
   * Takes out of what was made all that turned out to be told only. Where something was not put to a place once more as it
   * stood there by what is taken out, it is put there now.
   */
  drop(beside: ReadonlySet<Made>): void {
    if (beside.size === 0) return;
    this.made.splice(0, this.made.length, ...this.made.filter((m) => !beside.has(m)));
    for (const m of beside)
      for (const step of setsWithin(m.step)) {
        const again = this.putAgain.find((p) => p.own.control.id === step.control && p.to === step.to && p.from > m.to);
        const behind = again ? this.made.findIndex((x) => x.from > again.from) : -1;
        const place = behind < 0 ? this.made.length : behind;
        const last = this.made
          .slice(0, place)
          .flatMap((x) => setsWithin(x.step))
          .findLast((s) => s.control === step.control);
        if (!again || last?.to === step.to) continue;
        const sentence = this.made[place - 1]?.sentence ?? 0;
        this.made.splice(place, 0, { step, from: again.from, to: again.end, sentence });
      }
  }

  /** Whether something was made of any of a stretch. */
  isRead({ from, to }: Readonly<{ from: number; to: number }>): boolean {
    return this.made.some((m) => m.from < to && m.to > from);
  }

  /** Puts a step that was found once all was read where it was told. */
  insert(step: Step, at: Readonly<{ from: number; to: number }>): void {
    const behind = this.made.findIndex((m) => m.from > at.from);
    const index = behind < 0 ? this.made.length : behind;
    const sentence = this.made[index - 1]?.sentence ?? 0;
    this.made.splice(index, 0, { step, from: at.from, to: at.to, sentence });
  }

  put(step: Step, at: Readonly<{ from: number; to: number }>): void {
    // nothing is turned by none
    if (step.kind === 'turn' && step.clicks === 0) return;
    if (isAct(step)) this.reading = false;
    const made: Made = { step, from: at.from, to: at.to, sentence: this.sentence };
    const last = this.made.at(-1);
    // `the clutch pedal can go up`: let go of, it is there by itself
    const isBack =
      step.kind === 'set' &&
      last?.step.kind === 'release' &&
      last.sentence === this.sentence &&
      last.step.controls.join() === step.control;
    if (isBack) return;
    // `press A and B together. Hold them for three seconds`: the same press
    const isSame =
      step.kind === 'hold' &&
      last?.step.kind === 'together' &&
      last.step.times === 1 &&
      this.sentence - last.sentence <= 1 &&
      last.step.controls.join() === step.controls.map((c) => c.control).join();
    if (isSame && last) this.made.splice(-1, 1, { ...made, from: last.from });
    if (isSame) return;
    // `after waiting a minute it is switched on`: the wait was told first
    const isEarlier = step.kind === 'rest' && last?.sentence === this.sentence && last.from > at.from;
    this.made.splice(isEarlier ? -1 : this.made.length, 0, made);
  }
}

/** What a step puts somewhere, in a group or a branch as well. */
export const setsWithin = (step: Step): ReadonlyArray<Extract<Step, { kind: 'set' }>> =>
  step.kind === 'set'
    ? [step]
    : step.kind === 'group'
      ? step.steps.flatMap(setsWithin)
      : step.kind === 'branch'
        ? [...step.met, ...step.otherwise].flatMap(setsWithin)
        : [];

export const lampState = (light: Light) => (light === 'blinks' ? 'fast' : light);
export const withoutTimes = (shown: Shown): Shown => {
  if (shown.kind !== 'sound') return shown;
  const { times: _, ...rest } = shown;
  return rest;
};
export const isAct = (step: Step): boolean =>
  step.kind !== 'see' && step.kind !== 'say' && step.kind !== 'at-place' && step.kind !== 'rest';
