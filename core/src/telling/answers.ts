import type { ControlId } from '../base/ids.ts';
import type { Step } from '../model/route.ts';
import { printStep } from '../script/print.ts';
import type { ControlFacts, UnitFacts } from '../unit/facts.ts';

/** What decides a doubt: which way a knob goes, whether by clicks or whole turns, which control “that one” is, what somebody calls a control, whether something is done or only told. */
export type Asked =
  | Readonly<{ is: 'way'; control: ControlId }>
  | Readonly<{ is: 'unit'; control: ControlId }>
  | Readonly<{ is: 'one'; phrase: string; does: 'press' | 'hold' | 'set' }>
  | Readonly<{ is: 'name'; phrase: string; does: 'press' | 'hold' | 'set' }>
  | Readonly<{ is: 'meant'; phrase: string; step: Step }>;

/** What was answered; one answer settles all that is alike in a telling. Names and phrases in small letters. */
export type Answers = Readonly<{
  ways: Readonly<Record<string, 'cw' | 'ccw'>>;
  /** Whether a knob that is turned “three times” goes three clicks or three turns. */
  units?: Readonly<Record<string, 'clicks' | 'turns'>>;
  ones: Readonly<Record<string, string>>;
  names: Readonly<Record<string, string>>;
  /** What is done of what may only be told: each with the step it was read as. */
  meant?: readonly string[];
}>;
export const noAnswers: Answers = { ways: {}, ones: {}, names: {} };

/** What is answered once for all that is told and was read alike: the words and the step. */
export const meantKey = ({ phrase, step }: Readonly<{ phrase: string; step: Step }>): string =>
  `${phrase.toLowerCase()}: ${printStep(step).trim()}`;

/** The facts of a unit with what somebody calls its controls as further names of them. */
export function withNames(facts: UnitFacts, names: Answers['names']): UnitFacts {
  const by = new Map<string, string[]>();
  for (const [name, id] of Object.entries(names)) by.set(id, [...(by.get(id) ?? []), name]);
  if (by.size === 0) return facts;
  const called = (own: ControlFacts): ControlFacts => {
    const more = by.get(own.control.id);
    return more
      ? { ...own, control: { ...own.control, alsoCalled: [...(own.control.alsoCalled ?? []), ...more] } }
      : own;
  };
  const controls = new Map([...facts.controls].map(([id, own]) => [id, called(own)] as const));
  return { ...facts, controls, supply: facts.supply.map((own) => controls.get(own.control.id) ?? own) };
}

/** The controls a doubt may be about, those that can be done so first; ways for a knob. */
export function picksFor(asked: Asked, facts: UnitFacts): readonly ControlFacts[] {
  if (asked.is === 'way' || asked.is === 'unit' || asked.is === 'meant') return [];
  const fits = (own: ControlFacts): boolean =>
    asked.does === 'set'
      ? own.mechanism.kind !== 'push'
      : own.mechanism.kind === 'push' || (asked.does === 'hold' && own.springs.size > 0);
  const all = [...facts.controls.values()];
  const able = all.filter(fits);
  return able.length > 0 ? able : all;
}

/** Steps with one of them put right, wherever it stands in them. */
export const putRight = (steps: readonly Step[], before: Step, instead: Step): Step[] =>
  steps.map((step): Step => {
    if (step === before || JSON.stringify(step) === JSON.stringify(before)) return instead;
    if (step.kind === 'group') return { ...step, steps: putRight(step.steps, before, instead) };
    if (step.kind === 'keep') return { ...step, during: putRight(step.during, before, instead) };
    return step;
  });
