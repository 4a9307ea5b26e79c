import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { run as runHere } from './run.ts';

declare module 'vitest' {
  interface ProvidedContext {
    databasePort: number;
    databasePassword: string;
  }
}

const root = fileURLToPath(new URL('../..', import.meta.url));
const demo = join(root, 'demo/brindlewick-g4.json');
let folder: string;
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'wire-trail-cli-'));
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const file = (name: string, content: string | Buffer): string => {
  const path = join(folder, name);
  writeFileSync(path, content);
  return path;
};
const run = async (args: string[], env: Record<string, string> = {}) => {
  const [out, err]: [string[], string[]] = [[], []];
  const status = await runHere(args, { env, out: (text) => out.push(text), err: (text) => err.push(text) });
  const [stdout, stderr] = [out.join('\n'), err.join('\n')];
  return { status, json: /^[{[]/.test(stdout) ? JSON.parse(stdout) : null, stdout, stderr };
};

describe('lint', () => {
  it('a bundle without errors: findings as JSON, status 0', async () => {
    expect(await run(['lint', demo, '--json'])).toMatchObject({ status: 0, json: [] });
    expect((await run(['lint', demo])).stdout).toMatch(/^nothing open\n\d+ accepted \(--all shows them\)$/);
    const { status, json } = await run(['lint', demo, '--all', '--json']);
    expect(status).toBe(0);
    expect(json.find((f: { code: string }) => f.code === 'look-alike-danger')).toMatchObject({
      code: 'look-alike-danger',
      severity: 'warning',
      at: ['entries', expect.any(Number), 'text'],
      text: 'K23',
      becomes: 'K19',
      accepted: { by: 'Demo trainer' },
    });
  });

  it('a bundle with an error: status 1', async () => {
    const bundle = JSON.parse(readFileSync(demo, 'utf8'));
    const route = bundle.entries.find((e: { id: string }) => e.id === 'enter-memory');
    route.steps.unshift({ kind: 'bypass', what: 'hood' });
    const { status, json } = await run(['lint', file('bypass.json', JSON.stringify(bundle)), '--json']);
    expect([status, json[0].code]).toEqual([1, 'interlock-defeated']);
  });

  it.each<[string, () => string, RegExp]>([
    ['no file', () => join(folder, 'none.json'), /no such file/],
    ['junk', () => file('junk.bin', Buffer.from([1, 0, 2, 255])), /not text/],
    ['no JSON', () => file('text.json', 'hello'), /no JSON/],
    ['another shape', () => file('list.json', '[]'), /JSON object/],
    ['50 MB', () => file('big.json', Buffer.alloc(50 * 1024 * 1024, 32)), /50 MB; at most 32 MB/],
  ])('%s: status 2 with file, path and reason', async (_, make, words) => {
    const path = make();
    const { status, json } = await run(['lint', path, '--json']);
    expect(status).toBe(2);
    expect(json.problems[0]).toMatchObject({ file: path, path: [], reason: expect.stringMatching(words) });
    expect((await run(['lint', path])).stderr).toMatch(words);
  });
});

describe('decode', () => {
  const looks = (number: Record<string, string>) => [
    {
      kind: 'lamps',
      stage: 'letter',
      lamps: { 'lamp-a': 'dark', 'lamp-b': 'lit', 'lamp-c': 'dark', 'lamp-d': 'lit', 'lamp-e': 'lit' },
    },
    { kind: 'lamps', stage: 'number', lamps: number },
  ];
  const doubtful = { 'lamp-a': 'lit', 'lamp-b': 'dark', 'lamp-c': 'unsure', 'lamp-d': 'lit', 'lamp-e': 'lit' };

  it('gives candidates with certainty, and what is undecided', async () => {
    const seen = file('seen.json', JSON.stringify({ looks: looks(doubtful) }));
    const { status, json } = await run(['decode', demo, '--readout', 'lamps', '--seen', seen, '--json']);
    expect(status).toBe(0);
    expect(json.candidates.slice(0, 2)).toMatchObject([
      { code: 'K19', certainty: expect.any(Number) },
      { code: 'K23' },
    ]);
    expect(json.undecided[0]).toMatchObject({ stage: 'number', sign: 'lamp-c' });
  });

  it.each<[string, string[], RegExp]>([
    ['an unknown readout', ['--readout', 'none', '--seen', 'x'], /no readout “none”; it has lamps/],
    ['no seen file', ['--readout', 'lamps'], /names the file/],
  ])('%s: status 2', async (_, args, words) => {
    const { status, json } = await run(['decode', demo, ...args, '--json']);
    expect([status, json.problems[0].reason]).toEqual([2, expect.stringMatching(words)]);
  });

  it('a seen file with a wrong state or a stage the readout lacks: status 2 with its path', async () => {
    const wrong = file('wrong.json', JSON.stringify({ looks: looks({ 'lamp-a': 'purple' }) }));
    expect(
      (await run(['decode', demo, '--readout', 'lamps', '--seen', wrong, '--json'])).json.problems[0].path,
    ).toEqual(['looks', 1, 'lamps', 'lamp-a']);
    const stage = file('stage.json', JSON.stringify({ looks: [{ kind: 'blinks', stage: 'letter', count: 3 }] }));
    expect(
      (await run(['decode', demo, '--readout', 'lamps', '--seen', stage, '--json'])).json.problems[0].path,
    ).toEqual(['looks', 0, 'stage']);
  });
});

const launch = join(root, 'demo/sandrelle-l6.json');
const cart = join(root, 'demo/corrant-u3.json');

describe('find', () => {
  it('ranks what a misread code may mean, with why and how far', async () => {
    const { status, json } = await run(['find', demo, launch, cart, '--query', 'corrant 4l2 7', '--json']);
    expect(status).toBe(0);
    expect(json[0]).toMatchObject({
      family: 'corrant-u3',
      code: '412-7',
      why: [{ kind: 'misread' }, { kind: 'family' }],
    });
    expect(json[0].distance).toBeLessThan(0.5);
  });
  it('says what a pair means in general that no table lists', async () => {
    const { json } = await run(['find', demo, cart, '--query', '999-3', '--json']);
    expect(json).toContainEqual(
      expect.objectContaining({ family: 'corrant-u3', code: '999-3', kind: 'generic', distance: null }),
    );
    const listed = await run(['find', demo, cart, '--query', 'corrant 4l2 7', '--json']);
    expect(listed.json.some((f: { kind: string }) => f.kind === 'generic')).toBe(false);
  });
  it('without a query: status 2', async () => expect((await run(['find', demo])).status).toBe(2));
});

describe('unit', () => {
  const traits = (seen: object) => file('traits.json', JSON.stringify(seen));
  it('narrows, and says what to look at next', async () => {
    const { json } = await run(['unit', demo, launch, cart, '--traits', traits({ 'what it is': 'vehicle' }), '--json']);
    expect(json.left).toEqual(['sandrelle-l6', 'corrant-u3']);
    expect(json.ask.answers).toHaveLength(2);
    const last = await run([
      'unit',
      demo,
      launch,
      cart,
      '--traits',
      traits({ 'lamps on the front': '6', knobs: null }),
      '--json',
    ]);
    expect(last.json).toEqual({ left: ['sandrelle-l6'], ask: null });
  });
  it('a trait nobody has: status 2 with its name', async () => {
    const { status, json } = await run(['unit', demo, '--traits', traits({ smell: 'none' }), '--json']);
    expect([status, json.problems[0].path]).toEqual([2, ['smell']]);
  });
});

describe('resolve', () => {
  it('gives every value with its reason; what is not known keeps cases', async () => {
    const known = await run(['resolve', cart, '--model', 'U3-20', '--software', '2.10', '--json']);
    const attempts = (json: { parameters: Array<{ id: string; cases: object[] }> }) =>
      json.parameters.find((p) => p.id === 'attempts')?.cases;
    expect(known.json.variant).toBe('soft-2');
    expect(attempts(known.json)).toEqual([
      {
        value: 40,
        variants: ['soft-2'],
        why: [
          { kind: 'model', pattern: 'U3*' },
          { kind: 'software', from: '2.0', below: '3.0' },
        ],
      },
    ]);
    expect(attempts((await run(['resolve', cart, '--model', 'U3', '--json'])).json)).toHaveLength(3);
    expect((await run(['resolve', cart, '--software', 'new'])).status).toBe(2);
  });
});

describe('codes', () => {
  it('import --dry-run says row by row what would change; refused rows are status 1', async () => {
    const csv = file('codes.csv', 'Nr;Was;Egal\n206–208;Neu;x\n412-7;;x\n,;');
    const map = file('map.json', JSON.stringify({ Nr: 'text', Was: 'title', Egal: null }));
    const { status, json } = await run(['codes', 'import', cart, '--csv', csv, '--map', map, '--dry-run', '--json']);
    expect(json.map((r: { line: number; refused?: unknown }) => [r.line, Boolean(r.refused)])).toEqual([
      [2, false],
      [3, true],
      [4, true],
    ]);
    expect(json[0].codes.map((c: { what: string; code: string }) => `${c.what} ${c.code}`)).toEqual([
      'new 206',
      'new 207',
      'new 208',
    ]);
    expect(status).toBe(1);
  });
  it('what is exported changes nothing when it comes back', async () => {
    const csv = file('out.csv', (await run(['codes', 'export', cart])).stdout);
    const { status, json } = await run(['codes', 'import', cart, '--csv', csv, '--dry-run', '--json']);
    expect(status).toBe(0);
    expect(
      json
        .flatMap((r: { codes: Array<{ what: string }> }) => r.codes)
        .every((c: { what: string }) => c.what === 'same'),
    ).toBe(true);
  });
  it.each<[string, string[], RegExp]>([
    ['no table', ['codes', 'import', cart, '--dry-run'], /names the file of codes/],
    ['not dry', ['codes', 'import', cart, '--csv', 'x'], /is not changed/],
    ['no such file', ['codes', 'import', cart, '--csv', '/none.csv', '--dry-run'], /no such file/],
  ])('%s: status 2', async (_, args, words) => {
    const { status, stderr } = await run(args);
    expect([status, stderr]).toEqual([2, expect.stringMatching(words)]);
  });
});

describe('import and export', () => {
  it('into a database and out again is the same bundle', async () => {
    const env = {
      WIRE_TRAIL_DB_PORT: String(inject('databasePort')),
      WIRE_TRAIL_DB_PASSWORD: inject('databasePassword'),
      WIRE_TRAIL_DB_NAME: `cli_${process.pid}`,
      WIRE_TRAIL_SECRET: 'c'.repeat(40),
    };
    const { connect, createDatabase, migrate, readConfig } = await import('@wire-trail/server');
    const { database } = readConfig(env);
    await createDatabase(database);
    const db = connect(database);
    try {
      await migrate(db);
      expect(await run(['export', 'brindlewick-g4'], env)).toMatchObject({
        status: 2,
        stderr: expect.stringContaining('no such family'),
      });
      expect((await run(['import', demo, '--json'], env)).json).toMatchObject({
        published: false,
        setId: expect.any(Number),
      });
      expect(await run(['import', join(root, 'core/src/testing/velmarrow-d1.json'), '--publish'], env)).toMatchObject({
        status: 0,
        stdout: expect.stringContaining('published'),
      });
      const out = await run(['export', 'velmarrow-d1'], env);
      expect(out.status).toBe(0);
      const again = await run(['import', file('again.json', out.stdout), '--publish', '--json'], env);
      expect(again.json).toMatchObject({ setId: null });
      expect(again.json.lines.every((l: { what: string }) => l.what === 'same')).toBe(true);
    } finally {
      await db.raw('DROP DATABASE ??', [database.database]);
      await db.destroy();
    }
  });

  it('without a server says so', async () => {
    const { status, stderr } = await run(['export', 'x'], {
      WIRE_TRAIL_DB_PORT: '1',
      WIRE_TRAIL_SECRET: 'c'.repeat(40),
    });
    expect([status, stderr]).toEqual([2, expect.stringContaining('does not answer')]);
  });
});

it('says how it is used', async () => {
  expect(await run(['--help'])).toMatchObject({ status: 0, stdout: expect.stringContaining('decode BUNDLE') });
  expect((await run([])).status).toBe(2);
  expect(await run(['fly', 'x'])).toMatchObject({ status: 2, stderr: expect.stringContaining('is no command') });
  expect(await run(['lint', demo, '--colour'])).toMatchObject({
    status: 2,
    stderr: expect.stringContaining('--colour'),
  });
});
