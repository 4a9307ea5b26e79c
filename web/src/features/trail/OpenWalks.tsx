import { type Bundle, currentStation, entryOf, familyEntry, foldWalk, groupBy, type Walk } from '@wire-trail/core';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { allEvents, readEvents } from '../../foundation/device/database.ts';
import { useAppSelector } from '../../foundation/store.ts';
import { CodeGlyph } from '../../parts/code/CodeGlyph.tsx';
import { stationNames } from '../../parts/trail-line/TrailLine.tsx';

/** Walks of this person on this device that are not closed: what waits for a date, and what was left in the middle. */
export function OpenWalks({ bundles }: { bundles: readonly Bundle[] }) {
  const session = useAppSelector((s) => s.session);
  const by = session.status === 'signed-in' ? session.user.id : 0;
  const [walks, setWalks] = useState<readonly Walk[]>([]);
  useEffect(() => {
    let stale = false;
    void allEvents().then((events) => {
      const mine = groupBy(
        events.filter((e) => e.by === by),
        (e) => e.walk,
      );
      const open = [...mine.values()]
        // most walks of the years are closed, which their last event says
        .filter((list) => list.at(-1)?.event.kind !== 'closed')
        .flatMap((list) => foldWalk(readEvents(list) ?? []) ?? [])
        .filter((w) => w.closed === null);
      if (!stale) setWalks(open.sort((a, b) => (a.lastAt < b.lastAt ? 1 : -1)));
    });
    return () => {
      stale = true;
    };
  }, [by]);
  if (walks.length === 0) return null;
  const today = new Date().toISOString().slice(0, 10);
  return (
    <section>
      <h2>Your open walks</h2>
      <ul className="plain stack">
        {walks.map((walk) => {
          const bundle = bundles.find((b) => b.family === walk.family);
          const code = bundle && entryOf(bundle, 'code', walk.code);
          const due = walk.waitingUntil !== null && walk.waitingUntil <= today;
          return (
            <li key={walk.id}>
              <Link className="hit" to={`/trail/${walk.id}`}>
                {code ? (
                  <CodeGlyph text={code.text} size="large" />
                ) : (
                  <CodeGlyph text={walk.unlisted?.text ?? '—'} size="large" />
                )}
                <span>
                  <strong>{walk.unit?.serial ?? 'no serial yet'}</strong>
                  <span className="soft small">
                    {bundle ? familyEntry(bundle).name : walk.family} ·{' '}
                    {walk.waitingUntil
                      ? due
                        ? `due since ${walk.waitingUntil}`
                        : `waits until ${walk.waitingUntil}`
                      : `at ${stationNames[currentStation(walk)]}`}
                  </span>
                </span>
              </Link>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
