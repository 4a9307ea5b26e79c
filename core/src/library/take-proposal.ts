import { AccountId, type CodeId, type EventId, SourceId, type SymptomId } from '../base/ids.ts';
import type { Bundle } from '../model/bundle.ts';
import type { Claim } from '../model/code.ts';
import type { Entry } from '../model/entry.ts';
import type { Proposal } from '../model/proposal.ts';
import { entryOf } from '../model/select.ts';
import type { Walk } from '../walk/state.ts';
import { proposalWords } from '../words/proposal.ts';

/** Who offers what, on which unit and when. */
export type Offered = Readonly<{
  event: EventId;
  offer: Proposal;
  words: string;
  by: string;
  /** An ISO time. */
  at: string;
  unit: Walk['unit'];
}>;

const slugOf = (name: string): string =>
  name
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 50) || 'somebody';

/** The unit something was done on, as a note behind what is said of it. */
const onUnit = (unit: Walk['unit']): string =>
  unit === null
    ? ''
    : ` (model ${unit.model || 'not read'}, serial ${unit.serialUnread ? 'not read' : unit.serial}${unit.software ? `, software ${unit.software}` : ''})`;

/**
 * The entries that hold what was offered: a telling beside the others of its route, or a claim beside the others of its code or
 * symptom, with who said it as the source and the standing of a report from the field. Nothing that is there is changed by it;
 * empty where what it is about is no more.
 */
export function entriesOfProposal(bundle: Bundle, { event, offer, words, by, at, unit }: Offered): Entry[] {
  const source: Extract<Entry, { sort: 'person' }> = {
    kind: 'source',
    sort: 'person',
    id: SourceId.parse(`field-${slugOf(by)}`),
    family: bundle.family,
    title: by,
    role: 'in the field',
  };
  const withSource = (entry: Entry | null): Entry[] =>
    entry === null ? [] : [...(entryOf(bundle, 'source', source.id) ? [] : [source]), entry];
  if (offer.kind === 'way') {
    if (!entryOf(bundle, 'route', offer.route)) return [];
    return withSource({
      kind: 'account',
      id: AccountId.parse(`field-${event.slice(0, 8)}`),
      family: bundle.family,
      route: offer.route,
      name: `${by}, ${at.slice(0, 10)}`.slice(0, 120),
      told: `${words}${onUnit(unit)}`.trim(),
      steps: offer.steps,
      source: source.id,
      standing: 'field-report',
    });
  }
  return withSource(withClaim(bundle, offer, claimOf(bundle, offer, { words, unit, source: source.id })));
}

function claimOf(
  bundle: Bundle,
  offer: Exclude<Proposal, { kind: 'way' }>,
  { words, unit, source }: Pick<Offered, 'words' | 'unit'> & Readonly<{ source: SourceId }>,
): Claim {
  const says = [proposalWords(bundle, offer), words.trim()].filter(Boolean).join('. ');
  return {
    about: offer.kind === 'fix' ? 'suspects' : 'reading',
    says: `${says}${onUnit(unit)}`.slice(0, 4000),
    source,
    standing: 'field-report',
  };
}

/** The code or symptom a claim is about, with it; null where there is none any more. */
function withClaim(
  bundle: Bundle,
  { code, symptom }: Readonly<{ code: CodeId | null; symptom: SymptomId | null }>,
  claim: Claim,
): Entry | null {
  const about = entryOf(bundle, 'code', code) ?? entryOf(bundle, 'symptom', symptom);
  return about ? { ...about, claims: [...about.claims, claim] } : null;
}
