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
        if (words === '') continue;
        if (text !== '') text += ' ';
        if (part.startsWith('>>')) turns.push({ from: text.length, who: String(++speaker) });
        text += words;
      }
    }
  }
  return { text, turns, cues };
}

const speaking = /^([A-Z][\p{L}.' -]{0,24}):\s+/u;

/** Lines that begin with who says them: a chat, an interview, a lesson. */
function chat(raw: string): ReadIn | null {
  const lines = raw.split(/\r?\n/).filter((l) => l.trim() !== '');
  const said = lines.filter((l) => speaking.test(l.trim()));
  const names = new Set(said.map((l) => speaking.exec(l.trim())?.[1]));
  if (said.length < 4 || said.length < lines.length * 0.7 || names.size < 2 || names.size > said.length / 2)
    return null;
  let text = '';
  const turns: Array<{ from: number; who: string }> = [];
  for (const line of lines) {
    const who = speaking.exec(line.trim())?.[1];
    if (text !== '') text += '\n';
    if (who !== undefined) turns.push({ from: text.length, who });
    text += line.trim().replace(speaking, '');
  }
  return { text, turns, cues: [] };
}

/** What was handed in as one text: captions, a chat, or plain words. */
export const readIn = (raw: string): ReadIn => captions(raw) ?? chat(raw) ?? { text: raw, turns: [], cues: [] };
