import {
  addAnswer,
  addStep,
  type Chart,
  changeKind,
  drawnOf,
  guessHead,
  indentStep,
  leadTo,
  moveAnswer,
  moveStep,
  nodeWays,
  type OutlineRow,
  outdentStep,
  outlineRows,
  type Place,
  plainLabel,
  removeAnswer,
  removeStep,
  renameAnswer,
  type Severity,
} from '@wire-trail/core';
import { type KeyboardEvent, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { Entering } from './Entering.tsx';
import type { Entry } from './entering.ts';
import { Row } from './OutlineRow.tsx';
import type { EditChart } from './tabs.ts';

type Props = Readonly<{
  body: Chart;
  picked: string | null;
  findingAt: ReadonlyMap<string, Severity>;
  onPick: (id: string | null) => void;
  onEdit: EditChart;
}>;

const help: ReadonlyArray<readonly [string, string]> = [
  ['↑ ↓', 'go'],
  ['Enter', 'a step or an answer more'],
  ['e', 'edit the words'],
  ['k', 'another kind'],
  ['l', 'lead to a step that is there'],
  ['Alt ↑ ↓', 'move'],
  ['Alt → ←', 'indent, take out'],
  ['c', '“cannot tell” ends here'],
  ['r', 'too often round ends here'],
  ['Del', 'take away'],
  ['Ctrl Z', 'undo'],
];

/** The chart as an outline, worked on with the keyboard alone. */
export function Outline({ body, picked, findingAt, onPick, onEdit }: Props) {
  const rows = useMemo(() => outlineRows(drawnOf(body)), [body]);
  const byId = useMemo(() => new Map(body.nodes.map((n) => [n.id as string, n])), [body]);
  const [at, setAt] = useState(0);
  const [entry, setEntry] = useState<Entry | null>(null);
  const list = useRef<HTMLDivElement>(null);
  const focus = useRef(false);
  const row = rows[Math.min(at, rows.length - 1)];

  // a step picked in the drawing is where the keyboard goes on
  const pickedRow = rows.findIndex((r) => r.kind === 'step' && r.node === picked);
  const [seen, setSeen] = useState(picked);
  const [mine, setMine] = useState<string | null>(null);
  const pick = useCallback(
    (id: string) => {
      setMine(id);
      onPick(id);
    },
    [onPick],
  );
  const now = useRef(rows);
  useEffect(() => {
    now.current = rows;
  }, [rows]);
  const onHere = useCallback(
    (index: number) => {
      const there = now.current[index];
      setAt(index);
      if (there && 'node' in there) pick(there.node);
    },
    [pick],
  );
  if (seen !== picked) {
    setSeen(picked);
    if (pickedRow >= 0 && !entry && picked !== mine) setAt(pickedRow);
  }
  // the focus follows whatever was done
  useEffect(() => {
    if (!focus.current || entry) return;
    focus.current = false;
    list.current?.querySelector<HTMLElement>('[aria-current="true"]')?.focus();
  });

  const go = (to: number) => {
    const next = Math.max(0, Math.min(rows.length - 1, to));
    setAt(next);
    focus.current = true;
    const there = rows[next];
    if (there && 'node' in there) pick(there.node);
  };
  /** Edits, and keeps the keyboard on a step. */
  const edit = (next: Chart, about: string, follow: string | null) => {
    focus.current = true;
    if (next !== body) onEdit(next, about);
    if (follow === null) return;
    const to = outlineRows(drawnOf(next)).findIndex((r) => r.kind === 'step' && r.node === follow);
    if (to >= 0) setAt(to);
    pick(follow);
  };
  const enter = (what: Entry['what'], place: Place | null, node: string | null) =>
    setEntry({ what, row: at, place, node });

  const onKey = (event: KeyboardEvent) => {
    if (entry || !row || row.kind === 'apart') {
      if (!entry && (event.key === 'ArrowDown' || event.key === 'ArrowUp'))
        go(at + (event.key === 'ArrowDown' ? 1 : -1));
      return;
    }
    if (event.ctrlKey || event.metaKey) return;
    const step = row.kind === 'step' ? byId.get(row.node) : undefined;
    const place: Place | null = row.kind === 'step' ? null : { node: row.node, answer: row.answer };
    const done = () => event.preventDefault();
    if (event.altKey) {
      const by = event.key === 'ArrowUp' ? -1 : event.key === 'ArrowDown' ? 1 : 0;
      if (by !== 0 && step) edit(moveStep(body, step.id, by), '', step.id);
      else if (by !== 0 && place) {
        edit(moveAnswer(body, place, by), '', null);
        const moved = outlineRows(drawnOf(moveAnswer(body, place, by)));
        setAt(moved.findIndex((r) => r.kind === 'answer' && r.node === place.node && r.answer === place.answer));
      } else if (event.key === 'ArrowRight' && step) edit(indentStep(body, step.id), '', step.id);
      else if (event.key === 'ArrowLeft' && step) edit(outdentStep(body, step.id), '', step.id);
      else return;
      return done();
    }
    switch (event.key) {
      case 'ArrowDown':
        go(at + 1);
        return done();
      case 'ArrowUp':
        go(at - 1);
        return done();
      case 'Home':
        go(0);
        return done();
      case 'End':
        go(rows.length - 1);
        return done();
      case 'Enter':
        if (place) enter('step', place, null);
        else if (step && nodeWays[step.kind] === 'one') enter('step', { node: step.id, answer: 'done' }, null);
        else if (step && nodeWays[step.kind] === 'named') enter('answer', null, step.id);
        else if (step?.kind === 'verdict') enter('step', row.kind === 'step' ? row.from : null, null);
        else go(at + 1);
        return done();
      case 'e':
      case 'F2':
        if (step) enter('title', null, step.id);
        else if (row.kind === 'answer') enter('rename', place, null);
        return done();
      case 'k':
        if (step) enter('kind', null, step.id);
        return done();
      case 'c':
        if (step) edit({ ...body, cannotTell: step.id }, '', null);
        return done();
      case 'r':
        if (step) edit({ ...body, afterRetries: step.id }, '', null);
        return done();
      case 'l':
        if (place) enter('link', place, null);
        else if (step && nodeWays[step.kind] === 'one') enter('link', { node: step.id, answer: 'done' }, null);
        return done();
      case 'Delete':
      case 'Backspace':
        if (step) {
          edit(removeStep(body, step.id), '', null);
          setAt(Math.max(0, at - 1));
        } else if (row.kind === 'link' || (row.kind === 'answer' && row.link))
          edit(leadTo(body, place as Place, null), '', null);
        else if (place) {
          edit(removeAnswer(body, place), '', null);
          setAt(Math.max(0, at - 1));
        }
        return done();
    }
  };

  /** What was typed is done; a new step goes on under it, so that a list can be typed in one go. */
  const take = (text: string) => {
    const now = entry;
    setEntry(null);
    focus.current = true;
    if (!now || text.trim() === '') return;
    switch (now.what) {
      case 'step': {
        const made = addStep(body, now.place, guessHead(text));
        return edit(made.chart, '', made.id);
      }
      case 'answer':
        if (now.node) edit(addAnswer(body, now.node, text), '', null);
        setAt(now.row + 1);
        return;
      case 'title':
        return edit(
          { ...body, nodes: body.nodes.map((n) => (n.id === now.node ? { ...n, title: plainLabel(text) } : n)) },
          '',
          now.node,
        );
      case 'rename':
        return now.place ? edit(renameAnswer(body, now.place, text), '', null) : undefined;
      case 'kind':
        return now.node ? edit(changeKind(body, now.node, text), '', now.node) : undefined;
      case 'link': {
        const to = body.nodes.find((n) => n.id === text || n.title === text);
        return to && now.place ? edit(leadTo(body, now.place, to.id), '', null) : undefined;
      }
    }
  };

  return (
    <section className="sheet outline" aria-label="outline">
      <div className="row small soft">
        {help.map(([key, does]) => (
          <span key={key}>
            <kbd>{key}</kbd> {does}
          </span>
        ))}
      </div>
      <div ref={list} role="tree" aria-label="steps and answers" onKeyDown={onKey}>
        {rows.map((r, i) => (
          <div key={keyOf(r, i)}>
            <Row
              index={i}
              kind={r.kind}
              depth={r.depth}
              answer={r.kind === 'answer' ? r.answer : ''}
              opens={r.kind === 'answer' && r.to === null}
              links={r.kind === 'link' || (r.kind === 'answer' && r.link)}
              node={'node' in r ? byId.get(r.node) : undefined}
              leadsTo={'to' in r && r.to !== null ? byId.get(r.to)?.title : undefined}
              ends={endsOf(body, r)}
              isHere={i === Math.min(at, rows.length - 1)}
              isPicked={r.kind === 'step' && r.node === picked}
              severity={r.kind === 'step' ? (findingAt.get(r.node) ?? null) : null}
              onHere={onHere}
            />
            {entry?.row === i && (
              <Entering
                entry={entry}
                body={body}
                depth={r.depth}
                onTake={take}
                onStop={() => {
                  setEntry(null);
                  focus.current = true;
                }}
              />
            )}
          </div>
        ))}
      </div>
    </section>
  );
}

const keyOf = (row: OutlineRow, i: number): string =>
  row.kind === 'step' ? row.node : row.kind === 'answer' ? `${row.node} ${row.answer}` : `${row.kind} ${i}`;

/** What a step is to the whole chart. */
function endsOf(body: Chart, row: OutlineRow): string {
  if (row.kind !== 'step') return '';
  const said = [
    body.start === row.node && 'begin',
    body.cannotTell === row.node && 'cannot tell',
    body.afterRetries === row.node && 'too often round',
  ];
  return said.filter(Boolean).join(',');
}
