import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { entryKinds, Look, Mode, readBundle, Seen, scopes, standings, WalkEvent } from '@wire-trail/core';
import { describe, expect, it } from 'vitest';
import { layers } from './house/layers.ts';
import { notices } from './notices.ts';
import { schemaFiles } from './schemas.ts';

const doc = (name: string): string => readFileSync(new URL(`../docs/${name}`, import.meta.url), 'utf8');
const format = doc('format.md');
/** A fenced example by the name that stands behind its fence: ```json name */
const example = (name: string): unknown =>
  JSON.parse(new RegExp(`\`\`\`json ${name}\\n([\\s\\S]*?)\`\`\``).exec(format)?.[1] ?? 'null');

describe('generated documents', () => {
  it.each(Object.entries(schemaFiles()))('docs/%s is fresh (npm run docs:write)', (name, text) =>
    expect(doc(name)).toBe(text),
  );
});

describe('notices', () => {
  const text = readFileSync(new URL('../web/public/notices.txt', import.meta.url), 'utf8');
  it('ship with the build, and are fresh (npm run docs:write)', () => expect(text).toBe(notices()));
  it.each([
    ['the fonts', /atkinson-hyperlegible-next[\s\S]*SIL OPEN FONT LICENSE/i],
    ['the layout engine', /elkjs [\d.]+ \(EPL-2\.0[\s\S]*Eclipse Public License/],
    ['the interface', /@mui\/material/],
  ])('name %s, with its terms', (_, words) => expect(text).toMatch(words));
  it('leave nobody without a licence', () => expect(text).not.toMatch(/see its text[^=]*holds no text/));
});

describe('docs/format.md', () => {
  it('shows a bundle that reads', () => {
    const read = readBundle(example('bundle'));
    expect(read.ok || read.error).toBe(true);
  });
  it('shows a mode that reads', () => expect(Mode.safeParse(example('mode')).error).toBeUndefined());
  it('shows a seen file that reads, and every sort of look', () => {
    expect(Seen.safeParse(example('seen')).error).toBeUndefined();
    for (const name of ['look-blinks', 'look-rhythm', 'look-text', 'look-pulses', 'look-trace'])
      expect(Look.safeParse(example(name)).error).toBeUndefined();
  });
  it('shows a walk event that reads', () => expect(WalkEvent.safeParse(example('event')).error).toBeUndefined());
  it('names every entry kind, standing and scope', () => {
    for (const word of [...entryKinds, ...standings, ...scopes]) expect(format).toContain(`\`${word}\``);
  });
});

describe('README', () => {
  const readme = readFileSync(new URL('../README.md', import.meta.url), 'utf8');
  it('links every picture, and only pictures that are there', () => {
    const shots = readdirSync(new URL('../docs/screenshots', import.meta.url)).map((f) => `docs/screenshots/${f}`);
    const linked = [...readme.matchAll(/docs\/screenshots\/[\w-]+\.png/g)].map(([path]) => path);
    expect(new Set(linked)).toEqual(new Set(shots));
  });
  it('links only files that are there', () => {
    const links = [...readme.matchAll(/\]\(([^)#:]+)\)/g)].map((m) => m[1] ?? '');
    expect(links.filter((path) => !existsSync(new URL(`../${path}`, import.meta.url)))).toEqual([]);
  });
});

describe('docs/architecture.md', () => {
  const page = doc('architecture.md');
  const table = (heading: string): string[][] =>
    (page.split(`\n${heading}\n`)[1]?.split('\n#')[0] ?? '')
      .split('\n')
      .filter((line) => line.startsWith('| ') && !line.startsWith('| ---'))
      .slice(1)
      .map((line) => line.split(' | ').map((cell) => cell.replace(/^\| | \|$/g, '').trim()));
  it.each(layers.map((l) => [l.root, l] as const))(
    'draws the rooms of %s in the order of the layers',
    (root, { rooms }) => {
      expect(table(`### ${root}`).map(([room]) => room?.replaceAll('`', ''))).toEqual(rooms);
    },
  );
  it('says where to begin for a dozen changes, at files that are there', () => {
    const rows = table('## Where to begin');
    expect(rows).toHaveLength(17);
    const paths = rows.flatMap((row) =>
      [...row.join(' ').matchAll(/`((?:core|web|server|cli|scripts)\/[\w./-]+)`/g)].map((m) => m[1] ?? ''),
    );
    expect(paths.length).toBeGreaterThan(24);
    expect(paths.filter((path) => !existsSync(new URL(`../${path}`, import.meta.url)))).toEqual([]);
  });
  it('has about sixty words, each once, in order, each in a room that is there', () => {
    const words = table('## Glossary');
    const names = words.map(([word]) => word ?? '');
    expect(names.length).toBeGreaterThan(55);
    expect([...new Set(names)].sort((a, b) => (a.toLowerCase() < b.toLowerCase() ? -1 : 1))).toEqual(names);
    const rooms = new Set(layers.flatMap((l) => [...l.rooms]));
    const own = words.map(([, , room]) => room?.replaceAll('`', '') ?? '').filter((room) => !room.includes(':'));
    expect(own.filter((room) => !rooms.has(room))).toEqual([]);
  });
  it.each(['CONTRIBUTING.md', 'docs/architecture.md', 'docs/model.md', 'docs/format.md'])(
    '%s links only what is there, and names only files that are',
    (name) => {
      const text = readFileSync(new URL(`../${name}`, import.meta.url), 'utf8');
      const links = [...text.matchAll(/\]\(([^)#:]+)\)/g)].map(
        (m) => new URL(m[1] ?? '', new URL(`../${name}`, import.meta.url)),
      );
      expect(links.filter((link) => !existsSync(link)).map(String)).toEqual([]);
      const files = [...text.matchAll(/`((?:core|web|server|cli|scripts)\/[\w/-]+(?:\.\w+)*)`/g)].map(
        (m) => m[1] ?? '',
      );
      expect(files.filter((path) => !existsSync(new URL(`../${path}`, import.meta.url)))).toEqual([]);
    },
  );
});
