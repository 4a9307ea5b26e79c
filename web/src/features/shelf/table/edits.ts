import { applyChanges, type Change, type Code, codeColumns, diff, invertChanges, type Symptom } from '@wire-trail/core';

export type Row = Code | Symptom;
/** One edit of the table: what changed in which rows; undone and redone as one. */
type Edit = ReadonlyArray<Readonly<{ key: string; changes: Change[] }>>;
export type TableEdits = Readonly<{
  /** Rows as they stand now, where they differ or once differed from what is saved. */
  rows: ReadonlyMap<string, Row>;
  past: readonly Edit[];
  future: readonly Edit[];
}>;
export const noEdits: TableEdits = { rows: new Map(), past: [], future: [] };
export const rowKey = (row: Row): string => `${row.kind}:${row.id}`;

const mostEdits = 200;

/** Writes a cell's text into rows through the same column that exports and imports it; the reason where it cannot be. */
export function editCells(
  edits: TableEdits,
  rows: readonly Row[],
  columnId: string,
  text: string,
): { ok: true; edits: TableEdits } | { ok: false; reason: string } {
  const column = codeColumns.find((c) => c.id === columnId);
  if (!column) return { ok: false, reason: 'there is no such column' };
  const next = new Map(edits.rows);
  const edit: Array<Edit[number]> = [];
  for (const row of rows) {
    const now = edits.rows.get(rowKey(row)) ?? row;
    const draft: Record<string, unknown> = structuredClone(now);
    if (columnId === 'text') draft.text = text.trim();
    const reason = column.read(text, draft);
    if (reason) return { ok: false, reason };
    const changes = diff(now, draft);
    if (changes.length === 0) continue;
    edit.push({ key: rowKey(row), changes });
    // the column wrote what its own reader made of the text; the rest is as it was
    next.set(rowKey(row), draft as unknown as Row);
  }
  if (edit.length === 0) return { ok: true, edits };
  return { ok: true, edits: { rows: next, past: [...edits.past, edit].slice(-mostEdits), future: [] } };
}

function step(edits: TableEdits, edit: Edit, direction: 'back' | 'on', listed: ReadonlyMap<string, Row>) {
  const rows = new Map(edits.rows);
  for (const { key, changes } of edit) {
    const now = rows.get(key) ?? listed.get(key);
    if (now) rows.set(key, applyChanges(now, direction === 'back' ? invertChanges(changes) : changes) as Row);
  }
  return rows;
}

export function undoEdit(edits: TableEdits, listed: ReadonlyMap<string, Row>): TableEdits {
  const last = edits.past.at(-1);
  if (!last) return edits;
  return { rows: step(edits, last, 'back', listed), past: edits.past.slice(0, -1), future: [...edits.future, last] };
}

export function redoEdit(edits: TableEdits, listed: ReadonlyMap<string, Row>): TableEdits {
  const next = edits.future.at(-1);
  if (!next) return edits;
  return { rows: step(edits, next, 'on', listed), past: [...edits.past, next], future: edits.future.slice(0, -1) };
}

/** Rows that differ from what is saved. */
export function changedRows(edits: TableEdits, listed: ReadonlyMap<string, Row>): Row[] {
  return [...edits.rows].flatMap(([key, row]) => {
    const saved = listed.get(key);
    return saved && diff(saved, row).length > 0 ? [row] : [];
  });
}
