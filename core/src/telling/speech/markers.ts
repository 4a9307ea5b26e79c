import { type Called, mentionAt } from './mentions.ts';
import { type Word, wordsOf } from './text.ts';

/** Where the figures of a list stand, in a line or at its start: `1. open the hatch 2. take J2 off 3. lift the nozzle`. */
export function listMarks(text: string): ReadonlySet<number> {
  const marks: number[] = [];
  for (const m of text.matchAll(/(?<=^|[\s(:])(\d{1,2})[.)](?=\s+\p{L})/gu)) {
    const n = Number(m[1]);
    if (n === marks.length + 1) marks.push(m.index);
  }
  // `1 tractor off`, `2 cable out`: each at the start of its line, with nothing behind the figure
  const lines: number[] = [];
  for (const m of text.matchAll(/^[ \t]*(\d{1,2})[ \t]+(?=\S)/gm)) {
    const at = m.index + m[0].indexOf(m[1] ?? '');
    if (Number(m[1]) === lines.length + 1) lines.push(at);
  }
  if (lines.length >= 4 && lines.length > marks.length) return new Set(lines);
  return new Set(marks.length >= 3 ? marks : []);
}

const codeLine = /^[ \t•*-]*([A-Z]{1,2}-?\d{1,4})(?![\w.])[ \t:=–-]+(\S.{2,80})$/;
const asksFor = /^(?:press|hold|push|turn|set|pull|switch|open|close|put|take|wait|off|on|in|out)\b/i;
/**
 * Lines that say which code is about what, two or more in a row: `F08 fan 2 thermal relay`, `F30 chamber door open`. Nothing
 * is done there, whatever they name of the unit; no such line begins with what something of the unit is called, as `F6 out`.
 */
export function codeLines(text: string, called: Called): ReadonlyArray<readonly [from: number, to: number]> {
  const found: Array<readonly [number, number]> = [];
  let run: Array<readonly [number, number]> = [];
  const close = (): void => {
    if (run.length > 1) found.push(...run);
    run = [];
  };
  let at = 0;
  for (const line of text.split('\n')) {
    const [, code = '', about = ''] = codeLine.exec(line) ?? [];
    const words = wordsOf(code.toLowerCase());
    const isOfUnit = mentionAt(words, 0, called.controls) ?? mentionAt(words, 0, called.signs);
    if (code !== '' && !isOfUnit && !asksFor.test(about)) run.push([at, at + line.length]);
    else if (line.trim() !== '') close();
    at += line.length + 1;
  }
  close();
  return found;
}

/**
 * `Short version for those in a hurry: … Long version: …`: told twice, and read where it is told at length; from the one to
 * the other. Null where it is not told so.
 */
export function shortVersion(text: string): readonly [from: number, to: number] | null {
  const short = /(?:^|[.!?\n])[^.!?\n]{0,20}\b(?:short|quick) version\b/i.exec(text);
  const long = /\b(?:long|longer|full|whole) version\b/i.exec(text);
  return short && long && long.index > short.index ? [short.index, long.index + long[0].length] : null;
}

const isStop = (w: Word | undefined): boolean => w === undefined || /^[.!?\n;:…]$/.test(w.raw);

/**
 * Words without those that only say that somebody goes on: the figures of a list become ends of lines, and `Right,` before
 * something that is no key is not the key called right.
 */
export function withoutMarkers(words: readonly Word[], called: Called, marks: ReadonlySet<number>): Word[] {
  const out: Word[] = [];
  for (let i = 0; i < words.length; i += 1) {
    const w = words[i];
    if (!w) break;
    if (marks.has(w.from) && w.value !== null) {
      out.push({ ...w, raw: '\n', word: '\n', value: null });
      if (/^[.)]$/.test(words[i + 1]?.raw ?? '')) i += 1;
      continue;
    }
    const after = words[i + 2];
    const opens =
      w.word === 'right' &&
      isStop(words[i - 1]) &&
      words[i - 1]?.raw !== '?' &&
      /^[,.!]$/.test(words[i + 1]?.raw ?? '') &&
      after !== undefined &&
      mentionAt(words, i + 2, called.controls) === null &&
      !/^(?:left|right|up|down|and|then|once|twice|press|again)$/.test(after.word) &&
      after.value === null;
    if (opens) {
      i += words[i + 1]?.raw === ',' ? 1 : 0;
      continue;
    }
    out.push(w);
  }
  return out;
}
