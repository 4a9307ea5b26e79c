/** Lists in one cell: an item a line, its fields with bars between. Backslash keeps what would be taken for either. */
const signs: ReadonlyArray<readonly [string, string]> = [
  ['\\', '\\\\'],
  ['|', '\\|'],
  ['\n', '\\n'],
];
const meant: Readonly<Record<string, string>> = { n: '\n', s: ' ' };

function protect(field: string): string {
  let out = field;
  for (const [sign, kept] of signs) out = out.replaceAll(sign, kept);
  // blanks at the ends would be taken for layout
  return out.replace(/^ | $/g, '\\s');
}

function restore(field: string): string {
  return field.replace(/^ +| +$/g, '').replace(/\\(.)/g, (_, sign: string) => meant[sign] ?? sign);
}

/** Writes items as lines of fields; empty fields at the end are left out. */
export function writeItems(items: ReadonlyArray<readonly string[]>): string {
  return items
    .map((fields) => {
      const last = fields.findLastIndex((f) => f !== '');
      const line = fields
        .slice(0, last + 1)
        .map(protect)
        .join(' | ');
      return line === '' ? '\\' : line;
    })
    .join('\n');
}

/** Reads lines of fields; what `writeItems` wrote comes back as it was, up to empty fields at the end. */
export function readItems(cell: string): string[][] {
  return cell
    .split(/\r\n|\n|\r/)
    .filter((line) => line.trim() !== '')
    .map((line) => (line.trim() === '\\' ? [] : line.split(/(?<=(?:^|[^\\])(?:\\\\)*)\|/).map(restore)));
}

/** Writes a text for a cell; blanks at its ends and what a spreadsheet would take for a formula are kept from harm. */
export function writeText(text: string): string {
  const kept = text !== text.trim() || text.startsWith('\\') ? `\\${protect(text)}` : text;
  return /^'*[=+\-@]/.test(kept) ? `'${kept}` : kept;
}

/** Reads a text cell; blanks around it do not count, and every way to break a line is one. */
export function readText(cell: string): string {
  const trimmed = cell.trim();
  const plain = /^'+[=+\-@]/.test(trimmed) ? trimmed.slice(1) : trimmed;
  return plain.startsWith('\\') ? restore(plain.slice(1)) : plain.replace(/\r\n|\r/g, '\n');
}
