import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { afterAll, describe, expect, it } from 'vitest';
import { run as runHere } from './run.ts';

const demo = fileURLToPath(new URL('../../demo/brindlewick-g4.json', import.meta.url));
const folder = mkdtempSync(join(tmpdir(), 'wire-trail-names-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));
const run = async (...args: string[]) => {
  const [out, err]: [string[], string[]] = [[], []];
  const status = await runHere(args, { env: {}, out: (text) => out.push(text), err: (text) => err.push(text) });
  return { status, stdout: out.join('\n'), stderr: err.join('\n') };
};

describe('uses', () => {
  it('tells every place that names a control', async () => {
    const { status, stdout } = await run('uses', demo, '--thing', 'control:hood');
    expect(status).toBe(0);
    expect(stdout).toMatch(/^panel:front\s+faces\[\d\]\.controls\[\d\]\.id {2}\(is\)$/m);
    expect(stdout).toMatch(/^route:enter-memory\s+steps\[\d\]/m);
    expect(stdout).not.toMatch(/\(is\)[\s\S]*\(is\)/);
  });
  it('tells places of one control from those of another', async () => {
    const json = JSON.parse((await run('uses', demo, '--thing', 'place:hood/open', '--json')).stdout) as Array<{
      entry: { kind: string };
    }>;
    expect(json.filter((u) => u.entry.kind === 'panel')).toHaveLength(1);
  });
  it.each([
    ['nothing of that name', 'control:gone', /there is no control “gone”/],
    ['no kind', 'thing:hood', /names a thing as KIND:ID/],
    ['a place without its control', 'place:open', /a place has its id within a control: place:CONTROL\/open/],
  ])('refuses %s', async (_, thing, words) => {
    const { status, stderr } = await run('uses', demo, '--thing', thing);
    expect(status).toBe(2);
    expect(stderr).toMatch(words);
  });
});

describe('rename', () => {
  it('calls a control otherwise everywhere; the file still reads, and nothing new is found in it', async () => {
    const { status, stdout } = await run('rename', demo, '--thing', 'control:hood', '--to', 'lid');
    expect(status).toBe(0);
    const file = join(folder, 'renamed.json');
    writeFileSync(file, stdout);
    expect((await run('uses', file, '--thing', 'control:hood')).status).toBe(2);
    const [before, after] = await Promise.all(
      [demo, file].map(async (f) => JSON.parse((await run('lint', f, '--json')).stdout)),
    );
    expect(after.map((f: { code: string }) => f.code)).toEqual(before.map((f: { code: string }) => f.code));
  });
  it.each([
    ['a name that is taken', ['--thing', 'control:hood', '--to', 'rocker'], /there is a control “rocker” already/],
    ['what is no id', ['--thing', 'control:hood', '--to', 'The Lid'], /small letters, digits and dashes/],
  ])('refuses %s', async (_, args, words) => {
    const { status, stderr } = await run('rename', demo, ...args);
    expect(status).toBe(2);
    expect(stderr).toMatch(words);
  });
});
