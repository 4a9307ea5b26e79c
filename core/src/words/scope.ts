import type { Scope } from '../base/text.ts';
import type { Permit } from '../unit/may-act.ts';

/** Who may act, in the middle of a sentence. */
export const scopeWords: Readonly<Record<Scope, string>> = {
  operator: 'anybody who uses the unit',
  technician: 'a technician',
  licensed: 'a licensed person',
  maker: 'the maker’s own support',
};

/** Who may act, with the trades it takes: a licensed person (gas and electrical). */
export const permitWords = ({ scope, trades }: Permit): string =>
  trades.length === 0 ? scopeWords[scope] : `${scopeWords[scope]} (${trades.join(' and ')})`;
