import BackIcon from '@mui/icons-material/ArrowBack';
import FindIcon from '@mui/icons-material/Search';
import UndoIcon from '@mui/icons-material/Undo';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import {
  type Bundle,
  type ChartId,
  currentStation,
  familyEntry,
  type NodeId,
  nothingToDo,
  passedWords,
  type Station,
  stations,
  type Walk,
  type WalkId,
} from '@wire-trail/core';
import { type ComponentType, lazy, Suspense, useEffect, useRef, useState } from 'react';
import { Link, useParams } from 'react-router';
import { freshBundle } from '../../foundation/device/bundles.ts';
import { keptBundle } from '../../foundation/device/database.ts';
import { useHoldsVersion } from '../../foundation/device/new-version.ts';
import type { Happening } from '../../foundation/device/walks.ts';
import { isTyping, usePageKeys } from '../../foundation/keys.ts';
import { useAppDispatch } from '../../foundation/store.ts';
import { findingSet } from '../../foundation/view-slice.ts';
import { CodeGlyph } from '../../parts/code/CodeGlyph.tsx';
import { Connection } from '../../parts/connection/Connection.tsx';
import { PageBar } from '../../parts/page-bar/PageBar.tsx';
import { Empty, Loading } from '../../parts/states/States.tsx';
import { stationNames, TrailLine } from '../../parts/trail-line/TrailLine.tsx';
import { Told } from '../../parts/undo/Told.tsx';
import { useUndo } from '../../parts/undo/use-undo.tsx';
import { AnyTime } from './AnyTime.tsx';
import { GoAhead } from './GoAhead.tsx';
import { type Offer, Offered, WalkAround } from './stations/Beyond.tsx';
import { ProveStation } from './stations/prove/ProveStation.tsx';
import { SafeStation } from './stations/SafeStation.tsx';
import { type StationProps, useTopOf } from './stations/StationLayout.tsx';
import { UnitStation } from './stations/UnitStation.tsx';
import { type TrailData, trailData } from './trail-data.ts';
import './trail.css';
import { type OpenWalk, useWalk } from './use-walk.ts';

// coach and tests come after the start page stands, and are fetched as soon as a walk is open
const later = {
  enter: () => import('./stations/EnterStation.tsx').then((m) => ({ default: m.EnterStation })),
  read: () => import('./stations/read/ReadStation.tsx').then((m) => ({ default: m.ReadStation })),
  test: () => import('./stations/test/TestStation.tsx').then((m) => ({ default: m.TestStation })),
  clear: () => import('./stations/ClearStation.tsx').then((m) => ({ default: m.ClearStation })),
};
const [EnterStation, ReadStation] = [lazy(later.enter), lazy(later.read)];
const [TestStation, ClearStation] = [lazy(later.test), lazy(later.clear)];

const stationViews: Record<Station, ComponentType<StationProps>> = {
  unit: UnitStation,
  safe: SafeStation,
  enter: EnterStation,
  read: ReadStation,
  test: TestStation,
  clear: ClearStation,
  prove: ProveStation,
};

export default function WalkPage() {
  const { walk: id = '' } = useParams();
  const open = useWalk(id as WalkId);
  const family = open.walk?.family ?? null;
  const [bundle, setBundle] = useState<Bundle | null | 'missing'>(null);
  useEffect(() => {
    let stale = false;
    const find = async () => {
      if (!family) return;
      const kept = await keptBundle(family);
      const found = kept?.bundle ?? (await freshBundle(family, new Date().toISOString()));
      if (!stale) setBundle(found ?? 'missing');
    };
    void find();
    return () => {
      stale = true;
    };
  }, [family]);
  if (open.status === 'newer')
    return (
      <Empty title="A newer version of Wire Trail wrote on this walk">
        This page cannot read all of it. Nothing is lost: load the page anew when there is a connection.
      </Empty>
    );
  if (open.status === 'missing')
    return (
      <Empty title="This walk is not on this device">
        <p>
          It may be in the <Link to={`/log/${id}`}>log</Link>.
        </p>
      </Empty>
    );
  if (bundle === 'missing')
    return <Empty title="The library of this unit is not on this device">Open it once with a connection.</Empty>;
  if (open.walk === null || bundle === null) return <Loading what="the walk" />;
  return (
    <Told>
      <Walking open={open} walk={open.walk} bundle={bundle} />
    </Told>
  );
}

