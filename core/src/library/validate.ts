import type { Path } from '../base/path.ts';
import { atOnce, type InParts } from '../base/pauses.ts';
import type { Bundle } from '../model/bundle.ts';
import type { Entry } from '../model/entry.ts';
import type { Finding } from '../model/finding.ts';
import { occurrencesOf } from '../model/links.ts';
import type { Occurrence } from '../model/occurrence.ts';
import type { IdKind } from '../model/reference.ts';
import { isEntry, type Names, namesOf, twice } from './names.ts';

/** What is said of a name that nothing has. */
function dangling(found: Occurrence, kind: IdKind, at: Path): Finding {
  if (found.role === 'names-entry') {
    const [wanted = '', id = ''] = found.text.split(/:(.*)/);
    return { code: 'dangling-id', severity: 'error', at, wanted: { kind: wanted, id } };
  }
  return isEntry({ kind, within: '', id: found.text })
    ? { code: 'dangling-id', severity: 'error', at, wanted: { kind, id: found.text } }
    : { code: 'part-unknown', severity: 'error', at, what: kind, id: found.text };
}

function danglingIn(entry: readonly Occurrence[], names: Names, under: Path): Finding[] {
  return entry.flatMap((found) => {
    if ((found.role !== 'names' && found.role !== 'names-entry') || found.mayBeOther) return [];
    return names.resolve(found).kind === 'nothing'
      ? [dangling(found, found.kinds[0] ?? 'family', [...under, ...found.path])]
      : [];
  });
}

/** What makes a bundle unusable as a whole: ids that stand twice, and names of nothing, each at its place. Errors only. */
export const validate = (bundle: Bundle): Finding[] => atOnce(validating(bundle));

/** So many entries are looked at between two pauses. */
const perPause = 100;

/** `validate`, in parts: a large bundle has many thousand entries. */
export function* validating(bundle: Bundle): InParts<Finding[]> {
  const all: Array<readonly Occurrence[]> = [];
  for (const [i, entry] of bundle.entries.entries()) {
    if (i % perPause === perPause - 1) yield;
    all.push(occurrencesOf(entry));
  }
  const names = namesOf(all);
  yield;
  const findings: Finding[] = twice(bundle.entries, all).map(({ entry, found }) => ({
    code: 'duplicate-id',
    severity: 'error',
    at: ['entries', entry, ...found.path],
    twice: { kind: found.kinds[0] ?? '', id: found.text },
  }));
  if (!names.has({ kind: 'family', within: '', id: bundle.family }))
    findings.push({
      code: 'dangling-id',
      severity: 'error',
      at: ['family'],
      wanted: { kind: 'family', id: bundle.family },
    });
  for (const [i, entry] of all.entries()) {
    if (i % perPause === perPause - 1) yield;
    findings.push(...danglingIn(entry, names, ['entries', i]));
  }
  return findings;
}

/** Names in one entry, as it is being written, that nothing among the others has; from the entry's root. */
export function unknownNames(body: Entry, entries: readonly Entry[]): Finding[] {
  const own = occurrencesOf(body);
  const others = entries.filter((e) => e.kind !== body.kind || e.id !== body.id).map(occurrencesOf);
  return danglingIn(own, namesOf([own, ...others]), []);
}
