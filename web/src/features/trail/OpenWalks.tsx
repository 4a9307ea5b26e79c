import MoreIcon from '@mui/icons-material/ExpandMore';
import Button from '@mui/material/Button';
import {
  type Bundle,
  currentStation,
  entryOf,
  familyEntry,
  foldWalk,
  groupBy,
  type Walk,
  type WalkLine,
} from '@wire-trail/core';
import { useEffect, useMemo, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { type ApiError, api } from '../../foundation/api.ts';
import { allEvents, readEvents } from '../../foundation/device/database.ts';
import { useAppSelector } from '../../foundation/store.ts';
import { useDates } from '../../foundation/use-own.ts';
import { CodeGlyph } from '../../parts/code/CodeGlyph.tsx';
import { stationNames } from '../../parts/trail-line/TrailLine.tsx';
import { dayOf } from './stations/day-of.ts';

/** A walk that is not closed, wherever it was read: on this device, or at the server from another one. */
type Open = Readonly<{
  id: string;
  family: string | null;
  code: string;
  serial: string | null;
  station: WalkLine['station'];
  lastAt: string;
  until: string | null;
  elsewhere: boolean;
}>;

const fewWalks = 3;

/** This person's walks that are not closed: what is due first, then what was left last; from every device. */
export default function OpenWalks({ bundles }: { bundles: readonly Bundle[] }) {
  const dates = useDates();
  const here = useWalksHere();
  const { data: elsewhere } = api.useWalksQuery({ state: 'unfinished', mine: 'yes' });
  const [all, setAll] = useState(false);
  const today = dayOf(Date.now());
  const walks = useMemo(() => {
    if (here === null) return [];
    const known = new Set(here.all);
    const open = [
      ...here.open.map((walk) => ofWalk(walk, bundles)),
      ...(elsewhere?.walks ?? []).filter((line) => !known.has(line.id)).map((line) => ofLine(line, bundles)),
    ];
    const rank = (w: Open): number => (w.until === null ? 1 : w.until <= today ? 0 : 2);
    return open.sort((a, b) => rank(a) - rank(b) || b.lastAt.localeCompare(a.lastAt));
  }, [here, elsewhere, bundles, today]);
  if (walks.length === 0) return <ToTakeOver bundles={bundles} />;
  const shown = all ? walks : walks.slice(0, fewWalks);
  return (
    <>
      <ToTakeOver bundles={bundles} />
      <section className="stack">
        <h2>Go on with</h2>
        <ul className="plain stack">
          {shown.map((walk) => {
            const due = walk.until !== null && walk.until <= today;
            const bundle = bundleOf(bundles, walk.family);
            return (
              <li key={walk.id}>
                <Link className={`tile ends ${due ? 'due' : ''}`} to={`/trail/${walk.id}`}>
                  <CodeGlyph text={walk.code} size="large" />
                  <span>
                    <strong>{bundle ? familyEntry(bundle).name : walk.family}</strong>
                    <span className="soft small">
                      {walk.serial ?? 'no serial yet'} · {dates.ago(walk.lastAt)}
                      {walk.elsewhere && ' · elsewhere'}
                    </span>
                  </span>
                  <span className={due ? 'says' : 'soft small'}>
                    {walk.until === null
                      ? `at ${stationNames[walk.station]}`
                      : due
                        ? `due since ${dates.day(walk.until)}`
                        : `waits until ${dates.day(walk.until)}`}
                  </span>
                </Link>
              </li>
            );
          })}
        </ul>
        {shown.length < walks.length && (
          <Button variant="text" startIcon={<MoreIcon />} onClick={() => setAll(true)}>
            All {walks.length} open walks
          </Button>
        )}
      </section>
    </>
  );
}

/** Walks of others that wait for somebody who may do what comes next. */
function ToTakeOver({ bundles }: { bundles: readonly Bundle[] }) {
  const { data } = api.useWalksQuery({ state: 'offered' });
  const [takeOver, { error }] = api.useTakeOverMutation();
  const navigate = useNavigate();
  const me = useAppSelector((s) => (s.session.status === 'signed-in' ? s.session.user.name : null));
  const others = (data?.walks ?? []).filter((line) => line.by !== me);
  if (others.length === 0) return null;
  const take = async (id: string) => {
    const taken = await takeOver(id);
    if (!('error' in taken)) void navigate(`/trail/${id}`);
  };
  return (
    <section className="stack">
      <h2>To take over</h2>
      <ul className="plain stack">
        {others.map((line) => {
          const walk = ofLine(line, bundles);
          return (
            <li key={line.id} className="tile ends">
              <CodeGlyph text={walk.code} size="large" />
              <span>
                <strong>{nameOf(bundleOf(bundles, line.family), line.family)}</strong>
                <span className="soft small">
                  {line.serial ?? 'no serial yet'} · from {line.by}
                </span>
              </span>
              <Button size="glove" onClick={() => void take(line.id)}>
                Take it over
              </Button>
            </li>
          );
        })}
      </ul>
      {error && <p className="wrong">{(error as ApiError).detail ?? (error as ApiError).title}</p>}
    </section>
  );
}

const nameOf = (bundle: Bundle | undefined, family: string | null) => (bundle ? familyEntry(bundle).name : family);
const bundleOf = (bundles: readonly Bundle[], family: string | null) => bundles.find((b) => b.family === family);
const codeText = (bundle: Bundle | undefined, code: string | null): string =>
  (bundle && entryOf(bundle, 'code', code)?.text) ??
  (bundle && entryOf(bundle, 'symptom', code) ? '—' : (code?.toUpperCase() ?? '—'));

function ofWalk(walk: Walk, bundles: readonly Bundle[]): Open {
  const text = codeText(bundleOf(bundles, walk.family), walk.code);
  return {
    id: walk.id,
    family: walk.family,
    code: walk.code ? text : (walk.unlisted?.text ?? '—'),
    serial: walk.unit?.serial ?? null,
    station: currentStation(walk),
    lastAt: walk.lastAt,
    until: walk.waitingUntil,
    elsewhere: false,
  };
}

const ofLine = (line: WalkLine, bundles: readonly Bundle[]): Open => ({
  id: line.id,
  family: line.family,
  code: codeText(bundleOf(bundles, line.family), line.code),
  serial: line.serial,
  station: line.station,
  lastAt: line.lastAt ?? '',
  until: line.waitingUntil,
  elsewhere: true,
});

type Here = Readonly<{ open: readonly Walk[]; all: readonly string[] }>;

/** The walks this device keeps of the person who is signed in; null until they are read. */
function useWalksHere(): Here | null {
  const session = useAppSelector((s) => s.session);
  const by = session.status === 'signed-in' ? session.user.id : 0;
  const [here, setHere] = useState<Here | null>(null);
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
      if (!stale) setHere({ open, all: [...mine.keys()] });
    });
    return () => {
      stale = true;
    };
  }, [by]);
  return here;
}
