import Button from '@mui/material/Button';
import type { CoachCard } from '@wire-trail/core';
import { type CardDetail, cardBig, cardDetails, cardLead, cardNotes, momentWords } from '@wire-trail/core';
import { useEffect, useRef, useState } from 'react';
import { Pressable } from '../../../../parts/field/Pressable.tsx';
import { Meter } from '../../../../parts/meter/Meter.tsx';
import type { TrailData } from '../../trail-data.ts';

/** Counts, holds and windows are drawn, and run. */
const drawn: ReadonlySet<CardDetail['of']> = new Set(['times', 'window', 'hold']);

/** One card, large: what to do now, how often, in which window, held for how long. */
export function Card({ card, data }: { card: CoachCard; data: TrailData }) {
  const { step } = card;
  const seconds = step.kind === 'rest' ? step.span.usualMs : card.holdMs;
  return (
    <div className="card">
      <p className="soft">{cardLead(card, data.panel)}</p>
      {card.notes.cautions.map((caution) => (
        <div key={caution} className="note bad">
          <strong>{caution}</strong>
        </div>
      ))}
      <h1 className={card.watch.length > 0 ? 'big words' : 'big'}>{cardBig(card, data.panel)}</h1>
      {card.acts.some((a) => a.times > 1 && a.act === 'press') && <Count times={card.acts[0]?.times ?? 1} />}
      {card.times > 1 && <Count times={card.times} />}
      {cardDetails(card, data.panel)
        .filter(({ of }) => !drawn.has(of))
        .map(({ of, words }) => (
          <p key={`${of}${words}`} className="tag">
            {words}
          </p>
        ))}
      {seconds !== null && seconds !== undefined && step.kind === 'rest' && (
        <Running forMs={seconds} name="wait" start="Start the wait" />
      )}
      {seconds !== null && seconds !== undefined && step.kind !== 'rest' && <HoldPad card={card} forMs={seconds} />}
      {card.windowMs !== null && (
        <Running
          forMs={card.windowMs}
          name="window"
          usualMs={card.usualMs * card.times}
          start={
            card.windowFrom
              ? `Start: ${momentWords(card.windowFrom, data.panel)
                  .toLowerCase()
                  .replace(/^when /, '')}`
              : 'Start'
          }
        />
      )}
      {cardNotes(card).map((note) => (
        <p key={note} className="soft">
          {note}
        </p>
      ))}
    </div>
  );
}

/** A timer that starts as the pad is touched, with the other hand on the unit, and says how long it was held. */
function HoldPad({ card, forMs }: { card: CoachCard; forMs: number }) {
  const { step } = card;
  const span = (step.kind === 'hold' || step.kind === 'keep') && step.until?.kind === 'span' ? step.until.span : null;
  const [held, setHeld] = useState<number | null>(null);
  const [down, setDown] = useState(false);
  const frame = useRef(0);
  useEffect(() => () => cancelAnimationFrame(frame.current), []);
  const press = () => {
    const began = performance.now();
    setDown(true);
    const tick = () => {
      setHeld(performance.now() - began);
      frame.current = requestAnimationFrame(tick);
    };
    tick();
  };
  const lift = () => {
    cancelAnimationFrame(frame.current);
    setDown(false);
  };
  const seconds = held === null ? null : (held / 1000).toFixed(1);
  const least = span?.leastMs ?? forMs;
  const most = span && span.mostMs > span.leastMs ? span.mostMs : Number.POSITIVE_INFINITY;
  const verdict = held === null || down ? null : held < least ? 'too short' : held > most ? 'too long' : 'long enough';
  return (
    <Pressable
      className={`pad ${held !== null && held >= least && held <= most ? 'ready' : ''}`}
      onPointerDown={press}
      onPointerUp={lift}
      onPointerCancel={lift}
      onKeyDown={(e) => (e.key === ' ' || e.key === 'Enter') && !e.repeat && press()}
      onKeyUp={lift}
    >
      <Meter share={(held ?? 0) / forMs} />
      <span>
        {seconds === null
          ? `touch here as you hold: ${forMs / 1000} s`
          : `${seconds} s${verdict ? `, ${verdict}` : ''}`}
      </span>
    </Pressable>
  );
}

/** A count that goes up at each tap: how often it has been done, out of how often. */
function Count({ times }: { times: number }) {
  const [done, setDone] = useState(0);
  const names = ['once', 'twice', '3 times', '4 times', '5 times', '6 times'];
  return (
    <div className="row" role="group" aria-label={`${done} of ${times}`}>
      {Array.from({ length: times }, (_, i) => (
        <Button
          key={names[i] ?? i}
          size="glove"
          variant={i < done ? 'contained' : 'outlined'}
          color={i < done ? 'primary' : 'inherit'}
          aria-pressed={i < done}
          onClick={() => setDone(i < done ? i : i + 1)}
        >
          {names[i] ?? i + 1}
        </Button>
      ))}
    </div>
  );
}

/** A running window: what is left of it, and a mark where the usual pace would be done. */
function Running({ forMs, name, usualMs, start }: { forMs: number; name: string; usualMs?: number; start: string }) {
  const [left, setLeft] = useState<number | null>(null);
  const timer = useRef<number>(0);
  useEffect(() => () => cancelAnimationFrame(timer.current), []);
  const run = () => {
    const began = performance.now();
    cancelAnimationFrame(timer.current);
    const tick = () => {
      const rest = Math.max(0, forMs - (performance.now() - began));
      setLeft(rest);
      if (rest > 0) timer.current = requestAnimationFrame(tick);
    };
    tick();
  };
  const over = left === 0;
  return (
    <div className="running stack">
      <div className="row spread">
        <span>{name}</span>
        <span className="mono" role="timer">
          {left === null ? `${forMs / 1000} s` : over ? 'over' : `${(left / 1000).toFixed(1)} s left`}
        </span>
      </div>
      <Meter
        share={left === null ? 0 : (forMs - left) / forMs}
        color={over ? 'error' : 'primary'}
        usual={usualMs !== undefined && usualMs < forMs ? usualMs / forMs : undefined}
      />
      <Button fullWidth onClick={run}>
        {left === null ? start : 'Start again'}
      </Button>
    </div>
  );
}
