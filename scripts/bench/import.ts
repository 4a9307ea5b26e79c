import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type Code, guessMapping, planCodeImport, readTable } from '@wire-trail/core';
import {
  addUser,
  connect,
  createApp,
  createDatabase,
  importBundle,
  migrate,
  readConfig,
  saveDrafts,
} from '@wire-trail/server';
// @ts-expect-error plain JavaScript, so that it runs before anything is installed
import { freePort, startDatabase } from '../database.mjs';
import { madeUpFamilies } from './library.ts';
import { median, type Row } from './row.ts';

const rows = 5000;
const perBatch = 500;

/** 5,000 rows of a table from text to stored drafts, preview and validation on both sides included, against a bare batched insert of the same bodies. */
export async function benchImport(): Promise<Row[]> {
  const folder = mkdtempSync(join(tmpdir(), 'wire-trail-bench-'));
  const database = await startDatabase({ folder, port: await freePort() });
  const config = readConfig({
    WIRE_TRAIL_SECRET: 'b'.repeat(40),
    WIRE_TRAIL_DB_PORT: String(database.port),
    WIRE_TRAIL_DB_PASSWORD: database.password,
    WIRE_TRAIL_DB_NAME: 'bench',
    WIRE_TRAIL_LOG: 'error',
  });
  await createDatabase(config.database);
  const db = connect(config.database);
  try {
    await migrate(db);
    const { services } = createApp({ db, config });
    const user = await addUser(
      { name: 'Bench', signIn: 'bench', role: 'trainer', password: 'a long password' },
      services,
    );
    const [made] = madeUpFamilies(1, rows);
    if (!made) throw new Error('no family');
    const csv = [
      'code;title;what the control saw;possible causes',
      ...made.docs.map((d, i) => `X${i};${d.title};${d.saw};${d.suspects.join(', ')}`),
    ].join('\n');
    await db.raw('CREATE TABLE bare (id INT AUTO_INCREMENT PRIMARY KEY, body JSON NOT NULL)');
    const ours: number[] = [];
    const bare: number[] = [];
    for (let round = 0; round < 8; round++) {
      const family = `bench-${round}` as Code['family'];
      const json = {
        format: 'wire-trail/bundle',
        version: 1,
        family,
        entries: [
          {
            kind: 'family',
            id: family,
            name: family,
            sort: 'machine',
            summary: '',
            controllers: [{ id: 'main', name: 'Main', role: 'lead', authoritative: true }],
          },
        ],
      };
      await importBundle({ json, authorId: null, publish: 'bench' }, services);
      const began = performance.now();
      const table = readTable(csv);
      if (!table.ok) throw new Error(table.error.code);
      const plan = planCodeImport({
        table: table.value,
        mapping: guessMapping(table.value.header),
        existing: [],
        defaults: {
          family,
          controller: 'main' as Code['controller'],
          readout: null,
          source: null,
          standing: 'document',
        },
        ranges: true,
      });
      const items = (plan ?? []).flatMap((r) => (r.taken ? r.bodies.map(({ body }) => ({ basedOn: 0, body })) : []));
      if (items.length !== rows) throw new Error(`${items.length} rows were taken`);
      const { id } = saveDrafts({ items, note: 'bench', submit: null, user }, services);
      while (services.jobs.read(id, user.id).state === 'running')
        await new Promise((resolve) => setTimeout(resolve, 2));
      if (services.jobs.read(id, user.id).state !== 'done') throw new Error('the job failed');
      ours.push(performance.now() - began);
      const bareBegan = performance.now();
      await db.transaction(async (trx) => {
        for (let i = 0; i < rows; i += perBatch)
          await trx('bare').insert(items.slice(i, i + perBatch).map(({ body }) => ({ body: JSON.stringify(body) })));
      });
      bare.push(performance.now() - bareBegan);
    }
    const ratio = median(ours.slice(1)) / median(bare.slice(1));
    return [
      { name: 'import.ratio', value: ratio, unit: '×', aim: '≤ 3', met: ratio <= 3 },
      { name: 'import.ms', value: Math.round(median(ours.slice(1))), unit: 'ms', aim: null, met: null },
    ];
  } finally {
    await db.destroy();
    await database.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}
