import {
  type Answer,
  type Asked,
  type Bundle,
  bundleFormat,
  bundleVersion,
  EventId,
  entriesOfProposal,
  entryOf,
  foldWalk,
  keyOf,
  roleAtLeast,
  type User,
} from '@wire-trail/core';
import { transact } from '../../db/transact.ts';
import { ProblemError } from '../../http/problem.ts';
import type { Services } from '../../http/services.ts';
import { addRevision, chosenRevisions, findEntry } from '../entries/store.ts';
import { eventsOf } from '../walks/store.ts';
import { listProposals, lockProposal, markProposal } from './store.ts';

/** What the field offers: for trainers what is not settled, else one's own with what became of it. */
export const readProposals = ({ mine, user }: Asked<'proposals'>['query'] & { user: User }, { db }: Services) =>
  listProposals(db, roleAtLeast(user.role, 'trainer') && !mine ? 'open' : { userId: user.id });

/**
 * Settles what was offered. Taken, it becomes drafts on top of the newest revisions, for a trainer to look at and hand in as
 * anything else; declined, it stays with the walk and the answer.
 */
export async function settleProposal(
  id: string,
  { as, answer, user }: Asked<'settleProposal'>['body'] & { user: User },
  { db, now }: Services,
): Promise<Answer<'settleProposal'>> {
  return transact(db, async (trx) => {
    const offered = await lockProposal(trx, id);
    if (!offered) throw new ProblemError('not-found');
    const at = now();
    await markProposal(trx, id, { as, answer, userId: user.id, at });
    if (as === 'declined') return { drafts: [] };
    const { family, offer, words, by } = offered;
    const rows = await chosenRevisions(trx, [family, null], 'latest_number');
    const bundle: Bundle = { format: bundleFormat, version: bundleVersion, family, entries: rows.map((r) => r.body) };
    const walk = foldWalk(await eventsOf(trx, offered.walk));
    const entries = entryOf(bundle, 'family', family)
      ? entriesOfProposal(bundle, {
          event: EventId.parse(id),
          offer,
          words,
          by,
          at: offered.at,
          unit: walk?.unit ?? null,
        })
      : [];
    if (entries.length === 0)
      throw new ProblemError('wrong-state', { detail: 'what it is about is not in the library any more' });
    for (const body of entries) {
      const key = keyOf(body);
      const entry = await findEntry(trx, key, true);
      await addRevision(trx, entry, {
        key,
        body,
        note: `offered from the field by ${by}`,
        basedOn: entry?.latest ?? 0,
        authorId: user.id,
        at,
      });
    }
    return { drafts: entries.map(keyOf) };
  });
}
