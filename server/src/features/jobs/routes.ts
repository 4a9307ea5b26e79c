import { z } from 'zod';
import { route } from '../../http/route.ts';

const Address = z.object({ id: z.uuid() });
export const Job = z.strictObject({
  id: z.uuid(),
  state: z.enum(['running', 'done', 'failed', 'cancelled']),
  done: z.number(),
  total: z.number(),
  result: z.unknown(),
  problem: z.unknown(),
});

export const jobRoutes = [
  route({
    method: 'get',
    path: '/jobs/:id',
    role: 'trainer',
    summary: 'How far a long piece of one’s own work got, and what became of it.',
    params: Address,
    response: Job,
    handle: async ({ params, user, services }) => services.jobs.read(params.id, user.id),
  }),
  route({
    method: 'delete',
    path: '/jobs/:id',
    role: 'trainer',
    summary: 'Stop it. What it had written is rolled back.',
    params: Address,
    response: Job,
    handle: async ({ params, user, services }) => services.jobs.cancel(params.id, user.id),
  }),
];
