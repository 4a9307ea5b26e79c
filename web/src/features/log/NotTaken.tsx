import Alert from '@mui/material/Alert';
import AlertTitle from '@mui/material/AlertTitle';
import Button from '@mui/material/Button';
import { groupBy, happeningWords, type WalkEvent } from '@wire-trail/core';
import { useEffect, useState } from 'react';
import { allEvents, type KeptEvent } from '../../foundation/device/database.ts';
import { moveToOwnWalk, remedyOf, sendAgain } from '../../foundation/device/refused.ts';
import { useAppSelector } from '../../foundation/store.ts';
import { Field } from '../../parts/field/Field.tsx';
import { Moment } from '../../parts/when/When.tsx';

const nameOf = (kind: string): string => happeningWords[kind as WalkEvent['kind']] ?? 'Something';

/** What the server would not take, with its reason. It stays on the device, can be set right, and sent once more. */
export function NotTaken() {
  const session = useAppSelector((s) => s.session);
  const refused = useAppSelector((s) => s.sync.refused);
  const by = session.status === 'signed-in' ? session.user.id : 0;
  const [events, setEvents] = useState<readonly KeptEvent[]>([]);
  const [texts, setTexts] = useState<ReadonlyMap<string, string>>(new Map());
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
  const ofOthers = events.filter((e) => remedyOf(e).kind === 'own-walk');
  const rest = events.filter((e) => !ofOthers.includes(e));
  return (
    <Alert severity="error" icon={false}>
      <AlertTitle>
        {events.length === 1 ? 'One step was not taken.' : `${events.length} steps were not taken.`} They are kept on
        this device.
      </AlertTitle>
      <ul className="plain stack">
        {events.map((e) => {
          const remedy = remedyOf(e);
          return (
            <li key={e.id} className="stack">
              <span>
                <strong>{nameOf(e.event.kind)}</strong>, <Moment at={e.event.at} />: {e.reason}
              </span>
              {remedy.kind === 'text' && (
                <Field
                  id={`again-${e.id}`}
                  label={`${nameOf(e.event.kind)}, as it should be`}
                  multiline
                  value={texts.get(e.id) ?? remedy.text}
                  onChange={(change) => setTexts(new Map([...texts, [e.id, change.target.value]]))}
                />
              )}
            </li>
          );
        })}
      </ul>
      <div className="row">
        {rest.length > 0 && <Button onClick={() => void sendAgain(rest, texts)}>Send once more</Button>}
        {[...groupBy(ofOthers, (e) => e.walk)].map(([walk, own]) => (
          <Button key={walk} onClick={() => void moveToOwnWalk(own)}>
            Keep {own.length === 1 ? 'this step' : `these ${own.length} steps`} as a walk of your own
          </Button>
        ))}
      </div>
    </Alert>
  );
}
