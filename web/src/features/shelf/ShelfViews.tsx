import { memo } from 'react';
import { Link } from 'react-router';
import { Virtuoso, VirtuosoGrid } from 'react-virtuoso';
import { api } from '../../foundation/api.ts';
import { lampsOfMode } from '../../parts/panel/lamps-of-mode.ts';
import { PanelDrawing } from '../../parts/panel/PanelDrawing.tsx';
import type { Card } from './shelf-filter.ts';

const counted = (n: number, one: string): string => `${n} ${one}${n === 1 ? '' : 's'}`;

/** Up to here all are in the page, and can be printed and searched by the browser; beyond it only what is in sight. */
const allUpTo = 60;

function Counts({ published }: Pick<Card, 'published'>) {
  if (!published) return <span className="tag">not published yet</span>;
  const { codes, symptoms, charts, routes } = published.counts;
  return (
    <span className="small">
      {[counted(codes, 'code'), counted(symptoms, 'symptom'), counted(charts, 'chart'), counted(routes, 'route')].join(
        ' · ',
      )}
      {published.toFix ? <span className="says doubt"> · {published.toFix} to fix</span> : null}
    </span>
  );
}

const UnitTile = memo(function UnitTile({ card }: { card: Card }) {
  const { family, begun, published } = card;
  const drawn = api.useFamilyFaceQuery(family.id, { skip: published === null });
  const face = begun?.panels[0]?.faces[0] ?? drawn.data?.face;
  const [picture] = family.pictures;
  const badges = family.badges.map((b) => b.name);
  return (
    <Link to={`/shelf/${family.id}`} className={`tile unit-tile ${published ? '' : 'begun'}`}>
      <span className="unit-looks">
        {face && <PanelDrawing face={face} lamps={lampsOfMode(drawn.data?.standby)} thumbnail />}
        {picture && <img src={`/api/v1/assets/${picture}`} alt="" loading="lazy" decoding="async" />}
      </span>
      <span className="row spread">
        <strong>{family.name}</strong>
        <span className="tag">{family.sort}</span>
      </span>
      <span className="soft small">
        {family.recognisedBy.join(' · ')}
        {badges.length > 1 && ` · sold as ${badges.join(', ')}`}
      </span>
      <Counts published={published} />
    </Link>
  );
});

function UnitLine({ card }: { card: Card }) {
  const { family, published } = card;
  return (
    <Link to={`/shelf/${family.id}`} className="line">
      <strong className="grow">{family.name}</strong>
      <span className="soft small grow">{family.recognisedBy.join(' · ')}</span>
      <span className="tag">{family.sort}</span>
      <span className="grow">
        <Counts published={published} />
      </span>
    </Link>
  );
}

/** The units as cards, each by its drawn panel. */
export function ShelfCards({ cards }: { cards: readonly Card[] }) {
  if (cards.length > allUpTo)
    return (
      <VirtuosoGrid
        useWindowScroll
        increaseViewportBy={600}
        data={cards}
        listClassName="tiles shelf same-height"
        computeItemKey={(_, card) => card.family.id}
        itemContent={(_, card) => <UnitTile card={card} />}
      />
    );
  return (
    <ul className="plain tiles shelf">
      {cards.map((card) => (
        <li key={card.family.id}>
          <UnitTile card={card} />
        </li>
      ))}
    </ul>
  );
}

/** The units as lines. */
export function ShelfList({ cards }: { cards: readonly Card[] }) {
  if (cards.length > allUpTo)
    return (
      <Virtuoso
        useWindowScroll
        data={cards}
        computeItemKey={(_, card) => card.family.id}
        itemContent={(_, card) => <UnitLine card={card} />}
      />
    );
  return (
    <ul className="plain">
      {cards.map((card) => (
        <li key={card.family.id}>
          <UnitLine card={card} />
        </li>
      ))}
    </ul>
  );
}
