import type { User } from './api.ts';

const key = 'wire-trail-user';

/** The last person who signed in on this device, who may go on without a connection. */
export function rememberedUser(): User | null {
  const kept = localStorage.getItem(key);
  return kept === null ? null : (JSON.parse(kept) as User);
}

export function rememberUser(user: User | null): void {
  if (user === null) localStorage.removeItem(key);
  else localStorage.setItem(key, JSON.stringify(user));
}
