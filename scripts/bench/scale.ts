import Koa from 'koa';
import { growFamilies, growWalks } from '../grow.ts';
import { median, type Row, row } from './row.ts';
import { listening, withSchool } from './school.ts';
import { signedInAs, timeOf } from './serve.ts';

const rounds = 7;
const perRound = 60;
const codes = 100;

/** The library's list and the log of a large school, each against a bare route that does the same indexed query. */
export function benchScale(): Promise<Row[]> {
  return withSchool(async ({ app, db }) => {
    const bare = new Koa();
    bare.use(async (ctx) => {
      const since = Number(ctx.query.since ?? 0);
      const rows = await db('current_bundles')
        .where('number', '>', since)
        .orderBy(['number', 'family'])
        .limit(100)
        .select('number', 'card');
      ctx.body = rows.map((r) => (typeof r.card === 'string' ? JSON.parse(r.card) : r.card));
    });
    return listening(app, (ours) =>
      listening(bare, async (theirs) => {
        const cookie = await signedInAs(ours, 'bench');
        const first = (at: string, path: string) => timeOf(`${at}${path}`, cookie, perRound);
        const end = async () => Number((await db('library_order').first('number')).number);
        const measured = async () => {
          const last = await end();
          const of: Record<string, number[]> = { page: [], barePage: [], delta: [], bareDelta: [] };
          for (let round = 0; round < rounds; round++) {
            of.page?.push(await first(ours, '/api/v1/families'));
            of.barePage?.push(await first(theirs, '/?since=0'));
            of.delta?.push(await first(ours, `/api/v1/families?since=${last}`));
            of.bareDelta?.push(await first(theirs, `/?since=${last}`));
          }
          const [page, barePage, delta, bareDelta] = Object.values(of).map((times) => median(times));
          return { page: page ?? 0, barePage: barePage ?? 1, delta: delta ?? 0, bareDelta: bareDelta ?? 1 };
        };
        await growFamilies(db, { from: 0, to: 99, codes });
        const small = await measured();
        await growFamilies(db, { from: 99, to: 999, codes });
        const large = await measured();
        const { id: userId } = await db('users').first('id');
        await growWalks(db, { family: 'brindlewick-g4', userId, walks: 10_000 });
        await db('users').where({ id: userId }).update({ role: 'trainer' });
        const trainer = await signedInAs(ours, 'bench');
        const log = await timeOf(`${ours}/api/v1/walks`, trainer, 10);
        const tries = await timeOf(`${ours}/api/v1/families/brindlewick-g4/tries`, trainer, 10);
        const ratio = Math.max(large.page / large.barePage, large.delta / large.bareDelta);
        const growth = Math.max(large.page / small.page, large.delta / small.delta);
        return [
          row('scale.familiesRatio', ratio, '×', '≤ 3', ratio <= 3),
          row('scale.growth', growth, '×', '≤ 1.5', growth <= 1.5),
          row('scale.firstPageMs', large.page, 'ms'),
          row('scale.emptyDeltaMs', large.delta, 'ms'),
          row('scale.logMs', log, 'ms of 10,000 walks'),
          row('scale.triesMs', tries, 'ms of 200,000 events'),
        ];
      }),
    );
  });
}
