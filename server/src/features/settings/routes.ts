import { route } from '../../http/route.ts';
import { SchoolSettings } from './school-settings.ts';
import { readSettings, writeSettings } from './service.ts';

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
