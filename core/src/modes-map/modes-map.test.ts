import { describe, expect, it } from 'vitest';
import { entriesOf, type Route, writeScxml } from '../index.ts';
import { glasswasher } from '../testing/bundles.ts';
import { boardBundle } from '../testing/unit.ts';
import { modesMap } from './map.ts';
import { routesTo, routesUpTo } from './routes-to.ts';
import { orderOfTests, runAt, runOf } from './tests.ts';

const checks = () => {
  const mode = entriesOf(glasswasher(), 'mode').find((m) => m.id === 'checks');
  if (!mode) throw new Error('the demo has no checks');
  return mode;
};

describe('the way to a mode', () => {
  const routes = entriesOf(
    boardBundle([
      { id: 'in', script: 'press a\nreach service' },
      { id: 'late', script: 'from idle\npress c\nreach tests' },
      { id: 'on', script: 'from service\npress b\nreach tests' },
      { id: 'off', script: 'from tests\npress a 2 times\nreach idle' },
    ]),
    'route',
  );
  const to = (mode: string) => routesTo([mode as never], routes).map((r) => r.id as string);
  it.each<[string, string[]]>([
    ['service', ['in']],
    ['tests', ['in', 'on']],
    ['idle', ['in', 'on', 'off']],
    ['nowhere', []],
  ])('%s is come to by %j', (mode, expected) => expect(to(mode)).toEqual(expected));
  it('of a route, what comes before it and itself', () => {
    const up = (id: string) => routesUpTo(routes.find((r) => r.id === id) as Route, routes).map((r) => r.id as string);
    expect(up('in')).toEqual(['in']);
    expect(up('on')).toEqual(['in', 'on']);
  });
  it('in the demo every route begins where the one before it ends, and none of them erases, leaves or locks out', () => {
    const own = entriesOf(glasswasher(), 'route');
    for (const route of own) {
      const row = routesUpTo(route, own);
      expect(row.at(-1)).toBe(route);
      expect(row[0]?.from).toBe('any');
      row.slice(0, -1).forEach((r, i) => {
        const next = row[i + 1];
        expect(next?.from === 'any' || (r.to !== null && next?.from.includes(r.to))).toBe(true);
        expect(['leave', 'clear', 'lock-out']).not.toContain(r.purpose);
      });
    }
  });
});

describe('modesMap', () => {
  it('has modes, the ways between them, what is unreachable and what is a dead end', () => {
    const map = modesMap(
      boardBundle([
        { id: 'in', script: 'from idle\npress a\nreach service' },
        { id: 'any', script: 'press b\nreach service' },
      ]),
    );
    expect(map.nodes.map((n) => [n.id, n.unreachable, n.deadEnd])).toEqual([
      ['any', false, false],
      ['idle', false, false],
      ['service', false, false],
      ['tests', true, true],
    ]);
    expect(map.edges.map((e) => [e.kind, e.from, e.to, e.afterMs])).toEqual([
      ['route', 'idle', 'service', null],
      ['route', 'any', 'service', null],
      ['idle', 'service', 'idle', 60_000],
    ]);
  });
});

describe('tests that run by themselves', () => {
  it('follow each other, each as long as it takes', () => {
    expect(runOf(checks(), '1').map((r) => [r.test.number, r.fromMs, r.toMs])).toEqual([
      ['1', 0, 5000],
      ['2', 5000, 25_000],
      ['3', 25_000, 70_000],
    ]);
  });
  it('say what runs now, how long yet, and what comes', () => {
    const run = runOf(checks(), '1');
    expect(runAt(run, 6000)).toMatchObject({
      now: { test: { number: '2' } },
      leftMs: 19_000,
      next: { test: { number: '3' } },
      over: false,
    });
    expect(runAt(run, 71_000)).toMatchObject({ now: null, next: null, over: true });
  });
  it('end where they come back on themselves', () => {
    const mode = checks();
    const round = { ...mode, tests: mode.tests.map((t) => (t.number === '3' ? { ...t, followedBy: '1' } : t)) };
    expect(runOf(round, '1')).toHaveLength(3);
  });
  it('stand after the one they need', () => {
    const mode = checks();
    expect(orderOfTests({ ...mode, tests: [...mode.tests].reverse() }).map((t) => t.number)).toEqual(['2', '3', '1']);
  });
});

describe('writeScxml', () => {
  const xml = writeScxml(glasswasher());
  it('has a state for every mode and a transition for every route, and closes what it opens', () => {
    for (const mode of entriesOf(glasswasher(), 'mode')) expect(xml).toContain(`<state id="mode.${mode.id}"`);
    for (const route of entriesOf(glasswasher(), 'route')) expect(xml).toContain(`event="route.${route.id}"`);
    const stack: string[] = [];
    for (const [, close, name, , self] of xml.matchAll(/<(\/?)([\w:]+)((?:\s+[\w:]+="[^"]*")*)\s*(\/?)>/g)) {
      if (close) expect(stack.pop()).toBe(name);
      else if (!self) stack.push(name ?? '');
    }
    expect(stack).toEqual([]);
  });
  it('starts a timer on entry and stops it on exit', () => {
    expect(xml).toContain('<send event="idle.240000" id="memory.idle.240000" delay="240000ms"/>');
    expect(xml).toContain('<cancel sendid="memory.idle.240000"/>');
  });
  it('keeps what XML would not', () => {
    const odd = boardBundle([{ id: 'in', script: 'from idle\nsay "a < b & c"\npress a\nreach service' }]);
    expect(writeScxml(odd)).toContain('say a &lt; b &amp; c');
  });
});
