import {
  type Answer,
  apiPrefix,
  contract,
  type Declared,
  type RefusalCode,
  type RouteName,
  refusals,
  routeNames,
  statusOf,
} from '@wire-trail/core';
import { vi } from 'vitest';

/** What was asked of the stand-in, as it came over the wire. */
export type Called = Readonly<{ route: RouteName; params: Record<string, string>; query: string; body: unknown }>;
type Refuses = Readonly<{ refuses: RefusalCode; detail?: string; fields?: object[] }>;
type Says<N extends RouteName> = Answer<N> | Refuses;
/** What it says to each route: the same each time, or made of what was asked. Whatever is not named is without a connection. */
export type Script = { readonly [N in RouteName]?: Says<N> | ((called: Called) => Says<N> | Promise<Says<N>>) };

const routes = routeNames.map((name) => {
  const route: Declared = contract[name];
  const { method, path } = route;
  const pattern = new RegExp(`^${apiPrefix}${path.replace(/:(\w+)/g, '(?<$1>[^/]+)')}$`);
  return { name, method: method.toUpperCase(), pattern, status: statusOf(route) };
});

/** Stands in for the server until the globals are unstubbed, and by the contract only; gives what it was asked. */
export function standInServer(script: Script): Called[] {
  const calls: Called[] = [];
  vi.stubGlobal('fetch', async (address: string, init: RequestInit = {}) => {
    const { pathname, search } = new URL(address, 'http://127.0.0.1');
    for (const { name, method, pattern, status } of routes) {
      const found = method === (init.method ?? 'GET') ? pattern.exec(pathname) : null;
      if (!found) continue;
      const params = Object.fromEntries(
        Object.entries(found.groups ?? {}).map(([key, value]) => [key, decodeURIComponent(value)]),
      );
      const body: unknown = typeof init.body === 'string' ? JSON.parse(init.body) : undefined;
      const called = { route: name, params, query: search, body };
      calls.push(called);
      const says = script[name];
      const said: unknown = await (typeof says === 'function' ? says(called) : says);
      if (said === undefined && !(name in script)) break;
      return answer(said, status);
    }
    throw new TypeError('no connection');
  });
  return calls;
}

function answer(said: unknown, status: number): Response {
  if (typeof said === 'object' && said !== null && 'refuses' in said) {
    const { refuses: code, ...more } = said as Refuses;
    const [refused, title] = refusals[code];
    return Response.json({ type: `/problems/${code}`, title, status: refused, code, ...more }, { status: refused });
  }
  return status === 204 ? new Response(null, { status }) : Response.json(said, { status });
}
