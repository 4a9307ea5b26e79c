import { randomUUID } from 'node:crypto';
import { statfs } from 'node:fs/promises';
import { writesARow } from '../db/store.ts';
import { ProblemError } from '../http/problem.ts';
import type { Handlers } from '../http/route.ts';
import type { Services } from '../http/services.ts';

/** After a statement failed for want of room, so long nobody is sent here, in ms. */
const shakenMs = 60_000;
/** Less room than this on the disk of the data is too little, in bytes. */
const leastRoom = 64 * 1024 * 1024;
/** An answer serves everybody who asks within this time, in ms: asking costs a write. */
const keptMs = 1000;

const kept = new WeakMap<object, { at: number; answer: Promise<string | null> }>();

/** Why nothing can be written here; null where it can. */
async function whyNot({ db, config, watched }: Services): Promise<string | null> {
  const failedAt = watched.failedToWriteAt();
  if (failedAt !== null && Date.now() - failedAt < shakenMs) return 'the database could not write a moment ago';
  if (config.dataFolder !== null) {
    const disk = await statfs(config.dataFolder).catch(() => null);
    if (disk && disk.bavail * disk.bsize < leastRoom) return 'the disk is nearly full';
  }
  try {
    await writesARow(db, randomUUID());
    return null;
  } catch {
    return 'the database does not write';
  }
}

export const healthHandlers: Handlers<'health' | 'ready'> = {
  health: async () => ({ ok: true }),
  ready: async ({ services }) => {
    const at = Date.now();
    let known = kept.get(services.db);
    if (!known || at - known.at > keptMs) {
      known = { at, answer: whyNot(services) };
      kept.set(services.db, known);
    }
    const why = await known.answer;
    if (why !== null) throw new ProblemError('not-ready', { detail: why });
    return { ok: true };
  },
};
