import type { z } from 'zod';
import type { Path } from '../base/path.ts';
import { atOnce, type InParts } from '../base/pauses.ts';
import { fail, ok, type Result } from '../base/result.ts';
import { Bundle, bundleFormat, bundleVersion, mostEntries } from '../model/bundle.ts';
import { type Entry, entryKinds, entrySchemas } from '../model/entry.ts';
import type { Problem } from '../model/problem.ts';
import { findingWords } from '../words/finding.ts';
import { migrateBundle } from './migrate.ts';
import { validating } from './validate.ts';

/** At most so many problems are listed; a wrong file would otherwise print thousands. */
const mostProblems = 200;

const amount = (n: number | bigint, most: boolean): string => `${most ? 'at most' : 'at least'} ${n === 1 ? 'one' : n}`;

/** Why a value cannot be, in words for whoever typed it; what a schema says in its own words stays. */
function reasonOf(issue: z.core.$ZodIssue): string {
  if (issue.code === 'unrecognized_keys') return `unknown field ${issue.keys.map((k) => `“${k}”`).join(', ')}`;
  if (!/^Too (?:small|big): /.test(issue.message)) return issue.message;
  if (issue.code !== 'too_small' && issue.code !== 'too_big') return issue.message;
  const most = issue.code === 'too_big';
  const limit = issue.code === 'too_big' ? issue.maximum : issue.minimum;
  if (issue.origin === 'array') return `${amount(limit, most)} ${most ? 'can stand here' : 'is needed'}`;
  if (issue.origin === 'string')
    return most ? `at most ${limit} letters` : limit === 1 ? 'may not be empty' : `at least ${limit} letters`;
  return issue.message;
}

/** A zod error as problems, with `under` in front of every path. */
export function problemsOf(error: z.ZodError, under: Path = []): Problem[] {
  return error.issues.map((issue) => ({
    path: [...under, ...issue.path.map((p) => (typeof p === 'symbol' ? String(p) : p))],
    reason: reasonOf(issue),
  }));
}

/** A path as people write it: `entries[12].suspects[0].label`. */
export function pathText(path: Path): string {
  return path.map((p, i) => (typeof p === 'number' ? `[${p}]` : i === 0 ? p : `.${p}`)).join('') || '(whole document)';
}

function readEntry(value: unknown, at: Path): Result<Entry, Problem[]> {
  const kind = typeof value === 'object' && value !== null && 'kind' in value ? value.kind : undefined;
  const known = entryKinds.find((k) => k === kind);
  if (!known) return fail([{ path: [...at, 'kind'], reason: `must be one of ${entryKinds.join(', ')}` }]);
  const parsed = entrySchemas[known].safeParse(value);
  return parsed.success ? ok(parsed.data) : fail(problemsOf(parsed.error, at));
}

/** So many entries are read between two pauses. */
const perPause = 100;

/**
 * Reads a bundle from anything JSON gave: shape, then duplicate and dangling ids. Refused whole, with every problem and
 * its path; nothing is guessed or dropped. Yields now and then, so that who reads a large one can let others come in between.
 */
export function* readingBundle(json: unknown): InParts<Result<Bundle, Problem[]>> {
  if (typeof json !== 'object' || json === null || Array.isArray(json))
    return fail([{ path: [], reason: 'a bundle is a JSON object' }]);
  const document = json as Record<string, unknown>;
  if (document.format !== bundleFormat) return fail([{ path: ['format'], reason: `must be “${bundleFormat}”` }]);
  const migrated = migrateBundle(document);
  if (!migrated.ok)
    return fail([
      {
        path: ['version'],
        reason: `this is version ${migrated.error.version}; version ${bundleVersion} is the newest known here`,
      },
    ]);
  const { entries: given, ...rest } = migrated.value;
  if (!Array.isArray(given)) return fail([{ path: ['entries'], reason: 'must be a list of entries' }]);
  if (given.length > mostEntries)
    return fail([{ path: ['entries'], reason: `holds ${given.length} entries; ${mostEntries} are the most` }]);
  const head = Bundle.omit({ entries: true }).safeParse(rest);
  const problems = head.success ? [] : problemsOf(head.error);
  const entries: Entry[] = [];
  for (const [i, value] of given.entries()) {
    if (i % perPause === perPause - 1) yield;
    const read = readEntry(value, ['entries', i]);
    if (read.ok) entries.push(read.value);
    else problems.push(...read.error);
    // who is told so many need not wait for the rest
    if (problems.length >= mostProblems) break;
  }
  if (given.length === 0) problems.push({ path: ['entries'], reason: 'holds no entry' });
  if (problems.length > 0 || !head.success) return fail(problems.slice(0, mostProblems));
  const bundle: Bundle = { ...head.data, entries };
  const wrong = yield* validating(bundle);
  if (wrong.length > 0) return fail(wrong.slice(0, mostProblems).map((f) => ({ path: f.at, reason: findingWords(f) })));
  return ok(bundle);
}

/** `readingBundle` without a pause. */
export const readBundle = (json: unknown): Result<Bundle, Problem[]> => atOnce(readingBundle(json));

/** Reads one entry on its own, as when it is saved: shape only, since what it names may be a draft as well. */
export function readOneEntry(json: unknown): Result<Entry, Problem[]> {
  return readEntry(json, []);
}
