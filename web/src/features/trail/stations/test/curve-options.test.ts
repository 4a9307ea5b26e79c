import { expect, it } from 'vitest';
import type { Mode } from '../../../../foundation/theme/inks.ts';
import { paletteOf } from '../../../../foundation/theme/theme.ts';
import { curveOptions } from './curve-options.ts';

it('the curve follows the look of the page', () => {
  const drawn = (mode: Mode) => curveOptions(paletteOf(mode), { from: 0, to: 40, top: 30_000 });
  const [light, dark] = [drawn('light'), drawn('dark')];
  expect([light.theme?.mode, dark.theme?.mode]).toEqual(['light', 'dark']);
  for (const { colors } of [light, dark]) expect(new Set(colors).size).toBe(3);
  expect(dark.colors).not.toEqual(light.colors);
  expect(dark.grid?.borderColor).not.toBe(light.grid?.borderColor);
});
