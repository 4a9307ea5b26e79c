import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { entriesOf, lampField } from '../index.ts';
import { dryer, glasswasher } from '../testing/bundles.ts';

const place = (id: string, x: number, y: number) => ({ id: id as never, x, y });
const [width, gap] = [350, 68];
const ids = (lamps: ReadonlyArray<{ id: string }>) => lamps.map((l) => l.id).join('');
const nearest = (lamps: ReadonlyArray<{ x: number; y: number }>) =>
  Math.min(
    ...lamps.flatMap((a, i) => lamps.slice(i + 1).map((b) => Math.hypot(a.x - b.x, a.y - b.y))),
    Number.POSITIVE_INFINITY,
  );

describe('lampField', () => {
  it('whatever the face, a finger finds each lamp, and all of them are in sight', () => {
    const spot = fc.record({
      x: fc.double({ min: 0, max: 60, noNaN: true }),
      y: fc.double({ min: 0, max: 30, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.array(spot, { maxLength: 16 }), (spots) => {
        const field = lampField(
          spots.map((s, i) => place(String(i), s.x, s.y)),
          width,
          gap,
        );
        expect(field.lamps).toHaveLength(spots.length);
        expect(nearest(field.lamps)).toBeGreaterThanOrEqual(Math.min(gap, width / 5) - 1e-6);
        for (const { x, y } of field.lamps) {
          expect(Math.min(x, width - x)).toBeGreaterThanOrEqual(gap / 2 - 1e-6);
          expect(Math.min(y, field.height - y)).toBeGreaterThanOrEqual(gap / 2 - 1e-6);
        }
      }),
    );
  });
  it('keeps the shape of an arc', () => {
    const arc = [place('a', 0, 9), place('b', 8, 3), place('c', 16, 0), place('d', 24, 3), place('e', 32, 9)];
    const { lamps } = lampField(arc, width, gap);
    expect(ids([...lamps].sort((p, q) => p.x - q.x))).toBe('abcde');
    expect(lamps[2]?.y).toBe(Math.min(...lamps.map((l) => l.y)));
    expect(lamps[0]?.y).toBeCloseTo(lamps[4]?.y ?? 0, 6);
  });
  it('a long row is broken into lines, in its order', () => {
    const row = [...'abcdefgh'].map((id, i) => place(id, i * 3, 2));
    const { lamps } = lampField(row, width, gap);
    expect(ids(lamps)).toBe('abcdefgh');
    expect(new Set(lamps.map((l) => l.y)).size).toBe(2);
  });
  it('two close lamps are not blown up beyond what a finger needs', () => {
    const { lamps } = lampField([place('a', 1, 1), place('b', 2, 1)], width, gap);
    expect(nearest(lamps)).toBeLessThan(gap * 1.7);
  });
  it('holds for every face there is', () => {
    for (const bundle of [glasswasher(), dryer()])
      for (const face of entriesOf(bundle, 'panel').flatMap((p) => p.faces)) {
        const lamps = face.signs.filter((s) => s.kind === 'lamp').map((s) => place(s.id, s.at.x, s.at.y));
        expect(nearest(lampField(lamps, width, gap).lamps)).toBeGreaterThanOrEqual(gap - 1e-6);
      }
  });
});
