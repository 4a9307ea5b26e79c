import { readdirSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { describe, expect, it } from 'vitest';

const root = fileURLToPath(new URL('../../web/src/', import.meta.url));
const files = readdirSync(root, { recursive: true, encoding: 'utf8' }).filter((f) => /\.(css|tsx?)$/.test(f));
/** Everything but the theme, which is the one place that names looks, and tests. */
const others = new Map(
  files
    .filter((f) => !/foundation\/theme\/|\.test\./.test(f))
    .map((f) => [f, readFileSync(`${root}${f}`, 'utf8').replace(/\/\*[\s\S]*?\*\//g, '')] as const),
);

/** Lines of style sheets, or of components, that say something of looks a theme should say. */
const saying = (wrong: RegExp, of: 'css' | 'tsx' | 'both'): string[] =>
  [...others].flatMap(([file, text]) =>
    of === 'both' || file.endsWith('.css') === (of === 'css')
      ? text.split('\n').flatMap((line, i) => (wrong.test(line) ? [`${file}:${i + 1} ${line.trim()}`] : []))
      : [],
  );

describe('the looks', () => {
  const colour = /#[0-9a-f]{3,8}\b(?!['"]?\))|\b(?:rgba?|hsla?|oklch|lab)\(/i;
  it('have every colour in the theme; pictures reckon theirs', () => {
    expect(["color: '#a34c1c'", 'fill: #fff;', 'rgb(0 0 0 / 14%)'].every((line) => colour.test(line))).toBe(true);
    // a simulated picture is made of grey values, point by point
    expect(saying(colour, 'both').filter((at) => !/feed-picture\.ts:\d+ .*\$\{/.test(at))).toEqual([]);
  });
  it('have every radius in the theme', () => {
    const radius = /border(?:-\w+)*-radius:(?!(?:\s*(?:var\(--round-\d\)|var\(--round-full\)|0|50%|inherit))+\s*;)/;
    expect(radius.test('border-radius: 8px;')).toBe(true);
    expect(radius.test('border-radius: 0 var(--round-2) var(--round-2) 0;')).toBe(false);
    expect(saying(radius, 'css')).toEqual([]);
    expect(saying(/borderRadius:\s*(?:[1-9]|['"]\d)/, 'tsx')).toEqual([]);
  });
  it('have every face in the theme', () => {
    const face = /font(?:-family)?:(?!.*(?:var\(--(?:mono|sans)\)|inherit))/;
    expect(face.test('font: 700 1rem Georgia;')).toBe(true);
    expect(saying(face, 'css')).toEqual([]);
    expect(saying(/fontFamily:(?!.*(?:var\(|paletteOf|theme|inherit))/, 'tsx')).toEqual([]);
  });
});
