import { fail, ok, type Result } from '../base/result.ts';
import { bundleVersion } from '../model/bundle.ts';

type Document = Record<string, unknown>;

/** One change of the stored document's form: pure, named, leading from `to - 1` to `to`. */
export type DocumentMigration = Readonly<{ name: string; to: number; run: (document: Document) => Document }>;

/** Every change since version 1, without gaps. Version 1 is the first form, so there is none yet. */
export const bundleMigrations: readonly DocumentMigration[] = [];

export type TooNew = Readonly<{ code: 'document-too-new'; version: unknown }>;

/** Brings a document up to `newest`, step by step; one that is newer, or of no known version, is refused. */
export function migrateBundle(
  document: Document,
  migrations: readonly DocumentMigration[] = bundleMigrations,
  newest: number = bundleVersion,
): Result<Document, TooNew> {
  const { version } = document;
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1 || version > newest)
    return fail({ code: 'document-too-new', version });
  let now = document;
  for (let to = version + 1; to <= newest; to++) {
    const step = migrations.find((m) => m.to === to);
    if (!step) throw new Error(`no migration leads to version ${to}`);
    now = { ...step.run(now), version: to };
  }
  return ok(now);
}
