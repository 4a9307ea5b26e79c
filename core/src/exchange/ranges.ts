const most = 500;
const cut = /\s*(?:[,;\n]|\band\b|&)\s*/i;
const span = /^([^\d\s]*?)(\d+)\s*(?:–|—|-|\.\.+|\bto\b|\bthrough\b)\s*([^\d\s]*?)(\d+)$/i;

/** One piece of a cell: a range where it is one, else the text as it stands. */
function expandOne(piece: string): string[] {
  const [, before = '', low = '', beforeHigh = '', high = ''] = span.exec(piece) ?? [];
  const [from, to] = [Number(low), Number(high)];
  const isRange =
    low !== '' &&
    (beforeHigh === '' || beforeHigh.toUpperCase() === before.toUpperCase()) &&
    // "412-3" is a pair of numbers, not a range
    high.length >= low.length &&
    to > from &&
    to - from < most;
  if (!isRange) return [piece];
  const width = low.startsWith('0') ? low.length : 0;
  return Array.from({ length: to - from + 1 }, (_, i) => before + String(from + i).padStart(width, '0'));
}

/** The codes a cell names: `206–211` is six, `7, 53 and 140` three, `C01 to C04` four; anything else is one as it stands. */
export function expandCodes(cell: string): string[] {
  return cell
    .split(cut)
    .map((piece) => piece.trim())
    .filter((piece) => piece !== '')
    .flatMap(expandOne);
}
