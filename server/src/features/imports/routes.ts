import type { Handlers } from '../../http/route.ts';
import { importBundle, previewImport } from './service.ts';

export const importHandlers: Handlers<'previewImport' | 'importBundle'> = {
  previewImport: ({ body, services }) => previewImport(body, services),
  importBundle: ({ body, user, services }) => importBundle({ json: body, authorId: user.id, publish: null }, services),
};
