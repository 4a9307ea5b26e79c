import { entriesOf } from '@wire-trail/core';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { glasswasher } from '../../../testing/trail.tsx';
import { changedRows, editCells, noEdits, redoEdit, rowKey, type TableEdits, undoEdit } from './edits.ts';

const codes = entriesOf(glasswasher, 'code');
const listed = new Map(codes.map((c) => [rowKey(c), c]));
const edit = (edits: TableEdits, column: string, text: string, rows = codes.slice(0, 2)) => {
  const done = editCells(edits, rows, column, text);
  return done.ok ? done.edits : edits;
};

describe('edits of the code table', () => {
  it.each<[string, string, string | null]>([
    ['title', 'Cold', null],
    ['scope', 'licensed', null],
    ['scope', 'somebody', '“somebody” is none of operator, technician, licensed, maker'],
    ['inARow', 'often', '“often” is no number'],
    ['nowhere', 'x', 'there is no such column'],
  ])('%s becomes %j: %s', (column, text, reason) => {
    const done = editCells(noEdits, codes.slice(0, 2), column, text);
    expect(done.ok ? null : done.reason).toBe(reason);
    expect(done.ok ? changedRows(done.edits, listed).length : 0).toBe(reason ? 0 : 2);
  });

  it('several rows at once are one step to undo', () => {
    const edits = edit(noEdits, 'group', 'Heat');
    expect(edits.past).toHaveLength(1);
    expect(changedRows(undoEdit(edits, listed), listed)).toEqual([]);
  });

  it('undoing everything leaves nothing changed, redoing everything brings it back', () => {
    const one = fc.record({
      column: fc.constantFrom('title', 'note', 'group', 'suspects', 'scope'),
      text: fc.constantFrom('a', 'Pump | worn', 'licensed', 'operator', ''),
      from: fc.nat(codes.length - 1),
    });
    fc.assert(
      fc.property(fc.array(one, { maxLength: 8 }), (list) => {
        let edits = list.reduce(
          (e, { column, text, from }) => edit(e, column, text, codes.slice(from, from + 3)),
          noEdits,
        );
        const last = changedRows(edits, listed);
        for (let i = 0; i < 10; i++) edits = undoEdit(edits, listed);
        expect(changedRows(edits, listed)).toEqual([]);
        for (let i = 0; i < 10; i++) edits = redoEdit(edits, listed);
        expect(changedRows(edits, listed)).toEqual(last);
      }),
    );
  });
});