function Walking({ open, walk, bundle }: { open: OpenWalk; walk: Walk; bundle: Bundle }) {
  const dispatch = useAppDispatch();
  // a walk goes on by the version it was begun with
  useHoldsVersion(!walk.closed);
  const now = currentStation(walk);
  const [looked, setLooked] = useState<Station | null>(null);
  const [ahead, setAhead] = useState<Station | null>(null);
  const station = looked ?? now;
  const data = trailData(bundle, walk);
  const undo = useUndo();
  const isAhead = (to: Station) => stations.indexOf(to) > stations.indexOf(now);
  const go = (to: Station) => {
    if (isAhead(to) && !walk.done.has(to) && !walk.closed) setAhead(to);
    else setLooked(to === now ? null : to);
  };
  // a step forward always shows the station it leads to
  const add: OpenWalk['add'] = async (...happenings) => {
    const ids = await open.add(...happenings);
    setLooked(null);
    const words = doneWords(happenings);
    if (words && ids.length > 0)
      undo(words, () => void open.add(...[...ids].reverse().map((event) => ({ kind: 'taken-back' as const, event }))));
    return ids;
  };
  const offer = ({ needs, what, chart, node }: Offer) =>
    void add({
      kind: 'offered',
      needs: needs.scope,
      ...(needs.trades.length > 0 && { trades: [...needs.trades] }),
      what,
      chart: chart as ChartId | null,
      node: node as NodeId | null,
    });
  // a note leaves one where one is
  const addHere: OpenWalk['add'] = (...happenings) => open.add(...happenings);
  usePageKeys(Object.fromEntries(stations.map((s, i) => [String(i + 1), () => go(s)])));
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      // in a text it takes back what was typed
      if (event.key === 'z' && (event.ctrlKey || event.metaKey) && !isTyping(event.target)) void open.takeBack();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [open]);
  useTopOf(station);
  useEffect(() => {
    // a connection that goes meanwhile must not matter; where it has gone, what is kept ahead serves
    for (const fetchIt of Object.values(later)) void fetchIt().catch(() => {});
  }, []);
  const passing = usePassing(open, walk, data);
  // a code found out on the way may bring hazards that were not confirmed at the start: they come before anything else
  const confirmed = walk.confirmedHazards;
  const isNewDanger =
    confirmed !== null &&
    !walk.closed &&
    stations.indexOf(station) > stations.indexOf('safe') &&
    data.hazards.some((h) => !confirmed.includes(h.id));
  const StationView = isNewDanger ? SafeStation : stationViews[station];
  const family = familyEntry(bundle).name;
  const text = data.subject?.kind === 'code' ? data.subject.text : walk.unlisted?.text;
  const canTakeBack = walk.lastUndoable !== null && !walk.closed;
  return (
    <div className="walk">
      <PageBar
        called={`${family}${text ? ` ${text}` : ''}`}
        title={
          <>
            {family} {text ? <CodeGlyph text={text} /> : <span className="soft">{data.subject?.title}</span>}
          </>
        }
        above={[{ name: 'Trail', to: '/trail' }]}
      />
      <header className="row walk-head">
        <IconButton
          className="only-narrow"
          component={Link}
          to="/trail"
          aria-label="back to the start, the walk is kept"
        >
          <BackIcon />
        </IconButton>
        <div className="row walk-name only-narrow">
          <strong>{family}</strong>{' '}
          {text ? <CodeGlyph text={text} /> : <span className="soft">{data.subject?.title}</span>}
          <Connection />
        </div>
        <TrailLine stations={stations} current={station} done={walk.done} onGo={go} />
        <div className="row">
          <IconButton className="only-narrow" aria-label="find" onClick={() => dispatch(findingSet(true))}>
            <FindIcon />
          </IconButton>
          {canTakeBack && (
            <Button
              variant="text"
              color="inherit"
              aria-label="Undo the last step"
              title="Take the last step back"
              startIcon={<UndoIcon />}
              onClick={() => void open.takeBack()}
            >
              <span className="hide-narrow">Undo</span>
            </Button>
          )}
        </div>
      </header>
      {walk.closed && (
        <div className="note good" role="status">
          <strong>This walk is closed.</strong> It is in the <Link to={`/log/${walk.id}`}>log</Link>.
        </div>
      )}
      {walk.unit?.serialUnread && !walk.closed && station !== 'unit' && (
        <p className="passed small">
          The serial number was not read. <Button onClick={() => go('unit')}>Add it now</Button>
        </p>
      )}
      {!looked && <PassedLine walk={walk} now={now} />}
      <Suspense fallback={<Loading what="the station" />}>
        {passing && !looked ? (
          <Loading what="the next station" />
        ) : (
          <WalkAround value={{ walk, offer, add }}>
            {walk.offered ? (
              <Offered walk={walk} data={data} onBack={() => void open.takeBack()} />
            ) : (
              <StationView walk={walk} data={data} events={open.events} add={add} goTo={go} />
            )}
          </WalkAround>
        )}
      </Suspense>
      {!walk.closed && !passing && <AnyTime walk={walk} at={{ station, chartWalk: data.chartWalk }} add={addHere} />}
      {ahead && (
        <GoAhead
          to={ahead}
          walk={walk}
          onClose={() => setAhead(null)}
          onGo={(why, left) => {
            setAhead(null);
            void add(...left.map((s) => ({ kind: 'skipped' as const, station: s, why })));
          }}
        />
      )}
    </div>
  );
}

