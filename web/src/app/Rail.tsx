import ButtonBase from '@mui/material/ButtonBase';
import { Link, NavLink } from 'react-router';
import type { Area } from './areas.ts';
import { PersonMenu } from './PersonMenu.tsx';

/** The areas at a desk: a rail at the left, icons with their words. */
export function Rail({ areas, name }: { areas: readonly Area[]; name: string }) {
  return (
    <aside className="rail" aria-label="Wire Trail">
      <Link to="/" className="rail-mark" aria-label="Wire Trail, to the start">
        <img src="/icon.svg" width="30" height="30" alt="" />
      </Link>
      <nav aria-label="areas">
        {areas.map(({ to, name: words, icon: Icon }) => (
          <ButtonBase key={to} component={NavLink} to={to} className="rail-area">
            <Icon />
            <span>{words}</span>
          </ButtonBase>
        ))}
      </nav>
      <PersonMenu name={name} />
    </aside>
  );
}
