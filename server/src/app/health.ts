import { z } from 'zod';
import { route } from '../http/route.ts';

export const healthRoutes = [
  route({
    method: 'get',
    path: '/health',
    role: 'anybody',
    summary: 'Whether server and database answer.',
    response: z.strictObject({ ok: z.literal(true) }),
    handle: async ({ services }) => {
      await services.db.raw('SELECT 1');
      return { ok: true };
    },
  }),
];
