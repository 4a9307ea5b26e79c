import { numberAt } from '../../spoken/numbers.ts';

/** One word of a telling, with its place in the text. */
export type Word = Readonly<{
  /** In small letters, without a possessive ending. */
  word: string;
  raw: string;
  /** A number, whether in figures or in words; of several words the first. */
  value: number | null;
  /** How many words that number takes. */
  span: number;
  from: number;
  to: number;
}>;

const pattern = /-{1,2}>|=>|→|⇒|"[^"]*"|“[^”]*”|\d+(?:[.,]\d+)?|[\p{L}\p{N}]+(?:['’-][\p{L}\p{N}]+)*|[.,;:!?\n()–—…]/gu;

const isStop = (raw: string): boolean => /^[.,;:!?\n()–—…]$/.test(raw);

/** Cuts a text into words and stops. Numbers over several words stand at the first of them. */
export function wordsOf(text: string): Word[] {
  const plain = [...text.matchAll(pattern)].flatMap((m): Array<Omit<Word, 'value' | 'span'>> => {
    // an arrow leads on as a comma does
    const raw = /^(?:-{1,2}>|=>|→|⇒)$/.test(m[0]) ? ',' : m[0];
    const from = m.index;
    const word = raw.toLowerCase().replaceAll('’', "'").replace(/'s$/, '');
    return [{ word, raw, from, to: from + m[0].length }];
  });
  const list = plain.map((w) => w.word);
  return plain.map((w, i): Word => {
    if (isStop(w.raw)) return { ...w, value: null, span: 1 };
    if (/^\d+(?:[.,]\d+)?$/.test(w.raw)) {
      const value = Number(w.raw.replace(',', '.'));
      // two point five, said
      return { ...w, value, span: 1 };
    }
    const number = numberAt(list, i);
    if (!number) return { ...w, value: null, span: 1 };
    if (list[i + number.words] === 'point') {
      const tail = numberAt(list, i + number.words + 1);
      if (tail && tail.value < 10)
        return { ...w, value: number.value + tail.value / 10, span: number.words + 1 + tail.words };
    }
    if (list[i + number.words] === 'and' && list[i + number.words + 1] === 'a' && list[i + number.words + 2] === 'half')
      return { ...w, value: number.value + 0.5, span: number.words + 3 };
    return { ...w, value: number.value, span: number.words };
  });
}
