import type { HazardId, PartId } from '../base/ids.ts';
import type { Quantity } from '../base/quantity.ts';
import type { Access } from '../model/access.ts';
import type { Part, Variant } from '../model/family.ts';
import type { Readout } from '../model/readout.ts';
import type { Asset, Hazard, Instrument } from '../model/source.ts';
import type { Parameters } from './band.ts';

/** What a chart is held against: the family's own values and parts, and what the library says of hazards and meters. */
export type ChartSurroundings = Readonly<{
  parameters: Parameters;
  /** What each parameter is a value of. */
  quantities: ReadonlyMap<string, Quantity | 'ratio'>;
  hazards: ReadonlyMap<HazardId, Hazard>;
  ways: ReadonlyMap<string, Access>;
  parts: ReadonlyMap<PartId, Part>;
  instruments: ReadonlyMap<string, Instrument>;
  pictures: ReadonlyMap<string, Asset>;
  readouts: ReadonlyMap<string, Readout>;
  variants: readonly Variant[];
  controllers: readonly string[];
  /** Routes that recalibrate. */
  calibrating: ReadonlySet<string>;
}>;
