import MuiTable from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { codeColumns, type Table } from '@wire-trail/core';
import { Select } from '../../../parts/field/Select.tsx';

type Props = Readonly<{
  table: Table;
  encoding: string | null;
  mapping: ReadonlyArray<string | null>;
  onMap: (mapping: ReadonlyArray<string | null>) => void;
}>;

/** Which column is what, over the first rows of it. */
export function ImportColumns({ table, encoding, mapping, onMap }: Props) {
  return (
    <>
      <p className="soft">
        {table.rows.length} rows,{' '}
        {table.from === 'html' ? 'an HTML table' : `cut at ${separatorWords(table.separator)}`}
        {encoding && `, ${encoding}`}. Which column is what?
      </p>
      <div className="scrolls">
        <MuiTable>
          <TableHead>
            <TableRow>
              {table.header.map((name, i) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: columns are their places
                <TableCell key={i}>
                  <span dir="auto">{name}</span>
                  <Select
                    native
                    fullWidth
                    value={mapping[i] ?? ''}
                    onChange={(e) =>
                      onMap(mapping.map((m, k) => (k === i ? e.target.value || null : m === e.target.value ? null : m)))
                    }
                    inputProps={{ 'aria-label': `column ${name} is` }}
                  >
                    <option value="">left out</option>
                    {codeColumns.map((c) => (
                      <option key={c.id} value={c.id}>
                        {c.title.split(':')[0]}
                      </option>
                    ))}
                  </Select>
                </TableCell>
              ))}
            </TableRow>
          </TableHead>
          <TableBody>
            {table.rows.slice(0, 4).map((row) => (
              <TableRow key={row.line}>
                {row.cells.map((cell, i) => (
                  // biome-ignore lint/suspicious/noArrayIndexKey: cells are their places
                  <TableCell key={i} dir="auto">
                    {cell.slice(0, 80)}
                  </TableCell>
                ))}
              </TableRow>
            ))}
          </TableBody>
        </MuiTable>
      </div>
    </>
  );
}

const separatorWords = (separator: string | null): string =>
  ({ '\t': 'tabs', ',': 'commas', ';': 'semicolons', '|': 'bars' })[separator ?? ''] ?? 'nothing';
