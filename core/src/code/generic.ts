import type { Bundle } from '../model/bundle.ts';
import type { Meaning } from '../model/code.ts';
import { entriesOf, familyEntry } from '../model/select.ts';
import { pairOf } from '../readout/pair.ts';
import { squeezed } from './alike.ts';

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
