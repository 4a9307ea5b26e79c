import Button from '@mui/material/Button';
import { type CoachCard, casesOfRoute, coachCards, lackingIn, type Route, type RouteCase } from '@wire-trail/core';
import { type ReactNode, useMemo, useState } from 'react';
import { useActor } from '../../../../foundation/use-actor.ts';
import type { TrailData } from '../../trail-data.ts';
import { Beyond } from '../Beyond.tsx';
import { Next, StationLayout, useTopOf } from '../StationLayout.tsx';
import { Card } from './Cards.tsx';
import { CoachStart } from './CoachStart.tsx';
import { HandsFree } from './HandsFree.tsx';
import { panelAt } from './panel-at.ts';
import { useAwake } from './senses.ts';
import { WhichVariant } from './WhichVariant.tsx';

type Props = Readonly<{
  route: Route;
  data: TrailData;
  title: string;
  /** It took, or it did not, and at which card. */
  onEnd: (took: boolean, card: CoachCard | null) => void;
  failed: number;
  /** The beat times the usual tempo. */
  pace?: number;
  aside?: ReactNode;
  /** Which part of a way this is, where it is one of several. */
  part?: string;
}>;

/** Coaches a route: hands free, by a beat and a voice, or one card at a time as one taps along. Works with one thumb. */
export function Coach(props: Props) {
  const { route, data } = props;
  const cases = useMemo(() => casesOfRoute(data.stored, route.id, data.alive), [data.stored, data.alive, route.id]);
  const [picked, setPicked] = useState<RouteCase | null>(null);
  const beyond = lackingIn(data.bundle, route, useActor());
  if (beyond)
    return (
      <Beyond
        offer={{ needs: beyond.needs, what: route.name, chart: null, node: null }}
        data={data}
        chartWalk={data.chartWalk}
      />
    );
  // numbers that differ by variant are nobody's to guess
  if (cases.length > 1 && !picked) return <WhichVariant {...props} cases={cases} onPick={setPicked} />;
  return <Coached {...props} route={picked?.route ?? route} />;
}

function Coached({ route, data, title, onEnd, failed, pace = 1, aside, part }: Props) {
  const cards = useMemo(() => coachCards(route.steps), [route]);
  const [way, setWay] = useState<'start' | 'free' | 'tapping'>('start');
  const [index, setIndex] = useState(0);
  useAwake(way !== 'start');
  useTopOf(`${way}${index}`);
  const end = (took: boolean, card: CoachCard | null) => {
    setWay('start');
    setIndex(0);
    onEnd(took, card);
  };
  if (way === 'start')
    return (
      <CoachStart
        route={route}
        data={data}
        title={title}
        cards={cards}
        failed={failed}
        pace={pace}
        aside={aside}
        {...(part && { part })}
        onBegin={setWay}
      />
    );
  if (way === 'free')
    return (
      <HandsFree
        cards={cards}
        data={data}
        title={title}
        pace={pace}
        aside={aside}
        onEnd={end}
        onBack={() => setWay('start')}
      />
    );
  const card = cards[index];
  if (!card) return null;
  const isLast = index === cards.length - 1;
  return (
    <StationLayout
      panel={panelAt(data, cards, index)}
      panelTitle={title}
      beside={aside}
      actions={
        isLast ? (
          <>
            <Next onClick={() => end(true, card)}>It worked</Next>
            <Button size="glove" onClick={() => end(false, card)}>
              It did not
            </Button>
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
        <Button variant="text" onClick={() => (index === 0 ? setWay('start') : setIndex(index - 1))}>
          One step back
        </Button>
      </div>
      <Card key={card.path} card={card} data={data} />
      {!isLast && (
        <Button variant="text" onClick={() => end(false, card)}>
          It went wrong here
        </Button>
      )}
    </StationLayout>
  );
}
