import type { ReadsOf } from '../model/reads.ts';
import { cellOf } from './values.ts';

export type TruthRow = Readonly<{ pattern: string; value: string }>;
export type TruthProblem = Readonly<{ line: number; text: string }> &
  (
    | Readonly<{ code: 'wrong-length'; lamps: number; found: number }>
    | Readonly<{ code: 'no-value' }>
    | Readonly<{ code: 'unknown-letter'; letter: string }>
    | Readonly<{ code: 'said-before'; before: number; value: string }>
  );

/** What people write for a lamp that is on, off, or may be either. */
const spelled: Readonly<Record<string, string>> = {
  on: '1',
  off: '0',
  x: '1',
  '●': '1',
  '○': '0',
  o: '0',
  any: '-',
  '*': '-',
  lit: 'l',
  dark: 'd',
  slow: 's',
  fast: 'f',
  red: 'R',
  green: 'G',
  amber: 'A',
  white: 'W',
  blue: 'B',
  yellow: 'Y',
};

const plain = (cell: string): string => spelled[cell.toLowerCase()] ?? cell;

/**
 * Rows of a truth table as people paste them: a pattern in one word or a cell for each lamp, then what it stands for,
 * parted by tabs, commas, semicolons, bars or spaces. A first line that holds no pattern is taken for a heading. Every
 * line that cannot be read is told with its number; the others are kept.
 */
export function readTruthTable(
  text: string,
  reads: Pick<ReadsOf<'lamps'>, 'onIs' | 'offIs'> & { lamps: readonly unknown[] },
): { rows: TruthRow[]; problems: TruthProblem[] } {
  const rows: TruthRow[] = [];
  const problems: TruthProblem[] = [];
  const lineOf = new Map<string, number>();
  const lamps = reads.lamps.length;
  text.split(/\r?\n/).forEach((raw, i) => {
    const line = i + 1;
    const whole = raw.trim();
    if (whole === '') return;
    const separator = /[\t;|]/.test(whole) ? /\s*[\t;|]\s*/ : whole.includes(',') ? /\s*,\s*/ : /\s+|→|=/;
    const cells = whole
      .replace(/^\||\|$/g, '')
      .split(separator)
      .map((c) => c.trim())
      .filter((c) => c !== '');
    const own = cells.slice(0, lamps).map(plain);
    const inCells = lamps > 1 && cells.length > lamps && own.every((c) => c.length === 1);
    const pattern = inCells || lamps === 1 ? own.join('') : (cells[0] ?? '');
    const value = cells.slice(inCells ? lamps : 1).join(' ');
    const odd = [...pattern].find((letter) => cellOf(letter, reads) === null);
    const isHeading = rows.length === 0 && problems.length === 0 && (odd !== undefined || pattern.length !== lamps);
    if (isHeading && i === 0 && /[a-z]{2}/i.test(whole) && !/^[01\-dlsfRGAWBY]+$/.test(cells[0] ?? '')) return;
    if (odd !== undefined) problems.push({ line, text: whole, code: 'unknown-letter', letter: odd });
    else if (pattern.length !== lamps)
      problems.push({ line, text: whole, code: 'wrong-length', lamps, found: pattern.length });
    else if (value === '') problems.push({ line, text: whole, code: 'no-value' });
    else if (lineOf.has(pattern) && rows.find((r) => r.pattern === pattern)?.value !== value)
      problems.push({ line, text: whole, code: 'said-before', before: lineOf.get(pattern) ?? 0, value });
    else if (!lineOf.has(pattern)) {
      lineOf.set(pattern, line);
      rows.push({ pattern, value: value.slice(0, 12) });
    }
  });
  return { rows, problems };
}

/** What is wrong with a line, in one sentence. */
export function truthProblemWords(p: TruthProblem): string {
  switch (p.code) {
    case 'wrong-length':
      return `line ${p.line}: ${p.found} sign${p.found === 1 ? '' : 's'} for ${p.lamps} lamps`;
    case 'no-value':
      return `line ${p.line}: nothing stands behind the pattern`;
    case 'unknown-letter':
      return `line ${p.line}: “${p.letter}” is no sign for a lamp (1 0 - d l s f R G A W B Y)`;
    case 'said-before':
      return `line ${p.line}: the same pattern stands in line ${p.before} for something else`;
  }
}
