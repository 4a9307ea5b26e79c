import type { Handlers } from '../../http/route.ts';

export const jobHandlers: Handlers<'job' | 'cancelJob'> = {
  job: async ({ params, user, services }) => services.jobs.read(params.id, user.id),
  cancelJob: async ({ params, user, services }) => services.jobs.cancel(params.id, user.id),
};
