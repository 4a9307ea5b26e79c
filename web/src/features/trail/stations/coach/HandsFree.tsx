import Button from '@mui/material/Button';
import type { CoachCard } from '@wire-trail/core';
import { type CardDetail, cardBig, cardDetails, cardLead } from '@wire-trail/core';
import { type ReactNode, useEffect } from 'react';
import { Pressable } from '../../../../parts/field/Pressable.tsx';
import { Meter } from '../../../../parts/meter/Meter.tsx';
import type { TrailData } from '../../trail-data.ts';
import { Next, StationLayout } from '../StationLayout.tsx';
import { panelAt } from './panel-at.ts';
import { beat, hush, say, useSenses } from './senses.ts';
import { useClock } from './use-clock.ts';

/** Counts, holds and windows are drawn, and run. */
const drawn: ReadonlySet<CardDetail['of']> = new Set(['times', 'window', 'hold']);

type Props = Readonly<{
  cards: readonly CoachCard[];
  data: TrailData;
  title: string;
  pace: number;
  aside: ReactNode;
  onEnd: (took: boolean, card: CoachCard | null) => void;
  onBack: () => void;
}>;

/** Both hands on the unit: it speaks each action, beats to it, runs counts and windows, and goes on by itself. */
export function HandsFree({ cards, data, title, pace, aside, onEnd, onBack }: Props) {
  const [senses] = useSenses();
  const { now, times, restart, onto } = useClock(cards, pace, true, (kind) => beat(kind, senses));
  const card = cards[now.card];
  const next = cards[now.card + 1];
  useEffect(() => {
    const up = cards[now.card];
    if (up)
      say(
        [...up.notes.cautions, `${cardLead(up, data.panel)}. ${cardBig(up, data.panel).replaceAll(' · ', ', ')}`].join(
          ' ',
        ),
        senses,
      );
  }, [now.card, cards, data, senses]);
  useEffect(() => hush, []);
  if (!card) return null;
  const beats = times[now.card]?.beats.filter((b) => b.kind !== 'tick') ?? [];
  const first = beats[0]?.atMs ?? 0;
  const sinceBeat = now.elapsedMs + (times[now.card]?.fromMs ?? 0) - first;
  const isLast = now.card === cards.length - 1;
  const holdMs = card.step.kind === 'rest' ? card.step.span.usualMs : card.holdMs;
  return (
    <StationLayout
      panel={panelAt(data, cards, now.card)}
      panelTitle={title}
      beside={aside}
      actions={
        <>
          {/* the next action is on the unit until the last step is up */}
          {isLast ? (
            <Next onClick={() => onEnd(true, card)}>It worked</Next>
          ) : (
            <Button size="glove" onClick={() => onEnd(true, card)}>
              It worked
            </Button>
          )}
          <Button size="glove" onClick={() => onEnd(false, card)}>
            It did not
          </Button>
        </>
      }
    >
      <div className="row spread">
        <span className="soft small">
          step {now.card + 1} of {cards.length}
        </span>
        <span className="row">
          <Button variant="text" onClick={() => restart()}>
            Start the beat again
          </Button>
          <Button variant="text" onClick={onBack}>
            Stop the beat
          </Button>
        </span>
      </div>
      <h1 className="visually-hidden">
        {cardLead(card, data.panel)} {cardBig(card, data.panel)}
      </h1>
      <Pressable
        className={`card pad ${senses.picture && now.last && now.last !== 'tick' ? 'beating' : ''}`}
        onClick={() => next && onto(now.card + 1)}
      >
        <span className="visually-hidden">{next ? 'This is done, go on:' : 'The last step:'}</span>
        <span className="soft">{cardLead(card, data.panel)}</span>
        {card.notes.cautions.map((caution) => (
          <span key={caution} className="note bad">
            {caution}
          </span>
        ))}
        <span className={card.watch.length > 0 ? 'big words' : 'big'}>{cardBig(card, data.panel)}</span>
        {beats.length > 1 && (
          <span className="row" role="img" aria-label={`${Math.min(now.beats, beats.length)} of ${beats.length}`}>
            {beats.map((b, i) => (
              <span key={b.atMs} className={`dot ${i < now.beats ? 'fallen' : ''}`} />
            ))}
          </span>
        )}
        {cardDetails(card, data.panel)
          .filter(({ of }) => !drawn.has(of))
          .map(({ of, words }) => (
            <span key={of} className="tag">
              {words}
            </span>
          ))}
        {holdMs !== null && (
          <Bar name={card.step.kind === 'rest' ? 'wait' : 'hold'} forMs={holdMs} goneMs={sinceBeat} />
        )}
        {card.windowMs !== null && (
          <Bar
            name="window"
            forMs={card.windowMs}
            goneMs={Math.max(0, sinceBeat + 300)}
            usualMs={card.usualMs * card.times * pace}
          />
        )}
      </Pressable>
      <p className="soft" aria-live="off">
        {now.over
          ? 'That was all of it. Did it work?'
          : next
            ? `then: ${cardLead(next, data.panel)} ${cardBig(next, data.panel)}`
            : 'the last step'}
      </p>
      <p className="small soft">
        Speaks and beats: move on each beat, both hands free. Touch the words when you are ahead of it.
      </p>
    </StationLayout>
  );
}

/** What is left of a hold, a wait or a window. */
function Bar({ name, forMs, goneMs, usualMs }: { name: string; forMs: number; goneMs: number; usualMs?: number }) {
  const left = Math.max(0, forMs - Math.max(0, goneMs));
  return (
    <span className="running stack">
      <span className="row spread">
        <span>{name}</span>
        <span className="mono">
          {goneMs <= 0 ? `${forMs / 1000} s` : left === 0 ? 'over' : `${(left / 1000).toFixed(1)} s left`}
        </span>
      </span>
      <Meter
        share={(forMs - left) / forMs}
        color={left === 0 && name === 'window' ? 'error' : 'primary'}
        usual={usualMs !== undefined && usualMs < forMs ? usualMs / forMs : undefined}
      />
    </span>
  );
}
