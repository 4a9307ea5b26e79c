import type { Mode, Transition } from '@wire-trail/core';
import type { Around } from './way-draft.ts';

export type Effect = Transition['effects'][number];
type Variable = Mode['variables'][number];

/** Something a way does as well, as it is typed. */
export type BesideRow = Readonly<{
  kind: Effect['kind'];
  variable: string;
  /** What it is put to, or how far it goes on; less than nothing is back. */
  value: string;
  to: string;
  message: string;
}>;

const named = (id: string, all: readonly Variable[]): Variable | undefined => all.find((v) => v.id === id);

/** Where a remembered thing of another state can be taken along to: all the states remember. */
export const remembered = (modes: readonly Mode[]): readonly Variable[] => [
  ...new Map(modes.flatMap((m) => m.variables).map((v) => [v.id, v] as const)).values(),
];

/** What a way of this unit can do as well. */
export function besideKinds(mode: Mode, around: Around): ReadonlyArray<readonly [Effect['kind'], string]> {
  const all: ReadonlyArray<readonly [Effect['kind'], string, boolean]> = [
    ['erase-memory', 'empties its memory', true],
    ['assign', 'remembers that', mode.variables.length > 0],
    ['step', 'moves on', mode.variables.some((v) => v.kind === 'cursor')],
    ['send', 'tells another board', around.boards.length > 0],
    ['carry', 'takes along', mode.variables.length > 0],
  ];
  return all.flatMap(([kind, words, is]) => (is ? [[kind, words] as const] : []));
}

export function besideRow(kind: Effect['kind'], mode: Mode, around: Around): BesideRow {
  const own = kind === 'step' ? mode.variables.find((v) => v.kind === 'cursor') : mode.variables[0];
  return {
    kind,
    variable: own?.id ?? '',
    value: kind === 'step' ? '1' : own?.kind === 'flag' ? 'so' : String(own?.start ?? ''),
    to: kind === 'send' ? (around.boards[0]?.id ?? '') : (own?.id ?? ''),
    message: '',
  };
}

/** What a way does as well, as it is typed back. */
export function besideOf(effect: Effect, mode: Mode, around: Around): BesideRow {
  const row = besideRow(effect.kind, mode, around);
  switch (effect.kind) {
    case 'erase-memory':
      return row;
    case 'assign':
      return {
        ...row,
        variable: effect.variable,
        value: typeof effect.to === 'boolean' ? (effect.to ? 'so' : 'not') : String(effect.to),
      };
    case 'step':
      return { ...row, variable: effect.variable, value: String(effect.by) };
    case 'send':
      return { ...row, to: effect.to, message: effect.message };
    case 'carry':
      return { ...row, variable: effect.from, to: effect.to };
  }
}

const wholeNumber = (text: string): number | null => {
  const n = Number(text.trim().replace('−', '-'));
  return text.trim() !== '' && Number.isInteger(n) ? n : null;
};

/** What was typed that a way does as well; a word where something of it is missing. */
export function besideTyped(row: BesideRow, mode: Mode, modes: readonly Mode[], around: Around): Effect | string {
  const own = named(row.variable, mode.variables);
  switch (row.kind) {
    case 'erase-memory':
      return { kind: 'erase-memory' };
    case 'assign': {
      if (!own) return 'Say what it remembers.';
      if (own.kind === 'flag') return { kind: 'assign', variable: own.id, to: row.value === 'so' };
      if (own.kind === 'characters') return { kind: 'assign', variable: own.id, to: row.value };
      const n = wholeNumber(row.value);
      return n === null ? 'Say at which entry it stands then.' : { kind: 'assign', variable: own.id, to: n };
    }
    case 'step': {
      const by = wholeNumber(row.value);
      return own && by !== null && by !== 0
        ? { kind: 'step', variable: own.id, by }
        : 'Say by how many it moves on: 10, or -1 for back.';
    }
    case 'send': {
      const to = around.boards.find((b) => b.id === row.to)?.id;
      return to && row.message.trim() !== ''
        ? { kind: 'send', to, message: row.message.trim() }
        : 'Say what it tells the other board.';
    }
    case 'carry': {
      const to = named(row.to, remembered(modes));
      return own && to ? { kind: 'carry', from: own.id, to: to.id } : 'Say what it takes along.';
    }
  }
}
