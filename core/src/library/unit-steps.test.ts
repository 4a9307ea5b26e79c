import { describe, expect, it } from 'vitest';
import type { Entry } from '../index.ts';
import { demoBundles } from '../testing/bundles.ts';
import { type UnitStep, unitSteps, unitStepsOf } from './unit-steps.ts';

const bundles = demoBundles();
const [, glasswasher] = bundles.find(([f]) => f.startsWith('brindlewick')) ?? [];
const stands = (entries: readonly Entry[], step: UnitStep) => {
  const found = unitStepsOf(entries).find((s) => s.step === step);
  if (!found) throw new Error(step);
  return found;
};
const without = (...kinds: Entry['kind'][]): Entry[] =>
  (glasswasher?.entries ?? []).filter((e) => !kinds.includes(e.kind));

describe('the steps a unit is written in', () => {
  it('of nothing, nothing is begun, and every step says what would be missed', () => {
    const all = unitStepsOf([]);
    expect(all.map((s) => s.step)).toEqual([...unitSteps]);
    expect(all.filter((s) => s.isBegun || s.has.length > 0)).toEqual([]);
    expect(all.filter((s) => s.lacks.length === 0)).toEqual([]);
  });
  it.each(bundles)('%s: everything is begun', (_, bundle) => {
    expect(unitStepsOf(bundle.entries).filter((s) => !s.isBegun)).toEqual([]);
  });
  it.each<[UnitStep, Entry['kind'][], string]>([
    ['panel', ['panel'], 'lamps, displays or sounds'],
    ['ways', ['route'], 'a way in'],
    ['shown', ['readout'], 'how a code is read off it'],
    ['codes', ['code'], 'any code'],
    ['tests', ['chart'], 'a test to follow'],
  ])('%s lacks what is taken out, and the steps that do not hang on it stand as they were', (step, kinds, lacks) => {
    expect(stands(without(...kinds), step).isBegun).toBe(false);
    expect(stands(without(...kinds), step).lacks).toContain(lacks);
    expect(stands(without(...kinds), 'what')).toEqual(stands(without(), 'what'));
  });
  it('what was carried over is to be looked at where it is written, and nowhere else', () => {
    const carried = without().map((e): Entry => (e.kind === 'code' ? { ...e, carriedFrom: 'Another unit' } : e));
    const codes = carried.filter((e) => e.kind === 'code').length;
    expect(stands(carried, 'codes').lacks).toEqual([
      ...stands(without(), 'codes').lacks,
      `a look at ${codes} things carried over`,
    ]);
    for (const step of unitSteps.filter((s) => s !== 'codes'))
      expect(stands(carried, step)).toEqual(stands(without(), step));
  });
  it('what all units share is none of its own until a code leads there', () => {
    const charts = without().flatMap((e) => (e.kind === 'chart' ? [e] : []));
    const [one] = charts;
    if (!one) throw new Error('no chart');
    const shared = { ...one, family: null } as Entry;
    expect(stands([shared], 'tests').isBegun).toBe(false);
    const code = without().find((e) => e.kind === 'code');
    expect(stands([shared, { ...code, chart: one.id } as Entry], 'tests').has).toEqual([one.title]);
  });
  it('the panel is told by what is on it', () => {
    expect(stands(without(), 'panel').has.join(', ')).toMatch(/^\d+ lamps.*1 rocker/);
  });
  it('a code that cannot be shown as described is named, and so is one nobody has described', () => {
    const entries = without().map(
      (e): Entry => (e.kind === 'code' && e.text === 'K19' ? { ...e, text: 'K77', suspects: [] } : e),
    );
    expect(stands(entries, 'shown').lacks.join()).toContain('K77 cannot be shown as described');
    expect(stands(entries, 'codes').lacks.join()).toContain('what to suspect for K77');
  });
  it('a code that says nothing of what can hurt is named; a word that it is harmless is enough', () => {
    const silent = without().map((e): Entry => (e.kind === 'code' && e.text === 'K19' ? { ...e, hazards: [] } : e));
    expect(stands(silent, 'hurts').lacks.join()).toContain('K19');
    const said = silent.map(
      (e): Entry => (e.kind === 'code' && e.text === 'K19' ? { ...e, harmless: 'Read only.' } : e),
    );
    expect(stands(said, 'hurts').lacks.join()).not.toContain('K19');
  });
});
