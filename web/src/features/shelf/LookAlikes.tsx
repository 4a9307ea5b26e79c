import { type Answer, findingWords, lintTraits, traitsOf } from '@wire-trail/core';
import { useEffect, useState } from 'react';
import { Fold } from '../../parts/fold/Fold.tsx';

type Cards = Answer<'families'>;

/** Units nobody can tell apart by what is written of them: said once, and looked up only when the Shelf stands. */
export function LookAlikes({ cards }: { cards: Cards }) {
  const [pairs, setPairs] = useState<readonly string[]>([]);
  useEffect(() => {
    const timer = setTimeout(
      () =>
        setPairs(
          lintTraits(cards.map(({ family, panels }) => ({ id: family.id, traits: traitsOf(family, panels) }))).map(
            findingWords,
          ),
        ),
      300,
    );
    return () => clearTimeout(timer);
  }, [cards]);
  if (pairs.length === 0) return null;
  return (
    <Fold
      title={
        pairs.length === 1 ? 'Two units cannot be told apart' : `${pairs.length} pairs of units cannot be told apart`
      }
    >
      <p className="soft small">Write down a trait that differs, under “How to recognise it”.</p>
      <ul className="scrolls">
        {pairs.slice(0, 200).map((words) => (
          <li key={words}>{words}</li>
        ))}
      </ul>
    </Fold>
  );
}
