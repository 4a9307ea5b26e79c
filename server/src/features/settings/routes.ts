import { z } from 'zod';
import { route } from '../../app/route.ts';
import { readSettings, writeSettings } from './service.ts';

export const SchoolSettings = z.strictObject({
  schoolName: z.string().trim().min(1).max(120),
  /** The author may publish: for a school of one. The history says so. */
  ownReview: z.boolean(),
});
export type SchoolSettings = z.infer<typeof SchoolSettings>;

export const settingsRoutes = [
  route({
    method: 'get',
    path: '/settings',
    role: 'technician',
    summary: 'The school’s settings.',
    response: SchoolSettings,
    handle: ({ services }) => readSettings(services.db),
  }),
  route({
    method: 'put',
    path: '/settings',
    role: 'admin',
    summary: 'Change the school’s settings.',
    body: SchoolSettings,
    response: SchoolSettings,
    handle: ({ body, services }) => writeSettings(body, services.db),
  }),
];
