import {
  type Candidate,
  type Code,
  type Look,
  type Parts,
  type Readout,
  type Stage,
  specialWords,
} from '@wire-trail/core';
import { Attempts } from '../../../../parts/attempts/Attempts.tsx';
import { TabRow } from '../../../../parts/tabs/TabRow.tsx';

/** The sum as it is done in the head: weights of the lit lamps, the unsure one as a question. */
export function sumOf(stage: Stage, look: Look | undefined, nameOf: (id: string) => string): string | null {
  if (stage.reads.kind !== 'lamps' || look?.kind !== 'lamps') return null;
  const { lamps, onIs } = stage.reads;
  const terms = lamps.flatMap((lamp) => {
    const seen = look.lamps[lamp.sign];
    const term = lamp.weight === undefined ? nameOf(lamp.sign) : String(lamp.weight);
    return seen === onIs ? [term] : seen === 'unsure' || seen === 'dim' ? ['?'] : [];
  });
  if (terms.length === 0) return '0';
  const isKnown = !terms.includes('?') && lamps.every((l) => l.weight !== undefined);
  return `${terms.join(' + ')}${isKnown && terms.length > 1 ? ` = ${terms.reduce((sum, t) => sum + Number(t), 0)}` : ''}`;
}

const comesWords = (stage: Stage, first: boolean): string => {
  switch (stage.comes.kind) {
    case 'colour':
      return `while they are ${stage.comes.colour}`;
    case 'alternates':
      return 'in turn';
    case 'route':
      return 'after the next step';
    case 'sign':
      return stage.comes.shown.kind === 'lamp' && stage.comes.shown.state === 'dark'
        ? 'without the marker lamp'
        : 'with the marker lamp';
    case 'at-once':
      return first ? 'first' : 'beside it';
  }
};

type TabsProps = Readonly<{
  readout: Readout;
  looks: readonly Look[];
  parts: Parts;
  index: number;
  onPick: (index: number) => void;
  nameOf: (id: string) => string;
}>;

/** One tab for each thing the readout shows in turn, with what was made of it so far. */
export function StageTabs({ readout, looks, parts, index, onPick, nameOf }: TabsProps) {
  if (readout.stages.length < 2) return null;
  return (
    <TabRow
      even
      name="what shows in turn"
      value={index}
      onPick={onPick}
      tabs={readout.stages.map((stage, i) => {
        const look = looks.findLast((l) => l.stage === stage.id);
        const literal = parts.get(stage.id);
        return {
          value: i,
          label: (
            <span>
              <span className="soft small">{comesWords(stage, i === 0)} </span>
              <br />
              {stage.label}
              {literal !== undefined ? `: ${literal}` : look ? ': reading' : ''}{' '}
              <span className="mono soft">{sumOf(stage, look, nameOf)}</span>
            </span>
          ),
        };
      })}
    />
  );
}

/** What the code is called and what the control saw; for a sign that is no code, what it means. */
export function CodeWords({
  candidate,
  codes,
  readout,
  generic,
}: {
  candidate: Candidate;
  codes: readonly Code[];
  readout: Readout;
  /** What an unlisted pair means in general. */
  generic: string | null;
}) {
  const special = readout.specials.find((s) => s.id === candidate.code);
  const code = codes.find((c) => c.text === candidate.code);
  const words = special
    ? specialWords[special.means]
    : candidate.kind === 'unlisted'
      ? 'not in the table'
      : code?.title;
  return (
    <div className="soft">
      <strong>{words}</strong>
      {code && <p className="soft small">{code.saw}</p>}
      {!code && generic && <p className="soft small">In general: {generic}</p>}
      {code?.detection.attempt && <Attempts detection={code.detection} />}
      {code?.decoy && <p className="tag">a misleading code: it shows for every fault</p>}
    </div>
  );
}
