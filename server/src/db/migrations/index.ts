import type { Knex } from 'knex';
import * as first from './20261123090000-first-tables.ts';
import * as second from './20261123220000-pictures-and-composition.ts';
import * as third from './20261127100000-publish-locks.ts';
import * as fourth from './20261127200000-what-to-fix.ts';
import * as fifth from './20261128100000-library-order.ts';
import * as sixth from './20261128110000-people-and-walks.ts';
import * as seventh from './20261128200000-why-tries-failed.ts';
import * as eighth from './20261128210000-who-may-act.ts';
import * as ninth from './20261128220000-proposals.ts';
import * as tenth from './20261129110000-longer-reviews.ts';

/**
 * Every migration by its name, oldest first by name. Forward only; what an applied one leaves is never changed. Each may be
 * run again where it was stopped halfway: the database commits every table on its own.
 */
export const migrations: Readonly<Record<string, Knex.Migration>> = {
  '20261123090000-first-tables': first,
  '20261123220000-pictures-and-composition': second,
  '20261127100000-publish-locks': third,
  '20261127200000-what-to-fix': fourth,
  '20261128100000-library-order': fifth,
  '20261128110000-people-and-walks': sixth,
  '20261128200000-why-tries-failed': seventh,
  '20261128210000-who-may-act': eighth,
  '20261128220000-proposals': ninth,
  '20261129110000-longer-reviews': tenth,
};
