import { type Bundle, type IdKind, idHomes, idKinds, pathText, rename, type Thing, usesOf } from '@wire-trail/core';
import type { Options, Output } from './commands.ts';
import { readBundleFile, UnusableInput } from './input.ts';

const unusable = (option: string, reason: string): UnusableInput =>
  new UnusableInput([{ file: option, path: [], reason }]);

const isKind = (text: string): text is IdKind => idKinds.some((kind) => kind === text);

/** `control:hood`, and `place:rocker/down` for what has its id within another thing. */
function thingOf(named: string | undefined): Thing {
  const [, kind = '', outer, id = ''] = /^([a-z-]+):(?:(.+)\/)?([^/]+)$/.exec(named ?? '') ?? [];
  if (!isKind(kind))
    throw unusable('--thing', 'names a thing as KIND:ID, or KIND:OUTER/ID within another, such as place:rocker/down');
  const home = idHomes[kind].find((h) => h !== 'unit' && h !== 'entries' && h !== 'records');
  if (outer === undefined && home && idHomes[kind].length === 1)
    throw unusable('--thing', `a ${kind} has its id within a ${home}: ${kind}:${home.toUpperCase()}/${id}`);
  return { kind, within: outer === undefined ? '' : `${home}:${outer}`, id };
}

/** The uses of a thing that is there. */
function usesIn(bundle: Bundle, thing: Thing) {
  const uses = usesOf(bundle.entries, thing);
  if (!uses.some((u) => u.found.role === 'defines'))
    throw unusable('--thing', `there is no ${thing.kind} “${thing.id}”`);
  return uses;
}

/** Every place of a bundle that names a thing. */
export function runUses(file: string, options: Options): Output {
  const bundle = readBundleFile(file);
  const thing = thingOf(options.thing);
  const uses = usesIn(bundle, thing).map(({ entry, found }) => {
    const { kind, id } = bundle.entries[entry] ?? { kind: '', id: '' };
    return { entry: { kind, id }, path: found.path, defines: found.role === 'defines' };
  });
  return {
    json: uses,
    lines: uses.map(
      (u) => `${`${u.entry.kind}:${u.entry.id}`.padEnd(28)}${pathText(u.path)}${u.defines ? '  (is)' : ''}`,
    ),
    errors: false,
  };
}

/** The bundle with a thing called otherwise wherever it is named. */
export function runRename(file: string, options: Options): Output {
  const bundle = readBundleFile(file);
  const thing = thingOf(options.thing);
  const { to } = options;
  if (!to || !/^[a-z0-9][a-z0-9-]{0,63}$/.test(to))
    throw unusable('--to', 'is the new id: small letters, digits and dashes');
  usesIn(bundle, thing);
  const renamed = rename(bundle, thing, to);
  if (renamed === 'taken') throw unusable('--to', `there is a ${thing.kind} “${to}” already`);
  // it is not what was published any more
  const { pinned: _, ...rest } = renamed;
  return { json: rest, lines: [JSON.stringify(rest, null, 1)], errors: false };
}
