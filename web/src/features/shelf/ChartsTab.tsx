import {
  type Chart,
  type ChartNode,
  choicesOf,
  entriesOf,
  minutesAhead,
  nodeKinds,
  nodeKindWords,
  titleOf,
  touchedBy,
} from '@wire-trail/core';
import { Link } from 'react-router';
import { CodeGlyph, StandingMark } from '../../parts/code/CodeGlyph.tsx';
import { AddEntry } from '../../parts/family/AddEntry.tsx';
import { Empty } from '../../parts/states/States.tsx';
import type { TabProps } from './tab-props.ts';

/** Every chart of the family, and the shared ones it uses: what it serves, how long it takes, where it may end. */
export function ChartsTab({ entries, family, writes }: TabProps) {
  const bodies = { entries: entries.map((e) => e.body) };
  const all = entriesOf(bodies, 'chart');
  const charts = all.filter((c) => c.family === family || touchedBy(bodies.entries, c.id).length > 0);
  return (
    <div className="stack">
      {writes && <AddEntry scope={family} kind="chart" taken={all.map((c) => c.id)} />}
      {charts.length === 0 && <Empty title="No test chart yet">A chart begins from a list you paste.</Empty>}
      <div className="tiles">
        {charts.map((chart) => (
          <ChartCard key={`${chart.family}${chart.id}`} chart={chart} bodies={bodies} writes={writes} />
        ))}
      </div>
    </div>
  );
}

const kindsIn = (nodes: readonly ChartNode[]): string =>
  nodeKinds
    .flatMap((kind) => {
      const n = nodes.filter((x) => x.kind === kind).length;
      return n > 0 ? [`${n} × ${nodeKindWords[kind]}`] : [];
    })
    .join(' · ');

function ChartCard({
  chart,
  bodies,
  writes,
}: {
  chart: Chart;
  bodies: { entries: Parameters<typeof touchedBy>[0][number][] };
  writes: boolean;
}) {
  const uses = touchedBy(bodies.entries, chart.id);
  const { least, most } = minutesAhead(chart, chart.start);
  const start = chart.nodes.find((n) => n.id === chart.start);
  const first = start ? choicesOf(start, chart).map((c) => c.answer) : [];
  return (
    <article className="sheet">
      <div className="row spread">
        <h2>
          {writes ? (
            <Link to={`/shelf/${chart.family ?? 'library'}/chart/${chart.id}`}>{chart.title}</Link>
          ) : (
            chart.title
          )}
        </h2>
        <span className="row">
          {chart.family === null && <span className="tag">shared</span>}
          <StandingMark standing={chart.standing} />
        </span>
      </div>
      <p className="row">
        {uses.map((u) => {
          const entry = bodies.entries.find((e) => e.kind === u.kind && e.id === u.id);
          return entry?.kind === 'code' ? (
            <CodeGlyph key={u.id} text={entry.text} />
          ) : (
            <span key={`${u.kind}${u.id}`} className="tag">
              {entry ? titleOf(entry) : u.id}
            </span>
          );
        })}
        {uses.length === 0 && <span className="soft small">serves no code yet</span>}
      </p>
      <p>
        First: {start?.title} <span className="soft small">{first.join(' · ')}</span>
      </p>
      <p className="soft small">
        {least} to {most} min · {kindsIn(chart.nodes)}
      </p>
    </article>
  );
}
