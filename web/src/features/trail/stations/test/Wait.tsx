import { type NodeOf, timerKey } from '@wire-trail/core';
import { useEffect, useRef, useState } from 'react';
import { Meter } from '../../../../parts/meter/Meter.tsx';
import { Day } from '../../../../parts/when/When.tsx';
import { beat } from '../coach/senses.ts';
import { dayOf } from '../day-of.ts';
import { Next, StationLayout, type StationProps } from '../StationLayout.tsx';
import { UntilWhen } from '../UntilWhen.tsx';
import type { BodyProps } from './body-props.ts';

/** The time, told once a second, and at once when a phone comes back from its sleep. */
export function useNow(isOn: boolean): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    if (!isOn) return;
    const tell = () => setNow(Date.now());
    const timer = setInterval(tell, 1000);
    document.addEventListener('visibilitychange', tell);
    return () => {
      clearInterval(timer);
      document.removeEventListener('visibilitychange', tell);
    };
  }, [isOn]);
  return now;
}

/** What is left of a timer, as a clock shows it. */
export function clockWords(ms: number): string {
  const seconds = Math.max(0, Math.ceil(ms / 1000));
  const [h, m, s] = [Math.floor(seconds / 3600), Math.floor(seconds / 60) % 60, seconds % 60];
  const two = (n: number) => String(n).padStart(2, '0');
  return h > 0 ? `${h}:${two(m)}:${two(s)}` : `${m}:${two(s)}`;
}

/** A wait of half a day or more is put away until a date. */
export const dateFromMs = 43_200_000;

/** A timer that goes on wherever the phone is: it is an event with a time, not a thing that runs. */
export function Timer({ since, ms, over }: { since: string; ms: number; over: React.ReactNode }) {
  const ends = Date.parse(since) + ms;
  const now = useNow(true);
  const left = ends - now;
  const rung = useRef(left <= 0);
  useEffect(() => {
    if (left > 0 || rung.current) return;
    rung.current = true;
    beat('end', { sound: true, vibration: true, speech: false } as Parameters<typeof beat>[1]);
  }, [left]);
  if (left <= 0) return over;
  return (
    <div className="stack" role="timer" aria-label="time left">
      <strong className="big mono">{clockWords(left)}</strong>
      <span className="soft">
        over at {new Date(ends).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' })}; it goes on with the
        phone locked
      </span>
      <Meter share={1 - left / ms} />
    </div>
  );
}

/** A wait: begun by hand, over by itself; or until a date. */
export function Wait({ walk, at, add, say, node }: BodyProps & { node: NodeOf<'wait'> }) {
  const of = { kind: 'node', chart: at.chart.id, node: node.id } as const;
  const timer = walk.timers.get(timerKey(of));
  const isLong = node.waitMs >= dateFromMs;
  const [until, setUntil] = useState(() => dayOf(Date.now() + node.waitMs));
  const done = (
    <>
      <p className="note good" role="status">
        The wait is over.
      </p>
      <div className="actions">
        <Next onClick={() => say('done')}>Go on</Next>
      </div>
    </>
  );
  if (timer) return <Timer since={timer.since} ms={timer.ms} over={done} />;
  return (
    <>
      <p>
        <strong className="big mono">
          {isLong ? Math.round(node.waitMs / 3_600_000) : Math.round(node.waitMs / 60_000)}
        </strong>
        {isLong ? 'hours' : 'min'}
      </p>
      {isLong && <UntilWhen day={until} onChange={setUntil} />}
      <div className="actions">
        <Next
          onClick={() =>
            void add(
              { kind: 'timer', of, ms: node.waitMs },
              ...(isLong ? [{ kind: 'waits' as const, until, why: node.title }] : []),
            )
          }
        >
          {isLong ? 'Wait until then' : 'Start the timer'}
        </Next>
      </div>
    </>
  );
}

/** The walk is put away until a date. */
export function Until({ data, add, until }: StationProps & { until: string }) {
  return (
    <StationLayout
      panel={{ face: data.front }}
      actions={<Next onClick={() => void add({ kind: 'resumed' })}>Go on now</Next>}
    >
      <h1>
        Waiting until <Day at={until} />
      </h1>
      <p>The walk is kept here and in the log until it is due.</p>
    </StationLayout>
  );
}
