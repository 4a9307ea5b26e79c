import type { Plugin, Rollup } from 'vite';

/** Parts no technician needs on the way: they come when they are first opened, and stay on the device from then on. */
const comesLater = [
  /\/features\/(bench|entry-editor|settings)\//,
  /\/features\/shelf\/(LibraryPage|table\/CodeTable|modes\/ModesGraph)/,
  /\/parts\/sheet\/pdf\./,
];

type Built = Rollup.OutputChunk | Rollup.OutputAsset;

/** Files a technician may need without a connection: what the page reaches without passing through a part that comes later. */
export function neededAhead(bundle: Readonly<Record<string, Built>>): ReadonlySet<string> {
  const needed = new Set<string>();
  const visit = (name: string): void => {
    const file = bundle[name];
    if (!file || needed.has(name)) return;
    if (file.type === 'chunk' && comesLater.some((part) => part.test(file.facadeModuleId ?? ''))) return;
    needed.add(name);
    if (file.type === 'asset') {
      if (name.endsWith('.css')) for (const used of namesIn(String(file.source), /url\(["']?([^"')]+)/g)) visit(used);
      return;
    }
    const { importedCss, importedAssets } = file.viteMetadata ?? {};
    const workers = namesIn(file.code, /new URL\(\s*["'`]([^"'`]+)/g);
    for (const next of [
      ...file.imports,
      ...file.dynamicImports,
      ...(importedCss ?? []),
      ...(importedAssets ?? []),
      ...workers,
    ])
      visit(next);
  };
  const namesIn = (text: string, pattern: RegExp): string[] =>
    [...text.matchAll(pattern)].map(([, url]) => `assets/${url?.split('/').at(-1) ?? ''}`);
  for (const [name, file] of Object.entries(bundle)) if (file.type === 'chunk' && file.isEntry) visit(name);
  return needed;
}

/** What of the build the service worker fetches ahead, as a filter of its list, which is made after the build is written. */
export function keptAhead(): Readonly<{ plugin: Plugin; keeps: (url: string) => boolean }> {
  let needed: ReadonlySet<string> = new Set();
  return {
    plugin: {
      name: 'kept-ahead',
      apply: 'build',
      generateBundle(_, bundle) {
        needed = neededAhead(bundle);
      },
    },
    // what stands beside the built parts, the page itself and its picture, always
    keeps: (url) => !url.startsWith('assets/') || needed.has(url),
  };
}
