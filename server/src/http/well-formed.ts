/** Half a character: what a text cut in the middle of one ends with. No database keeps it. */
const half = /\p{Surrogate}/gu;

/** A JSON value of which every text is whole: half characters become the sign for what cannot be read. */
export function wellFormed(value: unknown): unknown {
  if (typeof value === 'string') return value.replace(half, '\ufffd');
  if (Array.isArray(value)) return value.map(wellFormed);
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(Object.entries(value).map(([key, v]) => [key.replace(half, '\ufffd'), wellFormed(v)]));
}

/** Whether a JSON text may hold half a character: as bytes it cannot come, only written out as `\ud800`. */
export const mayHaveHalves = (json: string): boolean => /\\u[dD][89a-fA-F]/.test(json);
