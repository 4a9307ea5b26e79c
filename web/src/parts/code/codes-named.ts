import type { Code } from '@wire-trail/core';

/** Codes as somebody lists them: those that are there, and what is none. */
export function codesNamed(
  text: string,
  codes: readonly Code[],
): Readonly<{ own: readonly Code[]; unknown: readonly string[] }> {
  const named = text.split(/[\s,;]+/).filter((t) => t !== '');
  const found = (t: string): Code | undefined => codes.find((c) => c.text.toLowerCase() === t.toLowerCase());
  return { own: named.flatMap((t) => found(t) ?? []), unknown: named.filter((t) => !found(t)) };
}

export const noSuchCodes = (unknown: readonly string[]): string =>
  `There is no code ${unknown.join(', ')} of this unit.`;
