import Button from '@mui/material/Button';
import { lazy, Suspense } from 'react';
import { Link, NavLink } from 'react-router';
import type { Area } from './areas.ts';
import { PersonMenu } from './PersonMenu.tsx';

// nobody waits for a number to see where to go
const Waiting = lazy(() => import('./Waiting.tsx'));

/** The areas at a desk: a rail at the left, icons with their words. */
export function Rail({ areas, name }: { areas: readonly Area[]; name: string }) {
  return (
    <aside className="rail" aria-label="Wire Trail">
      <Button size="rail" variant="text" component={Link} to="/" aria-label="Wire Trail, to the start">
        <img src="/icon.svg" width="30" height="30" alt="" />
      </Button>
      <nav aria-label="areas">
        {areas.map(({ to, name: words, icon: Icon }) => (
          <Button key={to} variant="text" size="rail" component={NavLink} to={to}>
            {to === '/bench' ? (
              <Suspense fallback={<Icon />}>
                <Waiting icon={Icon} />
              </Suspense>
            ) : (
              <Icon />
            )}
            <span>{words}</span>
          </Button>
        ))}
      </nav>
      <PersonMenu name={name} />
    </aside>
  );
}
