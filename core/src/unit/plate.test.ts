import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { compareVersions, familyEntry, matchesModel, type Plate, resolvePlate } from '../index.ts';
import { glasswasher } from '../testing/bundles.ts';

describe('matchesModel', () => {
  it.each([
    ['G4-2?[A-D]*', 'G4-20A', true],
    ['G4-2?[A-D]*', 'g4 20 b/230', true],
    ['G4-2?[A-D]*', 'G4-20E', false],
    ['G4-4*', 'G4-4', true],
    ['G4-4(X)', 'G4-4X', true],
    ['G4-4(X)', 'G4-4', true],
    ['G4-4(X)', 'G4-4Y', false],
    ['G.4', 'GX4', false],
  ])('%s against %s: %s', (pattern, model, expected) => expect(matchesModel(pattern, model)).toBe(expected));
});

describe('compareVersions', () => {
  it.each([
    ['3.10', '3.9', 1],
    ['2.4', '2.4.0', 0],
    ['2.3.9', '2.4', -1],
  ])('%s against %s', (a, b, sign) => expect(Math.sign(compareVersions(a, b))).toBe(sign));
  const version = fc.array(fc.nat(30), { minLength: 1, maxLength: 4 }).map((n) => n.join('.'));
  it('is an order', () => {
    fc.assert(
      fc.property(version, version, (a, b) => {
        expect(Math.sign(compareVersions(a, b)) + Math.sign(compareVersions(b, a))).toBe(0);
      }),
    );
  });
});

describe('resolvePlate', () => {
  const family = familyEntry(glasswasher());
  it.each<[string, Plate, string | null, string[], number]>([
    ['new software', { model: 'G4-20A', serial: null, software: '2.10' }, 'single-late', ['single-late'], 1080],
    ['old software', { model: 'G4-20A', serial: null, software: '2.3' }, 'single-early', ['single-early'], 540],
    [
      'software unknown keeps both alive',
      { model: 'G4-20A', serial: null, software: null },
      null,
      ['single-early', 'single-late'],
      540,
    ],
    ['three phase', { model: 'G4-45', serial: null, software: null }, 'three-phase', ['three-phase'], 540],
    ['a model of nobody', { model: 'ZZ', serial: null, software: null }, null, [], 540],
    [
      'nothing readable',
      { model: null, serial: null, software: null },
      null,
      ['single-early', 'single-late', 'three-phase'],
      540,
    ],
  ])('%s', (_, plate, variant, alive, limit) => {
    const resolved = resolvePlate(family, plate);
    expect([resolved.variant, resolved.alive, resolved.parameters.get('warm-up-limit' as never)]).toEqual([
      variant,
      alive,
      limit,
    ]);
  });
  it('says why', () => {
    expect(resolvePlate(family, { model: 'G4-20A', serial: null, software: '2.6' }).why).toEqual([
      { kind: 'model', pattern: 'G4-2?[A-D]*' },
      { kind: 'software', from: '2.4', below: null },
    ]);
  });
});
