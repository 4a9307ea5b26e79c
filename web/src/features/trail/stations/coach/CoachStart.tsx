import Button from '@mui/material/Button';
import {
  type CoachCard,
  cardBig,
  cardDetails,
  cardLead,
  cardNotes,
  entriesOf,
  familyEntry,
  holdsFor,
  onlyWhereWords,
  type Panel,
  type Route,
  variantName,
  waitBeforeWords,
  waitsBefore,
} from '@wire-trail/core';
import type { ReactNode } from 'react';
import { HazardNote, WaysThere } from '../../../../parts/before/Before.tsx';
import { SwapGuide } from '../../../../parts/swap/SwapGuide.tsx';
import type { TrailData } from '../../trail-data.ts';
import { Next, StationLayout } from '../StationLayout.tsx';
import { Senses } from './Senses.tsx';

type Props = Readonly<{
  route: Route;
  data: TrailData;
  title: string;
  cards: readonly CoachCard[];
  failed: number;
  pace: number;
  aside: ReactNode;
  part?: string;
  onBegin: (way: 'free' | 'tapping') => void;
}>;

const variantsOf = (panel: Panel, data: TrailData): string =>
  (panel.onlyVariants ?? []).map((v) => variantName(familyEntry(data.stored), v)).join(', ');

/** Before hands are busy: what must be so, what may hurt, all steps once, and how one wants to be told. */
export function CoachStart({ route, data, title, cards, failed, pace, aside, part, onBegin }: Props) {
  const known = route.knownNotToWork.filter(
    (k) => k.variant === undefined || holdsFor([k.variant], data.alive) !== 'no',
  );
  const modes = new Map(entriesOf(data.bundle, 'mode').map((m) => [m.id, m] as const));
  const first = [
    ...onlyWhereWords(route, data.bundle),
    ...route.before,
    ...waitsBefore(route, modes).map(waitBeforeWords),
  ];
  return (
    <StationLayout
      panel={{ face: data.front }}
      panelTitle={title}
      beside={aside}
      actions={
        <>
          <Next onClick={() => onBegin('free')}>Begin, hands free</Next>
          <Button className="beside-next" size="glove" onClick={() => onBegin('tapping')}>
            Begin, tapping along
          </Button>
        </>
      }
    >
      <h1>{route.name}</h1>
      <p className="soft">
        {part && <strong>{part}. </strong>}
        {cards.length} steps. {failed > 0 ? 'Another try' : 'Read them once before your hands are busy'}
        {pace === 1 ? '.' : `, ${pace < 1 ? 'quicker' : 'slower'} than usual (${Math.round(pace * 100)} %).`}
      </p>
      {failed > 0 && route.ifItFails.length > 0 && (
        <div className="sheet">
          <h2>If it does not take</h2>
          <ol>
            {route.ifItFails.map((advice) => (
              <li key={advice}>{advice}</li>
            ))}
          </ol>
        </div>
      )}
      {data.otherPanels.length > 0 && (
        <p className="note">
          <strong>Drawn is “{data.panel.name}”.</strong> It may be{' '}
          {data.otherPanels.map((p) => `“${p.name}” (${variantsOf(p, data)})`).join(' or ')}: look which it is, or read
          the plate.
        </p>
      )}
      <HazardNote ids={route.hazards} data={data} />
      <WaysThere ids={route.ways} data={data} />
      {familyEntry(data.bundle)
        .parts.filter((p) => p.recalibrateBy === route.id)
        .map((p) => (
          <SwapGuide key={p.id} part={p} data={data} />
        ))}
      {first.length > 0 && (
        <div className="note">
          <strong>First</strong>
          <ul>
            {first.map((b) => (
              <li key={b}>{b}</li>
            ))}
          </ul>
        </div>
      )}
      <ol className="stack">
        {cards.map((c) => (
          <li key={c.path}>
            {c.notes.cautions.map((caution) => (
              <div key={caution} className="note bad">
                {caution}
              </div>
            ))}
            <span className="soft">{cardLead(c, data.panel)}</span> <strong>{cardBig(c, data.panel)}</strong>{' '}
            {cardDetails(c, data.panel).map(({ of, words }) => (
              <span key={`${of}${words}`} className="tag">
                {words}
              </span>
            ))}
            {cardNotes(c).map((note) => (
              <div key={note} className="soft small">
                {note}
              </div>
            ))}
          </li>
        ))}
      </ol>
      {known.map((k) => (
        <p key={k.how} className="small">
          <strong>Does not work:</strong> {k.how}. {k.why}
        </p>
      ))}
      <Senses />
    </StationLayout>
  );
}
