import type { Handlers } from '../../http/route.ts';
import {
  chartUses,
  discardDrafts,
  libraryEntries,
  readEntry,
  readRevision,
  saveDraft,
  saveDrafts,
  workingEntries,
} from './service.ts';

export const entryHandlers: Handlers<
  'library' | 'working' | 'chartUses' | 'entry' | 'revision' | 'saveDraft' | 'saveDrafts' | 'discard'
> = {
  library: ({ services }) => libraryEntries(services),
  working: ({ params, services }) => workingEntries(params.family, services),
  chartUses: ({ params, services }) => chartUses(params.id, services),
  entry: ({ params, services }) => readEntry(params, services),
  revision: ({ params: { number, ...key }, services }) => readRevision(key, number, services),
  saveDraft: ({ params, body, user, services }) => saveDraft({ key: params, ...body, user }, services),
  saveDrafts: async ({ body, user, services }) => saveDrafts({ ...body, user }, services),
  discard: ({ body, services }) => discardDrafts(body.items, services),
};
