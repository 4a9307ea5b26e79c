import type { SchoolSettings } from '@wire-trail/core';
import type { Db, Transaction } from '../../db/connect.ts';
import { keepSettings, keptSettings } from './store.ts';

const defaults: SchoolSettings = { schoolName: 'Service school', ownReview: false, firstDo: 'test' };

export async function readSettings(db: Db | Transaction): Promise<SchoolSettings> {
  return { ...defaults, ...(await keptSettings(db)) };
}

export async function writeSettings(settings: SchoolSettings, db: Db): Promise<SchoolSettings> {
  await keepSettings(db, settings);
  return settings;
}
