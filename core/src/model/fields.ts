import type { z } from 'zod';
import { type Meaning, meaningOf } from './reference.ts';

/** One step from a document to one of its fields. `beside` are the fields that others go by: the kind, and an id. */
export type FieldStep =
  | Readonly<{ kind: 'field'; name: string; beside: Readonly<Record<string, unknown>> }>
  | Readonly<{ kind: 'item' | 'key' | 'value' }>;
/** A field that holds a string, and what that string is; undefined where nobody said. */
export type StringField = Readonly<{ path: readonly FieldStep[]; meaning: Meaning | undefined }>;

type Def = z.core.$ZodType['_zod']['def'] & Readonly<Record<string, unknown>>;
type Shape = Readonly<Record<string, z.core.$ZodType>>;

/** What a field of a made-up document holds, where others go by it: its kind, or an id of its own. */
const givenOf = (schema: z.core.$ZodType): readonly unknown[] => {
  const meaning = meaningOf(schema);
  if (meaning?.role === 'defines') return [meaning.kind === 'asset' ? 'e'.repeat(64) : 'made-up'];
  const def = schema._zod.def as Def;
  return def.type === 'literal' ? (def.values as readonly unknown[]) : [];
};

/** Every string field of a schema, in order. What holds itself is gone into once. */
export function stringFields(schema: z.core.$ZodType): StringField[] {
  const walk = (at: z.core.$ZodType, path: readonly FieldStep[], inside: readonly z.core.$ZodType[]): StringField[] => {
    const meaning = meaningOf(at);
    if (meaning) return [{ path, meaning }];
    const def = at._zod.def as Def;
    const inner = (next: z.core.$ZodType, step?: FieldStep) => walk(next, step ? [...path, step] : path, inside);
    switch (def.type) {
      case 'string':
        return [{ path, meaning: undefined }];
      case 'object': {
        const fields = Object.entries(def.shape as Shape);
        const beside = Object.fromEntries(fields.flatMap(([name, s]) => givenOf(s).map((value) => [name, value])));
        return fields.flatMap(([name, field]) => inner(field, { kind: 'field', name, beside }));
      }
      case 'array':
        return inner(def.element as z.core.$ZodType, { kind: 'item' });
      case 'record':
        return [
          ...inner(def.keyType as z.core.$ZodType, { kind: 'key' }),
          ...inner(def.valueType as z.core.$ZodType, { kind: 'value' }),
        ];
      case 'union':
        return (def.options as readonly z.core.$ZodType[]).flatMap((option) => inner(option));
      case 'lazy':
        return inside.includes(at) ? [] : walk((at as z.core.$ZodLazy)._zod.innerType, path, [...inside, at]);
      case 'optional':
      case 'nullable':
      case 'default':
      case 'prefault':
      case 'readonly':
        return inner(def.innerType as z.core.$ZodType);
      case 'pipe':
        return inner(def.in as z.core.$ZodType);
      default:
        return [];
    }
  };
  return walk(schema, [], []);
}

/** A field as people write it: `steps[].control`, `variants[].values{}`. */
export function fieldText(path: readonly FieldStep[]): string {
  const signs = { item: '[]', key: '{key}', value: '{}' } as const;
  const texts = path.map((step) => (step.kind === 'field' ? `.${step.name}` : signs[step.kind]));
  return texts.join('').replace(/^\./, '');
}

/** The least of a document in which a field holds a text: the way there, and what tells the members of unions apart. */
export function documentWith(path: readonly FieldStep[], text: string): unknown {
  const [step, ...rest] = path;
  if (!step) return text;
  switch (step.kind) {
    case 'field':
      return { ...step.beside, [step.name]: documentWith(rest, text) };
    case 'item':
      return [documentWith(rest, text)];
    case 'key':
      return { [text]: 0 };
    case 'value':
      return { some: documentWith(rest, text) };
  }
}
