import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { eachStep } from '../gesture/steps.ts';
import { type Bundle, entriesOf, lint, readBundle, type Step } from '../index.ts';

const demo = new URL('../../../demo/', import.meta.url);
const bundles = readdirSync(demo)
  .filter((f) => f.endsWith('.json'))
  .map((file): Bundle => {
    const read = readBundle(JSON.parse(readFileSync(new URL(file, demo), 'utf8')));
    if (!read.ok) throw new Error(file);
    return read.value;
  });
const stepsIn = (bundle: Bundle): Step[] =>
  entriesOf(bundle, 'route').flatMap((r) => eachStep(r.steps, []).map(({ step }) => step));
const kinds: ReadonlyArray<Exclude<Step['kind'], 'bypass'>> = [
  'press',
  'hold',
  'keep',
  'release',
  'turn',
  'sweep',
  'set',
  'rest',
  'step-list',
  'dial',
  'choose',
  'see',
  'group',
  'branch',
  'at-place',
  'say',
];

describe('the demo', () => {
  const all = bundles.flatMap(stepsIn);
  it.each(kinds)('has a route with a step of kind %s', (kind) => expect(all.some((s) => s.kind === kind)).toBe(true));
  it('never holds an interlock false', () => expect(all.some((s) => s.kind === 'bypass')).toBe(false));
  it('has routes in at least seven families', () =>
    expect(bundles.filter((b) => stepsIn(b).length > 0).length).toBeGreaterThanOrEqual(7));
  it('has signs that must, may and must not show, any key, a window from power-on and one from a sign', () => {
    const musts = new Set(all.flatMap((s) => (s.kind === 'see' ? [s.must] : [])));
    expect(musts).toEqual(new Set(['must', 'may', 'must-not']));
    expect(all.some((s) => s.kind === 'press' && s.control === 'any')).toBe(true);
    const from = new Set(all.flatMap((s) => (s.kind === 'group' && s.window ? [s.window.from.kind] : [])));
    expect(from).toEqual(new Set(['power-on', 'sign', 'step-before']));
  });
  it('has two families of which two generations are entered otherwise', () => {
    const families = bundles.filter((b) => {
      const ways = entriesOf(b, 'route').filter((r) => r.purpose === 'enter' && r.onlyVariants.length > 0);
      return new Set(ways.flatMap((r) => r.onlyVariants)).size > 1 && ways.length > 1;
    });
    expect(families.length).toBeGreaterThanOrEqual(2);
  });
  it('has three tellings of one route that disagree, one difference of them settled', () => {
    const told = bundles.flatMap((b) => entriesOf(b, 'account'));
    expect(told).toHaveLength(3);
    expect(new Set(told.map((a) => a.route)).size).toBe(1);
    const route = bundles.flatMap((b) => entriesOf(b, 'route')).find((r) => r.id === told[0]?.route);
    expect(route?.settled.filter((s) => !s.open)).toHaveLength(1);
  });
  it('has routes of every purpose', () => {
    const purposes = new Set(bundles.flatMap((b) => entriesOf(b, 'route').map((r) => r.purpose)));
    expect(purposes).toEqual(new Set(['enter', 'leave', 'step', 'clear', 'calibrate', 'lock-out', 'test']));
  });
  it('has no finding that would keep it from being published', () => {
    for (const bundle of bundles) expect(lint(bundle).filter((f) => f.severity === 'error')).toEqual([]);
  });
});
