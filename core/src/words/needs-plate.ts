import { assertNever } from '../base/result.ts';
import type { GoodBand } from '../chart/band.ts';
import { formatTaken } from '../chart/measure.ts';
import type { JudgedCase, Measured } from '../chart/measured.ts';
import type { RightValue } from '../code/right-values.ts';
import type { Family } from '../model/family.ts';
import { variantName } from '../model/values.ts';
import type { PlateFact } from '../unit/plate-tells.ts';

const answerWords: Readonly<Record<Measured['answer'], string>> = {
  pass: 'good',
  low: 'too low',
  high: 'too high',
  'too-close': 'borderline',
  open: 'open',
  short: 'short',
};

/** What is good, as people write it: from … to …, at least …, at most …. */
export function goodWords(taken: Pick<Measured['taken'], 'quantity' | 'as'>, { least, most }: GoodBand): string {
  const said = (value: number): string => formatTaken(taken, value);
  if (least === null) return most === null ? 'anything' : `at most ${said(most)}`;
  return most === null ? `at least ${said(least)}` : `${said(least)} to ${said(most)}`;
}

/** What of the plate would tell, in words: "the model number, or the fuel (gas or electric)". */
export function plateTellsWords(facts: readonly PlateFact[]): string {
  const words = facts.map((fact) => {
    switch (fact.kind) {
      case 'model':
        return 'the model number';
      case 'serial':
        return 'the serial number';
      case 'software':
        return 'the software version';
      case 'option':
        return `${fact.option.toLowerCase()} (${fact.values.join(' or ')})`;
      default:
        return assertNever(fact);
    }
  });
  return words.length === 0
    ? 'Nothing on the plate tells them apart: ask the trainer.'
    : `What tells: ${words.join(', or ')}.`;
}

/** What a reading means on which variant, where that differs: one line each. */
export const judgedCaseWords = (
  { variants, answer, band, taken }: JudgedCase,
  nameOf: (id: string) => string,
): string => `${variants.map(nameOf).join(', ')}: ${answerWords[answer]}; there ${goodWords(taken, band)} is good.`;

/** Values that are right, each with the variants it is right on where that is not all the same. */
export function rightWords(right: readonly RightValue[], family: Pick<Family, 'variants'>): string {
  const [only] = right;
  if (only && right.length === 1) return only.value;
  return right
    .map(
      (r) =>
        `${r.value}${r.variants.length > 0 ? ` on ${r.variants.map((id) => variantName(family, id)).join(', ')}` : ''}`,
    )
    .join('; ');
}
