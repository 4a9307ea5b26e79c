import type { VariableId } from '../base/ids.ts';
import { assertNever } from '../base/result.ts';
import { codeIdOf, freeIn, idWords } from '../base/slug.ts';
import type { Mode, Variable } from '../model/mode.ts';

/** What kinds of states there are, in words of the trade. */
export const modeSortWords: Readonly<Record<Mode['sort'], string>> = {
  standby: 'waits for something to do',
  running: 'does its work',
  service: 'service mode',
  memory: 'stored codes',
  live: 'live values',
  tests: 'tests of its own parts',
  settings: 'settings',
  'locked-out': 'locked out',
  off: 'off',
};

/** What a mode remembers, as a sentence without its stop: `slot: an entry from 1 to 8, and again from 1 behind the last`. */
export function variableWords(variable: Variable): string {
  const name = idWords(variable.id);
  switch (variable.kind) {
    case 'flag':
      return `${name}: whether it is so, at first ${variable.start ? 'so' : 'not so'}`;
    case 'cursor':
      return `${name}: an entry from ${variable.from} to ${variable.to}, at first ${variable.start}${variable.wraps ? `, and again from ${variable.from} behind the last` : ''}`;
    case 'characters':
      return `${name}: ${variable.length} characters of ${variable.alphabet.join(' ')}, at first ${variable.start || 'none'}`;
    default:
      return assertNever(variable);
  }
}

/** Whether anything of a mode goes by what it remembers: its ways, what it shows, what it does. */
export const isVariableUsed = (mode: Mode, id: VariableId): boolean =>
  [...mode.transitions, ...mode.shows].some((of) => JSON.stringify(of).includes(JSON.stringify(id)));

/** A name for something remembered that none of these has. */
export const variableIdOf = (name: string, taken: readonly Variable[]): VariableId =>
  freeIn(new Set(taken.map((v) => v.id as string)), codeIdOf(name) || 'it') as VariableId;
