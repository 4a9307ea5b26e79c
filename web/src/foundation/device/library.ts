import { type Answer, FamilyCard, FamilyId } from '@wire-trail/core';
import { z } from 'zod';
import { ask, type Refused } from '../client.ts';
import { keepNamed, keptNamed } from './database.ts';

type Card = Answer<'families'>['cards'][number];

const name = 'library';
const Kept = z.object({
  library: z.string(),
  place: z.object({ since: z.number(), after: FamilyId.nullable() }),
  cards: z.array(FamilyCard),
});
type Kept = z.infer<typeof Kept>;
const nothing: Kept = { library: '', place: { since: 0, after: null }, cards: [] };

const kept = async (): Promise<Kept> => {
  const read = Kept.safeParse(await keptNamed(name).catch(() => undefined));
  return read.success ? read.data : nothing;
};

const byName = (cards: readonly Card[]): Card[] =>
  [...cards].sort((a, b) => a.family.name.localeCompare(b.family.name));

/**
 * The published families: what this device has of the list, and what was published since. Without a connection what it has
 * is given; refused where it has nothing, or where the server refuses.
 */
export async function freshLibrary(): Promise<
  Readonly<{ kind: 'cards'; cards: Card[] }> | Readonly<{ kind: 'refused'; refused: Refused }>
> {
  let held = await kept();
  for (;;) {
    const { since, after } = held.place;
    const answered = await ask('families', { query: { since, ...(after && { after }) } });
    if (answered.kind === 'refused') {
      const { refused } = answered;
      return refused.code === 'offline' && held.cards.length > 0
        ? { kind: 'cards', cards: byName(held.cards) }
        : { kind: 'refused', refused };
    }
    if (answered.kind === 'unchanged') return { kind: 'cards', cards: byName(held.cards) };
    const { library, cards, place, more } = answered.value;
    if (held.library !== library && held.library !== '') {
      // another library than the one this was read from: from its beginning
      held = { ...nothing, library };
      continue;
    }
    const all = new Map([...held.cards, ...cards].map((card) => [card.family.id, card]));
    held = { library, place, cards: [...all.values()] };
    if (cards.length > 0) await keepNamed(name, held).catch(() => {});
    if (!more) return { kind: 'cards', cards: byName(held.cards) };
  }
}
