/** How one part of a code's text is written: so many figures, figures as they come, or a letter of the alphabet. */
export type PartShape = 1 | 2 | 'figures' | 'letter';
/** A code's text as it is put together: what always stands first, then a part for each look. */
export type TextShape = Readonly<{ prefix: string; parts: readonly PartShape[] }>;

const pattern = (part: PartShape): string =>
  part === 'letter' ? '([A-Z])' : part === 'figures' ? String.raw`(0|[1-9]\d{0,2})` : String.raw`(\d{${part}})`;
const escaped = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, String.raw`\$&`);

/** What each part of a text counts: a number, or a letter's place in the alphabet from 1; null where it is not written so. */
export function valuesIn(text: string, { prefix, parts }: TextShape): readonly number[] | null {
  const found = new RegExp(`^${escaped(prefix)}${parts.map(pattern).join('')}$`).exec(text);
  return found
    ? found.slice(1).map((piece, i) => (parts[i] === 'letter' ? piece.charCodeAt(0) - 64 : Number(piece)))
    : null;
}

/** The text that says these values; null where a part cannot say one. */
export function textOf(values: readonly number[], { prefix, parts }: TextShape): string | null {
  let text = prefix;
  for (const [i, part] of parts.entries()) {
    const value = values[i] ?? -1;
    const most = part === 'letter' ? 26 : part === 'figures' ? 999 : 10 ** part - 1;
    if (value < (part === 'letter' ? 1 : 0) || value > most) return null;
    text +=
      part === 'letter'
        ? String.fromCharCode(64 + value)
        : part === 'figures'
          ? String(value)
          : String(value).padStart(part, '0');
  }
  return text;
}

const choices = (count: number): PartShape[][] =>
  count === 1
    ? [['figures'], [2], ['letter']]
    : Array.from({ length: count }).reduce<PartShape[][]>(
        (rows, _, i) =>
          rows.flatMap((row) => (i === 0 ? [1, 2, 'letter'] : [1, 2]).map((part) => [...row, part as PartShape])),
        [[]],
      );

/**
 * All the ways some texts may be put together of so many parts; those that read every text alike are one, but for whether a
 * single number has a zero before it.
 */
export function shapesOf(texts: readonly string[], count: number): TextShape[] {
  const [first = ''] = texts;
  const found = new Map<string, TextShape>();
  for (const parts of choices(count))
    for (let length = 0; length < first.length; length += 1) {
      const shape = { prefix: first.slice(0, length), parts };
      // what always stands first is no figure
      if (/\d/.test(shape.prefix)) break;
      const values = texts.map((text) => valuesIn(text, shape));
      // 14 in two figures, or as it comes: below ten they differ
      const key = JSON.stringify([values, parts.map((part) => part === 2 && count === 1)]);
      if (values.every((v) => v !== null) && !found.has(key)) found.set(key, shape);
    }
  return [...found.values()];
}
