import type { Route } from '@wire-trail/core';
import { type ReactNode, useState } from 'react';
import type { TrailData } from '../../trail-data.ts';
import { Coach } from './Coach.tsx';

type Props = Readonly<{
  routes: readonly Route[];
  data: TrailData;
  title: string;
  /** Which part of something longer this is, where it is one. */
  of?: string | null;
  onDone: () => void;
  /** What stands beside: whether it is the last of them, and what passes the one at hand. */
  aside: (isLast: boolean, on: () => void) => ReactNode;
}>;

/** Routes one after the other, each coached. */
export function InTurn({ routes, data, title, of = null, onDone, aside }: Props) {
  const [at, setAt] = useState(0);
  const route = routes[at];
  if (!route) return null;
  const isLast = at === routes.length - 1;
  const on = () => (isLast ? onDone() : setAt(at + 1));
  return (
    <Coach
      key={route.id}
      route={route}
      data={data}
      title={title}
      failed={0}
      part={[of, routes.length > 1 ? `part ${at + 1} of ${routes.length}` : null].filter(Boolean).join(', ')}
      onEnd={(took) => took && on()}
      aside={aside(isLast, on)}
    />
  );
}
