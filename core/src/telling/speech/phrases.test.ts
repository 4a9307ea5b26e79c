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

describe.each(['bench', 'plant'])('what is said of the %s unit', (unit) => {
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
