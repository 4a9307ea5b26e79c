import { assertNever } from '../base/result.ts';
import type { MeasureCaution } from '../chart/cautions.ts';

/** A caution of a measurement, in a sentence or two. */
export function cautionWords(caution: MeasureCaution): string {
  switch (caution.kind) {
    case 'zero-leads':
      return 'Zero the leads first: what they have themselves counts here.';
    case 'temperature-to-a-tenth':
      return `Half a degree is worth ${Number((caution.halfDegreeRatio * 100).toFixed(1))} % here: read the temperature to a tenth.`;
    case 'hands-off-and-discharge':
      return `Hands off while it tests${caution.testVolt === null ? '' : ` at ${caution.testVolt} V`}. Afterwards discharge it for as long as it was tested.`;
    default:
      return assertNever(caution);
  }
}
