import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { entryKinds, Look, readBundle, Seen, scopes, standings, WalkEvent } from '@wire-trail/core';
import { describe, expect, it } from 'vitest';
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
