import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { diff, type EntryKey, type EntryView, revisionStateWords } from '@wire-trail/core';
import { useState } from 'react';
import { api } from '../../foundation/api.ts';
import { type Body, draftEdited } from '../../foundation/entry-draft-slice.ts';
import { useAppDispatch } from '../../foundation/store.ts';
import { ChangeList } from '../../parts/changes/ChangeList.tsx';
import { Moment } from '../../parts/when/When.tsx';

/** Every revision. Restoring an old one puts its text into the draft; saving appends, nothing is overwritten. */
export function History({ entryKey, entry }: { entryKey: EntryKey; entry: EntryView | null }) {
  const dispatch = useAppDispatch();
  const [open, setOpen] = useState<number | null>(null);
  const { data: old } = api.useRevisionQuery({ key: entryKey, number: open ?? 1 }, { skip: open === null });
  if (!entry) return <p className="soft">Not saved yet: the first draft will be revision 1.</p>;
  return (
    <section className="sheet">
      <h2>Revisions</h2>
      <Table>
        <TableHead>
          <TableRow>
            <TableCell>rev</TableCell>
            <TableCell>state</TableCell>
            <TableCell>by</TableCell>
            <TableCell>when</TableCell>
            <TableCell>note</TableCell>
            <TableCell />
          </TableRow>
        </TableHead>
        <TableBody>
          {entry.history.map((r) => (
            <TableRow key={r.number}>
              <TableCell className="mono">{r.number}</TableCell>
              <TableCell>
                {revisionStateWords[r.state]}
                {r.review && (
                  <span className="soft small">
                    {' '}
                    by {r.review.by ?? 'import'}
                    {r.review.ownReview && ', its own author'}
                  </span>
                )}
              </TableCell>
              <TableCell>{r.author ?? 'import'}</TableCell>
              <TableCell className="small">
                <Moment at={r.savedAt} />
              </TableCell>
              <TableCell>{r.note}</TableCell>
              <TableCell>
                <Button variant="text" onClick={() => setOpen(open === r.number ? null : r.number)}>
                  {open === r.number ? 'Close' : 'Compare'}
                </Button>
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
      {open !== null && old && (
        <div className="stack" style={{ marginTop: '1rem' }}>
          <h3>Revision {open} against the newest</h3>
          <ChangeList changes={diff(old.body, entry.latest.body)} />
          <div>
            <Button onClick={() => dispatch(draftEdited({ body: old.body as Body, about: '' }))}>
              Put revision {open} back into the draft
            </Button>
          </div>
        </div>
      )}
      {entry.usedBy.length > 0 && <p className="small soft">Named by {entry.usedBy.map((u) => u.title).join(', ')}</p>}
    </section>
  );
}
