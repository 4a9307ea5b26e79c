import type { Condition, Mode, Shown } from '@wire-trail/core';
import { type Around, codesIn, codesText, exactly, quantityIn, shownFirst } from './way-draft.ts';

export type OnlyKind = 'sign' | 'code-stands' | 'input' | 'variable' | 'reads' | 'several';
type Variable = Mode['variables'][number];

/** One thing that has to be so, as it is typed. */
export type OnlyRow = Readonly<{
  kind: OnlyKind;
  /** Whether it must not be so. */
  not: boolean;
  shown: Shown | null;
  codes: string;
  input: string;
  compare: 'above' | 'below';
  value: string;
  variable: string;
  is: string;
  readout: string;
  code: string;
  /** Conditions of its own, joined. */
  of: OnlyDraft;
}>;
/** All that has to be so; any of it where it is joined by *or*. Nothing is always. */
export type OnlyDraft = Readonly<{ join: 'all' | 'any'; rows: readonly OnlyRow[] }>;

/** What can be asked for of a unit, in the order it is offered. */
export function onlyKinds(mode: Mode, around: Around): readonly OnlyKind[] {
  const all: ReadonlyArray<readonly [OnlyKind, boolean]> = [
    ['sign', around.signs.length > 0],
    ['code-stands', around.codes.length > 0],
    ['input', around.inputs.length > 0],
    ['variable', mode.variables.length > 0],
    ['reads', around.readouts.length > 0 && around.codes.length > 0],
    ['several', true],
  ];
  const kinds = all.flatMap(([kind, is]) => (is ? [kind] : []));
  // several of nothing are none
  return kinds.length > 1 ? kinds : [];
}

/** What a variable stands at, as it is typed. */
const isText = (is: number | string | boolean): string => (typeof is === 'boolean' ? (is ? 'so' : 'not') : String(is));
const firstOf = (own: Variable | undefined): string => (own ? isText(own.start) : '');

export function onlyRow(kind: OnlyKind, mode: Mode, around: Around): OnlyRow {
  const [variable] = mode.variables;
  return {
    kind,
    not: false,
    shown: shownFirst(around.signs[0]),
    codes: '',
    input: around.inputs[0]?.id ?? '',
    compare: 'above',
    value: '',
    variable: variable?.id ?? '',
    is: variable?.kind === 'flag' ? 'so' : firstOf(variable),
    readout: around.readouts[0]?.id ?? '',
    code: around.codes[0]?.id ?? '',
    of: { join: 'any', rows: [] },
  };
}

function rowOf(condition: Condition, mode: Mode, around: Around): OnlyRow {
  const row = (kind: OnlyKind, own: Partial<OnlyRow>): OnlyRow => ({ ...onlyRow(kind, mode, around), ...own });
  switch (condition.kind) {
    case 'sign':
      return row('sign', { shown: condition.shown });
    case 'code-stands':
      return row('code-stands', { codes: codesText(condition.codes, around.codes) });
    case 'input': {
      const own = around.inputs.find((i) => i.id === condition.input);
      const value = own ? exactly(condition.value, own) : String(condition.value);
      return row('input', { input: condition.input, compare: condition.compare, value });
    }
    case 'variable':
      return row('variable', { variable: condition.variable, is: isText(condition.is) });
    case 'reads':
      return row('reads', { readout: condition.readout, code: condition.code });
    case 'not': {
      const own = rowOf(condition.of, mode, around);
      return { ...own, not: !own.not };
    }
    case 'all':
    case 'any':
      return row('several', { of: { join: condition.kind, rows: condition.of.map((c) => rowOf(c, mode, around)) } });
  }
}

/** A condition as it is typed: each of it a row, and what holds conditions within it a row of its own rows. */
export function onlyDraftOf(when: Condition | undefined, mode: Mode, around: Around): OnlyDraft {
  if (!when) return { join: 'all', rows: [] };
  const isRow = when.kind !== 'all' && when.kind !== 'any';
  // two or more are told side by side; fewer would not be joined
  return isRow || when.of.length < 2
    ? { join: 'all', rows: [rowOf(when, mode, around)] }
    : { join: when.kind, rows: when.of.map((c) => rowOf(c, mode, around)) };
}

function rowTyped(row: OnlyRow, mode: Mode, around: Around): Condition | string {
  switch (row.kind) {
    case 'sign':
      return row.shown === null || (row.shown.kind === 'text' && row.shown.text.trim() === '')
        ? 'Say what it shows.'
        : { kind: 'sign', shown: row.shown };
    case 'code-stands': {
      const codes = codesIn(row.codes, around.codes);
      return typeof codes === 'string' ? codes : { kind: 'code-stands', codes: [...codes] };
    }
    case 'input': {
      const own = around.inputs.find((i) => i.id === row.input);
      const value = quantityIn(row.value, own);
      return own && value !== null ? { kind: 'input', input: own.id, compare: row.compare, value } : 'Say which value.';
    }
    case 'variable': {
      const own = mode.variables.find((v) => v.id === row.variable);
      if (!own) return 'Say what it remembers.';
      if (own.kind === 'flag') return { kind: 'variable', variable: own.id, is: row.is === 'so' };
      if (own.kind === 'characters')
        return row.is.trim() === '' ? 'Say what was put in.' : { kind: 'variable', variable: own.id, is: row.is };
      const n = Number(row.is.trim());
      return row.is.trim() !== '' && Number.isInteger(n)
        ? { kind: 'variable', variable: own.id, is: n }
        : 'Say at which entry.';
    }
    case 'reads': {
      const readout = around.readouts.find((r) => r.id === row.readout)?.id;
      const code = around.codes.find((c) => c.id === row.code)?.id;
      return readout && code ? { kind: 'reads', readout, code } : 'Say which code.';
    }
    case 'several': {
      const { join, rows } = row.of;
      const of = rows.map((r) => noted(r, mode, around));
      const wrong = of.find((c) => typeof c === 'string');
      if (wrong !== undefined) return wrong;
      return of.length === 0
        ? 'Say what of several has to be so.'
        : { kind: join, of: of.filter((c): c is Condition => typeof c !== 'string') };
    }
  }
}

/** A row with whether it must not be so. */
function noted(row: OnlyRow, mode: Mode, around: Around): Condition | string {
  const typed = rowTyped(row, mode, around);
  return typeof typed === 'string' || !row.not ? typed : { kind: 'not', of: typed };
}

/** What was typed as a condition, undefined where it is always so; what of it is missing. */
export function onlyTyped(
  { join, rows }: OnlyDraft,
  mode: Mode,
  around: Around,
): Readonly<{ when: Condition | undefined; wrong: string | null }> {
  const made: Condition[] = [];
  for (const row of rows) {
    const typed = noted(row, mode, around);
    if (typeof typed === 'string') return { when: undefined, wrong: typed };
    made.push(typed);
  }
  const [first] = made;
  return { when: made.length > 1 ? { kind: join, of: made } : first, wrong: null };
}
