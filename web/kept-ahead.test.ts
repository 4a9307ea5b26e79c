import { describe, expect, it } from 'vitest';
import { neededAhead } from './kept-ahead.ts';

type Bundle = Parameters<typeof neededAhead>[0];
const chunk = (module: string, more: object = {}) => ({
  type: 'chunk',
  isEntry: false,
  facadeModuleId: `/src/${module}`,
  code: '',
  imports: [],
  dynamicImports: [],
  ...more,
});
const asset = (source = '') => ({ type: 'asset', source });
const built = {
  'assets/index.js': chunk('main.tsx', {
    isEntry: true,
    imports: ['assets/shared.js'],
    dynamicImports: ['assets/walk.js', 'assets/editor.js'],
    viteMetadata: { importedCss: new Set(['assets/index.css']), importedAssets: new Set() },
    // every part is named in the list of what a page needs: being named is not being needed
    code: 'const deps=["assets/editor.js","assets/editor.css"]',
  }),
  'assets/shared.js': chunk('shared.ts'),
  'assets/walk.js': chunk('features/trail/WalkPage.tsx', {
    code: 'new Worker(new URL("/assets/camera.js",""+import.meta.url))',
    dynamicImports: ['assets/pdf.js'],
  }),
  'assets/editor.js': chunk('features/entry-editor/EntryEditorPage.tsx', {
    imports: ['assets/shared.js', 'assets/grid.js'],
    viteMetadata: { importedCss: new Set(['assets/editor.css']), importedAssets: new Set() },
    code: 'new Worker(new URL("/assets/layout.js",""+import.meta.url))',
  }),
  'assets/grid.js': chunk('grid.ts'),
  'assets/pdf.js': chunk('parts/sheet/pdf.ts', { dynamicImports: ['assets/letters.ttf'] }),
  'assets/index.css': asset('@font-face{src:url(/assets/hand.woff2) format("woff2")}'),
  'assets/editor.css': asset(),
  'assets/hand.woff2': asset(),
  'assets/letters.ttf': asset(),
  'assets/camera.js': asset(),
  'assets/layout.js': asset(),
} as unknown as Bundle;

describe('what is fetched ahead', () => {
  it('is what the page, its styles and workers reach without passing a part that comes later', () => {
    expect([...neededAhead(built)].sort()).toEqual(
      ['camera.js', 'hand.woff2', 'index.css', 'index.js', 'shared.js', 'walk.js'].map((n) => `assets/${n}`),
    );
  });
  it('a circle between parts ends', () => {
    const round = {
      'assets/a.js': chunk('a.ts', { isEntry: true, imports: ['assets/b.js'] }),
      'assets/b.js': chunk('b.ts', { imports: ['assets/a.js', 'assets/gone.js'] }),
    } as unknown as Bundle;
    expect(neededAhead(round).size).toBe(2);
  });
});
