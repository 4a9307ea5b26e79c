import type { Scope } from '../base/text.ts';

/** Who may act, in the middle of a sentence. */
export const scopeWords: Readonly<Record<Scope, string>> = {
  operator: 'anybody who uses the unit',
  technician: 'a technician',
  licensed: 'a licensed person',
  maker: 'the maker’s own support',
};
