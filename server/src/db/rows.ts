import { Entry, FamilyId } from '@wire-trail/core';
import { z } from 'zod';

/** A row that is not what this version wrote: named, so that somebody can look at it. */
class RowError extends Error {}

/** Reads rows as the database gave them; one that is wrong stops the work and says where. */
export function readRows<S extends z.ZodType>(schema: S, rows: readonly unknown[]): Array<z.output<S>> {
  return rows.map((row) => {
    const read = schema.safeParse(row);
    if (read.success) return read.data;
    const places = read.error.issues.slice(0, 5).map((i) => `${i.path.join('.')}: ${i.message}`);
    throw new RowError(`a row of the database cannot be read: ${places.join('; ')}`);
  });
}

/** Reads what may be one row, or none. */
export function readRow<S extends z.ZodType>(schema: S, row: unknown): z.output<S> | null {
  return row === undefined || row === null ? null : (readRows(schema, [row])[0] ?? null);
}

/** Reads the id an insert gave. */
export const readId = (made: unknown): number => z.tuple([z.number().int().positive()]).parse(made)[0];

/** BOOLEAN, which comes as 0 or 1. */
export const flag = z.union([z.literal(0), z.literal(1)]).transform((v) => v === 1);
/** A family's column in which '' stands for the library. */
export const scope = z.union([z.literal('').transform(() => null), FamilyId]);
/** JSON, which comes read or as text, by how it was selected. */
export const json = <S extends z.ZodType>(schema: S) =>
  z
    .unknown()
    .transform((value): unknown => (typeof value === 'string' ? JSON.parse(value) : value))
    .pipe(schema);
/** A count, which comes as text where it is a sum. */
export const count = z.union([z.number(), z.string().regex(/^\d+$/)]).transform(Number);
/** An entry's body. */
export const body: z.ZodType<Entry> = json(Entry);
/** DATETIME as it is sent. */
export const instant = z.date().transform((d) => d.toISOString());

const perBatch = 250;

/** A long list in parts of what one statement may hold. */
export function batches<T>(list: readonly T[]): T[][] {
  const out: T[][] = [];
  for (let i = 0; i < list.length; i += perBatch) out.push(list.slice(i, i + perBatch));
  return out;
}
