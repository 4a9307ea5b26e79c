import Button from '@mui/material/Button';
import {
  type Answers,
  meantKey,
  type Panel,
  picksFor,
  printStep,
  type Step,
  stepsInLine,
  type Told,
  type UnitFacts,
} from '@wire-trail/core';
import type { Choice } from './rows.ts';

type Asked = NonNullable<Told['doubts'][number]['asked']>;
export type Answer = (asked: Asked, to: string) => void;

type PicksProps = Readonly<{ asked: Asked; facts: UnitFacts; panel: Panel | undefined; onAnswer: Answer }>;

/** What decides a doubt, one press each; the answer holds for all that is alike. */
export function Picks({ asked, facts, panel, onAnswer }: PicksProps) {
  const picks =
    asked.is === 'way'
      ? [
          ['cw', 'right'],
          ['ccw', 'left'],
        ]
      : asked.is === 'unit'
        ? [
            ['clicks', 'clicks'],
            ['turns', 'whole turns'],
          ]
        : asked.is === 'meant'
          ? [['done', `A step: ${stepWords(asked.step, panel)}`]]
          : picksFor(asked, facts).map((c) => [c.control.id as string, c.control.label]);
  return (
    <span className="row">
      {picks.map(([to = '', label]) => (
        <Button key={to} onClick={() => onAnswer(asked, to)}>
          {label}
        </Button>
      ))}
    </span>
  );
}

/** An answer put to those given already. */
export function answered(answers: Answers, asked: Asked, to: string): Answers {
  if (asked.is === 'way') return { ...answers, ways: { ...answers.ways, [asked.control]: to === 'cw' ? 'cw' : 'ccw' } };
  if (asked.is === 'unit')
    return { ...answers, units: { ...answers.units, [asked.control]: to === 'turns' ? 'turns' : 'clicks' } };
  if (asked.is === 'one') return { ...answers, ones: { ...answers.ones, [asked.phrase]: to } };
  if (asked.is === 'meant') return { ...answers, meant: [...(answers.meant ?? []), meantKey(asked)] };
  return { ...answers, names: { ...answers.names, [asked.phrase]: to } };
}

/** A step in the words it will be told in; as the script has it, where no card tells it. */
export const stepWords = (step: Step, panel: Panel | undefined): string =>
  (panel && stepsInLine([step], panel)) || printStep(step);

type Props = Readonly<{
  told: Told;
  panel: Panel | undefined;
  choices: ReadonlyMap<number, Choice>;
  /** By where in the text the summing-up says so. */
  onChoose: (at: number, choice: Choice) => void;
}>;

/** Where the telling sums up otherwise than it told: both as they stand, and which of them holds. */
export function SaidTwice({ told, panel, choices, onChoose }: Props) {
  return told.contradictions.map((c) => {
    const choice = choices.get(c.from);
    const pick = (to: Choice, label: string) => (
      <Button
        variant={choice === to ? 'contained' : 'outlined'}
        aria-pressed={choice === to}
        onClick={() => onChoose(c.from, to)}
      >
        {label}
      </Button>
    );
    return (
      <section
        key={c.from}
        className={`note ${choice === undefined ? 'bad' : ''}`}
        aria-label="said twice, differently"
      >
        <p>
          <strong>Said twice, differently ({c.about.replace('-', ' ')}):</strong> summed up as “{c.said}”; the steps say{' '}
          {c.before ? `“${stepWords(c.before, panel)}”` : 'nothing of it'}.
        </p>
        <div className="row">
          {pick('steps', 'As the steps say')}
          {c.instead && pick('summary', 'As summed up')}
          {pick('open', 'Leave open')}
        </div>
      </section>
    );
  });
}
