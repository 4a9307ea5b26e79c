import { numberWords } from '../spoken/numbers.ts';

/** One word, number, quotation or stop of a telling, with where it stands in the text. */
export type Token = Readonly<{
  kind: 'word' | 'number' | 'text' | 'stop';
  /** In small letters; of a verb its plain form. */
  word: string;
  raw: string;
  value: number | null;
  from: number;
  to: number;
}>;

/** Forms of the verbs people tell sequences with, by their plain form. */
const verbs: Readonly<Record<string, string>> = Object.fromEntries(
  Object.entries({
    press: 'presses pressing',
    push: 'pushes pushing',
    tap: 'taps tapping',
    hit: 'hits hitting',
    hold: 'holds holding',
    keep: 'keeps keeping',
    release: 'releases releasing released',
    turn: 'turns turning turned',
    switch: 'switches switching switched',
    open: 'opens opening opened lift lifts lifting raise',
    shut: 'shuts shutting close closes closing closed',
    pull: 'pulls pulling',
    put: 'puts putting',
    set: 'sets setting',
    wait: 'waits waiting',
    light: 'lights lighting',
    flash: 'flashes flashing blink blinks blinking',
    beep: 'beeps beeping',
    stop: 'stops stopping',
    start: 'starts starting',
    show: 'shows showing',
    say: 'says saying',
    read: 'reads reading',
    go: 'goes going',
    come: 'comes coming',
    appear: 'appears appearing',
    sound: 'sounds sounding',
    let: 'lets letting',
    choose: 'chooses choosing pick picks select selects',
    step: 'steps stepping',
    repeat: 'repeats repeating',
    remove: 'removes removing',
    fit: 'fits fitting insert',
    unplug: 'unplugs unplugging',
    move: 'moves moving',
    take: 'takes taking',
    lamp: 'lamps',
    second: 'seconds sec secs',
    minute: 'minutes min mins',
    hour: 'hours h',
    click: 'clicks notch notches',
    place: 'places',
    time: 'times',
  }).flatMap(([plain, forms]) => forms.split(' ').map((form) => [form, plain] as const)),
);

const pattern = /"[^"]*"|“[^”]*”|\d+(?:[.,]\d+)?|[×\p{L}\p{N}]+(?:['’-][\p{L}\p{N}]+)*['’]?|[.,;:!?\n()–—]/gu;

/** Cuts a telling into tokens. Numbers as words count as numbers; so do “once”, “twice” and “half”. */
export function tokensOf(text: string): Token[] {
  return [...text.matchAll(pattern)].map((m): Token => {
    const raw = m[0];
    const at = { raw, from: m.index, to: m.index + raw.length };
    const plain = raw.toLowerCase().replaceAll('’', "'");
    if (/^["“]/.test(raw)) return { ...at, kind: 'text', word: raw.slice(1, -1), value: null };
    if (/^[.,;:!?\n()–—]$/.test(raw)) return { ...at, kind: 'stop', word: raw, value: null };
    if (/^\d/.test(raw) && /^\d+(?:[.,]\d+)?$/.test(raw))
      return { ...at, kind: 'number', word: plain, value: Number(raw.replace(',', '.')) };
    const bare = plain.replace(/'s?$/, '');
    const value = numberWords[plain];
    if (value !== undefined) return { ...at, kind: 'number', word: plain, value };
    return { ...at, kind: 'word', word: verbs[plain] ?? verbs[bare] ?? bare, value: null };
  });
}

/** Words that say nothing of what is done. */
export const fillers: ReadonlySet<string> = new Set(
  'the a an your its this that please just now carefully gently simply so yet still straight will should you'.split(
    ' ',
  ),
);
