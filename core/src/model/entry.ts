import { z } from 'zod';
import { Access } from './access.ts';
import { Chart } from './chart.ts';
import { Code, Meaning, Setting, Symptom } from './code.ts';
import { Family } from './family.ts';
import { Mode } from './mode.ts';
import { Panel } from './panel.ts';
import { Readout } from './readout.ts';
import { plain, ref } from './reference.ts';
import { Account, Route } from './route.ts';
import { Asset, Hazard, Instrument, Source } from './source.ts';

const anyEntry = z.union([
  z.discriminatedUnion('kind', [
    Family,
    Panel,
    Mode,
    Route,
    Readout,
    Code,
    Symptom,
    Setting,
    Chart,
    Hazard,
    Instrument,
    Asset,
    Access,
    Meaning,
    Account,
  ]),
  Source,
]);
type AnyEntry = typeof anyEntry;
/** The shape by a name of its own: what holds an entry says so in a word, not in all that an entry may be. */
export interface EntrySchema extends AnyEntry {}
/** Anything with revisions of its own. */
export const Entry: EntrySchema = anyEntry;
export type Entry = z.infer<typeof Entry>;

export const entryKinds = [
  'family',
  'panel',
  'mode',
  'route',
  'readout',
  'code',
  'symptom',
  'setting',
  'chart',
  'source',
  'hazard',
  'instrument',
  'asset',
  'access',
  'meaning',
  'account',
] as const satisfies ReadonlyArray<Entry['kind']>;
export const EntryKind = z.enum(entryKinds);
export type EntryKind = Entry['kind'];
export type EntryOf<K extends EntryKind> = Extract<Entry, { kind: K }>;

/** The schema of one kind, for messages that name the field instead of "no member of the union fits". */
export const entrySchemas: { readonly [K in EntryKind]: z.ZodType<EntryOf<K>> } = {
  family: Family,
  panel: Panel,
  mode: Mode,
  route: Route,
  readout: Readout,
  code: Code,
  symptom: Symptom,
  setting: Setting,
  chart: Chart,
  source: Source,
  hazard: Hazard,
  instrument: Instrument,
  asset: Asset,
  access: Access,
  meaning: Meaning,
  account: Account,
};

/** What an entry is known by: its kind and id within its family, or within the library where it belongs to none. */
export const EntryKey = z.strictObject({
  family: ref('family').nullable(),
  kind: EntryKind,
  id: plain(
    'the id of an entry',
    z
      .string()
      .min(1)
      .max(64)
      .regex(/^[a-z0-9-]+$/, 'lower-case letters, digits and dashes'),
  ),
});
export type EntryKey = z.infer<typeof EntryKey>;
