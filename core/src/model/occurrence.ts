import type { z } from 'zod';
import type { Path } from '../base/path.ts';
import { type IdKind, idHomes, type Meaning, meaningOf, scopeOf } from './reference.ts';

/**
 * One place in a value where an id stands, or text that may mention one. `within` holds, for each kind of thing that ids
 * hold within, the one it is here, as `chart:fill`; null where it is not known.
 */
export type Occurrence = Readonly<{
  path: Path;
  /** The id is the key of a record and not a value. */
  isKey: boolean;
  role: 'names' | 'defines' | 'names-entry' | 'mentions';
  kinds: readonly IdKind[];
  /** The id; for `names-entry` `kind:id`, for `mentions` the text. */
  text: string;
  within: (kind: IdKind) => string | null;
  /** Said by a field which thing it holds within, and nowhere else is to be looked. */
  by: string | null;
  mayBeOther: boolean;
  /** The object that has the field. */
  owner: Readonly<Record<string, unknown>>;
}>;

/** Objects around a place, innermost first. */
type Frame = Readonly<{ value: Readonly<Record<string, unknown>>; opens: IdKind | null; out: Frame | null }>;
type Emit = (found: Occurrence) => void;
type Visit = (value: unknown, path: Path, frame: Frame | null, isKey: boolean, emit: Emit) => void;
type Def = z.core.$ZodType['_zod']['def'] & Readonly<Record<string, unknown>>;

const isObject = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** The thing of a kind that encloses a place, by where it is described; one inside another of its kind is told by both. */
function enclosing(frame: Frame | null, kind: IdKind): string | null {
  const ids: string[] = [];
  for (let f = frame; f; f = f.out) if (f.opens === kind) ids.unshift(String(f.value.id));
  return ids.length === 0 ? null : `${kind}:${ids.join('/')}`;
}

/** What the nearest field of a name says; undefined where there is none further out. */
function fieldAround(frame: Frame | null, name: string): unknown {
  for (let f = frame; f; f = f.out) if (Object.hasOwn(f.value, name)) return f.value[name];
  return undefined;
}

function withinOf(
  around: Frame | null,
  { role, by }: { role: Meaning['role']; by: string | null },
): Occurrence['within'] {
  // a thing's own id holds where the thing stands, and not within it
  const frame = role === 'defines' ? (around?.out ?? null) : around;
  return (kind) => {
    const said = by === null ? undefined : fieldAround(frame, by);
    if (said !== undefined) return typeof said === 'string' ? `${kind}:${said}` : null;
    return enclosing(frame, kind);
  };
}

const compiled = new Map<z.core.$ZodType, Visit | null>();

/** What finds the ids in a value of a schema; null where none can be. Made once for each schema. */
function visitOf(schema: z.core.$ZodType): Visit | null {
  const known = compiled.get(schema);
  if (known !== undefined) return known;
  // a schema that holds itself: what it comes to is looked up when it is met
  compiled.set(schema, (value, path, frame, isKey, emit) => compiled.get(schema)?.(value, path, frame, isKey, emit));
  const visit = compile(schema);
  compiled.set(schema, visit);
  return visit;
}

function compile(schema: z.core.$ZodType): Visit | null {
  const meaning = meaningOf(schema);
  if (meaning?.role === 'text') return null;
  if (meaning)
    return (text, path, frame, isKey, emit) => {
      if (typeof text !== 'string') return;
      const by = meaning.role === 'names' ? meaning.by : null;
      emit({
        path,
        isKey,
        role: meaning.role,
        kinds: meaning.role === 'names' ? meaning.kinds : meaning.role === 'names-entry' ? [] : [meaning.kind],
        text,
        within: withinOf(frame, { role: meaning.role, by }),
        by,
        mayBeOther: meaning.role === 'names' && meaning.mayBeOther,
        owner: frame?.value ?? {},
      });
    };
  // zod's own tree of definitions; `type` says which
  const def = schema._zod.def as Def;
  switch (def.type) {
    case 'object':
      return ofObject(def.shape as Readonly<Record<string, z.core.$ZodType>>, scopeOf(schema) ?? null);
    case 'array': {
      const each = visitOf(def.element as z.core.$ZodType);
      return (
        each &&
        ((value, path, frame, _, emit) => {
          if (Array.isArray(value))
            for (const [i, item] of value.entries()) each(item, [...path, i], frame, false, emit);
        })
      );
    }
    case 'record':
      return ofRecord(visitOf(def.keyType as z.core.$ZodType), visitOf(def.valueType as z.core.$ZodType));
    case 'union':
      return ofUnion(def.options as readonly z.core.$ZodType[], (def.discriminator as string | undefined) ?? null);
    case 'lazy':
      return visitOf((schema as z.core.$ZodLazy)._zod.innerType);
    case 'optional':
    case 'nullable':
    case 'default':
    case 'prefault':
    case 'readonly':
      return visitOf(def.innerType as z.core.$ZodType);
    case 'pipe':
      return visitOf(def.in as z.core.$ZodType);
    case 'string':
    case 'number':
    case 'boolean':
    case 'literal':
    case 'enum':
    case 'null':
    case 'unknown':
    case 'tuple':
      return null;
    default:
      throw new Error(`a schema of the type “${def.type}” is not looked into for ids`);
  }
}

