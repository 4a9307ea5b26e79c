import type { Actor } from '@wire-trail/core';
import { useMemo } from 'react';
import { useAppSelector } from './store.ts';

const nobodys: readonly string[] = [];

/** What the person at this device may do on a unit. */
export function useActor(): Actor {
  const user = useAppSelector((s) => (s.session.status === 'signed-in' ? s.session.user : null));
  const { level = 'technician', trades = nobodys } = user ?? {};
  return useMemo(() => ({ level, trades }), [level, trades]);
}
