import { letterOf } from '../spoken/letters.ts';
import { joinedByDash, numberAt } from '../spoken/numbers.ts';

const signs: Readonly<Record<string, string>> = {
  dash: '-',
  minus: '-',
  hyphen: '-',
  dot: '.',
  point: '.',
  slash: '/',
};

/** Words somebody says around what a display shows. */
const fillers: ReadonlySet<string> = new Set(
  (
    "the an and is are it its it's i says say said shows show showing reads read display displays displaying screen code " +
    'error fault letter letters digit digits character figure number capital big little small then there theres there’s on ' +
    'this that of in at with front ok okay so like um uh er well think flashing blinking steady just only now comes up for ' +
    'me my what a'
  ).split(' '),
);

type Piece = Readonly<{ text: string; figure: boolean }>;

const unclear =
  /\b(?:something|one|a (?:digit|letter|place|figure))? ?(?:i )?(?:can ?not|can't|couldn't|could not) (?:read|tell|see|make out)\b/gi;

/** Words of its own a display may show, and the characters it has. */
type Face = Readonly<{ words: readonly string[]; characters: string }>;
const anyFace: Face = { words: [], characters: '' };

/** Words as they sound on a display of few letters: low is LO, high is HI. */
const sounding = (said: string): string => said.replace(/\b(l)ow\b/gi, '$1o').replace(/\b(h)igh\b/gi, '$1i');

