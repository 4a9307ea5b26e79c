/** What this browser kept under a name, as JSON; undefined where there is nothing, or nothing that reads. A schema judges it. */
export function readKept(name: string): unknown {
  const text = globalThis.localStorage?.getItem(name) ?? null;
  if (text === null) return undefined;
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}
