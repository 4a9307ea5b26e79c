import { type CoachCard, coachCards, controlsAfter, type Route, type SignId } from '@wire-trail/core';
import { type ReactNode, useEffect, useMemo, useRef, useState } from 'react';
import type { LampShow } from '../../../parts/panel/PanelDrawing.tsx';
import { actBig, cardLead, momentWords, partName, shownWords } from '../../../parts/words/coach-words.ts';
import type { TrailData } from '../trail-data.ts';
import { HazardNote, WaysThere } from './Before.tsx';
import { Next, Room, useTopOf } from './station.tsx';

type Props = Readonly<{
  route: Route;
  data: TrailData;
  title: string;
  /** What to offer at the end: it took, it did not. */
  onEnd: (took: boolean) => void;
  failed: number;
  aside?: ReactNode;
}>;

/** Coaches a route one action at a time: what to do now, how often, and the window running. Works with one thumb. */
export function Coach({ route, data, title, onEnd, failed, aside }: Props) {
  const cards = useMemo(() => coachCards(route.steps), [route]);
  const [index, setIndex] = useState(-1);
  const card = cards[index];
  useTopOf(index);
  // while a card is up, its own acts are shown as done
  const places = useMemo(() => controlsAfter(cards, index + 1), [cards, index]);
  const pointed = new Set<string>(
    card
      ? [
          ...card.acts.flatMap((a) => (a.control ? [a.control as string] : [])),
          ...card.watch.map((w) => w.sign as string),
        ]
      : [],
  );
  const lamps = new Map<SignId, LampShow>(
    card?.watch.flatMap((w) => (w.kind === 'lamp' ? [[w.sign, { state: w.state, colour: w.colour }] as const] : [])),
  );
  const sounding = new Set(card?.watch.flatMap((w) => (w.kind === 'sound' && w.state === 'on' ? [w.sign] : [])));
  const isLast = index === cards.length - 1;
  const panel = { face: data.front, places, pointed, lamps, sounding };
  if (!card)
    return (
      <Room panel={panel} panelTitle={title} beside={aside} actions={<Next onClick={() => setIndex(0)}>Begin</Next>}>
        <h1>{route.name}</h1>
        <p className="soft">
          {cards.length} steps. {failed > 0 ? 'Another try.' : 'Read them once before your hands are busy.'}
        </p>
        {failed > 0 && <IfItFails route={route} />}
        <HazardNote ids={route.hazards} data={data} />
        <WaysThere ids={route.ways} data={data} />
        {route.before.length > 0 && (
          <div className="note">
            <strong>First</strong>
            <ul>
              {route.before.map((b) => (
                <li key={b}>{b}</li>
              ))}
            </ul>
          </div>
        )}
        <ol className="step-list">
          {cards.map((c) => (
            <li key={c.path}>
              <span className="soft">{cardLead(c, data.panel)}</span> <strong>{cardBig(c, data)}</strong>
              {c.holdMs !== null && <span className="tag">for {c.holdMs / 1000} s</span>}
              {c.times > 1 && <span className="tag">{c.times} times</span>}
              {c.windowMs !== null && <span className="tag">within {c.windowMs / 1000} s</span>}
            </li>
          ))}
        </ol>
      </Room>
    );
  return (
    <Room
      panel={panel}
      panelTitle={title}
      beside={aside}
      actions={
        isLast ? (
          <>
            <Next onClick={() => onEnd(true)}>It took</Next>
            <button
              type="button"
              className="act big"
              onClick={() => {
                onEnd(false);
                setIndex(-1);
              }}
            >
              It did not
            </button>
          </>
        ) : (
          <Next onClick={() => setIndex(index + 1)}>{card.watch.length > 0 ? 'Seen' : 'Done'}</Next>
        )
      }
    >
      <div className="row spread">
        <span className="soft small">
          step {index + 1} of {cards.length}
        </span>
        <button type="button" className="plain" onClick={() => setIndex(index - 1)}>
          One step back
        </button>
      </div>
      <Card key={card.path} card={card} data={data} />
    </Room>
  );
}

