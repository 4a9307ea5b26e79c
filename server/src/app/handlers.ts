import { assetHandlers } from '../features/assets/routes.ts';
import { bundleHandlers } from '../features/bundles/routes.ts';
import { entryHandlers } from '../features/entries/routes.ts';
import { importHandlers } from '../features/imports/routes.ts';
import { jobHandlers } from '../features/jobs/routes.ts';
import { proposalHandlers } from '../features/proposals/routes.ts';
import { publishingHandlers } from '../features/publishing/routes.ts';
import { sessionHandlers } from '../features/session/routes.ts';
import { settingsHandlers } from '../features/settings/routes.ts';
import { userHandlers } from '../features/users/routes.ts';
import { walkHandlers } from '../features/walks/routes.ts';
import type { Handlers } from '../http/route.ts';
import { healthHandlers } from './health.ts';

/** What answers every route of the contract. One that is missing, or answers something else, does not compile. */
export const handlers: Handlers = {
  ...healthHandlers,
  ...sessionHandlers,
  ...userHandlers,
  ...settingsHandlers,
  ...bundleHandlers,
  ...entryHandlers,
  ...publishingHandlers,
  ...importHandlers,
  ...jobHandlers,
  ...assetHandlers,
  ...walkHandlers,
  ...proposalHandlers,
};
