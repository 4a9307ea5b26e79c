import type { Db, Transaction } from '../../db/connect.ts';
import type { SchoolSettings } from './school-settings.ts';

const defaults: SchoolSettings = { schoolName: 'Service school', ownReview: false };
const name = 'school';

export async function readSettings(db: Db | Transaction): Promise<SchoolSettings> {
  const row = (await db('settings').where({ name }).first('value')) as { value: Partial<SchoolSettings> } | undefined;
  return { ...defaults, ...row?.value };
}

export async function writeSettings(settings: SchoolSettings, db: Db): Promise<SchoolSettings> {
  await db('settings')
    .insert({ name, value: JSON.stringify(settings) })
    .onConflict('name')
    .merge();
  return settings;
}
