import type { FamilyId } from '../base/ids.ts';
import { assertNever } from '../base/result.ts';
import type { Entry, EntryKey } from './entry.ts';

/** The family an entry belongs to; null for what the whole library shares. */
export function familyOf(entry: Entry): FamilyId | null {
  switch (entry.kind) {
    case 'family':
      return entry.id;
    case 'hazard':
    case 'instrument':
    case 'meaning':
      return null;
    case 'access':
    case 'account':
    case 'asset':
    case 'chart':
    case 'code':
    case 'mode':
    case 'panel':
    case 'readout':
    case 'route':
    case 'setting':
    case 'source':
    case 'symptom':
      return entry.family;
    default:
      return assertNever(entry);
  }
}

export function keyOf(entry: Entry): EntryKey {
  return { family: familyOf(entry), kind: entry.kind, id: entry.id };
}

/** One string for an entry within a bundle, e.g. `code:k19`. */
export function keyText({ kind, id }: { kind: string; id: string }): string {
  return `${kind}:${id}`;
}

/** What an entry is called in lists. */
export function titleOf(entry: Entry): string {
  switch (entry.kind) {
    case 'code':
      return `${entry.text} ${entry.title}`;
    case 'symptom':
    case 'chart':
    case 'source':
    case 'hazard':
      return entry.title;
    case 'family':
    case 'panel':
    case 'mode':
    case 'route':
    case 'readout':
    case 'setting':
    case 'instrument':
    case 'asset':
    case 'access':
    case 'account':
      return entry.name;
    case 'meaning':
      return `${entry.scheme} ${entry.number}`;
    default:
      return assertNever(entry);
  }
}
