/** Which of a row or a column somebody points at, counted in the order one sees them. */
export type SpokenPlace =
  | Readonly<{ kind: 'end'; end: 'first' | 'last'; count: number }>
  /** The second from the right. */
  | Readonly<{ kind: 'nth'; n: number; from: 'first' | 'last' }>
  | Readonly<{ kind: 'middle'; count: number }>
  /** Those at both ends. */
  | Readonly<{ kind: 'outer' }>
  /** The one next to the last that was named. */
  | Readonly<{ kind: 'beside' }>;

const ends: Readonly<Record<string, 'first' | 'last'>> = {
  left: 'first',
  leftmost: 'first',
  right: 'last',
  rightmost: 'last',
  last: 'last',
  top: 'first',
  upper: 'first',
  topmost: 'first',
  bottom: 'last',
  lower: 'last',
  lowest: 'last',
  below: 'last',
};

/** The end of a row or column a word names; null where it names none. `left` and `top` come first. */
export const endOf = (word: string): 'first' | 'last' | null => ends[word] ?? null;

const middles = new Set(['middle', 'center', 'centre', 'central']);
export const isMiddle = (word: string): boolean => middles.has(word);

/** The places, from 0, that are meant in a row of so many; `named` are those named before. */
export function placesIn(place: SpokenPlace, row: number, named: readonly number[]): number[] {
  const inRow = (i: number) => i >= 0 && i < row;
  switch (place.kind) {
    case 'end': {
      const count = Math.min(row, place.count);
      return Array.from({ length: count }, (_, i) => (place.end === 'first' ? i : row - count + i));
    }
    case 'nth':
      return [place.from === 'first' ? place.n - 1 : row - place.n].filter(inRow);
    case 'middle': {
      const count = place.count === 1 && row % 2 === 0 ? 2 : place.count;
      const from = Math.floor((row - count) / 2);
      return Array.from({ length: count }, (_, i) => from + i).filter(inRow);
    }
    case 'outer':
      return row > 1 ? [0, row - 1] : [0];
    case 'beside': {
      const at = named.at(-1);
      return at === undefined ? [] : [at === row - 1 ? at - 1 : at + 1].filter(inRow);
    }
  }
}
