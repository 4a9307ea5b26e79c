import { Parser } from 'htmlparser2';
import Papa from 'papaparse';
import { fail, ok, type Result } from '../base/result.ts';

/** Rows of cells as they came, the first being the header; `lines` says on which line each row began, from 1. */
export type Table = Readonly<{
  from: 'delimited' | 'html';
  separator: string | null;
  header: readonly string[];
  rows: ReadonlyArray<Readonly<{ line: number; cells: readonly string[] }>>;
}>;
export type TableError = Readonly<
  { code: 'empty' } | { code: 'quote-not-closed'; line: number } | { code: 'too-large'; rows: number }
>;

const mostRows = 50_000;

/** What a file's first bytes say of how its text is written; without a mark, UTF-8 where it is valid, else Windows-1252. */
export function guessEncoding(bytes: Uint8Array): 'utf-8' | 'utf-16le' | 'utf-16be' | 'windows-1252' {
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return 'utf-16le';
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return 'utf-16be';
  const sample = bytes.subarray(0, 2000);
  const zeros = [0, 0];
  sample.forEach((byte, i) => {
    if (byte === 0) zeros[i % 2] = (zeros[i % 2] ?? 0) + 1;
  });
  if ((zeros[1] ?? 0) > sample.length / 4) return 'utf-16le';
  if ((zeros[0] ?? 0) > sample.length / 4) return 'utf-16be';
  return isUtf8(bytes) ? 'utf-8' : 'windows-1252';
}

function isUtf8(bytes: Uint8Array): boolean {
  for (let i = 0; i < bytes.length; i++) {
    const byte = bytes[i] ?? 0;
    const follow =
      byte < 0x80
        ? 0
        : byte >= 0xc2 && byte < 0xe0
          ? 1
          : byte >= 0xe0 && byte < 0xf0
            ? 2
            : byte >= 0xf0 && byte < 0xf5
              ? 3
              : -1;
    if (follow < 0) return false;
    for (let k = 1; k <= follow; k++) if (((bytes[i + k] ?? 0) & 0xc0) !== 0x80) return false;
    i += follow;
  }
  return true;
}

/** The first table of an HTML text: rows of cells, line breaks within a cell kept. */
function htmlRows(text: string): Array<{ line: number; cells: string[] }> {
  const rows: Array<{ line: number; cells: string[] }> = [];
  let depth = 0;
  let done = false;
  let row: string[] | null = null;
  let cell: string | null = null;
  let width = 1;
  const endCell = () => {
    if (cell !== null && row) {
      row.push(
        cell
          .replace(/[ \t\r\f\u00a0]+/g, ' ')
          .replace(/ ?\n ?/g, '\n')
          .trim(),
      );
      for (let i = 1; i < width; i++) row.push('');
    }
    cell = null;
  };
  const endRow = () => {
    endCell();
    if (row && row.length > 0) rows.push({ line: rows.length + 1, cells: row });
    row = null;
  };
  const parser = new Parser(
    {
      onopentag(name, attributes) {
        if (done) return;
        if (name === 'table') depth += 1;
        if (depth !== 1) return;
        if (name === 'tr') {
          endRow();
          row = [];
        } else if (name === 'td' || name === 'th') {
          endCell();
          cell = '';
          width = Math.min(100, Math.max(1, Number(attributes.colspan) || 1));
        } else if ((name === 'br' || name === 'p' || name === 'li') && cell !== null && cell !== '') cell += '\n';
      },
      ontext(data) {
        // a line break in the source is a space; the tags make the lines
        if (!done && depth === 1 && cell !== null) cell += data.replace(/\s+/g, ' ');
      },
      onclosetag(name) {
        if (done) return;
        if (depth === 1 && (name === 'td' || name === 'th')) endCell();
        if (depth === 1 && name === 'tr') endRow();
        if (name !== 'table') return;
        if (depth === 1) endRow();
        depth -= 1;
        done = depth === 0 && rows.length > 0;
      },
    },
    { decodeEntities: true },
  );
  parser.end(text);
  return rows;
}

const isBlank = (cells: readonly string[]): boolean => cells.every((c) => c.trim() === '');

/** The separator that cuts the lines into the most cells of one number: tab, semicolon, comma or bar. */
function guessSeparator(text: string): string {
  const sample = text.slice(0, 20_000);
  const scored = ['\t', ';', ',', '|'].map((separator) => {
    const { data } = Papa.parse<string[]>(sample, { delimiter: separator, preview: 30 });
    const widths = data.filter((row) => !isBlank(row)).map((row) => row.length);
    const usual = widths.sort((a, b) => a - b)[Math.floor(widths.length / 2)] ?? 1;
    const even = widths.filter((w) => w === usual).length / Math.max(1, widths.length);
    return { separator, score: usual > 1 ? usual * even * even : 0 };
  });
  return scored.sort((a, b) => b.score - a.score)[0]?.separator ?? ',';
}

/**
 * Reads what was pasted or what stands in a file: text with tabs, semicolons, commas or bars, or an HTML table. Quotes and
 * line breaks within cells are kept, blank rows are left out. Fails where a quote is never closed, or nothing is left.
 */
export function readTable(text: string): Result<Table, TableError> {
  const clean = text.replace(/^\ufeff/, '');
  const isHtml = /<table[\s>]/i.test(clean.slice(0, 200_000));
  const separator = isHtml ? null : guessSeparator(clean);
  let rows: Array<{ line: number; cells: string[] }>;
  if (separator === null) rows = htmlRows(clean);
  else {
    const { data, errors } = Papa.parse<string[]>(clean, { delimiter: separator });
    let line = 1;
    rows = data.map((cells) => {
      const row = { line, cells };
      line += 1 + cells.reduce((sum, cell) => sum + (cell.match(/\r\n|\n|\r/g)?.length ?? 0), 0);
      return row;
    });
    const open = errors.find((e) => e.code === 'MissingQuotes');
    if (open) return fail({ code: 'quote-not-closed', line: rows[open.row ?? 0]?.line ?? 1 });
  }
  const filled = rows.filter((r) => !isBlank(r.cells));
  const [head, ...rest] = filled;
  if (!head || rest.length === 0) return fail({ code: 'empty' });
  if (rest.length > mostRows) return fail({ code: 'too-large', rows: rest.length });
  return ok({ from: isHtml ? 'html' : 'delimited', separator, header: head.cells.map((c) => c.trim()), rows: rest });
}

/** Writes rows as comma-separated text with a header, as spreadsheets read it. */
export function writeCsv(rows: ReadonlyArray<readonly string[]>): string {
  return `${Papa.unparse(rows as string[][], { newline: '\r\n', quotes: false })}\r\n`;
}
