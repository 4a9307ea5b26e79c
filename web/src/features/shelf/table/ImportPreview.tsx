import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { diff, type ImportRow } from '@wire-trail/core';
import { Fragment, useState } from 'react';
import { CodeGlyph } from '../../../parts/code/CodeGlyph.tsx';

const whats = ['new', 'changed', 'same', 'refused'] as const;
type What = (typeof whats)[number];
const mostShown = 300;

const saysOf = { refused: 'error', new: 'good', changed: 'warning', same: '' } as const satisfies Record<What, string>;

const whatOf = (row: ImportRow): What =>
  !row.taken
    ? 'refused'
    : row.bodies.some((b) => b.what === 'new')
      ? 'new'
      : row.bodies.some((b) => b.what === 'changed')
        ? 'changed'
        : 'same';

/** Row by row what a table would bring, and why a row is refused. */
export function ImportPreview({ rows }: { rows: readonly ImportRow[] }) {
  const counts = new Map<What, number>();
  for (const row of rows) counts.set(whatOf(row), (counts.get(whatOf(row)) ?? 0) + 1);
  const [only, setOnly] = useState<What | null>(counts.has('refused') ? 'refused' : null);
  const shown = rows.filter((r) => only === null || whatOf(r) === only);
  return (
    <>
      <div className="row" role="group" aria-label="show rows that are">
        <Button
          variant={only === null ? 'contained' : 'outlined'}
          color={only === null ? 'primary' : 'inherit'}
          onClick={() => setOnly(null)}
        >
          all {rows.length}
        </Button>
        {whats.map((what) => (
          <Button
            key={what}
            variant={only === what ? 'contained' : 'outlined'}
            color={only === what ? 'primary' : 'inherit'}
            disabled={!counts.has(what)}
            onClick={() => setOnly(what)}
          >
            {counts.get(what) ?? 0} {what}
          </Button>
        ))}
      </div>
      <div className="scrolls">
        <Table>
          <TableHead>
            <TableRow>
              <TableCell>line</TableCell>
              <TableCell>is</TableCell>
              <TableCell>codes</TableCell>
              <TableCell>title, and what changes or why not</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {shown.slice(0, mostShown).map((row) => (
              <Line key={row.line} row={row} />
            ))}
          </TableBody>
        </Table>
        {shown.length > mostShown && <p className="soft">… and {shown.length - mostShown} more</p>}
      </div>
    </>
  );
}

function Line({ row }: { row: ImportRow }) {
  const [first] = row.taken ? row.bodies : [];
  const changes = first?.before ? diff(first.before, first.body).map((c) => c.at[0]) : [];
  return (
    <TableRow>
      <TableCell className="mono">{row.line}</TableCell>
      <TableCell className={`says ${saysOf[whatOf(row)]}`}>{whatOf(row)}</TableCell>
      <TableCell>
        {row.taken
          ? row.bodies.slice(0, 8).map(({ body }, i) => (
              <Fragment key={body.id}>
                {i > 0 && ', '}
                {body.kind === 'code' ? <CodeGlyph text={body.text} /> : 'no code'}
              </Fragment>
            ))
          : row.cells.slice(0, 1).map((c) => (
              <span key={c} className="mono" dir="auto">
                {c.slice(0, 30)}
              </span>
            ))}
        {row.taken && row.bodies.length > 8 && ` … ${row.bodies.length}`}
      </TableCell>
      <TableCell dir="auto">
        {row.taken ? (
          <>
            {first?.body.title}
            {changes.length > 0 && <span className="soft"> changes {[...new Set(changes)].join(', ')}</span>}
            {row.notes.map((n) => (
              <span key={n} className="soft">
                {' '}
                · {n}
              </span>
            ))}
          </>
        ) : (
          row.problems.map((p) => (
            <div key={`${p.column}${p.reason}`} className="wrong">
              {p.column && `${p.column}: `}
              {p.reason}
            </div>
          ))
        )}
      </TableCell>
    </TableRow>
  );
}
