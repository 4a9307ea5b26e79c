import type { Severity } from '../model/finding.ts';
import type { RevisionState } from '../model/revision.ts';

/** What stands between a unit as it is written now and what technicians have: to be fixed, to be handed in, to be reviewed. */
export type Between = Readonly<{ what: 'fix' | 'submit' | 'review'; count: number }>;

/**
 * What has still to be done before all of a unit is published, in the order it is done. What must be fixed keeps a reviewer
 * from publishing; what is let stand, and what should only be looked at, does not.
 */
export function betweenNowAndPublished(
  findings: ReadonlyArray<Readonly<{ severity: Severity; accepted: unknown }>>,
  entries: ReadonlyArray<Readonly<{ state: RevisionState }>>,
): Between[] {
  const count = (state: RevisionState): number => entries.filter((e) => e.state === state).length;
  const [drafts, reviewed] = [count('draft'), count('in-review')];
  // with nothing written there is nothing to publish, whatever is found in it
  const errors =
    drafts + reviewed > 0 ? findings.filter((f) => f.severity === 'error' && f.accepted === null).length : 0;
  const all: Between[] = [
    { what: 'fix', count: errors },
    { what: 'submit', count: drafts },
    { what: 'review', count: reviewed },
  ];
  return all.filter((b) => b.count > 0);
}
