import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import {
  type Bundle,
  bundleFormat,
  bundleVersion,
  entriesOf,
  type FamilyId,
  type MapEdge,
  type MapNode,
  modesMap,
} from '@wire-trail/core';
import { lazy, Suspense, useMemo, useState } from 'react';
import { Link } from 'react-router';
import { AddEntry } from '../../../parts/family/AddEntry.tsx';
import { Empty, Loading } from '../../../parts/states/States.tsx';
import type { TabProps } from '../tab-props.ts';
import './modes.css';

const ModesGraph = lazy(() => import('./ModesGraph.tsx'));

const kindWords: Readonly<Record<MapEdge['kind'], string>> = {
  route: 'route',
  gesture: 'gesture',
  after: 'by itself',
  idle: 'when nothing is done',
  supply: 'by the supply',
  sign: 'by a sign',
  input: 'by a quantity',
  message: 'told by another board',
  'code-comes': 'when a code comes up',
  'code-stands': 'while a code stands',
  held: 'while it is held',
};
const seconds = (ms: number): string => (ms >= 120_000 ? `${Math.round(ms / 60_000)} min` : `${ms / 1000} s`);

/** The modes of a family and what leads from one to another, with time-outs, dead ends and what nobody can reach. */
export function ModesTab({ entries, family, writes }: TabProps) {
  const bundle = useMemo<Bundle>(
    () => ({
      format: bundleFormat,
      version: bundleVersion,
      family: family as FamilyId,
      entries: entries.map((e) => e.body),
    }),
    [entries, family],
  );
  const map = useMemo(() => modesMap(bundle), [bundle]);
  const [picked, setPicked] = useState<string | null>(null);
  const [supply, setSupply] = useState(false);
  const add = writes && <AddEntry scope={family} kind="mode" taken={entriesOf(bundle, 'mode').map((m) => m.id)} />;
  if (map.nodes.length === 0)
    return (
      <Empty title="No mode yet">
        <p>Off, standby, running, memory: each is a mode, and routes lead from one to another.</p>
        {add}
      </Empty>
    );
  const node = map.nodes.find((n) => n.id === picked) ?? null;
  return (
    <div className="split flip modes-room">
      <div className="sheet fills">
        <Suspense fallback={<Loading what="the map" />}>
          <ModesGraph map={map} picked={picked} supply={supply} onPick={setPicked} />
        </Suspense>
      </div>
      <aside className="stack">
        <div className="row">
          {add}
          <Button component={Link} to={`/play/${family}${writes ? '?drafts=1' : ''}`}>
            Play the unit
          </Button>
          <label className="row small">
            <Checkbox checked={supply} onChange={(e) => setSupply(e.target.checked)} /> what the supply does
          </label>
        </div>
        {node ? (
          <ModeSheet node={node} bundle={bundle} edges={map.edges} writes={writes} />
        ) : (
          <MapWords nodes={map.nodes} onPick={setPicked} />
        )}
      </aside>
    </div>
  );
}

function MapWords({ nodes, onPick }: { nodes: readonly MapNode[]; onPick: (id: string) => void }) {
  const findingAt = nodes.filter((n) => n.unreachable || n.deadEnd);
  return (
    <div className="sheet">
      <h2>Modes</h2>
      <ul className="plain stack modes-list">
        {nodes.map((n) => (
          <li key={n.id}>
            <Button variant="text" size="inline" onClick={() => onPick(n.id)}>
              {n.id === 'any' ? 'any mode' : n.name}
            </Button>{' '}
            {n.idleMs !== null && <span className="soft small">ends after {seconds(n.idleMs)} idle</span>}
            {n.unreachable && <span className="tag">nothing leads here</span>}
            {n.deadEnd && <span className="tag">nothing leads away</span>}
          </li>
        ))}
      </ul>
      {findingAt.length === 0 && <p className="small soft">Every mode can be reached and left.</p>}
    </div>
  );
}

function ModeSheet({
  node,
  bundle,
  edges,
  writes,
}: {
  node: MapNode;
  bundle: Bundle;
  edges: readonly MapEdge[];
  writes: boolean;
}) {
  const mode = entriesOf(bundle, 'mode').find((m) => m.id === node.id);
  const nameOf = (id: string): string =>
    id === 'any' ? 'any mode' : (entriesOf(bundle, 'mode').find((m) => m.id === id)?.name ?? id);
  const ways = edges.filter((e) => e.from === node.id || e.to === node.id);
  return (
    <>
      <div className="sheet">
        <h2>
          {mode && writes ? (
            <Link to={`/shelf/${bundle.family}/mode/${mode.id}`}>{node.name}</Link>
          ) : (
            node.name || 'Any mode'
          )}
        </h2>
        <p className="soft small">
          {node.controllerName} {mode?.normalSigns}
        </p>
        <ul className="plain stack modes-list">
          {ways.map((e) => (
            <li key={e.id}>
              <span className="soft">{e.from === node.id ? `to ${nameOf(e.to)}` : `from ${nameOf(e.from)}`}:</span>{' '}
              {e.route ? (
                writes ? (
                  <Link to={`/shelf/${bundle.family}/route/${e.route}`}>{e.name}</Link>
                ) : (
                  e.name
                )
              ) : (
                `${kindWords[e.kind]}${e.afterMs === null ? '' : `, ${seconds(e.afterMs)}`}${e.name ? `, ${e.name}` : ''}`
              )}
              {e.hazards.length > 0 && <span className="tag">hazard</span>}
            </li>
          ))}
        </ul>
      </div>
      {mode && mode.tests.length > 0 && (
        <div className="sheet">
          <h2>Tests inside</h2>
          <Table>
            <TableBody>
              {mode.tests.map((t) => (
                <TableRow key={t.number}>
                  <TableCell className="mono">{t.number}</TableCell>
                  <TableCell>
                    <strong>{t.name}</strong>
                    <div className="small soft">
                      {t.starts} {t.expected}
                    </div>
                    <div className="small">
                      {t.coldOnly && <span className="tag">cold only</span>}{' '}
                      {t.needsFirst && <span className="tag">after test {t.needsFirst}</span>}{' '}
                      {t.followedBy && <span className="tag">then {t.followedBy} by itself</span>}
                    </div>
                    {t.repeatWhen && <div className="small">{t.repeatWhen}</div>}
                  </TableCell>
                  <TableCell className="soft small">{t.takes ? seconds(t.takes.usualMs) : ''}</TableCell>
                </TableRow>
              ))}
            </TableBody>
          </Table>
        </div>
      )}
    </>
  );
}
