import { hash, verify } from '@node-rs/argon2';
import type { User } from '@wire-trail/core';
import { RateLimiterMemory, RateLimiterRes } from 'rate-limiter-flexible';
import { ProblemError } from '../../http/problem.ts';
import type { Services } from '../../http/services.ts';
import { findUser } from '../users/store.ts';

/** argon2id by default; 19 MiB, two rounds: the least that is recommended for interactive sign-in. */
export const hashPassword = (password: string): Promise<string> =>
  hash(password, { memoryCost: 19_456, timeCost: 2, parallelism: 1 });

// one pair per process, so that tests with their own app share no count: keyed by database
const limiters = new WeakMap<object, { byName: RateLimiterMemory; byAddress: RateLimiterMemory }>();
function limitersOf(services: Services) {
  const known = limiters.get(services.db) ?? {
    byName: new RateLimiterMemory({ points: 5, duration: 60, blockDuration: 60 }),
    byAddress: new RateLimiterMemory({ points: 60, duration: 60 }),
  };
  limiters.set(services.db, known);
  return known;
}

let noOne: Promise<string> | null = null;

/** Checks name and password. An unknown name costs the same time as a wrong password, and says the same. */
export async function checkSignIn(
  input: { signIn: string; password: string; from: string },
  services: Services,
): Promise<User> {
  const { byName, byAddress } = limitersOf(services);
  const name = `${input.from} ${input.signIn.toLowerCase()}`;
  try {
    await byAddress.consume(input.from);
    await byName.consume(name);
  } catch (limit) {
    if (!(limit instanceof RateLimiterRes)) throw limit;
    throw new ProblemError('too-many-tries', { retryAfterS: Math.ceil(limit.msBeforeNext / 1000) });
  }
  const found = await findUser(input.signIn, services.db);
  noOne ??= hashPassword('nobody signs in with this');
  const right = await verify(found?.passwordHash ?? (await noOne), input.password);
  if (!found || !right) throw new ProblemError('sign-in-wrong');
  await byName.delete(name);
  return found.user;
}
