import Button from '@mui/material/Button';
import type { WalkLine } from '@wire-trail/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { api } from '../../foundation/api.ts';
import { CodeGlyph } from '../../parts/code/CodeGlyph.tsx';
import { Empty, Failed, Loading } from '../../parts/states/States.tsx';
import { stationNames } from '../../parts/trail-line/TrailLine.tsx';
import './log.css';
import { NotTaken } from './NotTaken.tsx';

const states = [undefined, 'open', 'waiting', 'closed'] as const;

/** Every walk: on which machine, for which code, how far, and what fixed it. */
export default function LogPage() {
  const [state, setState] = useState<WalkLine['state'] | undefined>(undefined);
  const { data, error, refetch } = api.useWalksQuery({ state });
  return (
    <>
      <div className="row spread">
        <h1>Log</h1>
        <div className="row" role="group" aria-label="which walks">
          {states.map((s) => (
            <Button
              key={s ?? 'all'}
              variant={s === state ? 'contained' : 'outlined'}
              color={s === state ? 'primary' : 'inherit'}
              aria-pressed={s === state}
              onClick={() => setState(s)}
            >
              {s ?? 'all'}
            </Button>
          ))}
        </div>
      </div>
      <NotTaken />
      {error && <Failed error={error} again={() => void refetch()} />}
      {!data && !error && <Loading what="the log" />}
      {data?.length === 0 && (
        <Empty title="No walk here yet">A walk stands in the log as soon as its device had a connection.</Empty>
      )}
      <ul className="plain log">
        {data?.map((walk) => (
          <li key={walk.id}>
            <Link to={`/log/${walk.id}`} className="log-line">
              <CodeGlyph text={walk.code?.toUpperCase() ?? '—'} size="large" />
              <span>
                <strong className="mono">{walk.serial ?? 'no serial yet'}</strong>
                <span className="soft small">
                  {walk.model} {walk.software && `· software ${walk.software}`}
                </span>
              </span>
              <span>
                {walk.state === 'closed'
                  ? walk.fixedBy
                    ? `fixed: ${walk.fixedBy}`
                    : walk.outcome?.replaceAll('-', ' ')
                  : walk.state === 'waiting'
                    ? `waits until ${walk.waitingUntil}`
                    : `at ${stationNames[walk.station as keyof typeof stationNames]}`}
              </span>
              <span className="soft small">
                {walk.by}
                <br />
                {walk.lastAt && new Date(walk.lastAt).toLocaleString()}
              </span>
            </Link>
          </li>
        ))}
      </ul>
    </>
  );
}
