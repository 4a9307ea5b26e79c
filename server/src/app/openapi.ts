import {
  apiPrefix,
  Bundle,
  contract,
  type Declared,
  entrySchemas,
  Refusal,
  type RefusalCode,
  type RouteName,
  refusals,
  refusalsOf,
  routeNames,
  statusOf,
  WalkEvent,
} from '@wire-trail/core';
import {
  createDocument,
  type ZodOpenApiObject,
  type ZodOpenApiOperationObject,
  type ZodOpenApiPathsObject,
} from 'zod-openapi';

/** Which refusals stand under which status. */
function byStatus(codes: readonly RefusalCode[]): Map<number, RefusalCode[]> {
  const all = new Map<number, RefusalCode[]>();
  for (const code of codes) {
    const [status] = refusals[code];
    all.set(status, [...(all.get(status) ?? []), code]);
  }
  return all;
}

function responsesOf(route: Declared): ZodOpenApiOperationObject['responses'] {
  const refused = [...byStatus(refusalsOf(route))].map(
    ([status, codes]) =>
      [
        String(status),
        {
          description: codes.map((code) => `${code}: ${refusals[code][1]}`).join(' '),
          content: { 'application/problem+json': { schema: Refusal } },
        },
      ] as const,
  );
  const done = route.answer
    ? { description: 'Done', content: { 'application/json': { schema: route.answer } } }
    : route.sends === 'picture'
      ? { description: 'Done', content: { 'image/*': { schema: { type: 'string' as const, format: 'binary' } } } }
      : { description: 'Done' };
  return { [String(statusOf(route))]: done, ...Object.fromEntries(refused) };
}

const operation = (name: RouteName, route: Declared): ZodOpenApiOperationObject => ({
  operationId: name,
  summary: route.summary,
  'x-role': route.role,
  ...(route.role !== 'anybody' && { security: [{ session: [] }] }),
  requestParams: { ...(route.params && { path: route.params }), ...(route.query && { query: route.query }) },
  ...(route.body && { requestBody: { required: true, content: { 'application/json': { schema: route.body } } } }),
  responses: responsesOf(route),
});

/** The OpenAPI document, made from the contract that the routes are served by. */
export function apiDocument(): ReturnType<typeof createDocument> {
  const paths: ZodOpenApiPathsObject = {};
  for (const name of routeNames) {
    const route: Declared = contract[name];
    const path = `${apiPrefix}${route.path.replace(/:(\w+)/g, '{$1}')}`;
    paths[path] = { ...paths[path], [route.method]: operation(name, route) };
  }
  const document: ZodOpenApiObject = {
    openapi: '3.1.0',
    info: { title: 'Wire Trail', version: '1', description: 'Writes need the header `X-Wire-Trail: 1`.' },
    components: {
      schemas: { ...entrySchemas, bundle: Bundle, walkEvent: WalkEvent, refusal: Refusal },
      securitySchemes: { session: { type: 'apiKey', in: 'cookie', name: 'wire-trail' } },
    },
    paths,
  };
  return createDocument(document, {
    override: ({ zodSchema, jsonSchema }) => {
      // what cannot be said in JSON Schema is said to be anything
      if (zodSchema._zod.def.type === 'transform') jsonSchema.description = 'read further';
    },
    allowEmptySchema: { transform: true, unknown: true },
  });
}
