import { type Station, stations } from '@wire-trail/core';
import { Link } from 'react-router';
import { api } from '../../foundation/api.ts';
import { Failed } from '../../parts/states/Failed.tsx';
import { Empty, Loading } from '../../parts/states/States.tsx';
import { TrailLine } from '../../parts/trail-line/TrailLine.tsx';

/** What the machine noticed in the family as it stands with its drafts, gravest first. */
export function FindingsList({ family }: { family: string }) {
  const { currentData: data, error, refetch } = api.useFindingsQuery(family);
  if (error && !data) return <Failed error={error} again={() => void refetch()} />;
  if (!data) return <Loading what="loose ends" />;
  if (data.length === 0) return <Empty title="No loose ends" />;
  return (
    <div className="sheet">
      {data.map((finding) => (
        <div
          key={`${finding.code}${finding.entry?.kind}${finding.entry?.id}${finding.at.join()}${finding.words}`}
          className="loose"
        >
          <span className={`severity-${finding.severity}`}>{finding.severity}</span>
          <span>{finding.words}</span>
          {finding.entry ? (
            <Link to={`/shelf/${finding.entry.family ?? 'library'}/${finding.entry.kind}/${finding.entry.id}`}>
              open
            </Link>
          ) : null}
        </div>
      ))}
    </div>
  );
}

/** The trail line of a family: each knot carries the number of its loose ends. */
export function LooseTrailLine({ family, onGo }: { family: string; onGo: () => void }) {
  const { data } = api.useFindingsQuery(family);
  const counts = new Map<Station, number>();
  for (const { severity, station } of data ?? [])
    if (severity !== 'hint') counts.set(station, (counts.get(station) ?? 0) + 1);
  const done = new Set(data ? stations.filter((s) => !counts.has(s)) : []);
  return <TrailLine stations={stations} current={null} done={done} counts={counts} onGo={onGo} />;
}
