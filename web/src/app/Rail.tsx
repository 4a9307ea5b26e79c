import Badge from '@mui/material/Badge';
import Button from '@mui/material/Button';
import { Link, NavLink } from 'react-router';
import { api } from '../foundation/api.ts';
import type { Area } from './areas.ts';
import { PersonMenu } from './PersonMenu.tsx';

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
            {to === '/bench' ? <Waiting icon={Icon} /> : <Icon />}
            <span>{words}</span>
          </Button>
        ))}
      </nav>
      <PersonMenu name={name} />
    </aside>
  );
}

/** How many change sets wait for a reviewer, at the icon of where they are. */
function Waiting({ icon: Icon }: Pick<Area, 'icon'>) {
  const { data = [] } = api.useChangeSetsQuery('in-review');
  return (
    <>
      <Badge badgeContent={data.length} color="primary" slotProps={{ badge: { 'aria-hidden': true } }}>
        <Icon />
      </Badge>
      {data.length > 0 && <span className="visually-hidden">{data.length} waiting:</span>}
    </>
  );
}
