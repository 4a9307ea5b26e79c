/** Where a finding stands: keys and indexes from the bundle's root, e.g. `entries`, 12, `suspects`, 0. */
export type Path = ReadonlyArray<string | number>;
