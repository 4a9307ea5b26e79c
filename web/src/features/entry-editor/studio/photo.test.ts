import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { drawnAs, laidOn, madeAsWide, readPhoto } from './photo.ts';

const face = { width: 60, height: 30 };
const ratio = fc.double({ min: 0.2, max: 5, noNaN: true });
const middle = (d: Readonly<{ x: number; y: number; width: number; height: number }>) => [
  d.x + d.width / 2,
  d.y + d.height / 2,
];

describe('a photograph under a face', () => {
  it('lies as wide as the face at first, its middle on the middle of the face, whatever its form', () => {
    fc.assert(
      fc.property(ratio, (r) => {
        const drawn = drawnAs(laidOn(face, r), r);
        expect(drawn.width).toBe(face.width);
        expect(drawn.width / drawn.height).toBeCloseTo(r, 9);
        expect(middle(drawn)).toEqual([expect.closeTo(30, 6), expect.closeTo(15, 6)]);
      }),
    );
  });
  it('is made wider and turned about its middle', () => {
    fc.assert(
      fc.property(
        ratio,
        fc.double({ min: 1, max: 300, noNaN: true }),
        fc.integer({ min: -180, max: 180 }),
        (r, width, turned) => {
          const before = { ...laidOn(face, r), x: 7, y: -3, turned };
          const after = madeAsWide(before, width, r);
          const [a, b] = [middle(drawnAs(before, r)), middle(drawnAs(after, r))];
          expect(b.map((n, i) => Math.abs(n - (a[i] ?? 0)) < 1e-6)).toEqual([true, true]);
          expect(after.width).toBe(width);
          expect(drawnAs(after, r).transform).toMatch(new RegExp(`^rotate\\(${turned} `));
        },
      ),
    );
  });
  it('is refused with a word where there is nothing in it, or far too much', async () => {
    expect(await readPhoto(new File([], 'front.jpg', { type: 'image/jpeg' }), face)).toBe('front.jpg is empty.');
    const large = new File(['x'], 'front.jpg', { type: 'image/jpeg' });
    Object.defineProperty(large, 'size', { value: 101 * 2 ** 20 });
    expect(await readPhoto(large, face)).toBe('front.jpg is larger than 100 MB.');
  });
});
