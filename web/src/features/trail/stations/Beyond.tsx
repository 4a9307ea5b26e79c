import Button from '@mui/material/Button';
import { type ChartWalk, contactsFor, handOnSheet, type Permit, permitWords, type Walk } from '@wire-trail/core';
import { createContext, useContext, useState } from 'react';
import { useSchool } from '../../../foundation/use-school.ts';
import { SheetView } from '../../../parts/sheet/SheetView.tsx';
import type { TrailData } from '../trail-data.ts';
import { Next, StationLayout, type StationProps } from './StationLayout.tsx';

/** What is beyond somebody: for whom it is, and what it is. */
export type Offer = Readonly<{ needs: Permit; what: string; chart: string | null; node: string | null }>;

/** The walk around, for whatever has to be handed over or offered from deep within it. */
export const WalkAround = createContext<Readonly<{
  walk: Walk;
  offer: (offer: Offer) => void;
  add: StationProps['add'];
}> | null>(null);

type Props = Readonly<{ offer: Offer; data: TrailData; chartWalk: ChartWalk | null }>;

/** The first step that is for somebody else: nothing of it is done here; the case is handed over with all that is known. */
export function Beyond({ offer, data, chartWalk }: Props) {
  const around = useContext(WalkAround);
  const school = useSchool() ?? undefined;
  const [sheet, setSheet] = useState(false);
  return (
    <StationLayout
      panel={{ face: data.front }}
      actions={around && <Next onClick={() => around.offer(offer)}>Hand it over</Next>}
      more={
        around && (
          <Button size="glove" onClick={() => setSheet(!sheet)}>
            {sheet ? 'Close the sheet' : 'Hand-on sheet'}
          </Button>
        )
      }
    >
      <h1>This is for {permitWords(offer.needs)}</h1>
      <p>
        Next comes “{offer.what}”. Local codes and licensed practice come first: nothing of it is done before somebody
        is here who may.
      </p>
      <Contacts data={data} needs={offer.needs} />
      {sheet && around && (
        <SheetView
          sheet={handOnSheet({ bundle: data.bundle, walk: around.walk, chartWalk, subject: data.subject, school })}
        />
      )}
    </StationLayout>
  );
}

/** Whom to ring, and when. */
export function Contacts({ data, needs }: { data: TrailData; needs: Permit }) {
  const contacts = contactsFor(data.bundle, needs, useSchool() ?? {});
  if (contacts.length === 0) return <p className="soft">Nobody to ring is named for that; ask the trainer.</p>;
  return (
    <ul className="plain lined">
      {contacts.map((c) => (
        <li key={`${c.name}${c.reach}`}>
          <strong>{c.name}</strong> <span className="mono">{c.reach}</span>{' '}
          <span className="soft small">{c.hours ?? 'hours not known'}</span>
        </li>
      ))}
    </ul>
  );
}

/** A walk that waits for somebody who may do what comes next. */
export function Offered({ walk, data, onBack }: { walk: Walk; data: TrailData; onBack: () => void }) {
  const { offered } = walk;
  const school = useSchool() ?? undefined;
  if (!offered) return null;
  const { bundle, chartWalk, subject } = data;
  return (
    <StationLayout
      panel={{ face: data.front }}
      actions={
        <Button size="glove" onClick={onBack}>
          Take it back
        </Button>
      }
    >
      <h1>Handed over</h1>
      <p>
        “{offered.what}” is for {permitWords(offered.needs)}. Whoever takes the walk over goes on from here, with
        everything that was read and measured.
      </p>
      <Contacts data={data} needs={offered.needs} />
      <SheetView sheet={handOnSheet({ bundle, walk, chartWalk, subject, school })} />
    </StationLayout>
  );
}
