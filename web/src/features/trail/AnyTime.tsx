import type { ChartWalk, Station, Walk } from '@wire-trail/core';
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
        <Why
          key={`changed${changed.length}`}
          quiet
          opens="Changed something by hand …"
          asks="What has to be put back later?"
          says="Put it on the list"
          example="a tap left open, a fuse pulled, the display locked"
          onWhy={(what) => void add({ kind: 'changed', what })}
        />
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
