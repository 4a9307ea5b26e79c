import { storedAs, writeAmount } from '../base/parse-amount.ts';
import type { Path } from '../base/path.ts';
import { fieldNames } from './field-names.ts';

/** A field's name in words: `afterReplacing` is “after replacing”, `waitMs` is “wait”. */
export function fieldWords(name: string): string {
  return (
    fieldNames[name] ??
    (storedAs(name)?.name ?? name)
      .replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`)
      .replace(/-/g, ' ')
      .trim()
  );
}

/** Where something stands in an entry, in words: “suspects › 2 › weight”. Places in lists count from 1. */
export const placeWords = (path: Path): string =>
  path.map((p) => (typeof p === 'number' || /^\d+$/.test(p) ? `${Number(p) + 1}` : fieldWords(p))).join(' › ');

/** What a thing is called by, in the order people would call it so. */
const callings = ['label', 'says', 'name', 'title', 'text', 'code', 'what', 'answer'] as const;

/**
 * A value as a person reads it: what it is called, an amount with its unit, a choice in words, else its text. `field` is
 * the name of the field it stands in.
 */
export function valueWords(value: unknown, field: string): string {
  if (value === null || value === undefined) return '—';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'number') {
    const stored = storedAs(field);
    return stored ? writeAmount(value / stored.perBase, stored.quantity) : String(value);
  }
  if (typeof value === 'string') return value === '' ? '(empty)' : value;
  if (Array.isArray(value)) return value.length === 0 ? '(none)' : value.map((v) => valueWords(v, field)).join(', ');
  const own = value as Readonly<Record<string, unknown>>;
  const called = callings.map((c) => own[c]).find((v) => typeof v === 'string' && v !== '');
  if (typeof called === 'string') return called;
  return Object.entries(own)
    .filter(([name, v]) => name !== 'id' && v !== undefined && v !== null && !(Array.isArray(v) && v.length === 0))
    .map(([name, v]) => `${fieldWords(name)} ${valueWords(v, name)}`)
    .join(', ');
}
