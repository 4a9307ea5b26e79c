import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import {
  type Bundle,
  bundleFormat,
  bundleVersion,
  type Entry,
  entriesOf,
  type FamilyId,
  keyOf,
  keyText,
  type MapEdge,
  type MapNode,
  type Mode,
  modesMap,
} from '@wire-trail/core';
import { lazy, Suspense, useCallback, useMemo, useState } from 'react';
import { Link } from 'react-router';
import { api } from '../../../foundation/api.ts';
import { AddEntry } from '../../../parts/family/AddEntry.tsx';
import { Empty, Loading } from '../../../parts/states/States.tsx';
import { useUndo } from '../../../parts/undo/use-undo.tsx';
import { useKeep } from '../steps/use-keep.tsx';
import type { TabProps } from '../tab-props.ts';
import { AddState } from './AddState.tsx';
import './modes.css';
import { ModeAbout } from './ModeAbout.tsx';
import { ModeShows } from './ModeShows.tsx';
import { ModeTests } from './ModeTests.tsx';
import { ModeWays } from './ModeWays.tsx';
import { WayDialog } from './WayDialog.tsx';

const ModesGraph = lazy(() => import('./ModesGraph.tsx'));
const PlayBeside = lazy(() => import('./PlayBeside.tsx'));

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

/**
 * The modes of a family and what leads from one to another, with time-outs, dead ends and what nobody can reach. Whoever
 * writes puts states onto the map and draws ways between them; the unit is played beside it as it is written.
 */
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
  const [drawn, setDrawn] = useState<Readonly<{ from: string; to: string }> | null>(null);
  const [plays, setPlays] = useState(false);
  const [now, setNow] = useState<string | null>(null);
  const { keep, said } = useKeep(family, entries);
  const [discard] = api.useDiscardMutation();
  const undo = useUndo();
  const modes = entriesOf(bundle, 'mode');
  /** Keeps what was changed, with a way back: what was there is as it was again, what is new is gone. */
  const change = (bodies: readonly Entry[], note: string, words: string): void => {
    const before = bodies.flatMap((b) => bundle.entries.find((e) => keyText(e) === keyText(b)) ?? []);
    const fresh = bodies.filter((b) => !before.some((e) => keyText(e) === keyText(b))).map(keyOf);
    const back = async () => {
      if (before.length > 0) await keep(before, 'taken back');
      if (fresh.length > 0) await discard(fresh);
    };
    void keep(bodies, note).then((ok) => ok && undo(words, () => void back()));
  };
  const draw = useCallback((from: string, to: string) => setDrawn({ from, to }), []);
  const put = writes && (
    <AddState
      entries={bundle.entries}
      onAdd={(drafts, name) => {
        change(drafts, `the state ${name}`, `${name} is on the map.`);
        setPicked(drafts.find((d) => d.kind === 'mode')?.id ?? null);
      }}
    />
  );
  const add = writes && <AddEntry scope={family} kind="mode" taken={modes.map((m) => m.id)} />;
  if (map.nodes.length === 0)
    return (
      <Empty title="No mode yet">
        <p>Off, standby, running, memory: each is a mode, and routes lead from one to another.</p>
        {said}
        <div className="row">
          {put}
          {add}
        </div>
      </Empty>
    );
  const node = map.nodes.find((n) => n.id === picked) ?? null;
  const from = modes.find((m) => m.id === drawn?.from);
  return (
    <div className="split flip modes-room">
      <div className="sheet fills">
        <Suspense fallback={<Loading what="the map" />}>
          <ModesGraph
            map={map}
            picked={picked}
            now={now}
            supply={supply}
            onPick={setPicked}
            onDraw={writes ? draw : null}
          />
        </Suspense>
      </div>
      <aside className="stack">
        <div className="row">
          {put}
          {add}
          <Button component={Link} to={`/play/${family}${writes ? '?drafts=1' : ''}`}>
            Play the unit
          </Button>
          <label className="row small">
            <Checkbox checked={supply} onChange={(e) => setSupply(e.target.checked)} /> what the supply does
          </label>
          <label className="row small">
            <Checkbox checked={plays} onChange={(e) => setPlays(e.target.checked)} /> play it beside
          </label>
        </div>
        {said}
        {plays && (
          <Suspense fallback={<Loading what="the unit" />}>
            <PlayBeside bundle={bundle} onNow={setNow} />
          </Suspense>
        )}
        {node ? (
          <ModeSheet
            node={node}
            bundle={bundle}
            edges={map.edges}
            writes={writes}
            onKeep={(mode, note) => change([mode], note, `${mode.name}: ${note}.`)}
          />
        ) : (
          <MapWords nodes={map.nodes} onPick={setPicked} />
        )}
      </aside>
      {from && drawn && (
        <WayDialog
          mode={from}
          modes={modes.filter((m) => m.controller === from.controller)}
          bundle={bundle}
          to={drawn.to}
          at={null}
          onClose={() => setDrawn(null)}
          onKeep={(made) => {
            setDrawn(null);
            setPicked(made.id);
            change([made], 'a way more', `${made.name}: a way more.`);
          }}
        />
      )}
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
  onKeep,
}: {
  node: MapNode;
  bundle: Bundle;
  edges: readonly MapEdge[];
  writes: boolean;
  onKeep: (mode: Mode, note: string) => void;
}) {
  const mode = entriesOf(bundle, 'mode').find((m) => m.id === node.id);
  const nameOf = (id: string): string =>
    id === 'any' ? 'any mode' : (entriesOf(bundle, 'mode').find((m) => m.id === id)?.name ?? id);
  // what a mode does of itself stands below as sentences, where it is written
  const ways = edges.filter(
    (e) => (e.from === node.id || e.to === node.id) && !(writes && e.kind !== 'route' && e.from === node.id),
  );
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
        {mode && writes && (
          <div className="stack">
            <ModeAbout mode={mode} bundle={bundle} onKeep={onKeep} />
            <ModeWays mode={mode} bundle={bundle} onKeep={onKeep} />
            <ModeShows mode={mode} bundle={bundle} onKeep={onKeep} />
          </div>
        )}
      </div>
      {mode && (mode.tests.length > 0 || (writes && mode.sort === 'tests')) && (
        <ModeTests mode={mode} bundle={bundle} onKeep={writes ? onKeep : null} />
      )}
    </>
  );
}
