import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { entriesOf, type Panel, type Route, type Source } from '@wire-trail/core';
import { Link } from 'react-router';
import { StandingMark } from '../../parts/code/CodeGlyph.tsx';
import { AddEntry } from '../../parts/family/AddEntry.tsx';
import { RouteSteps } from '../../parts/route/RouteSteps.tsx';
import { Empty } from '../../parts/states/States.tsx';
import type { TabProps } from './tab-props.ts';

const bodies = (props: TabProps) => ({ entries: props.entries.map((e) => e.body) });

/** Every way in, out and about, step by step as the technician is coached. */
export function RoutesTab(props: TabProps) {
  const routes = entriesOf(bodies(props), 'route');
  const panel = entriesOf(bodies(props), 'panel')[0];
  if (!panel) return <Empty title="No panel yet">Draw the panel first; a route is written on its controls.</Empty>;
  return (
    <div className="stack">
      <div className="row">
        {props.writes && <AddEntry scope={props.family} kind="route" taken={routes.map((r) => r.id)} />}
        <Button component={Link} to={`/play/${props.family}${props.writes ? '?drafts=1' : ''}`}>
          Play the unit
        </Button>
      </div>
      {routes.map((route) => (
        <RouteSheet key={route.id} route={route} panel={panel} writes={props.writes} />
      ))}
    </div>
  );
}

function RouteSheet({ route, panel, writes }: { route: Route; panel: Panel; writes: boolean }) {
  return (
    <div className="sheet">
      <div className="row spread">
        <h2>{writes ? <Link to={`/shelf/${route.family}/route/${route.id}`}>{route.name}</Link> : route.name}</h2>
        <span className="row">
          <span className="tag">{route.purpose}</span>
          <StandingMark standing={route.standing} />
        </span>
      </div>
      <RouteSteps route={route} panel={panel} />
      {route.knownNotToWork.map((k) => (
        <p key={k.how} className="small">
          <strong>Does not work:</strong> {k.how}. {k.why}
        </p>
      ))}
    </div>
  );
}

const whereOf = (source: Source): string => {
  switch (source.sort) {
    case 'document':
      return [`edition ${source.edition}`, source.page && `page ${source.page}`, source.keptAt]
        .filter(Boolean)
        .join(' · ');
    case 'person':
      return source.role;
    case 'bench':
      return [
        source.provenOn,
        source.serial && `serial ${source.serial}`,
        source.software && `software ${source.software}`,
        source.note,
      ]
        .filter(Boolean)
        .join(' · ');
  }
};

export function SourcesTab(props: TabProps) {
  const sources = entriesOf(bodies(props), 'source');
  return (
    <div className="sheet">
      {props.writes && <AddEntry scope={props.family} kind="source" taken={sources.map((s) => s.id)} />}
      {sources.length === 0 && <Empty title="No source yet" />}
      <Table>
        <TableHead>
          <TableRow>
            <TableCell>source</TableCell>
            <TableCell>sort</TableCell>
            <TableCell>where</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {sources.map((source) => (
            <TableRow key={source.id}>
              <TableCell>
                {props.writes ? (
                  <Link to={`/shelf/${source.family ?? 'library'}/source/${source.id}`}>{source.title}</Link>
                ) : (
                  source.title
                )}
              </TableCell>
              <TableCell>{source.sort}</TableCell>
              <TableCell className="soft">{whereOf(source)}</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </div>
  );
}
