import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { outcomeWords, type WalkLine } from '@wire-trail/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { api } from '../../foundation/api.ts';
import { CodeGlyph } from '../../parts/code/CodeGlyph.tsx';
import { PageBar } from '../../parts/page-bar/PageBar.tsx';
import { Failed } from '../../parts/states/Failed.tsx';
import { Empty, Loading } from '../../parts/states/States.tsx';
import { stationNames } from '../../parts/trail-line/TrailLine.tsx';
import { Day, Moment } from '../../parts/when/When.tsx';
import { NotTaken } from './NotTaken.tsx';

const states = [undefined, 'open', 'waiting', 'closed'] as const;

/** Every walk: on which machine, for which code, how far, and what fixed it. */
export default function LogPage() {
  const [state, setState] = useState<WalkLine['state'] | undefined>(undefined);
  const { data, error, refetch } = api.useWalksQuery({ state });
  return (
    <>
      <PageBar title="Log" />
      <ToggleButtonGroup
        exclusive
        value={state ?? 'all'}
        aria-label="which walks"
        className="log-states"
        onChange={(_, to: WalkLine['state'] | 'all' | null) => to && setState(to === 'all' ? undefined : to)}
      >
        {states.map((s) => (
          <ToggleButton key={s ?? 'all'} value={s ?? 'all'}>
            {s ?? 'all'}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
      <NotTaken />
      {error && <Failed error={error} again={() => void refetch()} />}
      {!data && !error && <Loading what="the log" />}
      {data?.length === 0 && (
        <Empty title="No walk here yet">A walk stands in the log as soon as its device had a connection.</Empty>
      )}
      <ul className="plain log">
        {data?.map((walk) => (
          <li key={walk.id}>
            <Link to={`/log/${walk.id}`} className="line">
              <CodeGlyph text={walk.code?.toUpperCase() ?? '—'} size="large" />
              <span className="grow">
                <strong className="mono">{walk.serial ?? 'no serial yet'}</strong>
                <span className="soft small">
                  {walk.model} {walk.software && `· software ${walk.software}`}
                </span>
              </span>
              <span className="grow">
                {walk.state === 'closed' ? (
                  walk.fixedBy ? (
                    `fixed: ${walk.fixedBy}`
                  ) : (
                    walk.outcome && outcomeWords[walk.outcome]
                  )
                ) : walk.state === 'waiting' ? (
                  <>
                    waits until <Day at={walk.waitingUntil} />
                  </>
                ) : (
                  `at ${stationNames[walk.station as keyof typeof stationNames]}`
                )}
              </span>
              <span className="soft small">
                {walk.by}
                <br />
                <Moment at={walk.lastAt} />
              </span>
            </Link>
          </li>
        ))}
      </ul>
    </>
  );
}
