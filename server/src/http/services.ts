import type { User } from '@wire-trail/core';
import type { Config } from '../config.ts';
import type { Db } from '../db/connect.ts';
import type { Watched } from '../db/watch.ts';
import type { Jobs } from './jobs.ts';

/** What every service function is given: the database, the clock, and what the school set. */
export type Services = Readonly<{
  db: Db;
  now: () => Date;
  config: Config;
  sessions: SessionCache;
  jobs: Jobs;
  watched: Watched;
}>;

export type Cached = Readonly<{ userId: number; until: number; value: User }>;

/** Signed-in users by session, for a few seconds, so that reading a bundle costs one query and not two. */
export type SessionCache = Readonly<{
  get: (id: string, at: number) => Cached['value'] | null;
  set: (id: string, value: Cached['value'], at: number) => void;
  forget: (id: string) => void;
  forgetUser: (userId: number) => void;
}>;

const keepMs = 10_000;
const most = 5000;

export function sessionCache(): SessionCache {
  const known = new Map<string, Cached>();
  return {
    get: (id, at) => {
      const found = known.get(id);
      return found && found.until > at ? found.value : null;
    },
    set: (id, value, at) => {
      if (known.size >= most) known.clear();
      known.set(id, { userId: value.id, until: at + keepMs, value });
    },
    forget: (id) => void known.delete(id),
    forgetUser: (userId) => {
      for (const [id, cached] of known) if (cached.userId === userId) known.delete(id);
    },
  };
}
