import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableContainer from '@mui/material/TableContainer';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import {
  type Entry,
  type Family,
  familyFromVariants,
  findingWords,
  lintFamily,
  plateAsTyped,
  readTable,
  reasonWords,
  resolvePlate,
  sameJson,
  type VariantTable,
  variantTable,
} from '@wire-trail/core';
import { type ClipboardEvent, useMemo, useState } from 'react';
import { Input } from '../../../parts/field/Input.tsx';
import type { Shelved } from '../tab-props.ts';
import { useKeep, useOnTop } from './use-keep.tsx';

type Props = Readonly<{ own: Family; family: string; entries: readonly Shelved[] }>;

/** Heads that say what a column is; all others are ratings or options of somebody’s own. */
const usualHeads: ReadonlySet<string> = new Set(['Variant', 'Plate', 'Serial numbers', 'Software']);
const blankRow = (n: number): string[] => Array.from({ length: n }, () => '');
/** At least one row to type into. */
const begun = (family: Family): VariantTable => {
  const { head, rows } = variantTable(family);
  return { head, rows: rows.length > 0 ? rows : [blankRow(head.length)] };
};

/** Variants as a table: typed cell by cell or pasted whole; a plate tried below lights the row it belongs to and says why. */
export function VariantsTable({ own, family, entries }: Props) {
  const [table, setTable] = useState<VariantTable>(() => begun(own));
  const [plate, setPlate] = useState({ model: '', serial: '', software: '' });
  const { keep, isKeeping, said } = useKeep(family, entries);
  const { family: next, problems } = useMemo(() => familyFromVariants(own, table), [own, table]);
  useOnTop(own, next, problems.length > 0, (both) => setTable(begun(both)));
  const isTried = Object.values(plate).some((v) => v.trim() !== '');
  const resolved = resolvePlate(next, plateAsTyped(plate));
  const alive = new Set<string>(isTried ? resolved.alive : []);
  const notes = lintFamily(next, []).filter((f) => f.code.startsWith('variants-') || f.code.startsWith('pattern-'));
  const isDirty = !sameJson(next, own);
  const set = (r: number, c: number, text: string) =>
    setTable({ ...table, rows: table.rows.map((row, i) => (i === r ? row.map((x, k) => (k === c ? text : x)) : row)) });
  const name = (c: number, text: string) =>
    setTable({ ...table, head: table.head.map((h, k) => (k === c ? text : h)) });
  const paste = (event: ClipboardEvent) => {
    const text = event.clipboardData.getData('text/plain');
    if (!/[\t\n]/.test(text.trim())) return;
    const read = readTable(text);
    if (!read.ok || read.value.rows.length === 0) return;
    event.preventDefault();
    const wide = read.value.header.length;
    setTable({
      head: read.value.header,
      rows: read.value.rows.map((r) => Array.from({ length: wide }, (_, c) => r.cells[c] ?? '')),
    });
  };
  /** A row of the table as a variant of what it comes to; blank rows come to none. */
  const variantAt = (r: number) =>
    next.variants[table.rows.slice(0, r).filter((row) => row.some((c) => c.trim() !== '')).length];
  return (
    <section className="sheet stack" aria-label="variants" onPaste={paste}>
      <h2>Which of them there are</h2>
      <p className="soft small">
        A row for each that differs by plate, serial number or software; a column for each rating that differs with it.
        A table from a sheet can be pasted into any cell.
      </p>
      <TableContainer>
        <Table size="small">
          <TableHead>
            <TableRow>
              {table.head.map((h, c) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: a column is its place
                <TableCell key={c} sx={{ minWidth: '7.5rem' }}>
                  {usualHeads.has(h) ? (
                    h
                  ) : (
                    <Input
                      slotProps={{ input: { 'aria-label': `head of column ${c + 1}` } }}
                      value={h}
                      onChange={(e) => name(c, e.target.value)}
                    />
                  )}
                </TableCell>
              ))}
            </TableRow>
          </TableHead>
          <TableBody>
            {table.rows.map((row, r) => {
              const variant = row.some((x) => x.trim() !== '') ? variantAt(r) : undefined;
              const isLit = variant !== undefined && alive.has(variant.id);
              return (
                // biome-ignore lint/suspicious/noArrayIndexKey: a row is its place
                <TableRow key={r} selected={isLit} aria-label={`variant ${r + 1}${isLit ? ', fits the plate' : ''}`}>
                  {row.map((cell, c) => {
                    const wrong = problems.find((p) => p.column === c && variantAt(r) === next.variants[p.row]);
                    return (
                      // biome-ignore lint/suspicious/noArrayIndexKey: a cell is its place
                      <TableCell key={c} sx={{ verticalAlign: 'top' }}>
                        <Input
                          slotProps={{ input: { 'aria-label': `${table.head[c] ?? ''}, row ${r + 1}` } }}
                          value={cell}
                          error={wrong !== undefined}
                          onChange={(e) => set(r, c, e.target.value)}
                        />
                        {wrong && <p className="wrong small">{wrong.says}</p>}
                      </TableCell>
                    );
                  })}
                </TableRow>
              );
            })}
          </TableBody>
        </Table>
      </TableContainer>
      <div className="row">
        <Button onClick={() => setTable({ ...table, rows: [...table.rows, blankRow(table.head.length)] })}>
          Add a row
        </Button>
        <Button
          onClick={() => setTable({ head: [...table.head, 'Rating'], rows: table.rows.map((row) => [...row, '']) })}
        >
          Add a rating
        </Button>
      </div>
      <div className="row" role="group" aria-label="try a plate">
        {(['model', 'serial', 'software'] as const).map((field) => (
          <label key={field} className="field">
            {field === 'serial' ? 'serial number on a plate' : `${field} on a plate`}
            <Input
              className="mono"
              value={plate[field]}
              onChange={(e) => setPlate({ ...plate, [field]: e.target.value })}
            />
          </label>
        ))}
      </div>
      {isTried && (
        <p role="status">
          {resolved.variant
            ? `${next.variants.find((v) => v.id === resolved.variant)?.name}: ${resolved.why.map(reasonWords).join(', ')}`
            : resolved.alive.length === 0
              ? 'No variant fits this plate.'
              : `${resolved.alive.length} still fit.`}
        </p>
      )}
      {notes.length > 0 && (
        <ul className="plain small wrong" aria-label="gaps and overlaps">
          {notes.map((f) => (
            <li key={findingWords(f)}>{findingWords(f)}</li>
          ))}
        </ul>
      )}
      {said}
      <div className="row">
        <Button
          variant="contained"
          color="primary"
          disabled={!isDirty || isKeeping || problems.length > 0}
          onClick={() => void keep([next as Entry], 'variants')}
        >
          Keep the variants
        </Button>
        {!isDirty && next.variants.length > 0 && (
          <span className="soft small" role="status">
            kept
          </span>
        )}
      </div>
    </section>
  );
}
