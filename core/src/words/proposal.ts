import { assertNever } from '../base/result.ts';
import { formatTaken } from '../chart/measure.ts';
import type { Bundle } from '../model/bundle.ts';
import type { Proposal } from '../model/proposal.ts';
import { entryOf, familyEntry } from '../model/select.ts';

/** What is offered, in a line. */
export function proposalWords(bundle: Bundle, offer: Proposal): string {
  switch (offer.kind) {
    case 'way':
      return `Another way of “${entryOf(bundle, 'route', offer.route)?.name ?? offer.route}”`;
    case 'fix': {
      const part = familyEntry(bundle).parts.find((p) => p.id === offer.part)?.name;
      const of = entryOf(bundle, 'code', offer.code)?.text ?? entryOf(bundle, 'symptom', offer.symptom)?.title ?? '';
      return part ? `Behind ${of}: ${part}` : `What was behind ${of}`;
    }
    case 'reading': {
      const node = entryOf(bundle, 'chart', offer.chart)?.nodes.find((n) => n.id === offer.node);
      const { reading } = offer;
      const at = reading.atCelsius === null ? '' : ` at ${formatTaken({ quantity: 'temperature' }, reading.atCelsius)}`;
      return `${node?.title ?? offer.node}: ${formatTaken(reading, reading.value)}${at}, and all was well`;
    }
    default:
      return assertNever(offer);
  }
}
