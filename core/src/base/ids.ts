import { z } from 'zod';

/** Slugs are short, lower case and readable, because people keep bundles in files and type ids by hand. */
const slug = z
  .string()
  .min(1)
  .max(64)
  .regex(/^[a-z0-9][a-z0-9-]*$/, 'lower-case letters, digits and dashes, beginning with a letter or digit');

export const FamilyId = slug.brand<'FamilyId', 'inout'>();
export const PanelId = slug.brand<'PanelId', 'inout'>();
export const ControlId = slug.brand<'ControlId', 'inout'>();
export const SignId = slug.brand<'SignId', 'inout'>();
export const PlaceId = slug.brand<'PlaceId', 'inout'>();
export const PartId = slug.brand<'PartId', 'inout'>();
export const VariantId = slug.brand<'VariantId', 'inout'>();
export const ParameterId = slug.brand<'ParameterId', 'inout'>();
export const ControllerId = slug.brand<'ControllerId', 'inout'>();
export const InputId = slug.brand<'InputId', 'inout'>();
export const ModeId = slug.brand<'ModeId', 'inout'>();
export const VariableId = slug.brand<'VariableId', 'inout'>();
export const RouteId = slug.brand<'RouteId', 'inout'>();
export const ReadoutId = slug.brand<'ReadoutId', 'inout'>();
export const StageId = slug.brand<'StageId', 'inout'>();
export const CodeId = slug.brand<'CodeId', 'inout'>();
export const SymptomId = slug.brand<'SymptomId', 'inout'>();
export const SettingId = slug.brand<'SettingId', 'inout'>();
export const ChartId = slug.brand<'ChartId', 'inout'>();
export const NodeId = slug.brand<'NodeId', 'inout'>();
export const SourceId = slug.brand<'SourceId', 'inout'>();
export const HazardId = slug.brand<'HazardId', 'inout'>();
export const AccessId = slug.brand<'AccessId', 'inout'>();
export const MeaningId = slug.brand<'MeaningId', 'inout'>();
export const AccountId = slug.brand<'AccountId', 'inout'>();
export const InstrumentId = slug.brand<'InstrumentId', 'inout'>();
/** A picture is named by the SHA-256 of its bytes. */
export const AssetId = z
  .string()
  .regex(/^[0-9a-f]{64}$/)
  .brand<'AssetId', 'inout'>();
export const MachineId = z.uuid().brand<'MachineId', 'inout'>();
export const WalkId = z.uuid().brand<'WalkId', 'inout'>();
export const EventId = z.uuid().brand<'EventId', 'inout'>();

export type FamilyId = z.infer<typeof FamilyId>;
export type PanelId = z.infer<typeof PanelId>;
export type ControlId = z.infer<typeof ControlId>;
export type SignId = z.infer<typeof SignId>;
export type PlaceId = z.infer<typeof PlaceId>;
export type PartId = z.infer<typeof PartId>;
export type VariantId = z.infer<typeof VariantId>;
export type ParameterId = z.infer<typeof ParameterId>;
export type ControllerId = z.infer<typeof ControllerId>;
export type InputId = z.infer<typeof InputId>;
export type ModeId = z.infer<typeof ModeId>;
export type VariableId = z.infer<typeof VariableId>;
export type RouteId = z.infer<typeof RouteId>;
export type ReadoutId = z.infer<typeof ReadoutId>;
export type StageId = z.infer<typeof StageId>;
export type CodeId = z.infer<typeof CodeId>;
export type SymptomId = z.infer<typeof SymptomId>;
export type SettingId = z.infer<typeof SettingId>;
export type ChartId = z.infer<typeof ChartId>;
export type NodeId = z.infer<typeof NodeId>;
export type SourceId = z.infer<typeof SourceId>;
export type HazardId = z.infer<typeof HazardId>;
export type AccessId = z.infer<typeof AccessId>;
export type MeaningId = z.infer<typeof MeaningId>;
export type AccountId = z.infer<typeof AccountId>;
export type InstrumentId = z.infer<typeof InstrumentId>;
export type AssetId = z.infer<typeof AssetId>;
export type MachineId = z.infer<typeof MachineId>;
export type WalkId = z.infer<typeof WalkId>;
export type EventId = z.infer<typeof EventId>;
