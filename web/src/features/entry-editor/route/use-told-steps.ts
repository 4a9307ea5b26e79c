import type { Route, Step } from '@wire-trail/core';
import { useEffect, useRef } from 'react';
import { useLocation, useNavigate } from 'react-router';
import type { EditRoute } from './tabs.ts';

/** Steps somebody told, brought along from where they were read. */
export type Brought = Readonly<{ route: string; steps: readonly Step[]; summary: string }>;

/** Puts steps that were told and accepted into the route they were told for, as one edit that is undone as one. */
export function useToldSteps(route: string, edit: EditRoute): void {
  const { state, pathname, search } = useLocation();
  const go = useNavigate();
  const brought = (state as { told?: Brought } | null)?.told;
  const done = useRef<Brought | null>(null);
  useEffect(() => {
    if (!brought || brought.route !== route || done.current === brought) return;
    done.current = brought;
    edit({ steps: [...brought.steps], ...(brought.summary ? { summary: brought.summary } : {}) } as Partial<Route>, '');
    // once: gone back to, it is not done again
    void go({ pathname, search }, { replace: true, state: null });
  }, [brought, route, edit, go, pathname, search]);
}
