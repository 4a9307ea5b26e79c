import { choicesAt, type Entry, meaningOf, type Quantity, type StoredAs, unitNames } from '@wire-trail/core';
import type { z } from 'zod';

export type Path = ReadonlyArray<string | number>;

export type SchemaContext = Readonly<{
  bodies: { entries: Entry[] };
  /** What the form is of: the whole that paths begin at, and its schema. */
  root: Readonly<{ schema: z.ZodType; value: unknown }>;
  /** What is wrong, by dotted path from the entry's root. */
  problems: ReadonlyMap<string, string>;
  /** What was filed under when it was last saved: these stay, whatever they are called. Nothing is known without it. */
  settled?: ReadonlySet<string>;
  /** Fields that are not asked for here. */
  hidden?: ReadonlySet<string>;
  /** Words that are likely in a field of that name, beside whatever else may be typed. */
  likely?: (name: string) => readonly string[];
  /** What the numbers of the object at hand are of, where it or what it belongs to says so. */
  quantity?: Quantity | null;
  /** How a number of the object at hand is stored, by the name of its field. */
  stored?: (name: string) => AmountOf | null;
}>;

/** What a number is of: an amount, or a difference of two; in a unit of its own where it was told in one. */
export type AmountOf = Pick<StoredAs, 'quantity' | 'perBase'> & Readonly<{ difference?: boolean; unit?: string }>;

type Choices = Array<readonly [string, string]>;

/** What a field's id may be chosen from, as its schema says; null where it names nothing and is typed. */
export function choicesFor(schema: z.ZodType, path: Path, { bodies, root, quantity }: SchemaContext): Choices | null {
  if (nameAt(path) === 'toldIn' && quantity) return unitNames(quantity).map((unit) => [unit, unit] as const);
  const meaning = meaningOf(schema);
  if (meaning?.role !== 'names' || meaning.mayBeOther) return null;
  return choicesAt({ ...root, path }, bodies.entries)?.map((c) => [c.id, c.name] as const) ?? null;
}

/** What can be the keys of a record: parameters for values, badges for labels; null where they are typed. */
export function keysFor(keySchema: z.ZodType, path: Path, { bodies, root }: SchemaContext): Choices | null {
  if (meaningOf(keySchema)?.role !== 'names') return null;
  return choicesAt({ ...root, path, isKey: true }, bodies.entries)?.map((c) => [c.id, c.name] as const) ?? null;
}

/** The name of the nearest field that is no index: items of `hazards` are called as `hazards` are. */
export const nameAt = (path: Path): string => String([...path].reverse().find((p) => typeof p === 'string') ?? '');
