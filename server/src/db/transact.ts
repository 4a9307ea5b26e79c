import type { Db, Transaction } from './connect.ts';

const deadlock = 1213;
const lockWaitTimeout = 1205;
/** What the database says where the same row is there already; begun anew, a transaction finds it. */
export const duplicateKey = 1062;
const mostTries = 6;

/**
 * Runs work in a transaction; again from its start where the database chose it as the victim of a deadlock, or where
 * another transaction was first with the same new row.
 */
export async function transact<T>(db: Db, work: (trx: Transaction) => Promise<T>): Promise<T> {
  for (let tried = 1; ; tried++) {
    try {
      return await db.transaction(work, { isolationLevel: 'read committed' });
    } catch (error) {
      const { errno } = error as { errno?: number };
      if (![deadlock, lockWaitTimeout, duplicateKey].includes(errno ?? 0) || tried === mostTries) throw error;
    }
  }
}
