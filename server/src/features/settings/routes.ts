import type { Handlers } from '../../http/route.ts';
import { readSettings, writeSettings } from './service.ts';

export const settingsHandlers: Handlers<'settings' | 'saveSettings'> = {
  settings: ({ services }) => readSettings(services.db),
  saveSettings: ({ body, services }) => writeSettings(body, services.db),
};
