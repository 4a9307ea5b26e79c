import Button from '@mui/material/Button';
import type { ChartWalk, Station, Walk } from '@wire-trail/core';
import { useState } from 'react';
import type { Happening } from '../../foundation/device/walks.ts';
import { PicturedView } from '../../parts/pictured/PicturedView.tsx';
import { Why } from './stations/Why.tsx';
import { TakePicture } from './TakePicture.tsx';

type Props = Readonly<{
  walk: Walk;
  /** Where one is: the station, and the step of a test. */
  at: Readonly<{ station: Station; chartWalk: ChartWalk | null }>;
  add: (...happenings: Happening[]) => Promise<unknown>;
}>;

/** What may be written down at any station, also in the middle of a test: a note, and what was changed by hand. */
export function AnyTime({ walk, at, add }: Props) {
  const inTest = at.station === 'test' && at.chartWalk && !at.chartWalk.ended ? at.chartWalk : null;
  const changed = [...walk.changed.values()];
  return (
    <section className="stack any-time" aria-label="at any time">
      <div className="row">
        <Why
          key={`note${walk.notes.length}`}
          quiet
          opens="Note something …"
          asks="What is worth keeping?"
          says="Keep the note"
          example="what the customer said, a noise, a mark on the floor"
          onWhy={(text) => void add({ kind: 'noted', text })}
        />
        <Changed key={`changed${changed.length}`} onChange={(what) => void add({ kind: 'changed', what })} />
        <TakePicture
          key={`picture${walk.pictures.length}`}
          onKeep={(picture, words) =>
            void add({
              kind: 'pictured',
              station: at.station,
              chart: inTest?.chart.id ?? null,
              node: inTest?.at.id ?? null,
              words,
              ...picture,
            })
          }
        />
      </div>
      {walk.pictures.length > 0 && (
        <div className="row pictures">
          {walk.pictures.map((p) => (
            <PicturedView key={p.id} {...p} />
          ))}
        </div>
      )}
      {walk.notes.length > 0 && <p className="small soft">Noted: {walk.notes.join('; ')}</p>}
      {changed.length > 0 && <p className="small soft">To put back: {changed.map((c) => c.what).join('; ')}</p>}
    </section>
  );
}

/** What is changed most often: one tap is enough. */
const usual = [
  'A set point',
  'An output switched on',
  'A tap left open or shut',
  'A fuse pulled',
  'Something held open or shut',
  'The display locked',
];

/** What was changed by hand: one of the usual things by one tap, anything else in words. */
function Changed({ onChange }: { onChange: (what: string) => void }) {
  const [open, setOpen] = useState(false);
  if (!open)
    return (
      <Button size="glove" variant="text" onClick={() => setOpen(true)}>
        Changed something by hand …
      </Button>
    );
  return (
    <fieldset className="sheet stack">
      <legend>What has to be put back later?</legend>
      <div className="row">
        {usual.map((what) => (
          <Button key={what} size="glove" onClick={() => onChange(what)}>
            {what}
          </Button>
        ))}
      </div>
      <Why
        quiet
        opens="Something else …"
        asks="What was changed?"
        says="Put it on the list"
        example="the left probe unplugged"
        onWhy={onChange}
      />
    </fieldset>
  );
}
