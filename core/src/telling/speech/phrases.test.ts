import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { bundleFacts, printSteps, readBundle } from '../../index.ts';
import { readTold } from './read.ts';

const folder = new URL('../../../../tellings/phrases/', import.meta.url);
/** Ways of saying one thing, each with the steps that are meant: a line as it is said, and below it, set in, what is done. */
const phrases = (unit: string): Array<[said: string, meant: string]> => {
  const lines = readFileSync(new URL(`${unit}/phrases.txt`, folder), 'utf8')
    .trimEnd()
    .split('\n');
  return lines.flatMap(
    (line, i): Array<[string, string]> => (line.startsWith('  ') ? [] : [[line, lines[i + 1]?.trim() ?? '']]),
  );
};

describe.each([
  'bench',
  'plant',
  'hall',
  'marks',
  'yard',
  'shed',
  'loft',
  'barn',
  'attic',
  'cellar',
  'porch',
  'larder',
  'mast',
  'vat',
  'kiln',
  'dock',
  'press',
  'brine',
  'pier',
])('what is said of the %s unit', (unit) => {
  const bundle = readBundle(JSON.parse(readFileSync(new URL(`${unit}/unit.json`, folder), 'utf8')));
  if (!bundle.ok) throw new Error(`${unit} does not read`);
  const facts = bundleFacts(bundle.value);
  it.each(phrases(unit))('%s', (said, meant) => {
    const { routes } = readTold(said, facts);
    const lines = routes.flatMap((r) =>
      printSteps([...r.steps])
        .trimEnd()
        .split('\n'),
    );
    expect(lines.map((line) => line.trim()).join(' | ') || 'nothing').toBe(meant);
  });
});

describe('what is told like something to do and is not known leaves a hole at its place', () => {
  const bundle = readBundle(JSON.parse(readFileSync(new URL('bench/unit.json', folder), 'utf8')));
  if (!bundle.ok) throw new Error('bench does not read');
  const facts = bundleFacts(bundle.value);
  it.each(['Kick the left wheel.', 'Polish the front panel.', 'Jab the cushion.', 'Grease the hinge.'])(
    '%s',
    (said) => {
      const text = `Main switch off, and the lid open. ${said} Main switch on.`;
      const { holes, doubts } = readTold(text, facts);
      const from = text.indexOf(said.slice(0, 4));
      expect([...holes, ...doubts].some((h) => h.from <= from && h.to > from)).toBe(true);
    },
  );
});