function ofObject(shape: Readonly<Record<string, z.core.$ZodType>>, opens: IdKind | null): Visit | null {
  const fields = Object.entries(shape).flatMap(([key, schema]) => {
    const visit = visitOf(schema);
    return visit ? [[key, visit] as const] : [];
  });
  if (fields.length === 0) return null;
  return (value, path, out, _, emit) => {
    if (!isObject(value)) return;
    const frame: Frame = { value, opens, out };
    for (const [key, visit] of fields)
      if (value[key] !== undefined && value[key] !== null) visit(value[key], [...path, key], frame, false, emit);
  };
}

function ofRecord(keys: Visit | null, values: Visit | null): Visit | null {
  if (!keys && !values) return null;
  return (value, path, frame, _, emit) => {
    if (!isObject(value)) return;
    for (const [key, item] of Object.entries(value)) {
      keys?.(key, [...path, key], frame, true, emit);
      values?.(item, [...path, key], frame, false, emit);
    }
  };
}

/** The values of a literal field; null where a field is none. */
function literalsOf(schema: z.core.$ZodType, key: string): readonly unknown[] | null {
  const def = schema._zod.def as Def;
  if (def.type !== 'object') return null;
  const field = (def.shape as Readonly<Record<string, z.core.$ZodType>>)[key]?._zod.def as Def | undefined;
  return field?.type === 'literal' ? (field.values as readonly unknown[]) : null;
}

const typeOfSchema = (schema: z.core.$ZodType): string => {
  const { type } = schema._zod.def as Def;
  return type === 'record' ? 'object' : type === 'enum' ? 'string' : type;
};

/** Told apart by the discriminating field, else by what the value is: a text, a number, an object. */
function ofUnion(options: readonly z.core.$ZodType[], discriminator: string | null): Visit | null {
  const visits = options.map(visitOf);
  if (visits.every((v) => v === null)) return null;
  const byLiteral = new Map<unknown, Visit | null>();
  const rest: Array<readonly [z.core.$ZodType, Visit | null]> = [];
  options.forEach((option, i) => {
    const literals = discriminator === null ? null : literalsOf(option, discriminator);
    if (literals) for (const value of literals) byLiteral.set(value, visits[i] ?? null);
    else rest.push([option, visits[i] ?? null]);
  });
  // a word of its own, such as `any`, before what any text could be
  rest.sort(([a], [b]) => Number(isLiteral(b)) - Number(isLiteral(a)));
  return (value, path, frame, isKey, emit) => {
    if (isObject(value) && discriminator !== null && byLiteral.has(value[discriminator])) {
      byLiteral.get(value[discriminator])?.(value, path, frame, isKey, emit);
      return;
    }
    for (const [option, visit] of rest) {
      if (holds(option, value)) {
        visit?.(value, path, frame, isKey, emit);
        return;
      }
    }
  };
}

const isLiteral = (schema: z.core.$ZodType): boolean => (schema._zod.def as Def).type === 'literal';

function holds(option: z.core.$ZodType, value: unknown): boolean {
  const def = option._zod.def as Def;
  if (def.type === 'literal') return (def.values as readonly unknown[]).includes(value);
  const type = typeOfSchema(option);
  if (type === 'object') return isObject(value);
  if (type === 'array') return Array.isArray(value);
  if (type === 'union') return isObject(value) || typeof value === 'string';
  return type === typeof value;
}

/** Every id that stands in a value of a schema, and every text that may mention one, in the order of the schema's fields. */
export function occurrencesIn(schema: z.core.$ZodType, value: unknown, under: Path = []): Occurrence[] {
  const found: Occurrence[] = [];
  visitOf(schema)?.(value, under, null, false, (one) => found.push(one));
  return found;
}

/** A value with another text where an id stands; a key keeps its place among the others, so that putting it back gives the same. */
export function putText(value: unknown, { path, isKey }: Pick<Occurrence, 'path' | 'isKey'>, text: string): unknown {
  const [step, ...rest] = path;
  if (step === undefined) return text;
  const inner = (item: unknown): unknown => putText(item, { path: rest, isKey }, text);
  if (Array.isArray(value)) return value.map((item, i) => (i === step ? inner(item) : item));
  return Object.fromEntries(
    Object.entries(value as object).map(([key, item]) =>
      key !== step ? [key, item] : isKey && rest.length === 0 ? [text, item] : [key, inner(item)],
    ),
  );
}

/** A value without the items of lists that are ids of such a sort; whatever else names one stays. */
export function withoutItems(value: unknown, gone: readonly Occurrence[], at: Path = []): unknown {
  const here = gone.filter(({ path }) => at.every((step, i) => path[i] === step));
  if (here.length === 0) return value;
  if (Array.isArray(value)) {
    const dropped = new Set(here.flatMap(({ path }) => (path.length === at.length + 1 ? [path.at(-1)] : [])));
    return value.flatMap((item, i) => (dropped.has(i) ? [] : [withoutItems(item, here, [...at, i])]));
  }
  if (!isObject(value)) return value;
  return Object.fromEntries(Object.entries(value).map(([key, item]) => [key, withoutItems(item, here, [...at, key])]));
}

/** The ids of a kind hold among these, nearest first, as seen from a place; null is a place that cannot be told. */
export function homesOf(found: Occurrence, kind: IdKind): Array<string | null> {
  return idHomes[kind].flatMap((home) => {
    if (home === 'entries' || home === 'unit' || home === 'records') return found.by === null ? [''] : [];
    const within = found.within(home);
    // what a chart does not have of its own is the family's
    return within === null && found.by === null && idHomes[kind].length > 1 ? [] : [within];
  });
}
