import Button from '@mui/material/Button';
import {
  type Advice,
  adviceAfter,
  assertNever,
  type Happened,
  happenedWords,
  happenings,
  type Route,
} from '@wire-trail/core';
import { useState } from 'react';
import type { TrailData } from '../../trail-data.ts';
import { Next, StationLayout } from '../StationLayout.tsx';
import { ShowWhatYouDid } from './ShowWhatYouDid.tsx';

type Props = Readonly<{
  route: Route;
  others: readonly Route[];
  data: TrailData;
  failed: number;
  pace: number;
  lastPace: number;
  /** What was said of the last try, where it was asked already. */
  said: Happened | null;
  onSaid: (happened: Happened) => void;
  onAgain: (pace: number) => void;
  onOther: (route: Route) => void;
  onLeave: (why: string) => void;
}>;

const paceWords = (pace: number): string =>
  pace === 1
    ? 'at the usual pace'
    : `${pace < 1 ? 'quicker' : 'slower'}: ${Math.round(pace * 100)} % of the usual time`;

/** It did not take: what happened, then the one thing to do now, and what comes after that. */
export function AfterTry(props: Props) {
  const { route, others, data, failed, pace, lastPace, said, onSaid, onAgain, onOther, onLeave } = props;
  const [happened, setHappened] = useState<Happened | null>(said);
  const [showing, setShowing] = useState(false);
  const took = (h: Happened) => {
    setShowing(false);
    setHappened(h);
    onSaid(h);
  };
  if (showing) return <ShowWhatYouDid route={route} data={data} onBack={() => setShowing(false)} onTold={took} />;
  if (happened === null)
    return (
      <StationLayout panel={{ face: data.front }}>
        <h1>What happened?</h1>
        <p className="soft">It decides what to try next.</p>
        <div className="stack">
          {happenings.map((h) => (
            <Button key={h} size="glove" fullWidth onClick={() => took(h)}>
              {happenedWords[h]}
            </Button>
          ))}
        </div>
        <h2>Or</h2>
        <Button size="glove" fullWidth variant="text" onClick={() => setShowing(true)}>
          Show what I did, and see what was missed
        </Button>
      </StationLayout>
    );
  const [first, ...rest] = adviceAfter({ route, others, failed, happened, pace, lastPace });
  const act = (advice: Advice) => {
    if (advice.kind === 'again') onAgain(advice.pace);
    else if (advice.kind === 'other-way') onOther(advice.route);
    else if (advice.kind === 'suspect-board')
      onLeave(`it never took, ${failed} ${failed === 1 ? 'try' : 'tries'}; the board is suspected`);
    else onAgain(pace);
  };
  return (
    <StationLayout
      panel={{ face: data.front }}
      actions={first && <Next onClick={() => act(first)}>{buttonWords(first)}</Next>}
    >
      <p className="soft">
        {failed === 1 ? '1 try' : `${failed} tries`}; {happenedWords[happened]}
      </p>
      {first && (
        <>
          <h1>{adviceWords(first)}</h1>
          <p>{moreWords(first)}</p>
        </>
      )}
      {route.ifItFails.length > 0 && (
        <div className="sheet small">
          <h3>The route says</h3>
          <ul>
            {route.ifItFails.map((w) => (
              <li key={w}>{w}</li>
            ))}
          </ul>
        </div>
      )}
      {rest.length > 0 && (
        <div className="stack">
          <h3>Or</h3>
          {rest.map((a) => (
            <Button key={`${a.kind}${a.kind === 'other-way' ? a.route.id : ''}`} fullWidth onClick={() => act(a)}>
              {adviceWords(a)}
            </Button>
          ))}
        </div>
      )}
      <Button variant="text" onClick={() => setHappened(null)}>
        Something else happened
      </Button>
    </StationLayout>
  );
}

function adviceWords(advice: Advice): string {
  switch (advice.kind) {
    case 'again':
      return advice.why === 'faster' ? 'Again, quicker' : advice.why === 'slower' ? 'Again, slower' : 'Again';
    case 'reset-first':
      return 'Reset it first, then again';
    case 'check-supply':
      return 'Check the supply, then again';
    case 'other-way':
      return `The other way in: ${advice.route.name}`;
    case 'suspect-board':
      return 'Suspect the board';
  }
}
function moreWords(advice: Advice): string {
  switch (advice.kind) {
    case 'again':
      return `The beat goes ${paceWords(advice.pace)}.`;
    case 'reset-first':
      return 'Take its supply away, wait half a minute, and let it come up again. Then begin from the first step.';
    case 'check-supply':
      return 'Measure the supply where the unit takes it, as your licence allows. A weak supply looks like a board that does not listen.';
    case 'other-way':
      return 'It reaches the same mode.';
    case 'suspect-board':
      return 'Everything else was tried. Before a board is changed: its plugs, and whether a part on it answers at all.';
  }
}
function buttonWords(advice: Advice): string {
  switch (advice.kind) {
    case 'again':
      return 'Another try';
    case 'other-way':
      return 'Go the other way';
    case 'suspect-board':
      return 'Go on without the mode';
    case 'check-supply':
    case 'reset-first':
      return 'Done, another try';
    default:
      return assertNever(advice);
  }
}
