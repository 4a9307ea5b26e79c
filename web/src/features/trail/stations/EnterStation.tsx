import Button from '@mui/material/Button';
import { type CoachCard, type Route, wayGone } from '@wire-trail/core';
import { useState } from 'react';
import { Proven } from '../../../parts/code/Proven.tsx';
import { useSuccessRates } from '../../../parts/success/use-success-rates.ts';
import { AfterTry } from './coach/AfterTry.tsx';
import { Coach } from './coach/Coach.tsx';
import { Skip } from './Skip.tsx';
import { Next, StationLayout, type StationProps } from './StationLayout.tsx';

const gloved = ['gloved'] as const;

/** Put the control into its service mode. Tries are kept; leaving the station out needs a word why. */
export function EnterStation({ walk, data, add }: StationProps) {
  const [chosen, setChosen] = useState<Route | null>(null);
  const [pace, setPace] = useState(1);
  const [failedAt, setFailedAt] = useState<{ card: CoachCard | null } | null>(null);
  const [ready, setReady] = useState(false);
  const way = chosen ? [chosen] : data.way;
  const gone = Math.min(wayGone(way, walk.tries), way.length - 1);
  const route = way[gone] ?? data.enter;
  const more = gone < way.length - 1 ? { more: true } : {};
  const rates = useSuccessRates(route ? data.bundle : null, route?.id ?? '', gloved, 1000);
  if (!route)
    return (
      <StationLayout
        panel={{ face: data.front }}
        actions={
          <Next onClick={() => void add({ kind: 'skipped', station: 'enter', why: 'no service mode is needed' })}>
            Go on
          </Next>
        }
      >
        <h1>No mode to enter</h1>
        <p>For this, nothing has to be read from the control.</p>
      </StationLayout>
    );
  const tries = walk.tries.filter((t) => t.route === route.id);
  const failed = tries.filter((t) => !t.took).length;
  const last = walk.tries.at(-1);
  const others = gone > 0 ? [] : data.waysIn.filter((r) => r.id !== route.id);
  const paced = pace === 1 ? {} : { pace };
  // a try that is written down is gone on from, also after the page was left
  const waiting = !ready && last !== undefined && !last.took && last.route === route.id;
  if (failedAt !== null || waiting)
    return (
      <AfterTry
        route={route}
        others={others}
        data={data}
        failed={failed + (failedAt ? 1 : 0)}
        pace={rates.rates?.get('gloved')?.pace ?? 1}
        lastPace={last?.pace ?? pace}
        said={failedAt ? null : (last?.happened ?? null)}
        onSaid={(happened) => {
          if (!failedAt) return;
          const step = failedAt.card?.path;
          setFailedAt(null);
          void add({ kind: 'tried', route: route.id, took: false, happened, ...(step ? { step } : {}), ...paced });
        }}
        onAgain={(next) => {
          setPace(next);
          setFailedAt(null);
          setReady(true);
        }}
        onOther={(other) => {
          setChosen(other);
          setPace(1);
          setFailedAt(null);
          setReady(true);
        }}
        onLeave={(why) => void add({ kind: 'skipped', station: 'enter', why })}
      />
    );
  return (
    <Coach
      key={`${route.id}${tries.length}`}
      route={route}
      data={data}
      title="Front, as it should stand"
      {...(way.length > 1 && { part: `Part ${gone + 1} of ${way.length}` })}
      failed={failed}
      pace={pace}
      onEnd={(took, card) => {
        setReady(false);
        if (took) void add({ kind: 'tried', route: route.id, took, ...more, ...paced });
        else setFailedAt({ card });
      }}
      aside={
        <div className="sheet small">
          <div className="row spread">
            <Proven entry={route} bundle={data.stored} />
            {tries.length > 0 && (
              <span className="soft">{tries.length === 1 ? '1 try' : `${tries.length} tries`} so far</span>
            )}
          </div>
          {route.sideEffects.map((effect) => (
            <p key={effect}>{effect}</p>
          ))}
          {others.map((o) => (
            <p key={o.id}>
              <Button variant="text" onClick={() => setChosen(o)}>
                Other way in: {o.name}
              </Button>
            </p>
          ))}
          <Skip
            example="it stands in that mode already"
            onSkip={(why) => void add({ kind: 'skipped', station: 'enter', why })}
          />
        </div>
      }
    />
  );
}
