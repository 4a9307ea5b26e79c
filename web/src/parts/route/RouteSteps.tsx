import { cardBig, cardDetails, cardLead, cardNotes, coachCards, type Panel, type Route } from '@wire-trail/core';
import { Fragment } from 'react';

/** A route step by step as a technician is coached, its cautions before what they are about. */
export function RouteSteps({ route, panel }: { route: Pick<Route, 'steps'>; panel: Panel }) {
  return (
    <ol>
      {coachCards(route.steps).map((card) => (
        <li key={card.path}>
          {card.notes.cautions.map((caution) => (
            <strong key={caution} className="says error">
              {caution}{' '}
            </strong>
          ))}
          <span className="soft">{cardLead(card, panel)}</span> <strong>{cardBig(card, panel)}</strong>{' '}
          {cardDetails(card, panel).map(({ of, words }) => (
            <Fragment key={`${of}${words}`}>
              <span className="tag">{words}</span>{' '}
            </Fragment>
          ))}
          {cardNotes(card).map((note) => (
            <span key={note} className="soft small">
              {' '}
              {note}
            </span>
          ))}
        </li>
      ))}
    </ol>
  );
}
