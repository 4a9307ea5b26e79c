import type { Answer } from '@wire-trail/core';
import { useCallback, useMemo } from 'react';
import { useSearchParams } from 'react-router';

type Published = Answer<'families'>['cards'][number];
type Begun = Answer<'begunFamilies'>[number];

/** A unit as the Shelf shows it; one that was begun has nothing published to count, and is drawn as it stands. */
export type Card = Readonly<{
  family: Published['family'];
  begun: Begun | null;
  published: Published | null;
  /** The reader wrote in it. */
  mine: boolean;
}>;

export const orders = { name: 'by name', codes: 'most codes first', toFix: 'most to fix first' } as const;
export type Order = keyof typeof orders;

/** What is asked of the Shelf; it stands in the address, so that it can be kept and passed on. */
export type Wanted = Readonly<{
  words: string;
  type: string;
  badge: string;
  toFix: boolean;
  mine: boolean;
  order: Order;
  as: 'cards' | 'list';
}>;

export function cardsOf(
  published: readonly Published[],
  begun: readonly Begun[],
  own: readonly string[],
): readonly Card[] {
  const mine = new Set(own);
  return [
    ...begun.map((b) => ({ family: b.family, begun: b, published: null, mine: mine.has(b.family.id) })),
    ...published.map((p) => ({ family: p.family, begun: null, published: p, mine: mine.has(p.family.id) })),
  ];
}

const saidOf = ({ family }: Card): string =>
  [family.name, family.sort, ...family.badges.map((b) => b.name), ...family.recognisedBy].join(' ').toLowerCase();

const by: Readonly<Record<Order, (a: Card, b: Card) => number>> = {
  name: (a, b) => a.family.name.localeCompare(b.family.name),
  codes: (a, b) => (b.published?.counts.codes ?? 0) - (a.published?.counts.codes ?? 0),
  toFix: (a, b) => (b.published?.toFix ?? 0) - (a.published?.toFix ?? 0),
};

/** The units that are wanted, in the wanted order; every typed word begins a word of what is said of the unit. */
export function chosen(cards: readonly Card[], wanted: Wanted): readonly Card[] {
  const words = wanted.words.toLowerCase().split(/\s+/).filter(Boolean);
  return cards
    .filter((card) => {
      const { family, published } = card;
      if (wanted.type && family.sort !== wanted.type) return false;
      if (wanted.badge && !family.badges.some((b) => b.name === wanted.badge)) return false;
      if (wanted.toFix && published && !published.toFix) return false;
      if (wanted.mine && !card.mine) return false;
      if (words.length === 0) return true;
      const said = saidOf(card).split(/[\s/-]+/);
      return words.every((word) => said.some((own) => own.startsWith(word)));
    })
    .toSorted((a, b) => by[wanted.order](a, b) || by.name(a, b));
}

/** What is asked of the Shelf, from the address and back into it. */
export function useWanted(): [Wanted, (change: Partial<Wanted>) => void] {
  const [search, setSearch] = useSearchParams();
  const wanted = useMemo((): Wanted => {
    const order = search.get('order');
    return {
      words: search.get('words') ?? '',
      type: search.get('type') ?? '',
      badge: search.get('badge') ?? '',
      toFix: search.has('toFix'),
      mine: search.has('mine'),
      order: order !== null && order in orders ? (order as Order) : 'name',
      as: search.get('as') === 'list' ? 'list' : 'cards',
    };
  }, [search]);
  const want = useCallback(
    (change: Partial<Wanted>) =>
      setSearch(
        (before) => {
          const after = new URLSearchParams(before);
          for (const [name, value] of Object.entries(change)) {
            if (value === '' || value === false || value === 'name' || value === 'cards') after.delete(name);
            else after.set(name, String(value));
          }
          return after;
        },
        { replace: true },
      ),
    [setSearch],
  );
  return [wanted, want];
}
