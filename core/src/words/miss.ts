import type { Miss, MissCode } from '../play/attempt-state.ts';
import type { GestureOf } from '../play/gestures.ts';

const words: Readonly<Record<MissCode, string>> = {
  'too-early': 'done before the rest was over',
  'too-late': 'came too late',
  'before-sign': 'done before the sign came',
  'before-window': 'done before the window opened',
  'after-window': 'came after the window',
  'other-control': 'another control was touched',
  'other-place': 'it was put to another place',
  'other-way': 'turned the other way',
  'other-choice': 'something else was chosen',
  'one-too-many': 'one too many',
  'let-go-early': 'let go too early',
  'let-go-late': 'let go too late',
  'held-not-pressed': 'held where it should be pressed',
  'held-too-long': 'held too long',
  'no-power': 'there was no supply',
  'other-mode': 'it begins in another mode',
  'not-now': 'what it wants does not hold now',
};

/** Why a try came to nothing. */
export const missWords = (code: MissCode): string => words[code];

/** Where a try failed, and by how much: “step 3.steps.0, the 3rd: came after the window, by 0.8 s”. */
export function missedWords(of: GestureOf, miss: Miss, stepName: (at: string) => string): string {
  const nth = miss.nth > 1 ? `, the ${miss.nth}${['th', 'st', 'nd', 'rd'][miss.nth] ?? 'th'}` : '';
  const by = miss.byMs === null ? '' : `, by ${(miss.byMs / 1000).toFixed(1)} s`;
  return `Nearest was “${of.name}”, ${stepName(miss.at)}${nth}: ${words[miss.code]}${by}.`;
}
