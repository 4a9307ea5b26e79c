import { squeezed } from '../find/alike.ts';
import type { Bundle } from '../library/bundle.ts';
import { entriesOf, familyEntry } from '../library/select.ts';
import type { Meaning } from './model.ts';

/** The number pair a text may be: suspect parameter and failure mode, as in `412-3`, `412.3` or `412/3`. */
export function pairOf(text: string): { parameter: number; mode: number } | null {
  const [, parameter, mode] = /^\D{0,4}(\d{1,6})\s*[-./\s]\s*\D{0,4}(\d{1,2})$/.exec(text.trim()) ?? [];
  return parameter === undefined || mode === undefined ? null : { parameter: Number(parameter), mode: Number(mode) };
}

/**
 * What a code that the family does not list means in general: the meaning of its failure mode in the scheme the family
 * follows. Null where the family lists the code, follows no scheme, or the text is no number pair.
 */
export function genericMeaning(bundle: Bundle, text: string): Meaning | null {
  const scheme = familyEntry(bundle).genericScheme;
  const pair = pairOf(text);
  if (scheme === undefined || !pair) return null;
  if (entriesOf(bundle, 'code').some((c) => squeezed(c.text) === squeezed(text))) return null;
  return entriesOf(bundle, 'meaning').find((m) => m.scheme === scheme && m.number === pair.mode) ?? null;
}
