import { idWords, isVariableUsed, type Mode, modeSortWords, variableIdOf } from '@wire-trail/core';
import { whole } from './way-draft.ts';

type Variable = Mode['variables'][number];
export type RemembersKind = Variable['kind'];

/** Something a mode remembers, as it is typed; `was` is what it is filed under already. */
export type RemembersRow = Readonly<{
  was: Variable | null;
  name: string;
  kind: RemembersKind;
  so: boolean;
  from: string;
  to: string;
  start: string;
  wraps: boolean;
  alphabet: string;
  length: string;
}>;
/** What a mode is, as it is typed. */
export type AboutDraft = Readonly<{
  name: string;
  sort: Mode['sort'];
  normalSigns: string;
  /** For how many seconds it takes nothing at first. */
  deaf: string;
  onlyVariants: readonly string[];
  remembers: readonly RemembersRow[];
}>;

export const remembersRow = (was: Variable | null): RemembersRow => ({
  was,
  name: was ? idWords(was.id) : '',
  kind: was?.kind ?? 'flag',
  so: was?.kind === 'flag' ? was.start : false,
  from: was?.kind === 'cursor' ? String(was.from) : '1',
  to: was?.kind === 'cursor' ? String(was.to) : '8',
  start: was && was.kind !== 'flag' ? String(was.start) : '1',
  wraps: was && was.kind !== 'flag' ? was.wraps : true,
  alphabet: was?.kind === 'characters' ? was.alphabet.join(' ') : '0 1 2 3 4 5 6 7 8 9',
  length: was?.kind === 'characters' ? String(was.length) : '4',
});

export const aboutDraftOf = (mode: Mode): AboutDraft => ({
  name: mode.name,
  sort: mode.sort,
  normalSigns: mode.normalSigns ?? '',
  deaf: mode.deafForMs === undefined ? '' : String(mode.deafForMs / 1000),
  onlyVariants: mode.onlyVariants ?? [],
  remembers: mode.variables.map(remembersRow),
});

const integer = (text: string): number | null => {
  const n = Number(text.trim().replace('−', '-'));
  return text.trim() !== '' && Number.isInteger(n) ? n : null;
};

function remembersTyped(row: RemembersRow, before: readonly Variable[]): Variable | string {
  if (row.was === null && row.name.trim() === '') return 'Say what it remembers.';
  // what leans on it goes by this name: it stays
  const id = row.was?.id ?? variableIdOf(row.name, before);
  switch (row.kind) {
    case 'flag':
      return { kind: 'flag', id, start: row.so };
    case 'cursor': {
      const [from, to, start] = [integer(row.from), integer(row.to), integer(row.start)];
      return from === null || to === null || start === null || from > to || start < from || start > to
        ? 'Say from which entry to which, and where it stands at first: between the two.'
        : { kind: 'cursor', id, from, to, start, wraps: row.wraps };
    }
    case 'characters': {
      const alphabet = row.alphabet.trim().split(/\s+/).filter(Boolean);
      const length = whole(row.length);
      if (alphabet.length < 2) return 'Say which characters there are, a blank between: 0 1 2 3.';
      return length === null || !Number.isInteger(length) || length > 16
        ? 'Say how many characters are put in, 16 at most.'
        : { kind: 'characters', id, alphabet, length, start: row.start, wraps: row.wraps };
    }
  }
}

/** The mode with what was typed of it; a word where something is missing. What was taken away must not be used any more. */
export function aboutTyped(draft: AboutDraft, mode: Mode): Mode | string {
  if (draft.name.trim() === '') return 'Say what it is called.';
  const deaf = draft.deaf.trim() === '' ? null : whole(draft.deaf);
  if (draft.deaf.trim() !== '' && deaf === null) return 'Say for how many seconds it takes nothing.';
  const variables: Variable[] = [];
  for (const row of draft.remembers) {
    const typed = remembersTyped(row, variables.concat(mode.variables));
    if (typeof typed === 'string') return typed;
    variables.push(typed);
  }
  const gone = mode.variables.find((v) => !variables.some((w) => w.id === v.id) && isVariableUsed(mode, v.id));
  if (gone) return `A way, or what it shows, goes by ${idWords(gone.id)}: take that away first.`;
  const { normalSigns: _, deafForMs: __, onlyVariants: ___, ...rest } = mode;
  const sort = (Object.keys(modeSortWords) as Mode['sort'][]).find((s) => s === draft.sort) ?? mode.sort;
  return {
    ...rest,
    name: draft.name.trim(),
    sort,
    variables,
    ...(draft.normalSigns.trim() ? { normalSigns: draft.normalSigns.trim() } : {}),
    ...(deaf === null ? {} : { deafForMs: deaf * 1000 }),
    ...(mode.onlyVariants === undefined && draft.onlyVariants.length === 0
      ? {}
      : { onlyVariants: [...draft.onlyVariants] as NonNullable<Mode['onlyVariants']> }),
  };
}
