import Button from '@mui/material/Button';
import { type ClearStep, clearingNow, ledgerOf, openRoots, type Route } from '@wire-trail/core';
import { useState } from 'react';
import type { Happening } from '../../../foundation/device/walks.ts';
import { InTurn } from './coach/InTurn.tsx';
import { Ledger } from './Ledger.tsx';
import { SetAfter } from './mode-work/SetAfter.tsx';
import { OtherCodes } from './OtherCodes.tsx';
import { PutBack } from './PutBack.tsx';
import { Next, StationLayout, type StationProps } from './StationLayout.tsx';

/** Put everything back while the unit is dead; then, with its supply, erase the memory the way the unit wants, and leave. */
export function ClearStation({ walk, data, add }: StationProps) {
  if (!walk.cleared && openRoots(data.roots).length > 0)
    return <OtherCodes walk={walk} data={data} add={add} title="Not yet: other codes are open" />;
  const plan = data.clearing;
  const step = clearingNow(plan, walk.clearing);
  if (walk.cleared || !step)
    return (
      <StationLayout panel={{ face: data.front }}>
        <h1>Cleared</h1>
        <p>What was taken off is back on, and the service mode is left.</p>
      </StationLayout>
    );
  const isLast = plan.filter((s) => !walk.clearing.has(s.kind)).length === 1;
  const done = () => {
    const cleared: Happening[] = isLast ? [{ kind: 'cleared', route: data.clear?.id ?? null }] : [];
    void add({ kind: 'clear-step', did: step.kind }, ...cleared);
  };
  const of = plan.length > 1 ? `${plan.indexOf(step) + 1} of ${plan.length}` : null;
  const props = { walk, data, add, of, onDone: done };
  switch (step.kind) {
    case 'put-back':
      return <PutBack {...props} changes={step.changes} />;
    case 'close-up':
    case 'close-last':
      return <CloseUp {...props} step={step} isLast={isLast} />;
    case 'recalibrate':
      return <NewPart {...props} step={step} />;
    case 'erase':
    case 'leave':
      return <Along key={step.kind} {...props} routes={step.routes} erases={step.kind === 'erase'} />;
  }
}

type StepProps = Omit<StationProps, 'events'> & Readonly<{ of: string | null; onDone: () => void }>;

/** What a new part wants: the routes that bring the unit there, then every setting that has to be right, looked at by eye. */
function NewPart({ step, ...props }: StepProps & { step: Extract<ClearStep, { kind: 'recalibrate' }> }) {
  const { walk, data, add, of, onDone } = props;
  const { part, demands, routes, settings } = step;
  const [went, setWent] = useState(false);
  if (routes.length > 0 && !went)
    return (
      <Along
        {...props}
        routes={routes}
        said={`The new part wants it: ${demands}`}
        onDone={() => (settings.length > 0 ? setWent(true) : onDone())}
      />
    );
  const open = settings.filter((s) => !walk.settings.get(s.id)?.verified);
  return (
    <StationLayout
      panel={{ face: data.front }}
      actions={
        <Next disabled={open.length > 0} onClick={onDone}>
          {open.length > 0 ? `${open.length} still to set` : 'It is done'}
        </Next>
      }
    >
      {of && <p className="soft small">{of}</p>}
      <h1>What the new part wants</h1>
      <p>
        <strong>{part}</strong>
        {demands && `: ${demands}`}
      </p>
      {settings.map((s) => (
        <SetAfter key={s.id} setting={s} walk={walk} data={data} add={add} />
      ))}
      {open.length > 0 && (
        <Button
          variant="text"
          onClick={() =>
            void add(...open.map((s) => ({ kind: 'owed' as const, what: `${s.name}: still to set`, by: null }))).then(
              onDone,
            )
          }
        >
          Not set now: keep it with this unit
        </Button>
      )}
    </StationLayout>
  );
}

/** Routes one after the other, each coached; whoever has done it already says so. */
function Along({
  routes,
  erases = false,
  said,
  walk,
  data,
  of,
  onDone,
}: StepProps & { routes: readonly Route[]; erases?: boolean; said?: string }) {
  return (
    <InTurn
      routes={routes}
      data={data}
      title="Front, as it should stand"
      of={of}
      onDone={onDone}
      aside={(isLast, on) => (
        <div className="sheet small">
          {said && <p>{said}</p>}
          {erases && isLast && (
            <>
              <h3>Read first</h3>
              <p>
                What is erased is gone.{' '}
                {walk.taken.length > 0
                  ? `Read so far: ${walk.taken.map(({ slot, code }) => `stored code ${slot} ${code.toUpperCase()}`).join(', ')}.`
                  : 'No stored code has been read on this walk.'}
              </p>
            </>
          )}
          {!isLast && (
            <Button variant="text" onClick={on}>
              It stands in that mode already
            </Button>
          )}
          <Button variant="text" onClick={onDone}>
            {erases ? 'It is erased already' : 'That is done already'}
          </Button>
        </div>
      )}
    />
  );
}

/** What was taken off goes back on, in the order it wants; the supply comes on after that. */
function CloseUp({
  step,
  isLast,
  walk,
  data,
  add,
  of,
  onDone,
}: StepProps & { step: Extract<ClearStep, { kind: 'close-up' | 'close-last' }>; isLast: boolean }) {
  const owed = ledgerOf([walk]).length > 0;
  return (
    <StationLayout
      panel={{ face: data.front }}
      actions={<Next onClick={onDone}>{owed ? 'All else is back' : 'All is back'}</Next>}
    >
      {of && <p className="soft small">{of}</p>}
      <h1>Put everything back</h1>
      {step.isDead && (
        <div className="note">
          The unit stays isolated until the last cover is on.{' '}
          {!isLast && 'What comes after this needs its supply: it comes on at the end of this list.'}
        </div>
      )}
      <ul className="checks">
        {step.back.map((back) => (
          <li key={back}>{back}</li>
        ))}
        {step.kind === 'close-up' && (
          <>
            <li>Anything else that was unplugged or moved: plugs, switches, jumpers</li>
            {step.isDead && (
              <li>
                Nothing left inside, everybody clear; then your lock off and the supply on, as local codes have it
              </li>
            )}
          </>
        )}
      </ul>
      <Ledger walk={walk} data={data} add={add} />
    </StationLayout>
  );
}
