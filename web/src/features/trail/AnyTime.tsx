import type { Walk } from '@wire-trail/core';
import type { Happening } from '../../foundation/device/walks.ts';
import { Why } from './stations/Why.tsx';

type Props = Readonly<{ walk: Walk; add: (...happenings: Happening[]) => Promise<unknown> }>;

/** What may be written down at any station, also in the middle of a test: a note, and what was changed by hand. */
export function AnyTime({ walk, add }: Props) {
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
        <Why
          key={`changed${changed.length}`}
          quiet
          opens="Changed something by hand …"
          asks="What has to be put back later?"
          says="Put it on the list"
          example="a tap left open, a fuse pulled, the display locked"
          onWhy={(what) => void add({ kind: 'changed', what })}
        />
      </div>
      {walk.notes.length > 0 && <p className="small soft">Noted: {walk.notes.join('; ')}</p>}
      {changed.length > 0 && <p className="small soft">To put back: {changed.map((c) => c.what).join('; ')}</p>}
    </section>
  );
}