/** What a display shows, as it was said: "E three" is E3, "eff oh five" F05, "four twelve dash seven" 412-7. */
export function charactersSaid(said: string, { words, characters }: Face = anyFace): string {
  const whole = said.trim();
  const known = words.find((w) => new RegExp(`\\b${w.replace(/[^\w]/g, '.')}\\b`, 'i').test(sounding(whole)));
  if (known !== undefined) return known;
  const plain = said
    .slice(0, 200)
    .replace(/[’`]/g, "'")
    .replace(unclear, ' ? ')
    .replace(/\b([a-z]) as in \w+/gi, '$1')
    .replace(/\b([a-z]) (?:for|like) ([a-z]{3,})/gi, (all, letter: string, word: string) =>
      word.toLowerCase().startsWith(letter.toLowerCase()) ? letter : all,
    )
    .replace(/\bdouble (\w+)\b/gi, '$1 $1')
    // err is said of an E where there is no r to follow it
    .replace(/\berr (?=\w)/gi, characters.includes('E') && !/r/i.test(characters) ? 'E ' : ' ')
    .replace(/\b(?:um+|uh+|er+)\b/gi, ' ')
    .replace(/^(.*?)\bwith (?:a|an) (\w+) in front\b/i, '$2 $1')
    .replace(/\b(\w+)(?: i think)?,? (?:or|could be|maybe|might be) (?:a |an )?(\w+)\s*$/i, (_, a: string, b: string) =>
      doubted(a, b),
    )
    .replace(joinedByDash, '$1 ')
    // letters and figures parted by dashes are spelt out
    .replace(/\b\w(?:-\w)+\b/g, (m) => m.replaceAll('-', ' '));
  const spoken = plain.match(/[\p{L}\p{N}][\p{L}\p{N}'./-]*|[-./?=_,]/gu) ?? [];
  const pieces: Piece[] = [];
  for (let at = 0; at < spoken.length; ) {
    const raw = spoken[at] ?? '';
    const word = raw.toLowerCase();
    const typed = /^\d+$/.test(raw);
    const number = typed
      ? null
      : numberAt(
          spoken.map((w) => w.toLowerCase()),
          at,
        );
    if (typed) pieces.push({ text: raw, figure: true });
    else if (number) {
      // figures said in pairs stay as they are: four twelve is 412
      pieces.push({ text: String(number.value), figure: true });
      at += number.words - 1;
    } else if (raw === '?') pieces.push({ text: '?', figure: true });
    else if (raw === ',') {
      // a stop says nothing
    } else if (signs[word] ?? /^[-./=_]$/.test(raw)) pieces.push({ text: signs[word] ?? raw, figure: false });
    else if ((word === 'oh' || raw === 'o') && (pieces.at(-1) !== undefined || spoken[at + 1] !== undefined))
      pieces.push({ text: '0', figure: true });
    else if (word === 'a' && isLetterA(spoken, at, characters)) pieces.push({ text: 'A', figure: false });
    else if (fillers.has(word)) {
      // says nothing
    } else if (letterOf(raw) !== null) pieces.push({ text: letterOf(raw) ?? '', figure: false });
    else if (/\d/.test(raw) || raw === raw.toUpperCase() || (spoken.length === 1 && raw.length <= 4))
      pieces.push({ text: raw.toUpperCase(), figure: /\d$/.test(raw) });
    at += 1;
  }
  const text = pieces.map((p) => p.text).join('');
  // a nought and an O sound alike: the word of its own goes first
  return words.find((w) => w.replaceAll('O', '0') === text.replaceAll('O', '0')) ?? text;
}

/** Whether an "a" is the letter: a large one before more of the code, or one between characters that nothing parts. */
function isLetterA(spoken: readonly string[], at: number, characters: string): boolean {
  const next = spoken.slice(at + 1).find((w) => w !== ',');
  const parted = spoken[at + 1] === ',' && at > 0;
  if (spoken[at] === 'A' && (isCodeLike(next) || (parted && characters.includes('A')))) return true;
  if (!isCodeLike(spoken[at + 1])) return false;
  return characters.includes('A') && /^[a-z]$/i.test(spoken[at - 1] ?? '');
}

const isCodeLike = (word: string | undefined): boolean =>
  word !== undefined && (/^\d/.test(word) || numberAt([word.toLowerCase()]) !== null || /^[A-Z]$/.test(word));

/** Two spellings of one place: what they have in common, and a mark for what is open. */
function doubted(a: string, b: string): string {
  const one = (w: string): string | null => {
    const n = numberAt([w.toLowerCase()]);
    return n ? String(n.value) : w.length === 1 ? w : null;
  };
  const [x, y] = [one(a), one(b)];
  return x !== null && y !== null && x.length === 1 && y.length === 1 ? '?' : `${a}`;
}

const labelled = /\b(?:suspect |the )?(?:parameter|component|item)(?: number)?\b(?: is)?/gi;
const modeWord = /\b(?:and |with )*(?:the )?(?:failure |fault )?mode\b(?: number| is| identifier)*/i;

/** A number pair as it was said: "four twelve dash seven", "parameter 412, failure mode 7", "mode seven on four one two". */
export function pairSaid(said: string): string {
  const plain = said.replace(labelled, ' ');
  const mode = modeWord.exec(plain);
  if (mode) {
    const before = plain.slice(0, mode.index);
    const after = plain.slice(mode.index + mode[0].length);
    const [x, y] = [charactersSaid(before), charactersSaid(after)];
    if (x !== '' && y !== '') return `${x}-${y}`;
    const split = /^(.*?)\b(?:on|of|for|at|with)\b(.*)$/i.exec(after);
    if (split) return `${charactersSaid(split[2] ?? '')}-${charactersSaid(split[1] ?? '')}`;
  }
  const typed = /^\D*(\d{1,6})\s+(\d{1,2})\D*$/.exec(plain.trim());
  if (typed) return `${typed[1]}-${typed[2]}`;
  const parted = /^(.+?)(?:,|\band then\b|\bthen\b|\bslash\b)(.+)$/i.exec(plain);
  if (parted) {
    const [x, y] = [charactersSaid(parted[1] ?? ''), charactersSaid(parted[2] ?? '')];
    if (/^\d+$/.test(x) && /^\d{1,2}$/.test(y)) return `${x}-${y}`;
  }
  return charactersSaid(plain);
}
