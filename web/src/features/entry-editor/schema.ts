import { z } from 'zod';

/** What the form needs to know of a schema, whatever it is wrapped in. */
export type Shape =
  | Readonly<{ kind: 'text'; long: boolean; most: number | null; pattern: boolean }>
  | Readonly<{ kind: 'number'; whole: boolean }>
  | Readonly<{ kind: 'yes-no' }>
  | Readonly<{ kind: 'choice'; of: readonly string[] }>
  | Readonly<{ kind: 'fixed'; value: unknown }>
  | Readonly<{ kind: 'object'; fields: ReadonlyArray<readonly [string, z.ZodType]> }>
  | Readonly<{ kind: 'list'; of: z.ZodType }>
  | Readonly<{ kind: 'record'; of: z.ZodType; keys: z.ZodType }>
  | Readonly<{ kind: 'one-of'; by: string; options: ReadonlyMap<string, z.ZodType> }>
  | Readonly<{ kind: 'either'; options: readonly z.ZodType[] }>
  | Readonly<{ kind: 'other' }>;

type Def = Record<string, unknown> & { type: string };
const defOf = (schema: z.ZodType): Def => ({ ...schema.def });

export type Unwrapped = Readonly<{ schema: z.ZodType; optional: boolean; nullable: boolean }>;

/** Takes off what only says that a value may be missing. */
export function unwrap(schema: z.ZodType): Unwrapped {
  let [inner, optional, nullable] = [schema, false, false];
  for (;;) {
    const def = defOf(inner);
    if (def.type === 'optional') optional = true;
    else if (def.type === 'nullable') nullable = true;
    else if (def.type === 'lazy') {
      // the same each time, so that what was said of its fields is found
      inner = (inner as z.ZodLazy)._zod.innerType as z.ZodType;
      continue;
    } else if (def.type !== 'default' && def.type !== 'prefault' && def.type !== 'readonly')
      return { schema: inner, optional, nullable };
    inner = def.innerType as z.ZodType;
  }
}

/** Prose may have lines, and is long; labels are one line. */
const longFrom = 1000;

export function shapeOf(wrapped: z.ZodType): Shape {
  const { schema } = unwrap(wrapped);
  const def = defOf(schema);
  switch (def.type) {
    case 'string': {
      const most = schema instanceof z.ZodString ? schema.maxLength : null;
      return { kind: 'text', long: most !== null && most >= longFrom, most, pattern: false };
    }
    case 'number':
      return { kind: 'number', whole: schema instanceof z.ZodNumber && schema.format === 'safeint' };
    case 'boolean':
      return { kind: 'yes-no' };
    case 'enum':
      return { kind: 'choice', of: schema instanceof z.ZodEnum ? schema.options.map(String) : [] };
    case 'literal':
      return { kind: 'fixed', value: (def.values as unknown[])[0] };
    case 'object':
      return { kind: 'object', fields: Object.entries((schema as z.ZodObject).shape) as Array<[string, z.ZodType]> };
    case 'array':
      return { kind: 'list', of: def.element as z.ZodType };
    case 'record':
      return { kind: 'record', of: def.valueType as z.ZodType, keys: def.keyType as z.ZodType };
    case 'union': {
      const by = def.discriminator;
      const options = def.options as z.ZodType[];
      if (typeof by !== 'string') return { kind: 'either', options };
      return {
        kind: 'one-of',
        by,
        options: new Map(
          options.map((option) => {
            const own = (unwrap(option).schema as z.ZodObject).shape[by] as z.ZodType;
            return [String((defOf(own).values as unknown[])[0]), option];
          }),
        ),
      };
    }
    default:
      return { kind: 'other' };
  }
}

/** The least that can stand for a schema, to be filled in; a default where there is one. */
export function emptyOf(schema: z.ZodType): unknown {
  const def = defOf(schema);
  if (def.type === 'default' || def.type === 'prefault') return def.defaultValue;
  if (def.type === 'optional') return undefined;
  if (def.type === 'nullable') return null;
  const shape = shapeOf(schema);
  switch (shape.kind) {
    case 'text':
      return '';
    case 'number':
      return Math.max(0, schema instanceof z.ZodNumber ? (schema.minValue ?? 0) : 0);
    case 'yes-no':
      return false;
    case 'choice':
      return shape.of[0];
    case 'fixed':
      return shape.value;
    case 'list':
      return [];
    case 'record':
      return {};
    case 'object':
      return Object.fromEntries(
        shape.fields.flatMap(([name, field]) => {
          const value = emptyOf(field);
          return value === undefined ? [] : [[name, value]];
        }),
      );
    case 'one-of': {
      const [first] = shape.options.values();
      return first ? emptyOf(first) : {};
    }
    case 'either':
      return shape.options[0] ? emptyOf(shape.options[0]) : '';
    case 'other':
      return null;
  }
}

/** What stands for a member of a union when one changes to it: its own empty form, with whatever both have kept. */
export function changedTo(schema: z.ZodType, before: Record<string, unknown>, by: string): Record<string, unknown> {
  const empty = emptyOf(schema) as Record<string, unknown>;
  const shape = shapeOf(schema);
  const names = shape.kind === 'object' ? shape.fields.map(([n]) => n) : [];
  const kept = Object.fromEntries(Object.entries(before).filter(([n]) => n !== by && names.includes(n)));
  return { ...empty, ...kept, [by]: empty[by] };
}
