import { assetRoutes } from '../features/assets/routes.ts';
import { bundleRoutes } from '../features/bundles/routes.ts';
import { entryRoutes } from '../features/entries/routes.ts';
import { importRoutes } from '../features/imports/routes.ts';
import { jobRoutes } from '../features/jobs/routes.ts';
import { publishingRoutes } from '../features/publishing/routes.ts';
import { sessionRoutes } from '../features/session/routes.ts';
import { settingsRoutes } from '../features/settings/routes.ts';
import { userRoutes } from '../features/users/routes.ts';
import { walkRoutes } from '../features/walks/routes.ts';
import type { Route } from '../http/route.ts';
import { healthRoutes } from './health.ts';

/** Every route there is, with its least role. Served, documented and tested from this one table. */
export const routes: readonly Route[] = [
  ...healthRoutes,
  ...sessionRoutes,
  ...userRoutes,
  ...settingsRoutes,
  ...bundleRoutes,
  ...entryRoutes,
  ...publishingRoutes,
  ...importRoutes,
  ...jobRoutes,
  ...assetRoutes,
  ...walkRoutes,
];
