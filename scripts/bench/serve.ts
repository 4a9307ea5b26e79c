import Koa from 'koa';
import { median, type Row, row } from './row.ts';
import { benchPassword, listening, withSchool } from './school.ts';

const rounds = 9;
const perRound = 300;

/** The median time of a request, of so many in a row. */
export async function timeOf(url: string, cookie: string, requests = perRound): Promise<number> {
  const times: number[] = [];
  for (let i = 0; i < requests; i++) {
    const began = performance.now();
    const response = await fetch(url, { headers: { cookie } });
    await response.arrayBuffer();
    if (!response.ok) throw new Error(`${url} answered ${response.status}`);
    times.push(performance.now() - began);
  }
  return median(times);
}

/** The cookie of somebody signed in. */
export async function signedInAs(address: string, signIn: string): Promise<string> {
  const response = await fetch(`${address}/api/v1/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', 'x-wire-trail': '1' },
    body: JSON.stringify({ signIn, password: benchPassword }),
  });
  return response.headers
    .getSetCookie()
    .map((c) => c.split(';')[0])
    .join('; ');
}

/** The bundle's GET against a bare Koa route that reads one row of the same size through the same pool, turn by turn. */
export function benchServe(): Promise<Row[]> {
  return withSchool(async ({ app, db }) => {
    await db.raw('CREATE TABLE bare (id INT PRIMARY KEY, body LONGBLOB NOT NULL)');
    // the very bytes that the bundle's own route sends
    const { body } = await db('bundles').first('body');
    await db('bare').insert({ id: 1, body });
    const bare = new Koa();
    bare.use(async (ctx) => {
      const kept = await db('bare').where({ id: 1 }).first('body');
      ctx.type = 'application/json';
      ctx.set('Content-Encoding', 'gzip');
      ctx.body = kept.body;
    });
    return listening(app, (ours) =>
      listening(bare, async (theirs) => {
        const cookie = await signedInAs(ours, 'bench');
        const [bundles, rows]: [number[], number[]] = [[], []];
        for (let round = 0; round < rounds; round++) {
          bundles.push(await timeOf(`${ours}/api/v1/families/brindlewick-g4/bundle`, cookie));
          rows.push(await timeOf(`${theirs}/`, cookie));
        }
        const ratio = median(bundles) / median(rows);
        return [
          row('serve.bundleRatio', ratio, '×', '≤ 1.5', ratio <= 1.5),
          row('serve.bundleMs', median(bundles), 'ms'),
        ];
      }),
    );
  });
}
