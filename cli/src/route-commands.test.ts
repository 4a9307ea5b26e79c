import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { idealHands, parseScript, perform, planUnit } from '@wire-trail/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { readBundleFile } from './input.ts';
import { run as runHere } from './run.ts';

const demo = (family: string): string => fileURLToPath(new URL(`../../demo/${family}.json`, import.meta.url));
const washer = demo('brindlewick-g4');
let folder: string;
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'wire-trail-routes-'));
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const file = (name: string, content: unknown): string => {
  const path = join(folder, name);
  writeFileSync(path, typeof content === 'string' ? content : JSON.stringify(content));
  return path;
};
const run = async (...args: string[]) => {
  const [out, err]: [string[], string[]] = [[], []];
  const status = await runHere(args, { env: {}, out: (text) => out.push(text), err: (text) => err.push(text) });
  return {
    status,
    json: args.includes('--json') ? JSON.parse(out.join('\n')) : null,
    text: out.join('\n'),
    err: err.join('\n'),
  };
};

/** The events of a route done as it should be, with what is done late in the end. */
const performed = (late = 0) => {
  const plan = planUnit(readBundleFile(washer));
  const gesture = plan.gestures.find((g) => g.of.kind === 'route' && g.of.id === 'enter-memory');
  if (!gesture) throw new Error('the demo’s way in does not compile');
  const events = perform(gesture.program, plan.facts, idealHands, 1000).map((d) => d.event);
  return events.map((e, i) => (i === events.length - 1 ? { ...e, at: e.at + late } : e));
};

describe('play', () => {
  it('a route done as it should be ends in its mode', async () => {
    const { status, json } = await run(
      'play',
      washer,
      '--route',
      'enter-memory',
      '--events',
      file('good.json', performed()),
      '--json',
    );
    expect([status, json]).toEqual([
      0,
      { ended: true, mode: 'memory', nearest: null, by: null, says: null, instead: [], knownNotToWork: [] },
    ]);
  });
  it('one done too late says which step, which repeat of it and by how much', async () => {
    const { json, text } = await run(
      'play',
      washer,
      '--route',
      'enter-memory',
      '--events',
      file('late.json', performed(3000)),
      '--json',
    );
    expect(json).toMatchObject({ ended: false, mode: 'standby', nearest: { at: '3.steps.1', code: 'after-window' } });
    expect(json.by).toBeGreaterThan(1000);
    expect(text).not.toBe('');
  });
  it('one broken off is unfinished', async () => {
    const { json } = await run(
      'play',
      washer,
      '--route',
      'enter-memory',
      '--events',
      file('half.json', performed().slice(0, 4)),
      '--json',
    );
    expect(json).toMatchObject({ ended: false, nearest: { code: 'unfinished' } });
  });
  it('says what was otherwise in a sentence, and which known way does not work', async () => {
    const hold = [
      { at: 1000, kind: 'down', control: 'middle-pad' },
      { at: 4000, kind: 'up', control: 'middle-pad' },
    ];
    const quorrin = 'demo/quorrin-b2.json';
    const { json, text } = await run(
      'play',
      quorrin,
      '--route',
      'clear',
      '--events',
      file('short.json', hold),
      '--json',
    );
    expect(json).toMatchObject({ ended: false, nearest: { at: '0', code: 'let-go-early', by: 1800 }, by: 1800 });
    expect(json.says).toMatch(/let go 1.8 s too early\.$/);
    expect(text).not.toBe('');
  });
  it('a way that goes by the code in memory goes by the one that is given', async () => {
    const menu = ['Carts', 'U3', 'Counters'].map((words, i) => ({
      at: 1000 + i * 800,
      kind: 'choose',
      on: 'link-box',
      words,
    }));
    const asked = ['play', 'demo/corrant-u3.json', '--route', 'reset-counter', '--events', file('menu.json', menu)];
    const ended = async (...more: string[]) => (await run(...asked, ...more, '--json')).json.ended;
    expect(await ended()).toBe(false);
    expect(await ended('--memory', file('codes.json', ['412-7']))).toBe(true);
    expect(await ended('--memory', file('others.json', [{ code: '415-0' }]))).toBe(false);
    const bad = await run(...asked, '--memory', file('bad-codes.json', { codes: 1 }), '--json');
    expect([bad.status, bad.json.problems[0].reason]).toEqual([2, expect.stringMatching(/array/)]);
  });
  it.each([
    [
      'out of order',
      [
        { at: 5000, kind: 'tick' },
        { at: 10, kind: 'tick' },
      ],
      /out of order/,
    ],
    ['a control that is not there', [{ at: 1, kind: 'down', control: 'wheel' }], /no such control: wheel/],
    ['another shape', { at: 1 }, /array/],
  ])('events with %s: status 2 and the place', async (_, events, words) => {
    const { status, json } = await run(
      'play',
      washer,
      '--route',
      'enter-memory',
      '--events',
      file('bad.json', events),
      '--json',
    );
    expect([status, json.problems[0].reason]).toEqual([2, expect.stringMatching(words)]);
  });
});

