import { type Bundle, canonicalJson, type FamilyId, lint } from '@wire-trail/core';
import type { Transaction } from '../../db/connect.ts';
import { transact } from '../../db/transact.ts';
import type { Services } from '../../http/services.ts';
import { lockPublishing, nextInOrder } from '../publishing/store.ts';
import { assembleBundle, cardOf, storeBundle } from './service.ts';
import { currentOf, familiesToGive, lastSetOf, numberBundles, withoutCard } from './store.ts';

/** What is wrong with what is stored of a family. */
export type Fault = 'missing' | 'differs' | 'unreadable' | 'card' | 'not-published';
export type Checked = Readonly<{ family: FamilyId; fault: Fault | null; mended: boolean }>;

export const faultWords: Readonly<Record<Fault, string>> = {
  missing: 'has published entries and no bundle',
  differs: 'its bundle is not what its published revisions give',
  unreadable: 'its bundle cannot be read',
  card: 'its line on the Shelf is not that of its bundle',
  'not-published': 'has a bundle, but nothing of it is published',
};

/** What is wrong with the stored bundle of a family, and what its published revisions give. */
async function look(
  trx: Transaction,
  family: FamilyId,
  at: Date,
): Promise<Readonly<{ fault: Fault | null; bundle: Bundle | null }>> {
  const given = await assembleBundle(trx, family, at);
  const stored = await currentOf(trx, family);
  const faultOf = (): Fault | null => {
    if (!given) return stored ? 'not-published' : null;
    if (!stored) return 'missing';
    if (!stored.bundle) return 'unreadable';
    const { pinned, ...content } = stored.bundle;
    const { pinned: wanted, ...right } = given;
    if (stored.hash !== wanted?.hash || pinned?.hash !== wanted.hash) return 'differs';
    if (canonicalJson(content) !== canonicalJson(right)) return 'differs';
    if (canonicalJson(stored.card) !== canonicalJson(cardOf(stored.bundle, lint(stored.bundle)))) return 'card';
    return null;
  };
  return { fault: faultOf(), bundle: given };
}

/** Writes the Shelf's line of what was published before there was one. */
export async function fillCards(services: Pick<Services, 'db' | 'now'>): Promise<void> {
  const without = await withoutCard(services.db);
  if (without.length > 0) await checkBundles(services, { mend: true, families: without });
}

/** Whether every stored bundle is what its published revisions give, family by family; mended where that is wanted. */
export async function checkBundles(
  { db, now }: Pick<Services, 'db' | 'now'>,
  { mend, families, onEach }: { mend: boolean; families?: readonly FamilyId[]; onEach?: (checked: Checked) => void },
): Promise<Checked[]> {
  const all: Checked[] = [];
  for (const family of families ?? (await familiesToGive(db))) {
    const checked = await transact(db, async (trx): Promise<Checked> => {
      await lockPublishing(trx, [family]);
      const { fault, bundle } = await look(trx, family, now());
      const setId = fault && bundle && mend ? await lastSetOf(trx, family) : null;
      if (!bundle || setId === null) return { family, fault, mended: false };
      await storeBundle(trx, { bundle, findings: lint(bundle), setId, at: now() });
      await numberBundles(trx, [family], await nextInOrder(trx));
      return { family, fault, mended: true };
    });
    all.push(checked);
    onEach?.(checked);
  }
  return all;
}
