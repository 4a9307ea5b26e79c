import type { MeterReading, Quantity } from '../base/quantity.ts';
import type { GoodBand } from './band.ts';

export type Named = 'open' | 'short' | 'never';
export type ReadingVerdict = Readonly<{
  verdict: 'pass' | 'low' | 'high' | 'too-close';
  /** What the reading means besides being off: nothing connected, nothing in between, or a value never reached. */
  named: Named | null;
  /** How far from the middle of the band, as a share of it; null where the band has no middle. */
  offByRatio: number | null;
  /** How good a meter would have to be to settle what is too close, as a share of the reading; else null. */
  settledByRatio: number | null;
}>;

/** Below this share of what is expected, a resistance is called a short rather than low. */
const shortRatio = 0.02;
/** Above this multiple of what is expected, a resistance is called open rather than high. */
const openRatio = 50;

/** How far a value is from the nearer edge of its band, on either side of it; infinite without one. */
export const edgeDistance = (value: number, { least, most }: GoodBand): number =>
  Math.min(...[least, most].flatMap((edge) => (edge === null ? [] : [Math.abs(value - edge)])));

/**
 * Judges a reading against its good band. `doubt` is how far the reading may be off, in its own unit: where that could
 * move it across an edge, the verdict is `too-close`. An open circuit is good where nothing bounds the band above, as
 * with insulation. `besides` is the part of the doubt no better meter takes away; `perRatio` is the doubt that a meter off
 * by the whole of what it says would bring, the value itself where nothing is said.
 */
export function judgeReading(input: {
  reading: MeterReading;
  quantity: Quantity;
  band: GoodBand;
  doubt: number;
  besides?: number;
  perRatio?: number;
}): ReadingVerdict {
  const { reading, quantity, band, doubt, besides = 0 } = input;
  const plain = { named: null, offByRatio: null, settledByRatio: null };
  const reference = band.middle ?? band.most ?? band.least;
  if (reading.kind === 'open') {
    if (band.most === null) return { ...plain, verdict: 'pass' };
    return { ...plain, verdict: 'high', named: quantity === 'resistance' ? 'open' : null };
  }
  const { value } = reading;
  const perRatio = input.perRatio ?? Math.abs(value);
  const offByRatio = band.middle === null || band.middle === 0 ? null : value / band.middle - 1;
  const isShort = quantity === 'resistance' && reference !== null && value < reference * shortRatio;
  const isOpen = quantity === 'resistance' && reference !== null && value > reference * openRatio;
  const nearest = edgeDistance(value, band);
  if (nearest <= doubt)
    return {
      verdict: 'too-close',
      named: null,
      offByRatio,
      settledByRatio: perRatio === 0 || nearest <= besides ? null : (nearest - besides) / perRatio,
    };
  const said = { offByRatio, settledByRatio: null };
  if (band.least !== null && value < band.least) return { ...said, verdict: 'low', named: isShort ? 'short' : null };
  if (band.most !== null && value > band.most) return { ...said, verdict: 'high', named: isOpen ? 'open' : null };
  return { ...said, verdict: 'pass', named: null };
}
