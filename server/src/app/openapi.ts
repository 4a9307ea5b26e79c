import { z } from 'zod';
import type { Route } from '../http/route.ts';

type Json = Record<string, unknown>;

/** Shapes that several schemas share or that hold themselves, by name; equal shapes are named once. */
class Components {
  readonly schemas: Json = {};
  private readonly names = new Map<string, string>();

  private nameOf(shape: unknown): string {
    const text = JSON.stringify(shape);
    const name = this.names.get(text) ?? `shape${this.names.size + 1}`;
    this.names.set(text, name);
    return name;
  }

  /** A zod schema as JSON Schema whose references point into the document's components. */
  schema(schema: z.ZodType, io: 'input' | 'output'): unknown {
    const {
      $schema: _,
      $defs = {},
      ...root
    } = z.toJSONSchema(schema, {
      io,
      unrepresentable: 'any',
      target: 'draft-2020-12',
    }) as Json & { $defs?: Json };
    // a shape's own text, with the definitions it was made with, tells it from others of the same short name
    const names = new Map(Object.keys($defs).map((key) => [`#/$defs/${key}`, this.nameOf([key, $defs])]));
    const holdsItself = JSON.stringify([root, $defs]).includes('"$ref":"#"');
    const rootName = holdsItself ? this.nameOf([root, $defs]) : null;
    const point = (value: unknown): unknown => {
      if (Array.isArray(value)) return value.map(point);
      if (typeof value !== 'object' || value === null) return value;
      return Object.fromEntries(
        Object.entries(value).map(([key, inner]) => {
          if (key !== '$ref' || typeof inner !== 'string') return [key, point(inner)];
          const name = inner === '#' ? rootName : names.get(inner);
          if (!name) throw new Error(`reference ${inner} leads nowhere`);
          return [key, `#/components/schemas/${name}`];
        }),
      );
    };
    for (const [key, shape] of Object.entries($defs)) this.schemas[names.get(`#/$defs/${key}`) ?? key] = point(shape);
    if (rootName === null) return point(root);
    this.schemas[rootName] = point(root);
    return { $ref: `#/components/schemas/${rootName}` };
  }

  parameters(schema: z.ZodType | undefined, place: 'path' | 'query'): Json[] {
    if (!schema) return [];
    const { properties = {}, required = [] } = this.schema(schema, 'input') as {
      properties?: Json;
      required?: string[];
    };
    return Object.entries(properties).map(([name, shape]) => ({
      name,
      in: place,
      required: place === 'path' || required.includes(name),
      schema: shape,
    }));
  }
}

const problem = {
  description: 'Refused',
  content: { 'application/problem+json': { schema: { type: 'object', required: ['title', 'status', 'code'] } } },
};

/** The OpenAPI document, made from the same table and schemas that the routes are served by. */
export function apiDocument(routes: readonly Route[]): Json {
  const components = new Components();
  const paths: Record<string, Json> = {};
  for (const one of routes) {
    const path = `/api/v1${one.path.replace(/:(\w+)/g, '{$1}')}`;
    const json = (schema: z.ZodType, io: 'input' | 'output') => ({
      'application/json': { schema: components.schema(schema, io) },
    });
    paths[path] = {
      ...paths[path],
      [one.method]: {
        summary: one.summary,
        'x-role': one.role,
        ...(one.role !== 'anybody' && { security: [{ session: [] }] }),
        parameters: [...components.parameters(one.params, 'path'), ...components.parameters(one.query, 'query')],
        ...(one.body && { requestBody: { required: true, content: json(one.body, 'input') } }),
        responses: {
          [one.response ? one.status : 204]: one.response
            ? { description: 'Done', content: json(one.response, 'output') }
            : { description: 'Done' },
          default: problem,
        },
      },
    };
  }
  return {
    openapi: '3.1.0',
    info: { title: 'Wire Trail', version: '1', description: 'Writes need the header `X-Wire-Trail: 1`.' },
    components: {
      securitySchemes: { session: { type: 'apiKey', in: 'cookie', name: 'wire-trail' } },
      schemas: components.schemas,
    },
    paths,
  };
}
