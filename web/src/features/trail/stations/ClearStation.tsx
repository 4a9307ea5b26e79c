import Button from '@mui/material/Button';
import { ledgerOf, wayBack } from '@wire-trail/core';
import { useState } from 'react';
import { Coach } from './coach/Coach.tsx';
import { Ledger } from './Ledger.tsx';
import { Next, StationLayout, type StationProps } from './StationLayout.tsx';

/** Erase the memory the way the unit wants, put everything back, leave the mode. */
export function ClearStation({ walk, data, add }: StationProps) {
  const [erased, setErased] = useState(false);
  const [left, setLeft] = useState(false);
  const { clear, leave } = data;
  const back = wayBack(data.needs.ways);
  const covers = data.panel.faces.filter((f) => f.cover);
  if (walk.cleared)
    return (
      <StationLayout panel={{ face: data.front }}>
        <h1>Cleared</h1>
        <p>The memory was erased and the mode left.</p>
      </StationLayout>
    );
  if (!erased && clear)
    return (
      <Coach
        route={clear}
        data={data}
        title="Front, as it should stand"
        failed={0}
        onEnd={(took) => took && setErased(true)}
        aside={
          <div className="sheet small">
            <h3>Read first</h3>
            <p>
              What is erased is gone.{' '}
              {walk.taken.length > 0
                ? `Read so far: ${walk.taken.map(({ slot, code }) => `slot ${slot} ${code.toUpperCase()}`).join(', ')}.`
                : 'No slot has been read on this walk.'}
            </p>
            <Button variant="text" onClick={() => setErased(true)}>
              It is erased already
            </Button>
          </div>
        }
      />
    );
  if (!left && leave)
    return (
      <Coach
        route={leave}
        data={data}
        title="On the way out"
        failed={0}
        onEnd={(took) => took && setLeft(true)}
        aside={
          <div className="sheet small">
            <Button variant="text" onClick={() => setLeft(true)}>
              It has left the mode already
            </Button>
          </div>
        }
      />
    );
  return (
    <StationLayout
      panel={{ face: data.front }}
      actions={
        <Next onClick={() => void add({ kind: 'cleared', route: clear?.id ?? null })}>
          {ledgerOf([walk]).length > 0 ? 'All else is back' : 'All is back'}
        </Next>
      }
    >
      <h1>Put everything back</h1>
      <ul className="checks">
        {back.map((step) => (
          <li key={step}>{step}</li>
        ))}
        {back.length === 0 && covers.map((face) => <li key={face.id}>{face.cover?.label}</li>)}
        <li>Every plug that was taken off</li>
        <li>Every switch and jumper as it stood before</li>
      </ul>
      <Ledger walk={walk} data={data} add={add} />
    </StationLayout>
  );
}
