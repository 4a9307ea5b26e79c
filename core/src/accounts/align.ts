import type { Step } from '../model/route.ts';
import { printStep } from '../script/print.ts';
import { type Atom, atomsOf } from './atoms.ts';

/** In what two tellings of one step differ. */
export type Differing = 'count' | 'time' | 'control' | 'place' | 'act' | 'order' | 'left-out';

/** One step of the tellings laid side by side: by telling, what it says there, null where it leaves it out. */
export type Row = Readonly<{
  cells: ReadonlyArray<Atom | null>;
  /** Empty where all say the same. */
  differs: readonly Differing[];
  /** The row in a line: the different ways of saying it. The key under which a difference is settled. */
  about: string;
}>;

const gap = 1;
/** What it costs to take two atoms for one step told twice; `Infinity` never. */
function cost(a: Atom, b: Atom): number {
  if (a.act !== b.act) {
    const near = a.what === b.what && a.what !== '' && held(a) && held(b);
    return near ? 0.9 : Number.POSITIVE_INFINITY;
  }
  if (a.what !== b.what) {
    const share = sharesPart(a.what, b.what);
    if (a.act === 'see' || a.act === 'window') return share ? 0.6 : a.act === 'window' ? 0.7 : 1.4;
    return share ? 0.8 : a.to === b.to && a.count === b.count ? 1.3 : 1.6;
  }
  return (a.to === b.to ? 0 : 0.5) + (a.count === b.count ? 0 : 0.3) + (sameSpan(a, b) ? 0 : 0.2);
}
/** Whether two of several things joined by `+` have one in common. */
function sharesPart(a: string, b: string): boolean {
  if (!a.includes('+') && !b.includes('+')) return false;
  const parts = new Set(a.split('+'));
  return b.split('+').some((p) => p !== '' && parts.has(p));
}
const held = (a: Atom): boolean => a.act === 'press' || a.act === 'hold' || a.act === 'take' || a.act === 'set';

/** Two times count as one where each lies within the other's bounds, or one telling names none. */
function sameSpan(a: Atom, b: Atom): boolean {
  if (a.span === null || b.span === null) return true;
  const within = (x: number, s: { leastMs: number; mostMs: number }): boolean =>
    x >= s.leastMs * 0.95 && x <= s.mostMs * 1.05;
  return within(a.span.usualMs, b.span) || within(b.span.usualMs, a.span);
}

type Profile = Array<Array<Atom | null>>;

/** Puts one more telling beside those already aligned, at the least cost. */
function addTelling(rows: Profile, atoms: readonly Atom[], width: number): Profile {
  const n = rows.length;
  const m = atoms.length;
  const rowCost = (row: ReadonlyArray<Atom | null>, atom: Atom): number => {
    let least = Number.POSITIVE_INFINITY;
    for (const cell of row) if (cell) least = Math.min(least, cost(cell, atom));
    return least;
  };
  const table: Float64Array[] = Array.from({ length: n + 1 }, () => new Float64Array(m + 1));
  const at = (i: number, j: number): number => table[i]?.[j] ?? Number.POSITIVE_INFINITY;
  const put = (i: number, j: number, value: number): void => {
    const row = table[i];
    if (row) row[j] = value;
  };
  const costs = rows.map((row) => atoms.map((atom) => rowCost(row, atom)));
  for (let i = 0; i <= n; i += 1)
    for (let j = 0; j <= m; j += 1) {
      if (i === 0 || j === 0) put(i, j, (i + j) * gap);
      else
        put(
          i,
          j,
          Math.min(
            at(i - 1, j - 1) + (costs[i - 1]?.[j - 1] ?? Number.POSITIVE_INFINITY),
            at(i - 1, j) + gap,
            at(i, j - 1) + gap,
          ),
        );
    }
  const out: Profile = [];
  let i = n;
  let j = m;
  while (i > 0 || j > 0) {
    const row = rows[i - 1];
    const atom = atoms[j - 1];
    const both = costs[i - 1]?.[j - 1] ?? Number.POSITIVE_INFINITY;
    if (row && atom && at(i, j) === at(i - 1, j - 1) + both) {
      out.push([...row, atom]);
      i -= 1;
      j -= 1;
    } else if (row && (j === 0 || at(i, j) === at(i - 1, j) + gap)) {
      out.push([...row, null]);
      i -= 1;
    } else {
      out.push([...new Array<null>(width).fill(null), atom ?? null]);
      j -= 1;
    }
  }
  return out.reverse();
}

