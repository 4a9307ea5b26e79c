/** A telling as it was handed in, made one text; captions lose their times, which are kept by where their words stand. */
export type ReadIn = Readonly<{
  text: string;
  /** Who says what from where on, in a chat or where several speak; empty where one tells. */
  turns: ReadonlyArray<Readonly<{ from: number; who: string }>>;
  /** When what stands at a place was said, in milliseconds. */
  cues: ReadonlyArray<Readonly<{ from: number; atMs: number }>>;
}>;

const timing = /^\s*(?:(\d+):)?(\d{1,2}):(\d{2})[.,](\d{3})\s*-->/;

/** Cues of WebVTT or SRT joined by blanks; null where it is no captions. */
function captions(raw: string): ReadIn | null {
  const lines = raw.split(/\r?\n/);
  if (!lines.some((line) => timing.test(line))) return null;
  let text = '';
  const cues: Array<{ from: number; atMs: number }> = [];
  const turns: Array<{ from: number; who: string }> = [];
  let within = false;
  let speaker = 0;
  let marked = false;
  for (const line of lines) {
    const at = timing.exec(line);
    if (at) {
      const [, h = '0', m = '0', s = '0', ms = '0'] = at;
      cues.push({ from: text.length, atMs: ((Number(h) * 60 + Number(m)) * 60 + Number(s)) * 1000 + Number(ms) });
      within = true;
    } else if (line.trim() === '') within = false;
    else if (within) {
      // a new speaker within captions is marked by arrows
      const said = line.replace(/<[^>]+>/g, '').trim();
      for (const part of said.split(/(?=>>)/)) {
        const words = part.replace(/^>>\s*/, '').trim();
        // the arrows may end a line and the words begin the next
        marked ||= part.startsWith('>>');
        if (words === '') continue;
        if (text !== '') text += ' ';
        if (marked) turns.push({ from: text.length, who: speaker++ % 2 === 0 ? 'One' : 'The other' });
        marked = false;
        text += words;
      }
    }
  }
  return { text, turns, cues };
}

/** A time somebody said something at, before the name or behind it: `[19:02]`, `12/03, 19:02 -`. */
const clock = String.raw`[[(]?(?:\d{1,4}[./-]\d{1,2}(?:[./-]\d{2,4})?,? +)?\d{1,2}[:.]\d{2}(?:[:.]\d{2})?(?: ?[ap]m)?[\])]?`;
const speakingAs = (name: string): RegExp =>
  new RegExp(
    String.raw`^(?:[-*•] +)?(?:${clock}[ \t]*(?:[-–—|,][ \t]*)?)?(?:\*\*|__|<|@)?(${name})(?: (?:wrote|writes|said|says))?(?: ?\([^)]{1,20}\))?(?:,? ${clock})?(?:\*\*|__|>)?:(?:\*\*|__)?(?:\s+|$)`,
    'u',
  );
const speaking = speakingAs(String.raw`[A-Z][\p{L}.' -]{0,24}?(?: \d{1,2})?`);
/** A name somebody has given himself: small letters, figures. */
const speakingSmall = speakingAs(String.raw`[\p{L}][\p{L}\p{N}_.'-]{1,20}`);
/** What begins a line with a colon and is nobody. */
const heading =
  /^(?:note|notes|warning|caution|attention|important|then|next|first|second|third|last|step|steps|way|tip|remember|after|before|in brief|in short|summary|result|example|read(?:ing)? out|enter(?:ing)?|leav(?:e|ing)|delet(?:e|ing)|eras(?:e|ing)|clear(?:ing)?|exit|reset|and|so|ps|p\.s\.?|subject|re|to|from|date|what|how|why|now|good|ok|okay|right)$/i;

/** Lines that begin with who says them, each with what follows up to the next: a chat, an interview, a lesson. */
function chat(raw: string, head = speaking): ReadIn | null {
  const lines = raw.split(/\r?\n/).filter((l) => l.trim() !== '');
  const whoOf = (line: string): string | null => {
    const who = head.exec(line.trim())?.[1]?.trim();
    return who === undefined || heading.test(who) ? null : who;
  };
  const said = lines.flatMap((l) => whoOf(l) ?? []);
  const names = new Set(said);
  // written small they are names only where nearly every line has one, and two of them say most
  const times = [...names].filter((n) => said.filter((x) => x === n).length > 1).length;
  // `hetty wrote:`, a line of its own, is nothing else
  const wrote = lines.filter((l) => /^\S+ (?:wrote|writes):\s*$/.test(l.trim())).length;
  const share = wrote === said.length ? 0.25 : 0.7;
  if (head === speakingSmall && (times < 2 || names.size > 6 || said.length < lines.length * share)) return null;
  // who speaks does so more than once, and the first line says who
  const isTalk =
    names.size >= 2 &&
    names.size <= said.length / 2 + 1 &&
    said.length >= 3 &&
    said.length > names.size &&
    lines.slice(0, 3).some((l) => whoOf(l) !== null) &&
    said.length >= lines.length * 0.25;
  if (!isTalk) return head === speaking ? (chat(raw, speakingSmall) ?? dialogue(lines)) : null;
  let text = '';
  const turns: Array<{ from: number; who: string }> = [];
  for (const line of lines) {
    const who = whoOf(line);
    if (text !== '') text += '\n';
    if (who !== null) turns.push({ from: text.length, who });
    text += who === null ? line.trim() : line.trim().replace(head, '');
  }
  return { text, turns, cues: [] };
}

/** Two who take turns, each line begun by a dash or in quotes; a list of things to do has no questions in it. */
function dialogue(lines: readonly string[]): ReadIn | null {
  const begins = /^\s*(?:[-–—]|>{1,2}|["“„«](?=.*["”“»]\s*$)) ?\S/;
  const dashed = lines.filter((l) => begins.test(l));
  const asked = dashed.filter((l) => /\?["”“»]?\s*$/.test(l)).length;
  if (dashed.length < 6 || dashed.length < lines.length * 0.85 || asked < 2) return null;
  let text = '';
  const turns: Array<{ from: number; who: string }> = [];
  for (const line of lines) {
    if (text !== '') text += '\n';
    const said = line
      .trim()
      .replace(/^["“„«](.*)["”“»]$/, '$1')
      .replace(/^(?:[-–—]|>{1,2}) ?/, '');
    if (said !== line.trim()) turns.push({ from: text.length, who: turns.length % 2 === 0 ? 'One' : 'The other' });
    text += said;
  }
  return { text, turns, cues: [] };
}

/** What was handed in as one text: captions, a chat, or plain words. */
export const readIn = (raw: string): ReadIn => captions(raw) ?? chat(raw) ?? { text: raw, turns: [], cues: [] };