const cardBig = (card: CoachCard, data: TrailData): string =>
  card.watch.length > 0
    ? shownWords(card.watch, data.panel)
    : card.step.kind === 'rest'
      ? 'wait'
      : card.acts.map((a) => actBig(a, data.panel)).join(' · ');

function Card({ card, data }: { card: CoachCard; data: TrailData }) {
  const { step } = card;
  const seconds = step.kind === 'rest' ? step.span.usualMs : card.holdMs;
  return (
    <div className="card">
      <p className="lead">{cardLead(card, data.panel)}</p>
      {'caution' in step && step.caution && (
        <div className="note bad">
          <strong>{step.caution}</strong>
        </div>
      )}
      <p className={card.watch.length > 0 ? 'big words' : 'big'}>{cardBig(card, data)}</p>
      {card.acts.some((a) => a.times > 1 && a.act === 'press') && <Count times={card.acts[0]?.times ?? 1} />}
      {card.times > 1 && <Count times={card.times} />}
      {card.keeping.length > 0 && card.acts.every((a) => a.act !== 'let-go') && (
        <p className="tag">keep holding {card.keeping.map((k) => partName(data.panel, k.control)).join(' and ')}</p>
      )}
      {card.holdUntil && card.acts.every((a) => a.act === 'hold') && (
        <p className="soft">let go {momentWords(card.holdUntil, data.panel).toLowerCase()}</p>
      )}
      {seconds !== null && seconds !== undefined && (
        <Running forMs={seconds} name={step.kind === 'rest' ? 'wait' : 'hold'} start="Start as you press" />
      )}
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
      {card.withinMs !== null && <p className="soft">within {card.withinMs / 1000} s</p>}
      {'feelsLike' in step && step.feelsLike && <p className="soft">{step.feelsLike}</p>}
      {'why' in step && step.why && <p className="soft">{step.why}</p>}
      {'ifItFails' in step && step.ifItFails && <p className="small">If it fails: {step.ifItFails}</p>}
    </div>
  );
}

/** A count that goes up at each tap: how often it has been done, out of how often. */
function Count({ times }: { times: number }) {
  const [done, setDone] = useState(0);
  const names = ['once', 'twice', '3 times', '4 times', '5 times', '6 times'];
  return (
    <div className="count" role="group" aria-label={`${done} of ${times}`}>
      {Array.from({ length: times }, (_, i) => (
        <button
          key={names[i] ?? i}
          type="button"
          className={i < done ? 'counted' : ''}
          aria-pressed={i < done}
          onClick={() => setDone(i < done ? i : i + 1)}
        >
          {names[i] ?? i + 1}
        </button>
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
    <div className="running">
      <div className="row spread">
        <span>{name}</span>
        <span className="mono" role="timer">
          {left === null ? `${forMs / 1000} s` : over ? 'over' : `${(left / 1000).toFixed(1)} s left`}
        </span>
      </div>
      <div className="bar">
        <div
          className={over ? 'fill over' : 'fill'}
          style={{ width: `${left === null ? 0 : ((forMs - left) / forMs) * 100}%` }}
        />
        {usualMs !== undefined && usualMs < forMs && (
          <div className="usual" style={{ left: `${(usualMs / forMs) * 100}%` }} />
        )}
      </div>
      <button type="button" className="act wide" onClick={run}>
        {left === null ? start : 'Start again'}
      </button>
    </div>
  );
}

function IfItFails({ route }: { route: Route }) {
  if (route.ifItFails.length === 0 && route.knownNotToWork.length === 0) return null;
  return (
    <div className="sheet">
      <h2>If it does not take</h2>
      <ol>
        {route.ifItFails.map((advice) => (
          <li key={advice}>{advice}</li>
        ))}
      </ol>
      {route.knownNotToWork.map((known) => (
        <p key={known.how} className="small">
          <strong>Does not work:</strong> {known.how}. {known.why}
        </p>
      ))}
    </div>
  );
}
