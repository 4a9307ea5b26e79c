import Button from '@mui/material/Button';
import { useState } from 'react';
import { Input } from '../../../../parts/field/Input.tsx';

/** Readings over time: each is stamped when its first sign is typed. */
export type ReadingsState = Readonly<{
  rows: Rows;
  /** What counts: rows with something in them, with the time since the first. */
  taken: Array<{ typed: string; afterMs: number }>;
  type: (index: number, typed: string) => void;
  setAfter: (index: number, minutes: string) => void;
  more: () => void;
  /** They were taken: nothing has to be kept beside the walk any more. */
  forget: () => void;
}>;

type Rows = ReadonlyArray<Readonly<{ typed: string; atMs: number | null }>>;

function keptRows(key: string | null): Rows | null {
  try {
    return key === null ? null : (JSON.parse(localStorage.getItem(key) ?? 'null') as Rows | null);
  } catch {
    return null;
  }
}

/**
 * Readings as they are typed. With a key they are kept on the device until they are taken: minutes lie between them, and
 * a phone that was locked may have let the page go.
 */
export function useReadings(first = '', key: string | null = null): ReadingsState {
  const [rows, setRows] = useState<Rows>(() => keptRows(key) ?? [{ typed: first, atMs: first ? Date.now() : null }]);
  const filled = rows.filter((r) => r.typed.trim() !== '');
  const start = filled[0]?.atMs ?? 0;
  const keep = (next: Rows) => {
    setRows(next);
    if (key !== null) localStorage.setItem(key, JSON.stringify(next));
  };
  const change = (index: number, to: Rows[number]) => keep(rows.map((r, i) => (i === index ? to : r)));
  return {
    rows,
    taken: filled.map((r) => ({ typed: r.typed, afterMs: Math.max(0, (r.atMs ?? start) - start) })),
    type: (index, typed) => {
      const row = rows[index];
      if (row) change(index, { typed, atMs: row.atMs ?? Date.now() });
    },
    setAfter: (index, minutes) => {
      const value = Number(minutes.replace(',', '.'));
      const row = rows[index];
      if (row && Number.isFinite(value) && value >= 0) change(index, { ...row, atMs: start + value * 60_000 });
    },
    more: () => keep([...rows, { typed: '', atMs: null }]),
    forget: () => {
      if (key !== null) localStorage.removeItem(key);
    },
  };
}

/** One box for each reading; from the second on with the minutes since the first, which may be set by hand. */
export function Readings({
  of,
  label,
  least,
  placeholder = '',
  wrong = () => null,
}: {
  of: ReadingsState;
  label: string;
  least: number;
  placeholder?: string;
  wrong?: (index: number) => string | null;
}) {
  const start = of.rows[0]?.atMs ?? null;
  return (
    <div className="stack">
      {of.rows.map((row, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a reading is known by its place
        <div key={i} className={i > 0 ? 'two' : ''}>
          <label className="field">
            {i === 0 ? label : `Reading ${i + 1}`}
            <Input
              fullWidth
              className="mono reading"
              value={row.typed}
              autoComplete="off"
              placeholder={i === 0 ? placeholder : ''}
              error={Boolean(wrong(i) !== null)}
              onChange={(e) => of.type(i, e.target.value)}
              slotProps={{ input: { inputMode: 'text', maxLength: 40 } }}
            />
            {wrong(i) && <span className="wrong">{wrong(i)}</span>}
          </label>
          {i > 0 && (
            <label className="field">
              min after the first
              <Input
                fullWidth
                className="mono reading"
                key={row.atMs === null ? 'none' : 'some'}
                defaultValue={
                  row.atMs === null || start === null ? '' : String(Math.round((row.atMs - start) / 6000) / 10)
                }
                onChange={(e) => of.setAfter(i, e.target.value)}
                slotProps={{ input: { inputMode: 'decimal', 'aria-label': `Minutes of reading ${i + 1}` } }}
              />
            </label>
          )}
        </div>
      ))}
      {least > 1 && <Button onClick={of.more}>One more reading</Button>}
    </div>
  );
}
