import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { z } from 'zod';
import { isEmpty } from './db/store.ts';
import { importBundle } from './features/imports/service.ts';
import { writeSettings } from './features/settings/service.ts';
import { isLoading, markLoading } from './features/settings/store.ts';
import { addUser, changeUser } from './features/users/service.ts';
import { findUser } from './features/users/store.ts';
import { takeEvents } from './features/walks/service.ts';
import type { Services } from './http/services.ts';

/** Accounts of the demo school only; a production start makes none. */
export const demoPassword = 'orrimar-demo';
export const demoUsers = [
  { signIn: 'technician', name: 'Demo technician', role: 'technician', level: 'technician', trades: [] },
  { signIn: 'trainer', name: 'Demo trainer', role: 'trainer', level: 'technician', trades: [] },
  { signIn: 'reviewer', name: 'Demo reviewer', role: 'reviewer', level: 'licensed', trades: ['electrical', 'gas'] },
  { signIn: 'admin', name: 'Demo admin', role: 'admin', level: 'technician', trades: [] },
] as const;

/**
 * Loads the demo school into an empty database through the same import that users have; false where it is not empty. Where it
 * was stopped halfway it goes on: what is there already is left as it is.
 */
export async function loadDemo(folder: string, services: Services): Promise<boolean> {
  const { db } = services;
  if (!(await isLoading(db))) {
    if (!(await isEmpty(db))) return false;
    await markLoading(db, true);
  }
  for (const user of demoUsers)
    if (!(await findUser(user.signIn, db))) {
      const { level, trades, ...account } = user;
      const { id, role } = await addUser({ ...account, password: demoPassword }, services);
      await changeUser(id, { role, disabled: false, level, trades: [...trades] }, services);
    }
  await writeSettings(
    {
      schoolName: 'Orrimar Isles Service School',
      ownReview: false,
      firstDo: 'test',
      repairLimit: { fromYears: 6, most: 80, currency: 'EUR' },
      country: 'Orrimar Isles',
      contacts: [
        {
          name: 'Tamsel cold works',
          sort: 'trade',
          for: 'licensed',
          trade: 'refrigeration',
          reach: 'ring 0199 518',
          hours: 'weekdays 8 to 16',
          asks: ['model', 'serial', 'code', 'readings'],
        },
        {
          name: 'The school’s bench',
          sort: 'colleague',
          for: 'technician',
          reach: 'ring 0199 100',
          hours: 'every day 7 to 20',
          asks: ['code', 'readings'],
        },
      ],
    },
    db,
  );
  const files = (await readdir(folder)).filter((name) => name.endsWith('.json')).sort();
  for (const file of files) {
    const json: unknown = JSON.parse(await readFile(join(folder, file), 'utf8'));
    await importBundle({ json, authorId: null, publish: 'demo library' }, services);
  }
  await loadWalks(join(folder, 'walks'), services);
  await markLoading(db, false);
  return true;
}

async function loadWalks(folder: string, services: Services): Promise<void> {
  const technician = await findUser('technician', services.db);
  if (!technician) throw new Error('the demo has no technician');
  for (const file of (await readdir(folder)).filter((name) => name.endsWith('.json')).sort()) {
    const events = z.array(z.unknown()).parse(JSON.parse(await readFile(join(folder, file), 'utf8')));
    const { refused } = await takeEvents({ events, user: technician.user }, services);
    if (refused.length > 0) throw new Error(`${file}: ${JSON.stringify(refused)}`);
  }
}
