/**
 * What lights on a seven-segment place for each character that can be drawn there: a bit a segment, from the top round
 * clockwise (1, 2, 4, 8, 16, 32), the middle bar last (64).
 */
const font: Readonly<Record<string, number>> = {
  ' ': 0,
  '0': 63,
  '1': 6,
  '2': 91,
  '3': 79,
  '4': 102,
  '5': 109,
  '6': 125,
  '7': 7,
  '8': 127,
  '9': 111,
  A: 119,
  B: 124,
  C: 57,
  D: 94,
  E: 121,
  F: 113,
  G: 61,
  H: 118,
  I: 6,
  J: 30,
  L: 56,
  N: 84,
  O: 63,
  P: 115,
  Q: 103,
  R: 80,
  S: 109,
  T: 120,
  U: 62,
  Y: 110,
  Z: 91,
  '-': 64,
  _: 8,
  '=': 72,
};

/** The segments, in the order of their bits, as people point at them. */
export const segmentNames = [
  'top',
  'upper right',
  'lower right',
  'bottom',
  'lower left',
  'upper left',
  'middle',
] as const;

/** The bits that light for a character; null where seven segments cannot draw it. */
export const segmentsOf = (character: string): number | null => font[character.toUpperCase()] ?? null;

/** Every character of an alphabet that these bits draw: none, one, or several that look the same. */
export const drawnAs = (bits: number, alphabet: string): string[] =>
  [...alphabet].filter((c) => segmentsOf(c) === bits);

/** The one segment whose loss turns one character into the other; null where it takes more, or less. */
export function lostSegment(from: string, to: string): number | null {
  const a = segmentsOf(from);
  const b = segmentsOf(to);
  if (a === null || b === null || (a & b) !== b) return null;
  const lost = a ^ b;
  return lost !== 0 && (lost & (lost - 1)) === 0 ? Math.log2(lost) : null;
}

/** Characters an eye or a caller swaps on any face. */
const confusable = ['0ODQ', '1IL7', '5S', '2Z', '6GB', '8B', 'UV', 'CG', '4A', '9G'];

export const looksLike = (a: string, b: string): boolean => {
  const [x, y] = [a.toUpperCase(), b.toUpperCase()];
  return x !== y && confusable.some((group) => group.includes(x) && group.includes(y));
};

/** Pairs that are typed for one another more than any others. */
const twins = ['0O', '1I', '1L', '5S', '2Z', '8B'];

export const isTwin = (a: string, b: string): boolean => {
  const [x, y] = [a.toUpperCase(), b.toUpperCase()];
  return x !== y && twins.some((pair) => pair.includes(x) && pair.includes(y));
};
