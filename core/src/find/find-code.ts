import { classed, codeDistance, plainAs, plainCode, squeezed, typedAs } from '../code/alike.ts';
import type { Code } from '../model/code.ts';

/** How a typed code met a listed one. */
export type CodeMatch = Readonly<{ code: Code; distance: number; why: 'same' | 'spelling' | 'look-alike' | 'near' }>;

const isAlike = (typed: string, text: string): boolean =>
  classed(squeezed(typed)) === classed(squeezed(text)) || classed(plainCode(typed)) === classed(plainCode(text));

/** Listed codes a typed text may mean, nearest first, frequent before rare; at most `most`, none further than 1.6. */
export function findCodes(typed: string, codes: readonly Code[], most = 6): CodeMatch[] {
  const wanted = plainCode(typed);
  if (wanted === '') return [];
  return codes
    .map((code): CodeMatch => {
      if (code.text === typed.trim()) return { code, distance: 0, why: 'same' };
      // with and without leading zeros: a misread zero is no leading zero
      const distance = Math.min(
        codeDistance(plainAs(typed), plainCode(code.text)),
        codeDistance(typedAs(typed), squeezed(code.text)),
      );
      return { code, distance, why: distance === 0 ? 'spelling' : isAlike(typed, code.text) ? 'look-alike' : 'near' };
    })
    .filter((match) => match.distance <= Math.min(1.6, wanted.length - 0.5))
    .sort(
      (a, b) => a.distance - b.distance || b.code.frequency - a.code.frequency || (a.code.text < b.code.text ? -1 : 1),
    )
    .slice(0, most);
}
