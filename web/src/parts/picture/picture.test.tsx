import { describe, expect, it } from 'vitest';
import { closeUp } from './close-up.ts';

describe('a closer look at points of a picture', () => {
  const at = (...pairs: Array<[number, number]>) => closeUp(pairs.map(([x, y]) => ({ x, y })));
  it('is centred between them, and as large as shows them all', () => {
    expect(at()).toBeNull();
    expect(at([0.3, 0.4])).toEqual({ x: 0.3, y: 0.4, zoom: 2 });
    expect(at([0.1, 0.5], [0.6, 0.5])).toMatchObject({ x: 0.35, y: 0.5, zoom: 1.2 });
  });
  it('is not taken where one of them would be lost', () => {
    expect(at([0.1, 0.5], [0.8, 0.5])).toBeNull();
    expect(at([0.5, 0.1], [0.5, 0.5])).toBeNull();
  });
});
