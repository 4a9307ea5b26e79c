import { z } from 'zod';
import {
  AccessId,
  AccountId,
  AssetId,
  ChartId,
  CodeId,
  ControlId,
  ControllerId,
  EventId,
  FamilyId,
  HazardId,
  InputId,
  InstrumentId,
  MachineId,
  MeaningId,
  ModeId,
  NodeId,
  PanelId,
  ParameterId,
  PartId,
  PlaceId,
  ReadoutId,
  RouteId,
  SettingId,
  SignId,
  SourceId,
  StageId,
  SymptomId,
  VariableId,
  VariantId,
  WalkId,
} from '../base/ids.ts';
import { Label, Prose } from '../base/text.ts';

/** Everything that is named by an id, with the schema of that id. */
const idSchemas = {
  family: FamilyId,
  panel: PanelId,
  mode: ModeId,
  route: RouteId,
  readout: ReadoutId,
  code: CodeId,
  symptom: SymptomId,
  setting: SettingId,
  chart: ChartId,
  source: SourceId,
  hazard: HazardId,
  instrument: InstrumentId,
  asset: AssetId,
  access: AccessId,
  meaning: MeaningId,
  account: AccountId,
  control: ControlId,
  sign: SignId,
  face: PlaceId,
  controller: ControllerId,
  part: PartId,
  parameter: ParameterId,
  variant: VariantId,
  input: InputId,
  badge: z.string().min(1).max(64),
  place: PlaceId,
  variable: VariableId,
  test: z.string().min(1).max(12),
  stage: StageId,
  special: StageId,
  mark: StageId,
  'reading-account': StageId,
  node: NodeId,
  machine: MachineId,
  walk: WalkId,
  event: EventId,
} as const;
export type IdKind = keyof typeof idSchemas;
export const idKinds = Object.keys(idSchemas) as IdKind[];
type SchemaOf<K extends IdKind> = (typeof idSchemas)[K];

/**
 * Where the ids of a kind are unique, nearest first: among the entries of a bundle, on the unit, or within one thing of
 * another kind. A shared chart has parts (its roles) and parameters of its own beside the family's. What the server and
 * the devices keep (machines, walks, events) is in no bundle.
 */
export const idHomes: Readonly<Record<IdKind, ReadonlyArray<'entries' | 'unit' | 'records' | IdKind>>> = {
  family: ['entries'],
  panel: ['entries'],
  mode: ['entries'],
  route: ['entries'],
  readout: ['entries'],
  code: ['entries'],
  symptom: ['entries'],
  setting: ['entries'],
  chart: ['entries'],
  source: ['entries'],
  hazard: ['entries'],
  instrument: ['entries'],
  asset: ['entries'],
  access: ['entries'],
  meaning: ['entries'],
  account: ['entries'],
  control: ['unit'],
  sign: ['unit'],
  face: ['unit'],
  controller: ['unit'],
  part: ['chart', 'unit'],
  parameter: ['chart', 'unit'],
  variant: ['unit'],
  input: ['unit'],
  badge: ['unit'],
  place: ['control'],
  variable: ['mode'],
  test: ['mode'],
  stage: ['readout'],
  special: ['readout'],
  mark: ['readout'],
  'reading-account': ['readout'],
  node: ['chart'],
  machine: ['records'],
  walk: ['records'],
  event: ['records'],
};

/** What a string in a stored document is, said at its schema. */
export type Meaning =
  | Readonly<{
      role: 'names';
      kinds: readonly IdKind[];
      /** The field, here or further out, that says within which thing the name holds; else the thing it stands in. */
      by: string | null;
      /** May stand for something else as well, so that one which names nothing is no error. */
      mayBeOther: boolean;
    }>
  /** `kind:id` of an entry. */
  | Readonly<{ role: 'names-entry' }>
  | Readonly<{ role: 'defines'; kind: IdKind }>
  /** Text in which `{id}` stands for a role of the chart. */
  | Readonly<{ role: 'mentions'; kind: IdKind }>
  /** Nobody looks anything up by it. */
  | Readonly<{ role: 'text'; what: string }>;

const meanings = z.registry<Meaning>();
const scopes = z.registry<Readonly<{ kind: IdKind }>>();

/** What a schema's string is; undefined for what is no string, or was not said. */
export const meaningOf = (schema: z.core.$ZodType): Meaning | undefined => meanings.get(schema);
/** The kind of thing an object's schema describes, where ids hold within it. */
export const scopeOf = (schema: z.core.$ZodType): IdKind | undefined => scopes.get(schema)?.kind;

const copy = <S extends z.core.$ZodType>(schema: S, meaning: Meaning): S => {
  const own = z.core.clone(schema, schema._zod.def);
  meanings.add(own, meaning);
  return own;
};

// a copy is of the class it was made of; which member of the union that is follows the kind
const copyOfId = <K extends IdKind>(kind: K, meaning: Meaning): SchemaOf<K> =>
  copy<z.core.$ZodType>(idSchemas[kind], meaning) as SchemaOf<K>;

/** A field that names one thing of a kind. `by` is the field that says within which thing. */
export const ref = <K extends IdKind>(kind: K, by: string | null = null): SchemaOf<K> =>
  copyOfId(kind, { role: 'names', kinds: [kind], by, mayBeOther: false });

/** A field that names a thing of one kind or another. */
export const refToEither = <A extends IdKind, B extends IdKind>(a: A, b: B): z.ZodUnion<[SchemaOf<A>, SchemaOf<B>]> =>
  copy(z.union([idSchemas[a], idSchemas[b]]), { role: 'names', kinds: [a, b], by: null, mayBeOther: false });

/** Text that may name a thing of a kind, or be something else. */
export const refOrText = <S extends z.ZodType<string>>(kind: IdKind, text: S): S =>
  copy(text, { role: 'names', kinds: [kind], by: null, mayBeOther: true });

/** A field that names an entry of any kind as `kind:id`. */
export const refToEntry = () => copy(z.string().max(140), { role: 'names-entry' });

/** The id of the very thing that is described. */
export const defines = <K extends IdKind>(kind: K): SchemaOf<K> => copyOfId(kind, { role: 'defines', kind });

/** Within what this object describes, ids hold that hold nowhere else. */
export function scoped<S extends z.ZodType>(kind: IdKind, schema: S): S {
  scopes.add(schema, { kind });
  return schema;
}

/** A string that nobody looks anything up by, and what it is. */
export const plain = <S extends z.ZodType>(what: string, schema: S): S => copy(schema, { role: 'text', what });

/** Text in which `{id}` stands for a role of the chart it is in. */
export const withRoles = <S extends z.ZodType<string>>(schema: S): S =>
  copy(schema, { role: 'mentions', kind: 'part' });

meanings.add(Label, { role: 'text', what: 'a label' });
meanings.add(Prose, { role: 'text', what: 'a sentence or a few' });
