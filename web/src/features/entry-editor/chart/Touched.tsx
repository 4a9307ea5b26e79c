import { entryOf, titleOf, touchedBy } from '@wire-trail/core';
import { Link } from 'react-router';
import { api } from '../../../foundation/api.ts';
import type { ChartAt } from './chart-at.ts';

/** What a change of this chart touches: the codes and symptoms it serves, and the charts that call it, in every family. */
export function Touched({ body, bodies }: ChartAt) {
  const shared = body.family === null;
  const { data } = api.useChartUsesQuery(body.id, { skip: !shared });
  const uses = shared
    ? (data ?? [])
    : touchedBy(bodies.entries, body.id).map((t) => {
        const entry = entryOf(bodies, t.kind, t.id);
        return { ...t, title: entry ? titleOf(entry) : t.id };
      });
  return (
    <section className="sheet" aria-label="touched">
      <h2>A change here touches</h2>
      {uses.length === 0 && (
        <p className="soft small">
          {body.template ? 'Nothing: it is kept to begin others from.' : 'Nothing yet. Name it at a code or a symptom.'}
        </p>
      )}
      <ul className="plain small">
        {uses.map((u) => (
          <li key={`${u.family}${u.kind}${u.id}`}>
            <Link to={`/shelf/${u.family ?? 'library'}/${u.kind}/${u.id}`}>{u.title}</Link>{' '}
            <span className="soft">
              {u.kind}
              {shared && u.family ? ` of ${u.family}` : ''}
              {u.through ? `, through ${u.through}` : ''}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
