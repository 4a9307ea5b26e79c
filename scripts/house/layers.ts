/** Which room may use which, said once: a room uses those before it in its list, never those after it. */
export type Layers = Readonly<{
  /** Where the rooms are. */
  root: string;
  rooms: readonly string[];
  /** Rooms that only tests use; they may use any. */
  forTests: readonly string[];
  /** Rooms within one room that must not use one another. */
  apart?: string;
}>;

export const layers: readonly Layers[] = [
  {
    root: 'core/src',
    rooms: [
      'base',
      'model',
      'unit',
      'spoken',
      'gesture',
      'script',
      'accounts',
      'timeline',
      'readout',
      'rhythm',
      'decode',
      'caller',
      'code',
      'chart',
      'play',
      'telling',
      'success',
      'route-lint',
      'modes-map',
      'walk',
      'find',
      'words',
      'library',
      'mend',
      'contract',
      'exchange',
      'print',
    ],
    forTests: ['testing'],
  },
  { root: 'server/src', rooms: ['db', 'http', 'features', 'app'], forTests: ['testing'] },
  {
    root: 'web/src',
    rooms: ['workers', 'foundation', 'parts', 'features', 'app'],
    forTests: ['testing'],
    apart: 'features',
  },
];

/** Which package may use which. Core is one room to the others, and has no way out. */
export const packages: Readonly<Record<string, readonly string[]>> = {
  core: [],
  server: ['@wire-trail/core'],
  web: ['@wire-trail/core'],
  cli: ['@wire-trail/core', '@wire-trail/server'],
};
