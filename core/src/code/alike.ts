/** Characters that eyes, gloves and segment displays swap, and those that are only a little alike. */
const close = ['0O', '0D', '0Q', '1I', '1L', '17', '5S', '2Z', '6G', '6b', '8B', 'UV'];
const loose = ['OD', 'OQ', 'DQ', 'IL', 'I7', 'L7', 'GB', '6B', '8b'];
/** Rows of keys as they lie under a finger in a glove. */
const rows = ['1234567890', 'QWERTYUIOP', 'ASDFGHJKL', 'ZXCVBNM'];

const bothWays = (pairs: readonly string[]): Set<string> =>
  new Set(pairs.flatMap((pair) => [pair, `${pair[1]}${pair[0]}`]));
const closePairs = bothWays(close);
const loosePairs = bothWays(loose);
const neighbours = bothWays(rows.flatMap((row) => [...row].slice(1).map((key, i) => `${row[i]}${key}`)));

/** One class for whatever may be taken for another: 6, G, B and 8 hang together, so they are one. */
const classes = new Map<string, string>();
for (const members of ['0ODQ', '1IL7', '5S', '2Z', '8B6G', 'UV'])
  for (const m of members) classes.set(m, members[0] ?? m);

const isLetter = (c: string): boolean => (c >= 'A' && c <= 'Z') || c === 'b';

/** A code's text without what people leave out or put in: case, dashes, spaces, dots. */
export function squeezed(text: string): string {
  return typedAs(text).toUpperCase();
}

/** As `squeezed`, but a small b stays one: on seven segments it is nearer to a 6 than to an 8. */
export function typedAs(text: string): string {
  const tight = text.replace(/[\s\-_.·:/]/g, '');
  return tight.includes('b')
    ? tight
        .split('b')
        .map((part) => part.toUpperCase())
        .join('b')
    : tight.toUpperCase();
}

const withoutZeros = (text: string): string => text.replace(/(?<=[A-Zb]|^)0+(?=\d)/g, '');

/** A code's text without case, dashes, spaces, and zeros before a number. */
export function plainCode(text: string): string {
  return withoutZeros(squeezed(text));
}
export const plainAs = (text: string): string => withoutZeros(typedAs(text));

/** The text with every character replaced by its class of look-alikes: equal for codes that eyes may swap. */
export function classed(text: string): string {
  let out = '';
  for (const c of text.toUpperCase()) out += classes.get(c) ?? c;
  return out;
}

/** One place where a typed text and a listed one differ. */
export type Difference = Readonly<{
  kind: 'look-alike' | 'neighbour' | 'wrong' | 'swapped' | 'missing' | 'extra';
  /** From 0, in the listed text without spaces and dashes. */
  at: number;
  typed: string;
  listed: string;
}>;

const same = (typed: string, listed: string): boolean =>
  typed === listed || (typed === 'b' && listed === 'B') || (typed === 'B' && listed === 'b');

/** What taking one character for another costs: look-alikes little, keys beside each other more, anything else one. */
function costOf(typed: string, listed: string): number {
  if (same(typed, listed)) return 0;
  if (closePairs.has(typed + listed)) return 0.3;
  if (loosePairs.has(typed + listed)) return 0.45;
  if (neighbours.has(typed + listed)) return 0.75;
  return isLetter(typed) === isLetter(listed) ? 0.9 : 1.2;
}

const swapCost = 0.6;
const gapCost = 1;
const plainSigns = 128;
const unknown = -1;
/** The same, worked out once for every pair of plain signs that is met: distances are taken by the thousand. */
const costs = new Float64Array(plainSigns * plainSigns).fill(unknown);
const costAt = (typed: string, i: number, listed: string, j: number): number => {
  const [x, y] = [typed.charCodeAt(i), listed.charCodeAt(j)];
  if (x >= plainSigns || y >= plainSigns) return costOf(typed[i] ?? '', listed[j] ?? '');
  const at = x * plainSigns + y;
  const known = costs[at] ?? unknown;
  if (known !== unknown) return known;
  const cost = costOf(String.fromCharCode(x), String.fromCharCode(y));
  costs[at] = cost;
  return cost;
};

let cells = new Float64Array(400);

/** Fills the table of distances between beginnings of both texts; good until the next call. */
function table(typed: string, listed: string): Float64Array {
  const width = listed.length + 1;
  const size = (typed.length + 1) * width;
  if (cells.length < size) cells = new Float64Array(size);
  for (let i = 0; i <= typed.length; i++) cells[i * width] = i * gapCost;
  for (let j = 0; j <= listed.length; j++) cells[j] = j * gapCost;
  for (let i = 1; i <= typed.length; i++) {
    for (let j = 1; j <= listed.length; j++) {
      const at = i * width + j;
      const here = costAt(typed, i - 1, listed, j - 1);
      let best = (cells[at - width - 1] ?? 0) + here;
      best = Math.min(best, (cells[at - width] ?? 0) + gapCost, (cells[at - 1] ?? 0) + gapCost);
      if (
        i > 1 &&
        j > 1 &&
        here > 0 &&
        costAt(typed, i - 1, listed, j - 2) === 0 &&
        costAt(typed, i - 2, listed, j - 1) === 0
      )
        best = Math.min(best, (cells[at - 2 * width - 2] ?? 0) + swapCost);
      cells[at] = best;
    }
  }
  return cells;
}

/** Edit distance in which look-alike characters cost 0.3, neighbours the wrong way round 0.6, others about one. */
export function codeDistance(typed: string, listed: string): number {
  return typed === listed ? 0 : (table(typed, listed)[(typed.length + 1) * (listed.length + 1) - 1] ?? 0);
}

/** How a typed text differs from a listed one, place by place, along the cheapest way from one to the other. */
export function differences(typed: string, listed: string): Difference[] {
  const cells = table(typed, listed);
  const width = listed.length + 1;
  const found: Difference[] = [];
  let [i, j] = [typed.length, listed.length];
  const near = (a: number, b: number) => Math.abs(a - b) < 1e-9;
  while (i > 0 || j > 0) {
    const here = cells[i * width + j] ?? 0;
    const [x, y] = [typed[i - 1] ?? '', listed[j - 1] ?? ''];
    if (i > 0 && j > 0 && near(here, (cells[(i - 1) * width + j - 1] ?? 0) + costOf(x, y))) {
      if (!same(x, y))
        found.push({
          kind:
            closePairs.has(x + y) || loosePairs.has(x + y)
              ? 'look-alike'
              : neighbours.has(x + y)
                ? 'neighbour'
                : 'wrong',
          at: j - 1,
          typed: x.toUpperCase(),
          listed: y,
        });
      i--;
      j--;
    } else if (
      i > 1 &&
      j > 1 &&
      near(here, (cells[(i - 2) * width + j - 2] ?? 0) + swapCost) &&
      same(x, listed[j - 2] ?? '')
    ) {
      found.push({
        kind: 'swapped',
        at: j - 2,
        typed: typed.slice(i - 2, i).toUpperCase(),
        listed: listed.slice(j - 2, j),
      });
      i -= 2;
      j -= 2;
    } else if (i > 0 && near(here, (cells[(i - 1) * width + j] ?? 0) + gapCost)) {
      found.push({ kind: 'extra', at: j, typed: x.toUpperCase(), listed: '' });
      i--;
    } else {
      found.push({ kind: 'missing', at: j - 1, typed: '', listed: y });
      j--;
    }
  }
  return found.reverse();
}
