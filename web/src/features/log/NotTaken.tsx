import Button from '@mui/material/Button';
import { useEffect, useState } from 'react';
import { allEvents, type KeptEvent, keepEvents } from '../../foundation/device/database.ts';
import { announceKept } from '../../foundation/device/use-sync.ts';
import { useAppSelector } from '../../foundation/store.ts';
import { Moment } from '../../parts/when/When.tsx';

/** What the server would not take, with its reason. It stays on the device, and can be sent once more. */
export function NotTaken() {
  const session = useAppSelector((s) => s.session);
  const refused = useAppSelector((s) => s.sync.refused);
  const by = session.status === 'signed-in' ? session.user.id : 0;
  const [events, setEvents] = useState<readonly KeptEvent[]>([]);
  useEffect(() => {
    let stale = false;
    // counted anew by the queue whenever something was refused or sent once more
    if (refused === 0) setEvents([]);
    else
      void allEvents().then((all) => {
        if (!stale) setEvents(all.filter((e) => e.by === by && e.state === 'refused'));
      });
    return () => {
      stale = true;
    };
  }, [by, refused]);
  if (events.length === 0) return null;
  const again = async () => {
    await keepEvents(events.map((e) => ({ ...e, state: 'waiting', reason: null })));
    announceKept();
  };
  return (
    <div className="note bad" role="alert">
      <strong>{events.length === 1 ? 'One event was not taken.' : `${events.length} events were not taken.`}</strong>{' '}
      They are kept on this device.
      <ul>
        {events.map((e) => (
          <li key={e.id}>
            {e.event.kind}, <Moment at={e.event.at} />: {e.reason}
          </li>
        ))}
      </ul>
      <Button onClick={() => void again()}>Send once more</Button>
    </div>
  );
}
