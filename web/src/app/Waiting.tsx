import Badge from '@mui/material/Badge';
import { api } from '../foundation/api.ts';
import type { Area } from './areas.ts';

/** How many change sets wait for a reviewer, at the icon of where they are. */
export default function Waiting({ icon: Icon }: Pick<Area, 'icon'>) {
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
