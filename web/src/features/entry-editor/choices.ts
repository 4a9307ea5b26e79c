import { type Entry, type EntryKind, entriesOf, titleOf } from '@wire-trail/core';

export type SchemaContext = Readonly<{
  bodies: { entries: Entry[] };
  /** What is wrong, by dotted path from the entry's root. */
  problems: ReadonlyMap<string, string>;
  /** Fields that are not asked for here. */
  hidden?: ReadonlySet<string>;
  /** Choices of a field that only this entry knows, by the field’s name; null where it is as anywhere. */
  own?: (name: string) => Array<readonly [string, string]> | null;
  /** Words that are likely in a field of that name, beside whatever else may be typed. */
  likely?: (name: string) => readonly string[];
}>;
export type Path = ReadonlyArray<string | number>;

/** Which kind of entry, or which list of the family, a field's id is chosen from. */
const entryFields: Readonly<Record<string, EntryKind>> = {
  source: 'source',
  hazards: 'hazard',
  chart: 'chart',
  route: 'route',
  next: 'route',
  enter: 'route',
  clear: 'route',
  readout: 'readout',
  instrument: 'instrument',
  recalibrate: 'route',
  recalibrateBy: 'route',
  setting: 'setting',
  ways: 'access',
  pictures: 'asset',
  to: 'mode',
  modes: 'mode',
};
const familyFields: Readonly<Record<string, 'controllers' | 'parts' | 'parameters' | 'variants'>> = {
  controller: 'controllers',
  part: 'parts',
  cause: 'parts',
  about: 'parts',
  parameter: 'parameters',
  variant: 'variants',
  variants: 'variants',
  onlyVariants: 'variants',
};

/** What a field's id may be chosen from; null where it is free text. */
export function choicesFor(name: string, { bodies, own }: SchemaContext): Array<readonly [string, string]> | null {
  const mine = own?.(name);
  if (mine) return mine;
  const kind = entryFields[name];
  if (kind) return entriesOf(bodies, kind).map((e) => [e.id, titleOf(e)] as const);
  const list = familyFields[name];
  if (list)
    return entriesOf(bodies, 'family').flatMap((f) =>
      f[list].map((item: { id: string; name: string }) => [item.id, item.name] as const),
    );
  if (name === 'sign' || name === 'control') {
    const faces = entriesOf(bodies, 'panel').flatMap((p) => p.faces);
    return faces.flatMap((f) => (name === 'sign' ? f.signs : f.controls).map((p) => [p.id, p.label] as const));
  }
  return null;
}

/** The name of the nearest field that is no index: items of `hazards` are chosen as `hazards` are. */
export const nameAt = (path: Path): string => String([...path].reverse().find((p) => typeof p === 'string') ?? '');

/** What can be a key of a record: badges for labels by badge, parameters for values, else whatever is typed. */
export function keysFor(name: string, { bodies }: SchemaContext): Array<readonly [string, string]> | null {
  const [family] = entriesOf(bodies, 'family');
  if (name === 'labelByBadge') return family?.badges.map((b) => [b.id, b.name] as const) ?? [];
  if (name === 'values') return family?.parameters.map((p) => [p.id, p.name] as const) ?? [];
  return null;
}
