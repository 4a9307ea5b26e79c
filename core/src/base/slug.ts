/** The id an entry of a code gets from the code's text; empty where the text has no letter or digit. */
export function codeIdOf(text: string): string {
  return text
    .trim()
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '');
}

/** An id that is not taken: as wanted, else with the next number behind it, or behind its stem. */
export function freeIn(taken: ReadonlySet<string>, wanted: string, stem = wanted): string {
  let id = wanted;
  for (let n = 2; taken.has(id); n += 1) id = `${stem}-${n}`;
  return id;
}

/** What something filed under an id is called where it has no other name: `door-open` as `door open`. */
export const idWords = (id: string): string => id.replaceAll('-', ' ');
