/** What a reviewer says: of all of it, and of single entries by `kind:id`. */
export type ReviewNote = Readonly<{ all: string; of: ReadonlyMap<string, string> }>;

const head = /^\[([a-z]+:[a-z0-9-]+)\] ?/;

/** A review as one text, so that it is kept and read anywhere: what is said of all of it, then a paragraph for each entry. */
export function writeReviewNote({ all, of }: ReviewNote): string {
  const own = [...of].flatMap(([key, said]) => (said.trim() === '' ? [] : [`[${key}] ${said.trim()}`]));
  return [all.trim(), ...own].filter((part) => part !== '').join('\n');
}

/** What was said of which entry, read back; a line that begins with no entry goes on with the one before. */
export function readReviewNote(text: string): ReviewNote {
  const of = new Map<string, string>();
  const all: string[] = [];
  let key: string | null = null;
  for (const line of text.split('\n')) {
    const found = head.exec(line);
    if (found) key = found[1] ?? null;
    const said = found ? line.slice(found[0].length) : line;
    if (key === null) all.push(said);
    else of.set(key, of.has(key) ? `${of.get(key)}\n${said}` : said);
  }
  return { all: all.join('\n').trim(), of };
}
