import type { Db, Transaction } from './connect.ts';

const deadlock = 1213;
const lockWaitTimeout = 1205;
const mostTries = 6;

/** Runs work in a transaction, again from its start where the database chose it as the victim of a deadlock. */
export async function transact<T>(db: Db, work: (trx: Transaction) => Promise<T>): Promise<T> {
  for (let tried = 1; ; tried++) {
    try {
      return await db.transaction(work, { isolationLevel: 'read committed' });
    } catch (error) {
      const { errno } = error as { errno?: number };
      if ((errno !== deadlock && errno !== lockWaitTimeout) || tried === mostTries) throw error;
    }
  }
}
