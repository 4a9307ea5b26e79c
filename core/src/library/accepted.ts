import { canonicalJson } from '../base/json.ts';
import type { Accepted } from '../model/accepted.ts';
import type { Bundle } from '../model/bundle.ts';
import type { Entry } from '../model/entry.ts';
import type { Finding } from '../model/finding.ts';

/** What a finding has found, without where it stands: the same facts are the same finding. */
export function factsOfFinding({ severity: _severity, at: _at, code: _code, ...facts }: Finding): string {
  // in which order entries stand in a bundle is no fact
  const sorted = Object.entries(facts).map(([name, fact]): [string, unknown] => [
    name,
    Array.isArray(fact) ? fact.map(canonicalJson).sort() : fact,
  ]);
  return canonicalJson(Object.fromEntries(sorted)).slice(0, 4000);
}

/** Whether somebody may let a finding stand: never an error, and never what sounds like defeating an interlock. */
export const mayBeAccepted = ({ severity, code }: Pick<Finding, 'severity' | 'code'>): boolean =>
  severity !== 'error' && code !== 'interlock-words';

/** The entry a finding stands in; undefined where it stands in none. */
export const entryAt = (bundle: Bundle, { at }: Pick<Finding, 'at'>): Entry | undefined =>
  at[0] === 'entries' && typeof at[1] === 'number' ? bundle.entries[at[1]] : undefined;

/** How a finding was accepted; null where it is open. What was accepted with other facts is open again. */
export function acceptanceOf(bundle: Bundle, finding: Finding): Accepted | null {
  const all = mayBeAccepted(finding) ? (entryAt(bundle, finding)?.accepted ?? []) : [];
  if (all.length === 0) return null;
  const facts = factsOfFinding(finding);
  return all.find((a) => a.finding === finding.code && a.facts === facts) ?? null;
}

type About = Readonly<{ finding: string; facts: string }>;

/** An entry with findings accepted; those accepted before with other facts of the same kind stay as they are. */
export function withAccepted<E extends Entry>(
  entry: E,
  about: readonly About[],
  as: Pick<Accepted, 'reason' | 'by' | 'on'>,
): E {
  const others = withoutAccepted(entry, about).accepted ?? [];
  const own = about.map(({ finding, facts }): Accepted => ({ finding, facts, ...as }));
  return { ...entry, accepted: [...others, ...own] };
}

/** An entry with findings open again. */
export function withoutAccepted<E extends Entry>(entry: E, about: readonly About[]): E {
  const left = (entry.accepted ?? []).filter((a) => !about.some((f) => f.finding === a.finding && f.facts === a.facts));
  const { accepted: _was, ...rest } = entry;
  return (left.length === 0 ? rest : { ...rest, accepted: left }) as E;
}
