import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import {
  asBuilt,
  type Bundle,
  entriesOf,
  type FamilyId,
  familyEntry,
  mayBeCopied,
  onlyWhereWords,
  type Panel,
  type Route,
  type Source,
  variantName,
  withheldOf,
} from '@wire-trail/core';
import { Link } from 'react-router';
import { Proven } from '../../parts/code/Proven.tsx';
import { AddEntry } from '../../parts/family/AddEntry.tsx';
import { Fold } from '../../parts/fold/Fold.tsx';
import { RouteSteps } from '../../parts/route/RouteSteps.tsx';
import { Empty } from '../../parts/states/States.tsx';
import type { TabProps } from './tab-props.ts';

const bodies = (props: TabProps) => ({ entries: props.entries.map((e) => e.body) });

/** Every way in, out and about, step by step as the technician is coached. */
export function RoutesTab(props: TabProps) {
  const { entries } = bodies(props);
  const bundle = { format: 'wire-trail/bundle', version: 1, family: props.family as FamilyId, entries } as Bundle;
  // a route is shown as it is gone: what another does is in it
  const built = entries.some((e) => e.kind === 'family') ? asBuilt(bundle, null) : bundle;
  const routes = entriesOf(built, 'route');
  const panel = wholePanel(entriesOf(built, 'panel'));
  if (!panel) return <Empty title="No panel yet">Draw the panel first; a route is written on its controls.</Empty>;
  return (
    <div className="stack">
      <div className="row">
        {props.writes && <AddEntry scope={props.family} kind="route" taken={routes.map((r) => r.id)} />}
        {props.writes && (
          <Button component={Link} to={`/shelf/${props.family}/telling`}>
            From a telling
          </Button>
        )}
        <Button component={Link} to={`/play/${props.family}${props.writes ? '?drafts=1' : ''}`}>
          Play the unit
        </Button>
      </div>
      {routes.map((route) => (
        <RouteSheet key={route.id} route={route} panel={panel} bundle={built} writes={props.writes} />
      ))}
    </div>
  );
}

/** Panels of two generations as one: each control and sign is called as on the one that has it. */
function wholePanel([first, ...more]: readonly Panel[]): Panel | undefined {
  return first && { ...first, faces: [first, ...more].flatMap((p) => p.faces) };
}

type SheetProps = Readonly<{ route: Route; panel: Panel; bundle: Bundle; writes: boolean }>;

function RouteSheet({ route, panel, bundle, writes }: SheetProps) {
  const only = route.onlyVariants.map((v) => variantName(familyEntry(bundle), v));
  return (
    <div className="sheet">
      <div className="row spread">
        <h2>{writes ? <Link to={`/shelf/${route.family}/route/${route.id}`}>{route.name}</Link> : route.name}</h2>
        <span className="row">
          <span className="tag">{route.purpose}</span>
        </span>
      </div>
      <p>
        <Proven entry={route} bundle={bundle} />
      </p>
      {[...only.map((name) => `Only on ${name}.`), ...onlyWhereWords(route, bundle)].map((words) => (
        <p key={words} className="small soft">
          {words}
        </p>
      ))}
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
    case 'bulletin':
      return [`number ${source.number}`, source.page && `page ${source.page}`].filter(Boolean).join(' · ');
    case 'clip':
      return [source.by, source.keptAt].filter(Boolean).join(' · ');
    case 'chat':
      return source.when ?? '';
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
  const { entries } = bodies(props);
  const sources = entriesOf({ entries }, 'source');
  const withheld = withheldOf({
    format: 'wire-trail/bundle',
    version: 1,
    family: props.family as FamilyId,
    entries,
  } as Bundle);
  return (
    <div className="sheet">
      {props.writes && <AddEntry scope={props.family} kind="source" taken={sources.map((s) => s.id)} />}
      {sources.length === 0 && <Empty title="No source yet" />}
      <Table>
        <TableHead>
          <TableRow>
            <TableCell>source</TableCell>
            <TableCell>sort</TableCell>
            <TableCell>where, and how it is got</TableCell>
            <TableCell>its words</TableCell>
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
              <TableCell className="soft">
                {[whereOf(source), source.obtained, source.cost, source.course && `course: ${source.course}`]
                  .filter(Boolean)
                  .join(' · ')}
              </TableCell>
              <TableCell>{mayBeCopied(source) ? 'may be passed on' : 'only looked at'}</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
      {withheld.length > 0 && (
        <Fold title={`Stays here when this unit is given away: ${withheld.length}`}>
          <ul>
            {withheld.map((w) => (
              <li key={`${w.what}${w.of}${w.from}`}>
                {w.what === 'picture' ? 'the picture' : w.what === 'quote' ? 'a quote at' : 'the words of'} {w.of}
                {w.from && `, from ${w.from}`}
              </li>
            ))}
          </ul>
        </Fold>
      )}
    </div>
  );
}
