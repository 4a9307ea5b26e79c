import { SchoolSettings } from '@wire-trail/core';
import { z } from 'zod';
import type { Db, Transaction } from '../../db/connect.ts';
import { json, readRow } from '../../db/rows.ts';

const name = 'school';
// what a later version adds, or an earlier one left out, does not hide the rest
const Row = z.object({ value: json(z.object(SchoolSettings.shape).partial()) });

export async function keptSettings(db: Db | Transaction): Promise<Partial<SchoolSettings>> {
  return readRow(Row, await db('settings').where({ name }).first('value'))?.value ?? {};
}

const loading = 'demo-loading';

/** Whether the demo was begun to be loaded, and not all of it was. */
export async function isLoading(db: Db): Promise<boolean> {
  return (await db('settings').where({ name: loading }).first('name')) !== undefined;
}

export async function markLoading(db: Db, is: boolean): Promise<void> {
  if (is) await db('settings').insert({ name: loading, value: 'true' }).onConflict('name').ignore();
  else await db('settings').where({ name: loading }).delete();
}

export async function keepSettings(db: Db, settings: SchoolSettings): Promise<void> {
  await db('settings')
    .insert({ name, value: JSON.stringify(settings) })
    .onConflict('name')
    .merge();
}
