import { databaseAnswers } from '../db/store.ts';
import type { Handlers } from '../http/route.ts';

export const healthHandlers: Handlers<'health'> = {
  health: async ({ services }) => {
    await databaseAnswers(services.db);
    return { ok: true };
  },
};
