import { codeIdOf } from '@wire-trail/core';
import type { SchemaContext } from './choices.ts';

/**
 * What a thing is filed under follows what it is called, as long as nobody can know it by that yet: once it was saved,
 * or was given another one by hand, it stays.
 */
export function withMadeId(
  before: Readonly<Record<string, unknown>>,
  after: Readonly<Record<string, unknown>>,
  naming: string,
  { settled }: Pick<SchemaContext, 'settled'>,
): Record<string, unknown> {
  const own = before.id;
  if (typeof own !== 'string') return after;
  const isOfItsName = own === codeIdOf(String(before[naming] ?? ''));
  if (own !== '' && (!isOfItsName || settled === undefined || settled.has(own))) return after;
  return { ...after, id: codeIdOf(String(after[naming] ?? '')) };
}

/** What everything in a body is filed under. */
export function idsIn(body: unknown): ReadonlySet<string> {
  const ids = new Set<string>();
  const collect = (value: unknown): void => {
    if (typeof value !== 'object' || value === null) return;
    if ('id' in value && typeof value.id === 'string') ids.add(value.id);
    for (const inner of Object.values(value)) collect(inner);
  };
  collect(body);
  return ids;
}