/** What just happened, where it ends or leaves out something: that is told, and can be undone at once. */
function doneWords(happenings: readonly Happening[]): string | null {
  const left = happenings.flatMap((h) => (h.kind === 'skipped' ? [stationNames[h.station]] : []));
  if (happenings.some((h) => h.kind === 'closed')) return 'The walk is closed.';
  return left.length > 0 ? `Left out: ${left.join(', ')}.` : null;
}

/** Passes a station at which there is nothing to do; whether that is under way. */
function usePassing(open: OpenWalk, walk: Walk, data: TrailData): boolean {
  const now = currentStation(walk);
  const unit = { subject: data.subject, way: data.way, hasReadout: data.readout !== null };
  const why = walk.closed ? null : nothingToDo(now, walk, unit);
  const { add } = open;
  const passed = useRef('');
  useEffect(() => {
    const key = `${walk.lastAt} ${now}`;
    if (why === null || passed.current === key) return;
    passed.current = key;
    void add({ kind: 'passed', station: now, why });
  }, [why, now, walk.lastAt, add]);
  return why !== null;
}

/** Stations that were just passed, each in a line. */
function PassedLine({ walk, now }: { walk: Walk; now: Station }) {
  const before = stations.slice(0, stations.indexOf(now)).reverse();
  const at = before.findIndex((s) => !walk.passed.has(s));
  const just = (at < 0 ? before : before.slice(0, at)).reverse();
  const said = new Map<string, string[]>();
  for (const s of just) {
    const why = walk.passed.get(s);
    if (why) said.set(passedWords[why], [...(said.get(passedWords[why]) ?? []), stationNames[s]]);
  }
  return [...said].map(([words, names]) => (
    <p key={words} className="passed soft small" role="status">
      <strong>{names.join(' and ')}:</strong> {words}.
    </p>
  ));
}
