import { RateLimiterMemory, RateLimiterMySQL, RateLimiterRes } from 'rate-limiter-flexible';
import { ProblemError } from '../../http/problem.ts';
import type { Services } from '../../http/services.ts';

/** Wrong tries in a minute: of one name from one address, and of all names from it with those that are being judged. */
const mostOfName = 5;
const mostOfAddress = 120;

type Limits = Readonly<{ byName: RateLimiterMySQL; byAddress: RateLimiterMySQL }>;
const limits = new WeakMap<object, Limits>();

/** Counted in the database, for all servers together; each for itself while that does not answer. */
function limitsOf({ db, config }: Services): Limits {
  const known = limits.get(db);
  if (known) return known;
  const of = (keyPrefix: string, points: number) =>
    new RateLimiterMySQL({
      storeClient: db,
      storeType: 'knex',
      dbName: config.database.database,
      tableName: 'sign_in_tries',
      tableCreated: true,
      clearExpiredByTimeout: true,
      keyPrefix,
      points,
      duration: 60,
      insuranceLimiter: new RateLimiterMemory({ points, duration: 60 }),
    });
  const made = { byName: of('name', mostOfName), byAddress: of('address', mostOfAddress) };
  limits.set(db, made);
  return made;
}

/**
 * Counts a try before it is judged, so that many at once are as many as one after the other, and takes it back where it was
 * right: however many sign in from one address, those who know their password get in.
 */
export async function limited<T>(
  tries: Readonly<{ name: string; from: string }>,
  services: Services,
  work: () => Promise<T>,
): Promise<T> {
  const { byName, byAddress } = limitsOf(services);
  const name = `${tries.from} ${tries.name}`;
  try {
    await byAddress.consume(tries.from);
    await byName.consume(name);
  } catch (limit) {
    if (!(limit instanceof RateLimiterRes)) throw limit;
    throw new ProblemError('too-many-tries', { retryAfterS: Math.ceil(limit.msBeforeNext / 1000) });
  }
  const done = await work();
  await Promise.all([byName.delete(name), byAddress.reward(tries.from)]);
  return done;
}
