import { z } from 'zod';
import { FamilyId } from '../base/ids.ts';
import { type Role, roleAtLeast } from '../base/role.ts';
import type { RefusalCode } from './problem.ts';

/** A value that stands in an address as text: read with `decode`, written with `encode`. */
type InAddress = z.ZodObject;

/** One route, declared once: what is asked, by whom, what is answered and how it may be refused. */
export type Declared = Readonly<{
  method: 'get' | 'post' | 'put' | 'delete';
  /** After `/api/v1`; `:name` stands for a parameter. */
  path: string;
  /** The least role that may call it; `anybody` needs no sign-in. */
  role: Role | 'anybody';
  summary: string;
  params?: InAddress;
  query?: InAddress;
  body?: z.ZodType;
  /** What is answered; left out where there is nothing to say (204). */
  answer?: z.ZodType;
  /** Left out where it is 200. */
  status?: 201 | 202;
  /** What it may be refused for beside what every route of its kind may be. */
  refusals?: readonly RefusalCode[];
  /** Whether whole files are sent to it. */
  large?: true;
  /** What is sent back where it is no JSON. */
  sends?: 'picture';
}>;

/** Declares a route, and keeps the types of its schemas. */
export const declare = <const D extends Declared>(route: D): D => route;

type In<S> = S extends z.ZodType ? z.output<S> : undefined;
/** What a route is given, as its handler reads it and as its caller says it. */
export type AskedOf<D extends Declared> = Readonly<{
  params: In<D['params']>;
  query: In<D['query']>;
  body: In<D['body']>;
}>;
/** What a route answers. */
// biome-ignore lint/suspicious/noConfusingVoidType: a handler that answers nothing returns nothing
export type AnswerOf<D extends Declared> = D['answer'] extends z.ZodType ? z.output<D['answer']> : void;

/** Where the routes are. */
export const apiPrefix = '/api/v1';

/** In addresses the library, which is no family, is called so. */
const libraryName = 'library';
/** A family, or null for the library. */
export const Scope = z.codec(z.string(), FamilyId.nullable(), {
  // what comes out is judged as a family's name right after
  decode: (text) => (text === libraryName ? null : (text as FamilyId)),
  encode: (family) => family ?? libraryName,
});
/** A number that counts from one. */
export const Counted = z.codec(z.string().regex(/^\d{1,9}$/), z.number().int().positive(), {
  decode: Number,
  encode: String,
});

/** A number that counts from zero. */
export const CountedFromZero = z.codec(z.string().regex(/^\d{1,15}$/), z.number().int().nonnegative(), {
  decode: Number,
  encode: String,
});

/** The status of an answer that is no refusal. */
export const statusOf = ({ status, answer, sends }: Declared): number => status ?? (answer || sends ? 200 : 204);

/**
 * Every refusal a route may answer with: its own, and those that come of its role, its method and what is sent to it.
 */
export function refusalsOf(route: Declared): RefusalCode[] {
  const writes = route.method !== 'get';
  const all: RefusalCode[] = [
    ...(route.role === 'anybody' ? [] : (['not-signed-in', 'session-ended'] as const)),
    ...(route.role === 'anybody' || roleAtLeast('technician', route.role) ? [] : (['not-allowed'] as const)),
    ...(writes ? (['cross-site'] as const) : []),
    ...(route.params || route.query || route.body ? (['field-wrong'] as const) : []),
    ...(route.body ? (['body-malformed', 'not-json', 'too-large'] as const) : []),
    ...(route.refusals ?? []),
    'internal',
    'not-ready',
  ];
  return [...new Set(all)];
}

const encoded = (schema: InAddress | undefined, value: unknown): Record<string, string> | null => {
  if (!schema) return {};
  const made = z.safeEncode(schema, value as z.output<InAddress>);
  if (!made.success) return null;
  return Object.fromEntries(Object.entries(made.data).flatMap(([k, v]) => (v === undefined ? [] : [[k, String(v)]])));
};

/** The address of a route with these values in it; null where one of them cannot stand there. */
export function addressOf(route: Declared, asked: Readonly<{ params?: unknown; query?: unknown }>): string | null {
  const params = encoded(route.params, asked.params);
  const query = encoded(route.query, asked.query ?? {});
  if (!params || !query) return null;
  const path = route.path.replace(/:(\w+)/g, (_, name: string) => encodeURIComponent(params[name] ?? ''));
  const text = new URLSearchParams(query).toString();
  return `${apiPrefix}${path}${text ? `?${text}` : ''}`;
}
