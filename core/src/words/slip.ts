import { assertNever } from '../base/result.ts';
import type { LookAlike } from '../decode/look-alikes.ts';
import type { Panel } from '../model/panel.ts';
import { segmentNames } from '../readout/segments.ts';
import { lampStateWords, partName } from './sign.ts';

/** What one slip is. */
export function slipWords({ slip }: LookAlike, panel: Panel): string {
  switch (slip.kind) {
    case 'lamp-dark':
      return `lamp ${partName(panel, slip.sign)} is dead or dim`;
    case 'rate':
      return `lamp ${partName(panel, slip.sign)} is ${lampStateWords[slip.shows]}, not ${lampStateWords[slip.seen]}`;
    case 'colour':
      return `the colour of ${partName(panel, slip.sign)} is another`;
    case 'blink-missed':
      return 'one blink was missed';
    case 'blink-added':
      return 'one blink too many was counted';
    case 'length':
      return `blink ${slip.position + 1} was long, or short`;
    case 'segment-lost':
      return `the segment ${segmentNames[slip.segment] ?? ''} of place ${slip.position + 1} is dead`;
    case 'character':
      return `place ${slip.position + 1} is the look-alike`;
    default:
      return assertNever(slip);
  }
}
