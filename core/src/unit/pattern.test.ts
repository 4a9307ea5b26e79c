import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { compilePattern, fits, leftOut, type ModelMatcher, sharedModel } from './pattern.ts';

const matcher = (pattern: string): ModelMatcher => {
  const compiled = compilePattern(pattern);
  if (!compiled.ok) throw new Error(`${pattern}: ${JSON.stringify(compiled.error)}`);
  return compiled.value;
};

describe('compilePattern', () => {
  it.each([
    ['G4-2?[A-D]*', 'G4-20A', true],
    ['G4-2?[A-D]*', 'g4 20 b/230', true],
    ['G4-2?[A-D]*', 'G4-20E', false],
    ['G4-4(X)', 'G4-4X', true],
    ['G4-4(X)', 'G4-4', true],
    ['G4-4(X)', 'G4-4Y', false],
    ['G.4', 'GX4', false],
    ['T{8-120}', 'T8', true],
    ['T{8-120}', 'T119', true],
    ['T{8-120}', 'T121', false],
    ['T{8-120}', 'T7', false],
    ['T{8-120}', 'T08', false],
    ['T{008-120}', 'T008', true],
    ['T{008-120}', 'T8', false],
    ['A(B(C))D', 'ABD', true],
    ['A(B(C))D', 'ABCD', true],
    ['A(B(C))D', 'ACD', false],
    ['*7*', '1072', true],
  ])('%s against %s: %s', (pattern, model, expected) => expect(fits(matcher(pattern), model)).toBe(expected));

  it.each([
    ['G4(', 3, 'not-closed'],
    ['G4)', 3, 'not-opened'],
    ['G4[A', 3, 'not-closed'],
    ['G4[]', 3, 'empty'],
    ['G4()', 4, 'empty'],
    ['G4[D-A]', 3, 'range'],
    ['G4{9-1}', 3, 'range'],
    ['G4{x}', 3, 'range'],
    ['G4]', 3, 'not-opened'],
    ['G4+', 3, 'character'],
  ])('%s: column %d, %s', (pattern, column, why) =>
    expect(compilePattern(pattern)).toEqual({ ok: false, error: { column, why } }),
  );

  it('a range of numbers is just those numbers', () => {
    const number = fc.nat(3000);
    fc.assert(
      fc.property(number, number, number, (a, b, n) => {
        const [low, high] = a < b ? [a, b] : [b, a];
        expect(fits(matcher(`N{${low}-${high}}`), `N${n}`)).toBe(low <= n && n <= high);
      }),
    );
  });
});

describe('sharedModel', () => {
  it.each([
    ['G4-2*', 'G4-?1', 'G421'],
    ['G4-2*', 'G4-3*', null],
    ['K{10-19}', 'K{19-30}', 'K19'],
    ['K{10-19}', 'K{20-30}', null],
    ['A(B)', 'A', 'A'],
    ['[AB]C', '[BD]C', 'BC'],
  ])('%s and %s: %s', (a, b, expected) => expect(sharedModel(matcher(a), matcher(b))).toBe(expected));

  it('is a model both take, the same whichever comes first; and none is left unfound among short ones', () => {
    const piece = fc.constantFrom('A', 'B', '7', '?', '*', '[A-C7]', '(B)', '{5-12}');
    const pattern = fc.array(piece, { minLength: 1, maxLength: 5 }).map((pieces) => pieces.join(''));
    const model = fc.string({ unit: fc.constantFrom('A', 'B', 'C', '7', '1', '2'), maxLength: 5 });
    fc.assert(
      fc.property(pattern, pattern, model, (a, b, some) => {
        const [x, y] = [matcher(a), matcher(b)];
        const shared = sharedModel(x, y);
        if (shared !== null) expect([fits(x, shared), fits(y, shared)]).toEqual([true, true]);
        else expect(fits(x, some) && fits(y, some)).toBe(false);
        expect((sharedModel(y, x) ?? '').length).toBe((shared ?? '').length);
      }),
    );
  });
});

describe('leftOut', () => {
  it.each([
    ['*', null],
    ['?*', null],
    ['(A)*', null],
    ['A*', 'B'],
    ['?', 'AA'],
  ])('%s leaves out %s', (pattern, expected) => expect(leftOut(matcher(pattern))).toBe(expected));
});
