import { FamilyId, findingWords, lintAll, pathText, todoWords } from '@wire-trail/core';
import {
  connect,
  importBundle,
  makeJobs,
  ProblemError,
  readConfig,
  type Services,
  sharedBundle,
  unwatched,
} from '@wire-trail/server';
import { readBundleFile, UnusableInput } from './input.ts';

/** What a command prints: the whole answer as JSON, or lines for people; and whether it found errors. */
export type Output = Readonly<{ json: unknown; lines: readonly string[]; errors: boolean }>;
export type Options = Readonly<Record<string, string | undefined>>;

/** All open loose ends of a bundle file; with `--all` also those that were accepted, and why. Errors make exit status 1. */
export function runLint(file: string, options: Options): Output {
  const looked = lintAll(readBundleFile(file));
  const shown = options.all === undefined ? looked.filter((l) => !l.accepted) : looked;
  const accepted = looked.length - looked.filter((l) => !l.accepted).length;
  return {
    json: shown.map(({ finding: { code, severity, at, ...facts }, accepted: as }) => ({
      code,
      severity,
      at,
      ...facts,
      ...(as && { accepted: { reason: as.reason, by: as.by, on: as.on } }),
    })),
    lines: [
      ...shown.map(
        ({ finding: f, accepted: as }) =>
          `${f.severity.padEnd(8)}${pathText(f.at)}: ${findingWords(f)}${as ? ` Accepted by ${as.by}, ${as.on}: ${as.reason}` : ` ${todoWords(f.code)}`}`,
      ),
      ...(shown.length === 0 ? ['nothing open'] : []),
      ...(accepted > 0 && options.all === undefined ? [`${accepted} accepted (--all shows them)`] : []),
    ],
    errors: looked.some((l) => l.finding.severity === 'error'),
  };
}

type Env = Readonly<Record<string, string | undefined>>;

async function withDatabase<T>(env: Env, work: (services: Services) => Promise<T>): Promise<T> {
  const config = readConfig(env);
  const db = connect(config.database);
  const now = () => new Date();
  const unused = { get: () => null, set: () => {}, forget: () => {}, forgetUser: () => {} };
  try {
    return await work({ db, config, now, sessions: unused, jobs: makeJobs(now), watched: unwatched });
  } finally {
    await db.destroy();
  }
}

/** Brings a bundle file into the running server's database; for review, or published at once with `--publish`. */
export async function runImport(file: string, options: Options, env: Env): Promise<Output> {
  const json = readBundleFile(file);
  const publish = options.publish === undefined ? null : 'published by command';
  const done = await withDatabase(env, (services) => importBundle({ json, authorId: null, publish }, services)).catch(
    (error: unknown) => {
      if (error instanceof ProblemError) throw new UnusableInput(error.fields.map((f) => ({ file, ...f })));
      throw error;
    },
  );
  const count = (what: string) => done.lines.filter((l) => l.what === what).length;
  const state = done.setId === null ? 'nothing to do' : done.published ? 'published' : 'handed to a reviewer';
  return {
    json: done,
    lines: [`${count('new')} new, ${count('changed')} changed, ${count('same')} same: ${state}`],
    errors: false,
  };
}

/** Prints the published bundle of a family as it may leave the school: pictures within, those that may not be shared left out. */
export async function runExport(family: string, env: Env): Promise<Output> {
  const id = FamilyId.safeParse(family);
  const bundle = id.success
    ? await withDatabase(env, (services) => sharedBundle(id.data, services)).catch(notPublished)
    : null;
  if (!bundle) throw new UnusableInput([{ file: family, path: [], reason: 'no such family is published' }]);
  return { json: bundle, lines: [JSON.stringify(bundle, null, 1)], errors: false };
}

const notPublished = (error: unknown): null => {
  if (error instanceof ProblemError && error.code === 'not-found') return null;
  throw error;
};
