import {
  buildFindIndex,
  type Code,
  codeColumns,
  entriesOf,
  familyEntry,
  find,
  findFamilyOf,
  formatQuantity,
  genericMeaning,
  guessEncoding,
  guessMapping,
  identify,
  type Plate,
  planCodeImport,
  readTable,
  resolveParameters,
  resolvePlate,
  SoftwareVersion,
  type Symptom,
  traitsOf,
  writeCodeTable,
} from '@wire-trail/core';
import { z } from 'zod';
import type { Options, Output } from './commands.ts';
import { readBundleFile, readBytes, readShape, UnusableInput } from './input.ts';

const needs = (option: string, what: string): never => {
  throw new UnusableInput([{ file: option, path: [], reason: what }]);
};

/** What somebody may have meant, nearest first. */
export function runFind(files: readonly string[], { query }: Options): Output {
  if (!query) return needs('--query', 'names what to look for');
  const bundles = files.map(readBundleFile);
  const found = find(buildFindIndex(bundles.map(findFamilyOf)), query);
  // what no table lists may have a general meaning in the scheme a family follows
  const general = bundles.flatMap((bundle) => {
    const meaning = genericMeaning(bundle, query);
    return meaning ? [{ family: bundle.family, name: familyEntry(bundle).name, meaning }] : [];
  });
  return {
    json: [
      ...found.map((f) => ({
        family: f.family,
        code: f.text || null,
        kind: f.kind,
        title: f.title,
        why: f.why,
        distance: f.distance,
      })),
      ...general.map(({ family, meaning }) => ({
        family,
        code: query,
        kind: 'generic',
        title: meaning.says,
        why: `${meaning.scheme}, ${meaning.number}`,
        distance: null,
      })),
    ],
    lines: [
      ...found.map(
        (f) =>
          `${(f.text || '—').padEnd(10)}${f.familyName.padEnd(20)}${f.distance.toFixed(2).padStart(5)}  ${f.title}`,
      ),
      ...general.map(
        ({ name, meaning }) =>
          `${query.padEnd(10)}${name.padEnd(20)}  —    in general (${meaning.scheme}, ${meaning.number}), not from its table: ${meaning.says}`,
      ),
    ],
    errors: false,
  };
}

const Traits = z.record(z.string(), z.string().nullable());

/** Which units are left by what was seen, and what to look at next. `null` in the file is "cannot tell". */
export function runUnit(files: readonly string[], { traits }: Options): Output {
  if (!traits) return needs('--traits', 'names the file of what was seen');
  const subjects = files.map((file) => {
    const bundle = readBundleFile(file);
    return { id: bundle.family as string, traits: traitsOf(familyEntry(bundle), entriesOf(bundle, 'panel')) };
  });
  const seen = readShape(traits, Traits);
  const known = new Set(subjects.flatMap((s) => [...s.traits.keys()]));
  const unknown = Object.keys(seen).filter((t) => !known.has(t));
  if (unknown.length > 0)
    throw new UnusableInput(
      unknown.map((t) => ({
        file: traits,
        path: [t],
        reason: `is no trait of these units; they have ${[...known].join(', ')}`,
      })),
    );
  const { left, ask } = identify(subjects, seen);
  return {
    json: { left: left.map((s) => s.id), ask },
    lines: [
      `${left.length} left: ${left.map((s) => s.id).join(', ') || 'none fits'}`,
      ...(ask ? [`${ask.trait}? ${ask.answers.map((a) => `${a.value} (${a.left.length})`).join(', ')}`] : []),
    ],
    errors: false,
  };
}

/** The variant of a plate, and every value with the reason it holds. */
export function runResolve(file: string, { model, serial, software }: Options): Output {
  if (software !== undefined && !SoftwareVersion.safeParse(software).success)
    return needs('--software', `“${software}” is no version; numbers with dots, such as 2.4`);
  const family = familyEntry(readBundleFile(file));
  const plate: Plate = { model: model ?? null, serial: serial ?? null, software: software ?? null };
  const { variant, alive, why } = resolvePlate(family, plate);
  const parameters = resolveParameters(family, plate);
  const shown = (id: string, value: number): string => {
    const quantity = family.parameters.find((p) => p.id === id)?.quantity ?? 'ratio';
    return quantity === 'ratio' ? String(value) : formatQuantity(value, quantity);
  };
  return {
    json: { variant, alive, why, parameters },
    lines: [
      variant ?? (alive.length > 0 ? `one of ${alive.join(', ')}` : 'no variant fits'),
      ...parameters.map(
        ({ id, cases }) =>
          `${id.padEnd(24)}${cases.map((c) => `${shown(id, c.value)}${c.variants.length > 0 && cases.length > 1 ? ` (${c.variants.join(', ')})` : ''}`).join(' or ')}`,
      ),
    ],
    errors: false,
  };
}

const columnIds = codeColumns.map((c) => c.id);
/** A mapping file: header of the file → column of the code table. */
const MapFile = z.record(z.string(), z.enum(columnIds as [string, ...string[]]).nullable());

/** What a table of codes would change in a bundle, row by row. Nothing is written. */
export function runCodesImport(file: string, { csv, map, dryRun }: Options): Output {
  if (!csv) return needs('--csv', 'names the file of codes');
  if (!dryRun)
    return needs(
      '--dry-run',
      'is needed: a bundle file is not changed by this command; bring the table in where it is reviewed',
    );
  const bundle = readBundleFile(file);
  const bytes = readBytes(csv);
  const read = readTable(new TextDecoder(guessEncoding(bytes)).decode(bytes));
  if (!read.ok)
    throw new UnusableInput([
      {
        file: csv,
        path: 'line' in read.error ? ['line', read.error.line] : [],
        reason: read.error.code.replaceAll('-', ' '),
      },
    ]);
  const table = read.value;
  const named = map ? readShape(map, MapFile) : null;
  const mapping = named ? table.header.map((h) => named[h] ?? null) : guessMapping(table.header);
  const family = familyEntry(bundle);
  const existing: Array<Code | Symptom> = [...entriesOf(bundle, 'code'), ...entriesOf(bundle, 'symptom')];
  const controller = (family.controllers.find((c) => c.authoritative) ?? family.controllers[0])?.id;
  if (!controller) throw new Error(`${bundle.family} has no controller`);
  const rows =
    planCodeImport({
      table,
      mapping,
      existing,
      defaults: { family: family.id, controller, readout: null, source: null, standing: 'document' },
      ranges: true,
    }) ?? [];
  return {
    json: rows.map((r) =>
      r.taken
        ? {
            line: r.line,
            codes: r.bodies.map((b) => ({
              what: b.what,
              code: b.body.kind === 'code' ? b.body.text : null,
              title: b.body.title,
            })),
            notes: r.notes,
          }
        : { line: r.line, refused: r.problems },
    ),
    lines: rows.map((r) =>
      r.taken
        ? `${String(r.line).padStart(5)}  ${r.bodies.map((b) => `${b.what} ${b.body.kind === 'code' ? b.body.text : b.body.title}`).join(', ')}`
        : `${String(r.line).padStart(5)}  refused: ${r.problems.map((p) => `${p.column ?? ''} ${p.reason}`).join('; ')}`,
    ),
    errors: rows.some((r) => !r.taken),
  };
}

/** Codes and symptoms of a bundle as a table. */
export function runCodesExport(file: string): Output {
  const bundle = readBundleFile(file);
  const csv = writeCodeTable([...entriesOf(bundle, 'code'), ...entriesOf(bundle, 'symptom')]);
  return { json: { csv }, lines: [csv.trimEnd()], errors: false };
}
