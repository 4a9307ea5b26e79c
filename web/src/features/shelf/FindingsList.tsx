import {
  type Answer,
  begunStations,
  betweenNowAndPublished,
  type FindingCode,
  type FindingGroup,
  groupFindings,
  type Station,
  severityWords,
  stations,
  todoWords,
} from '@wire-trail/core';
import { Link } from 'react-router';
import { api } from '../../foundation/api.ts';
import { Fold } from '../../parts/fold/Fold.tsx';
import { Failed } from '../../parts/states/Failed.tsx';
import { Empty, Loading } from '../../parts/states/States.tsx';
import { TrailLine } from '../../parts/trail-line/TrailLine.tsx';
import { AcceptFindings, OpenAgain } from './AcceptFindings.tsx';
import { MendAll } from './MendAll.tsx';
import { Mends } from './Mends.tsx';
import type { TabProps } from './tab-props.ts';

type Found = Answer<'findings'>[number];

/** What to do about it. */
const todoOf = ({ code }: Found): string => todoWords(code as FindingCode);

const addressOf = ({ entry }: Found): string | null =>
  entry ? `/shelf/${entry.family ?? 'library'}/${entry.kind}/${entry.id}` : null;

/** What is to fix in the unit as it stands with its drafts: kind by kind, the gravest first, many mended at once. */
export function FindingsList(props: TabProps) {
  const { currentData: data, error, refetch } = api.useFindingsQuery(props.family);
  if (error && !data) return <Failed error={error} again={() => void refetch()} />;
  if (!data) return <Loading what="what is to fix" />;
  const open = data.filter((f) => f.accepted === null);
  return (
    <div className="stack">
      <ToPublished findings={data} entries={props.entries} />
      {open.length === 0 && <Empty title="Nothing open" />}
      {groupFindings(open).map((group) => (
        <Group key={group.severity + group.code} group={group} {...props} />
      ))}
      <Standing findings={data.filter((f) => f.accepted !== null)} {...props} />
    </div>
  );
}

const betweenWords = {
  fix: (n: number) => `${n} must be fixed: a reviewer cannot publish before`,
  submit: (n: number) => (n === 1 ? '1 draft is not handed in yet' : `${n} drafts are not handed in yet`),
  review: (n: number) => `${n} ${n === 1 ? 'waits' : 'wait'} for a reviewer`,
} as const;

/** What stands between the unit as it is written and what technicians have of it. */
function ToPublished({ findings, entries }: Pick<TabProps, 'entries'> & { findings: readonly Found[] }) {
  const between = betweenNowAndPublished(findings, entries);
  if (between.length === 0) return <p className="soft">All of it is published.</p>;
  return (
    <section className="sheet" aria-label="between now and published">
      <strong>Between now and published</strong>
      <ol className="to-published">
        {between.map(({ what, count }) => (
          <li key={what}>
            {betweenWords[what](count)}
            {what === 'review' && (
              <>
                : <Link to="/bench">on the Bench</Link>
              </>
            )}
          </li>
        ))}
      </ol>
    </section>
  );
}

/** What somebody looked at and let stand: folded away, with their reason. It opens by itself when its facts change. */
function Standing({ findings, entries }: TabProps & { findings: readonly Found[] }) {
  if (findings.length === 0) return null;
  return (
    <Fold title={`${findings.length} let stand`}>
      <ul className="plain">
        {findings.map((finding) => (
          <li key={`${finding.entry?.kind}${finding.entry?.id}${finding.code}${finding.facts}`} className="line">
            <div className="grow">
              {finding.words}
              <div className="soft small">
                {finding.accepted?.reason} {finding.accepted?.by}, {finding.accepted?.on}
              </div>
            </div>
            <OpenAgain finding={finding} entries={entries} />
          </li>
        ))}
      </ul>
    </Fold>
  );
}

function Group({ group, ...props }: TabProps & { group: FindingGroup<Found> }) {
  const { severity, title, findings } = group;
  const says = <span className={`says small ${severity}`}>{severityWords[severity]}</span>;
  const [first] = findings;
  if (findings.length === 1 && first)
    return (
      <div className="sheet row">
        {says}
        <div className="grow">
          {title} <span className="soft">{todoOf(first)}</span>
          <Mends finding={first} family={props.family} entries={props.entries} />
          <div>
            <AcceptFindings findings={findings} entries={props.entries} />
          </div>
        </div>
        <Open of={first} />
      </div>
    );
  return (
    <Fold
      title={
        <span className="row">
          {says} {title}
        </span>
      }
    >
      {first && <p className="soft">{todoOf(first)}</p>}
      <MendAll group={group} {...props} />
      <AcceptFindings findings={findings} entries={props.entries} />
      <ul className="plain">
        {findings.map((finding) => (
          <li key={`${finding.entry?.kind}${finding.entry?.id}${finding.at.join()}${finding.words}`} className="line">
            <span className="grow">
              {finding.words} <AcceptFindings findings={[finding]} entries={props.entries} />
              <Mends finding={finding} family={props.family} entries={props.entries} />
            </span>
            <Open of={finding} />
          </li>
        ))}
      </ul>
    </Fold>
  );
}

function Open({ of }: { of: Found }) {
  const to = addressOf(of);
  return to ? <Link to={to}>Open</Link> : null;
}

/** How far a unit is: each station with the number of what is to fix there, grey where nothing is written yet. */
export function HowFar({ family, entries, onGo }: Pick<TabProps, 'family' | 'entries'> & { onGo: () => void }) {
  const { data } = api.useFindingsQuery(family);
  const counts = new Map<Station, number>();
  for (const { severity, station, accepted } of data ?? [])
    if (severity !== 'hint' && accepted === null) counts.set(station, (counts.get(station) ?? 0) + 1);
  const begun = begunStations(entries.map((e) => e.body));
  const done = new Set(data ? stations.filter((s) => !counts.has(s) && begun.has(s)) : []);
  return <TrailLine stations={stations} current={null} done={done} counts={counts} begun={begun} onGo={onGo} />;
}
