import Button from '@mui/material/Button';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { outcomeWords, type WalkLine } from '@wire-trail/core';
import { useDeferredValue, useState } from 'react';
import { Link } from 'react-router';
import { api } from '../../foundation/api.ts';
import { CodeGlyph } from '../../parts/code/CodeGlyph.tsx';
import { Input } from '../../parts/field/Input.tsx';
import { PageBar } from '../../parts/page-bar/PageBar.tsx';
import { Failed } from '../../parts/states/Failed.tsx';
import { Empty, Loading } from '../../parts/states/States.tsx';
import { stationNames } from '../../parts/trail-line/TrailLine.tsx';
import { Day, Moment } from '../../parts/when/When.tsx';
import { NotTaken } from './NotTaken.tsx';
import { Orders } from './Orders.tsx';

const states = [undefined, 'open', 'waiting', 'offered', 'closed'] as const;
/** What each is called. */
const stateWords = { open: 'open', waiting: 'waiting', offered: 'to take over', closed: 'closed' } as const;

/** Every walk: on which machine, for which code, how far, and what fixed it. */
export default function LogPage() {
  const [state, setState] = useState<WalkLine['state'] | undefined>(undefined);
  const [typed, setTyped] = useState('');
  const find = useDeferredValue(typed.trim());
  const { data, error, refetch, hasNextPage, fetchNextPage, isFetchingNextPage } = api.useLogInfiniteQuery({
    ...(state && { state }),
    ...(find && { find }),
  });
  const walks = data?.pages.flatMap((page) => page.walks);
  return (
    <div className="stack">
      <PageBar title="Log" />
      <label className="field">
        Find in the log
        <Input
          type="search"
          value={typed}
          placeholder="serial, model, code or name"
          onChange={(e) => setTyped(e.target.value)}
          slotProps={{ input: { maxLength: 60 } }}
        />
      </label>
      <ToggleButtonGroup
        exclusive
        value={state ?? 'all'}
        aria-label="which walks"
        className="log-states"
        onChange={(_, to: WalkLine['state'] | 'all' | null) => to && setState(to === 'all' ? undefined : to)}
      >
        {states.map((s) => (
          <ToggleButton key={s ?? 'all'} value={s ?? 'all'}>
            {s ? stateWords[s] : 'all'}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
      <NotTaken />
      <Orders />
      {error && <Failed error={error} again={() => void refetch()} />}
      {!data && !error && <Loading what="the log" />}
      {walks?.length === 0 &&
        (find ? (
          <Empty title="No walk is like that">
            Looked for as the beginning of a serial number, model, code or name.
          </Empty>
        ) : (
          <Empty title="No walk here yet">A walk stands in the log as soon as its device had a connection.</Empty>
        ))}
      <ul className="plain log">
        {walks?.map((walk) => (
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
      {hasNextPage && (
        <Button disabled={isFetchingNextPage} onClick={() => void fetchNextPage()}>
          {isFetchingNextPage ? 'Fetching earlier ones …' : 'Show earlier ones'}
        </Button>
      )}
    </div>
  );
}
