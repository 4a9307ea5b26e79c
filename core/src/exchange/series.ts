import Papa from 'papaparse';
import { fail, ok, type Result } from '../base/result.ts';

/** Columns of numbers: time first, in milliseconds, then a value each. */
export type Series = Readonly<{ names: readonly string[]; rows: ReadonlyArray<readonly number[]> }>;
export type SeriesError =
  | Readonly<{ code: 'empty' }>
  | Readonly<{ code: 'one-column' }>
  | Readonly<{ code: 'not-a-number'; line: number; column: number; text: string }>
  | Readonly<{ code: 'too-large'; rows: number; most: number }>;

const mostRows = 2_000_000;

const numberOf = (cell: string): number => {
  const text = cell.trim();
  return text === '' ? Number.NaN : Number(text.replace(',', '.'));
};

/**
 * Reads a file of numbers in columns, with a header or without, whatever separates them; a decimal comma is taken where
 * the separator is none. Errors: `empty`, `one-column`, `not-a-number` with line and column from 1, `too-large`.
 */
export function readSeries(text: string): Result<Series, SeriesError> {
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), {
    skipEmptyLines: 'greedy',
    delimitersToGuess: [';', '\t', ',', ' '],
  });
  const [first] = data;
  if (!first) return fail({ code: 'empty' });
  if (first.length < 2) return fail({ code: 'one-column' });
  const isHeader = first.some((cell) => Number.isNaN(numberOf(cell)));
  const names = isHeader ? first.map((c) => c.trim()) : first.map((_, i) => (i === 0 ? 'time' : `lamp ${i}`));
  const body = isHeader ? data.slice(1) : data;
  if (body.length > mostRows) return fail({ code: 'too-large', rows: body.length, most: mostRows });
  const rows: number[][] = [];
  for (const [r, cells] of body.entries()) {
    const numbers = names.map((_, c) => numberOf(cells[c] ?? ''));
    const bad = numbers.findIndex((n) => !Number.isFinite(n));
    if (bad >= 0)
      return fail({ code: 'not-a-number', line: r + (isHeader ? 2 : 1), column: bad + 1, text: cells[bad] ?? '' });
    rows.push(numbers);
  }
  return ok({ names, rows });
}
