import { type Arrow, arrowsOf, circlesOf, graphOf, isTest, sourceFiles } from './graph.ts';
import { type Layers, layers, packages } from './layers.ts';

const folders = ['core/src', 'server/src', 'web/src', 'cli/src', 'scripts', 'e2e'];

export type House = Readonly<{
  files: ReadonlyMap<string, string>;
  arrows: readonly Arrow[];
}>;

export function readHouse(root: string): House {
  const files = sourceFiles(root, folders);
  return { files, arrows: [...files].flatMap(([file, text]) => arrowsOf(file, text)) };
}

/** The room a file is in, within its package; null for one that is in none. */
const roomIn =
  ({ root }: Layers) =>
  (file: string): string | null =>
    file.startsWith(`${root}/`) && file.slice(root.length + 1).includes('/')
      ? (file.slice(root.length + 1).split('/')[0] ?? null)
      : null;

const isCode = (file: string): boolean => !isTest(file);

/** Circles between files, those of types and tests included, and between rooms. */
export function circles({ arrows }: House): { files: string[][]; rooms: string[][] } {
  return {
    files: circlesOf(graphOf(arrows, (file) => file)),
    rooms: layers.flatMap((of) => {
      const room = roomIn(of);
      const own = (file: string) => {
        const name = isCode(file) ? room(file) : null;
        return name === null || of.forTests.includes(name) ? null : name;
      };
      return circlesOf(graphOf(arrows, own));
    }),
  };
}

/** Arrows that point where the layers do not allow, as `file → file`. */
export function wrongArrows({ arrows }: House): string[] {
  const told = ({ from, to }: Arrow): string => `${from} → ${to}`;
  return layers.flatMap((of) => {
    const room = roomIn(of);
    return arrows.filter(isOwn).flatMap((arrow) => {
      const [a, b] = [room(arrow.from), room(arrow.to)];
      if (a === null || of.forTests.includes(a) || !isCode(arrow.from)) return [];
      const outside =
        arrow.to.startsWith(`${of.root.split('/')[0]}/`) || !/^(core|server|web|cli|scripts|e2e)\//.test(arrow.to);
      if (!outside) return [told(arrow)];
      if (b === null || a === b) return apart(of, arrow) ? [told(arrow)] : [];
      return of.rooms.indexOf(b) === -1 || of.rooms.indexOf(b) > of.rooms.indexOf(a) ? [told(arrow)] : [];
    });
  });
}

const isOwn = ({ to }: Arrow): boolean => /\.(tsx?|mjs)$/.test(to);

/** Whether an arrow leads from one feature into another. */
function apart({ root, apart: room }: Layers, { from, to }: Arrow): boolean {
  const feature = (file: string): string | undefined =>
    room && file.startsWith(`${root}/${room}/`) ? file.slice(`${root}/${room}/`.length).split('/')[0] : undefined;
  const [a, b] = [feature(from), feature(to)];
  return a !== undefined && b !== undefined && a !== b;
}

/** Packages of the house that a file uses and its own may not, and files that reach past another's front door. */
export function wrongPackages({ arrows }: House): string[] {
  return arrows.flatMap(({ from, to }) => {
    const [own = ''] = from.split('/');
    const past = /^(core|server|web|cli|scripts|e2e)\//.exec(to)?.[1] ?? own;
    // data that tests share is no code; what runs and measures the house may look in
    if (past !== own && packages[own] && /\.(tsx?|mjs)$/.test(to)) return [`${from} → ${to}`];
    if (!to.startsWith('@wire-trail/') || !packages[own] || isTest(from)) return [];
    return packages[own].includes(to) ? [] : [`${from} → ${to}`];
  });
}

/** Names that a package's front door gives and nobody outside uses. What a test alone uses counts as used. */
export function unusedExports(house: House, pkg: 'core' | 'server'): string[] {
  const door = `${pkg}/src/index.ts`;
  const lists = [...(house.files.get(door) ?? '').matchAll(/^export (?:type )?\{([^}]*)\}/gm)].map((m) => m[1] ?? '');
  const given = lists.flatMap((list) =>
    list.split(',').flatMap(
      (name) =>
        name
          .trim()
          .replace(/^type\s+/, '')
          .split(/\s+as\s+/)
          .at(-1) || [],
    ),
  );
  const used = new Set(
    house.arrows.flatMap((a) => (a.to === `@wire-trail/${pkg}` || (a.to === door && a.from !== door) ? a.names : [])),
  );
  return given.filter((name) => !used.has(name)).sort();
}

/** Switches over what zod or a person may bring, which no list of ours can close: each has a `default` that says so. */
const open: ReadonlySet<string> = new Set([
  'core/src/model/fields.ts',
  'core/src/model/occurrence.ts',
  'web/src/features/entry-editor/schema.ts',
  'server/src/app/openapi.ts',
  'cli/src/run.ts',
]);

/** Places where a new member of a union would be taken for something without a word: a `default` that is no `assertNever`. */
export function silentDefaults({ files }: House): string[] {
  return [...files].flatMap(([file, text]) => {
    if (open.has(file) || isTest(file) || file.startsWith('scripts/')) return [];
    return [...text.matchAll(/^\s*default:\s*\{?\s*\n\s*(.*)$/gm)].flatMap((m) =>
      m[1]?.includes('assertNever') ? [] : [`${file}: ${m[1] ?? ''}`],
    );
  });
}
