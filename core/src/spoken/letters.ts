/** How the letters sound when somebody spells them. */
const spelt: Readonly<Record<string, string>> = {
  ay: 'A',
  aye: 'A',
  bee: 'B',
  cee: 'C',
  see: 'C',
  sea: 'C',
  dee: 'D',
  ee: 'E',
  eee: 'E',
  ef: 'F',
  eff: 'F',
  gee: 'G',
  aitch: 'H',
  haitch: 'H',
  jay: 'J',
  kay: 'K',
  el: 'L',
  ell: 'L',
  em: 'M',
  en: 'N',
  pee: 'P',
  cue: 'Q',
  queue: 'Q',
  ar: 'R',
  ess: 'S',
  tee: 'T',
  vee: 'V',
  ex: 'X',
  wye: 'Y',
  zed: 'Z',
  zee: 'Z',
};

/** The letters as they are called where a line is bad. */
const called =
  'alfa bravo charlie delta echo foxtrot golf hotel india juliett kilo lima mike november oscar papa quebec romeo sierra ' +
  'tango uniform victor whiskey xray yankee zulu alpha juliet whisky x-ray';
const byCall: ReadonlyMap<string, string> = new Map(called.split(' ').map((w) => [w, (w[0] ?? '').toUpperCase()]));

/** The letter a word spells: itself, or how it sounds; null where it spells none. */
export function letterOf(word: string): string | null {
  if (/^[a-z]$/i.test(word)) return word.toUpperCase();
  return spelt[word.toLowerCase()] ?? byCall.get(word.toLowerCase()) ?? null;
}