describe('odds', () => {
  it('are told with their interval, the worst step and the pace, the same for the same seed', async () => {
    const asked = [
      'odds',
      washer,
      '--route',
      'enter-memory',
      '--hands',
      'gloved',
      '--runs',
      '800',
      '--seed',
      '4',
      '--json',
    ];
    const { json } = await run(...asked);
    expect(json).toMatchObject({ runs: 800, worstStep: '3.steps.1', pace: expect.any(Number) });
    expect(json.low).toBeLessThan(json.share);
    expect(json.high).toBeGreaterThan(json.share);
    expect((await run(...asked)).json).toEqual(json);
  });
  it.each([
    [['--hands', 'three'], /bare, gloved, first/],
    [['--runs', '0'], /whole number/],
    [['--route', 'none'], /holds no route/],
  ])('%j: status 2', async (more, words) => {
    const route = more[0] === '--route' ? [] : ['--route', 'enter-memory'];
    expect(await run('odds', washer, ...route, ...more)).toMatchObject({
      status: 2,
      err: expect.stringMatching(words),
    });
  });
});

describe('script, intake, accounts, exchange', () => {
  it('prints a route, and reads it back the same', async () => {
    const { json } = await run('script', 'print', washer, '--route', 'enter-memory', '--json');
    const back = await run('script', 'parse', washer, '--script', file('route.txt', json.script), '--json');
    expect(back.json).toMatchObject({ problems: [], steps: parseScript(json.script).steps });
  });
  it('names line and column of what it cannot read: status 1', async () => {
    const { status, text } = await run(
      'script',
      'parse',
      washer,
      '--script',
      file('bad.txt', 'set breaker off\npres rocker\n'),
    );
    expect([status, text]).toEqual([1, expect.stringContaining('2:1: “pres” is not known here. “press”, perhaps?')]);
  });
  it('makes draft steps of a telling, and leaves what it does not know', async () => {
    const told = file('told.txt', 'Breaker off. Lick the hood. Hold the rocker down for 5 s.');
    const { json } = await run('intake', washer, '--family', 'brindlewick-g4', '--text', told, '--json');
    expect(json.script).toBe('set breaker off\nhold rocker down for 5 s\n');
    expect(json.notUnderstood.map((p: { text: string }) => p.text)).toEqual(['Lick the hood']);
    expect((await run('intake', washer, '--family', 'quorrin-b2', '--text', told)).status).toBe(2);
  });
  it('lays accounts side by side', async () => {
    const account = (id: string, script: string) =>
      file(`${id}.json`, {
        kind: 'account',
        id,
        family: 'x',
        route: 'in',
        name: id,
        steps: parseScript(script).steps,
        source: null,
        standing: 'hearsay',
      });
    const { json } = await run(
      'accounts',
      account('one', 'press a 3 times'),
      account('two', 'press a 4 times'),
      '--json',
    );
    expect(json).toEqual({
      accounts: ['one', 'two'],
      rows: [{ about: 'press a 3 times · press a 4 times', differs: ['count'], at: ['0', '0'] }],
    });
  });
  it('writes SCXML', async () => {
    const { text } = await run('exchange', 'scxml', washer, '--family', 'brindlewick-g4');
    expect(text).toContain('<scxml xmlns="http://www.w3.org/2005/07/scxml"');
  });
});