function differencesOf(cells: ReadonlyArray<Atom | null>): Differing[] {
  const told = cells.filter((c) => c !== null);
  const [first] = told;
  if (!first) return [];
  const differs: Differing[] = [];
  if (told.length < cells.length) differs.push('left-out');
  const any = (is: (a: Atom) => boolean): boolean => told.some(is);
  if (any((a) => a.act !== first.act)) differs.push('act');
  if (any((a) => a.what !== first.what)) differs.push('control');
  if (any((a) => a.act === first.act && a.to !== first.to)) differs.push('place');
  if (any((a) => a.count !== first.count && a.count !== null && first.count !== null)) differs.push('count');
  if (any((a) => !sameSpan(a, first))) differs.push('time');
  return differs;
}

const sameAtom = (a: Atom, b: Atom): boolean =>
  a.act === b.act && a.what === b.what && a.to === b.to && a.count === b.count;

/** Rows of which one telling has here what another has elsewhere are told in another order, not left out. */
function markOrder(rows: Row[]): Row[] {
  const left = rows.filter((r) => r.differs.includes('left-out'));
  return rows.map((row): Row => {
    if (!row.differs.includes('left-out')) return row;
    const mine = row.cells.find((c) => c !== null);
    const moved = left.some(
      (other) =>
        other !== row &&
        other.cells.some((cell, k) => cell !== null && mine && row.cells[k] === null && sameAtom(cell, mine)),
    );
    return moved ? { ...row, differs: [...row.differs.filter((d) => d !== 'left-out'), 'order'] } : row;
  });
}

const lineOf = (atom: Atom): string =>
  atom.act === 'let-go' && atom.step.kind === 'keep'
    ? `let-go ${atom.what.replaceAll('+', ' + ')}`
    : printStep(atom.step);

/** The different ways of saying a step, in a line. */
const linesOf = (cells: ReadonlyArray<Atom | null>): string[] => [
  ...new Set(cells.map((cell) => (cell ? lineOf(cell) : '—'))),
];
const aboutOf = (cells: ReadonlyArray<Atom | null>): string => linesOf(cells).join(' · ').slice(0, 120);

/**
 * Under what a difference between a route and its accounts is settled, where the route stands first: what the accounts
 * say there, in whatever order they stand, so that it stays the same when the route follows one of them. Null where there is nothing to settle:
 * nobody differs, or the route alone says more.
 */
export function differenceKey(row: Row): string | null {
  const told = row.cells.slice(1);
  return row.differs.length === 0 || told.every((cell) => cell === null)
    ? null
    : linesOf(told).sort().join(' · ').slice(0, 120);
}

/**
 * Lays tellings of one route side by side by their steps, not by their words: what is the same, what differs in count,
 * time, control, place or order, and what is left out. The first telling is the one the others are put beside.
 */
export function alignAccounts(tellings: ReadonlyArray<readonly Step[]>): Row[] {
  const [first = [], ...others] = tellings;
  let rows: Profile = atomsOf(first).map((atom) => [atom]);
  others.forEach((steps, k) => {
    rows = addTelling(rows, atomsOf(steps), k + 1);
  });
  const told = rows.map((cells): Row => {
    return { cells, differs: differencesOf(cells), about: aboutOf(cells) };
  });
  return markOrder(told);
}

/** A list that is stepped by presses, told as the presses, where the other telling counts presses of that control. */
function asPresses(steps: readonly Step[], other: readonly Step[]): Step[] {
  const listed = (control: string): boolean => other.some((o) => o.kind === 'step-list' && o.control === control);
  return steps.map((step): Step => {
    if (step.kind === 'group') return { ...step, steps: asPresses(step.steps, other) };
    const times = step.kind === 'step-list' ? Math.abs(step.to - step.start) : 0;
    return step.kind === 'step-list' && step.by === 'press' && times > 0 && !listed(step.control)
      ? { kind: 'press', control: step.control, times }
      : step;
  });
}

/** What of one telling another leaves out or tells differently; what it adds is no difference. */
export function contradictions(said: readonly Step[], steps: readonly Step[]): Row[] {
  const rows = alignAccounts([asPresses(said, steps), asPresses(steps, said)]);
  const held = new Set(rows.flatMap((row) => (row.cells[1]?.act === 'hold' ? [row.cells[1].what] : [])));
  return rows.filter((row) => {
    const [mine, theirs] = row.cells;
    if (!mine || mine.act === 'see') return false;
    // a hold that ends by itself is let go of, said or not; and holding without saying how long says nothing else
    if (mine.act === 'let-go' && !theirs) return !held.has(mine.what);
    if (mine.act === 'take' && theirs?.act === 'hold' && mine.what === theirs.what) return false;
    if (!theirs) return true;
    return row.differs.some(
      (d) => d === 'count' || d === 'time' || d === 'place' || d === 'act' || d === 'control' || d === 'order',
    );
  });
}
