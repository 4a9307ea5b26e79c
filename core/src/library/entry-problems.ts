import { type Entry, entrySchemas } from '../model/entry.ts';
import { findingWords } from '../words/finding.ts';
import { problemsOf } from './read.ts';
import { unknownNames } from './validate.ts';

/** What is wrong with an entry as it is being written, by dotted path: its shape, and names of what is not there. */
export function problemsIn(body: Entry, entries: readonly Entry[]): ReadonlyMap<string, string> {
  const parsed = entrySchemas[body.kind].safeParse(body);
  return new Map([
    ...unknownNames(body, entries).map((f) => [f.at.join('.'), findingWords(f)] as const),
    ...(parsed.success ? [] : problemsOf(parsed.error).map((p) => [p.path.join('.'), p.reason] as const)),
  ]);
}
