import Button from '@mui/material/Button';
import type { Entry, EntryKey, Panel, Told, UnitFacts } from '@wire-trail/core';
import { useState } from 'react';
import { usePageKeys } from '../../foundation/keys.ts';
import { useUndo } from '../../parts/undo/use-undo.tsx';
import { Draft } from './Draft.tsx';
import { type Answer, SaidTwice } from './Questions.tsx';
import { type Asked, type Choice, rowsOf, stepsOfRows } from './rows.ts';

type Props = Readonly<{
  family: string;
  who: string;
  told: Told;
  others: ReadonlyArray<Readonly<{ who: string; told: Told }>>;
  entries: readonly Entry[];
  facts: UnitFacts;
  panel: Panel | undefined;
  asked: Asked;
  picked: string | null;
  onPick: (at: string) => void;
  onAnswer: Answer;
}>;

/** Draft ways of a telling: each is accepted as a way of its own or as a telling beside one that is there, or dropped. */
export function Drafts({ told, others, picked, onPick, ...props }: Props) {
  const [dropped, setDropped] = useState<ReadonlySet<string>>(new Set());
  const [saved, setSaved] = useState<ReadonlyMap<number, EntryKey>>(new Map());
  const [choices, setChoices] = useState<ReadonlyMap<number, Choice>>(new Map());
  const [acceptAll, setAcceptAll] = useState(0);
  const undo = useUndo();
  const drop = (id: string) => {
    const was = dropped;
    setDropped(new Set([...dropped, id]));
    undo('Dropped.', () => setDropped(was));
  };
  const choose = (at: number, choice: Choice) => {
    const was = choices;
    setChoices(new Map([...choices, [at, choice]]));
    undo('Settled.', () => setChoices(was));
  };
  const drafts = rowsOf(told, choices);
  const open = drafts.flat().filter((r) => r.is === 'open' && !dropped.has(r.id)).length;
  const unsettled = told.contradictions.filter((c) => !choices.has(c.from)).length;
  const none = new Set<string>();
  usePageKeys({
    a: () => setAcceptAll(acceptAll + 1),
    d: () => {
      const row = drafts.flat().find((r) => r.key === picked && !dropped.has(r.id));
      if (row) drop(row.id);
    },
  });
  const alike = (name: string) =>
    others.flatMap(({ who, told: other }) => {
      const at = other.routes.findIndex((r) => r.name === name);
      return at < 0
        ? []
        : [{ who, steps: stepsOfRows(rowsOf(other, new Map())[at]?.filter((r) => r.is === 'step') ?? [], none) }];
    });
  return (
    <>
      <div className="row spread" role="status">
        <span className="soft">
          {told.routes.length} {told.routes.length === 1 ? 'draft' : 'drafts'}
          {open > 0 && ` · ${open} open`}
          {unsettled > 0 && ` · ${unsettled} said differently`}
        </span>
        {open === 0 && told.contradictions.length === 0 && told.holes.length === 0 && (
          <span className="tag">nothing that names a control was left over</span>
        )}
        <Button variant="contained" color="primary" onClick={() => setAcceptAll(acceptAll + 1)}>
          Accept what is clear
        </Button>
      </div>
      <SaidTwice told={told} panel={props.panel} choices={choices} onChoose={choose} />
      {told.routes.map((route, i) => (
        <Draft
          // biome-ignore lint/suspicious/noArrayIndexKey: drafts are their places in the telling
          key={i}
          {...props}
          told={route.name}
          text={told.text.slice(route.from, route.phrases.at(-1)?.to ?? told.routes[i + 1]?.from)}
          rows={drafts[i] ?? []}
          isSettled={told.contradictions.every((c) => choices.has(c.from) || !holds(route.steps, c.before))}
          others={alike(route.name)}
          dropped={dropped}
          picked={picked}
          onPick={onPick}
          onDrop={drop}
          acceptAll={acceptAll}
          saved={saved.get(i) ?? null}
          onSaved={(key) => setSaved((was) => new Map([...was, [i, key]]))}
        />
      ))}
    </>
  );
}

/** Whether a step is among some, wherever it stands in them; what is left out anywhere is of all of them. */
const holds = (steps: readonly unknown[], step: unknown): boolean =>
  step === null || JSON.stringify(steps).includes(JSON.stringify(step));
