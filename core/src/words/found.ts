import type { Difference } from '../code/alike.ts';
import type { Found, Why } from '../find/find.ts';

function differenceWords({ kind, typed, listed }: Difference): string {
  switch (kind) {
    case 'look-alike':
      return `${typed} looks like ${listed}`;
    case 'neighbour':
      return `${listed} lies beside ${typed}`;
    case 'wrong':
      return `${listed} in place of ${typed}`;
    case 'swapped':
      return `${typed} the other way round`;
    case 'missing':
      return `${listed} was left out`;
    case 'extra':
      return `${typed} is too much`;
  }
}

const inWords = { title: 'title', saw: 'what the control saw', suspect: 'suspect' } as const;

function oneWhy(why: Why): string[] {
  switch (why.kind) {
    case 'same':
      return [];
    case 'spelling':
      return ['same code, spelled otherwise'];
    case 'beginning':
      return ['begins so'];
    case 'misread':
      return why.differences.map(differenceWords);
    case 'word':
      return [`${inWords[why.in]}: ${why.word}${why.word === why.typed.toLowerCase() ? '' : ` for “${why.typed}”`}`];
    case 'blinks':
      return [why.off === 0 ? 'it blinks so' : 'one blink more or less'];
    case 'sub':
      return [`${why.typed} says where`];
    case 'family':
      return why.word === why.typed.toLowerCase() ? [] : [`unit: ${why.word}`];
  }
}

/** Why something was found, and how it differs from what was typed. */
export function whyWords({ why }: Found): string {
  return why.flatMap(oneWhy).join(' · ');
}
