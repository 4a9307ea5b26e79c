import { User } from '@wire-trail/core';
import { readKept } from './kept-json.ts';

const key = 'wire-trail-user';

/** The last person who signed in on this device, who may go on without a connection; null where what is kept is no person. */
export function rememberedUser(): User | null {
  return User.safeParse(readKept(key)).data ?? null;
}

export function rememberUser(user: User | null): void {
  if (user === null) localStorage.removeItem(key);
  else localStorage.setItem(key, JSON.stringify(user));
}
