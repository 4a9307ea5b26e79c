import { type Entry, placeWords, problemsIn } from '@wire-trail/core';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { isTyping } from '../../../foundation/keys.ts';
import type { Shelved } from '../tab-props.ts';
import { changedRows, editCells, noEdits, type Row, redoEdit, rowKey, undoEdit } from './edits.ts';

export type CodeRow = Shelved & Readonly<{ body: Row }>;

/** The codes and symptoms of a unit as they are being edited: what changed, what is wrong with it, and undo. */
export function useTableEdits(entries: readonly Shelved[]) {
  const [edits, setEdits] = useState(noEdits);
  const [wrong, setWrong] = useState<string | null>(null);
  const shelved = useMemo(
    () => entries.filter((e): e is CodeRow => e.body.kind === 'code' || e.body.kind === 'symptom'),
    [entries],
  );
  const listed = useMemo(() => new Map(shelved.map((e) => [rowKey(e.body), e.body])), [shelved]);
  const bodies = useMemo(() => entries.map((e) => e.body as Entry), [entries]);
  const changed = changedRows(edits, listed);
  const problems = changed.flatMap((row) => {
    const found = [...problemsIn(row, bodies)].map(([path, words]) => `${placeWords(path.split('.'))}: ${words}`);
    return found.length === 0 ? [] : [`${row.kind === 'code' ? row.text : row.title}: ${found.join('; ')}`];
  });
  const undo = () => setEdits((e) => undoEdit(e, listed));
  const redo = () => setEdits((e) => redoEdit(e, listed));
  const forget = useCallback(() => setEdits(noEdits), []);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      // in a cell that is being typed into it takes back what was typed
      if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'z' || isTyping(event.target)) return;
      event.preventDefault();
      setEdits((e) => (event.shiftKey ? redoEdit(e, listed) : undoEdit(e, listed)));
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [listed]);
  return {
    shelved,
    changed,
    /** What keeps the changed rows from being saved. */
    problems: wrong === null ? problems : [wrong, ...problems],
    isSound: problems.length === 0,
    /** A row as it stands now. */
    now: (row: CodeRow): Row => edits.rows.get(rowKey(row.body)) ?? row.body,
    /** Writes a cell's text into rows; whether it could be read. */
    edit: (rows: readonly Row[], column: string, text: string): boolean => {
      const done = editCells(edits, rows, column, text);
      setWrong(done.ok ? null : done.reason);
      if (done.ok) setEdits(done.edits);
      return done.ok;
    },
    undo: edits.past.length > 0 ? undo : null,
    redo: edits.future.length > 0 ? redo : null,
    forget,
  };
}
