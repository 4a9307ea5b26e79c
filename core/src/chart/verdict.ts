import type { Quantity, Reading } from '../base/quantity.ts';
import type { GoodBand } from './band.ts';

export type ReadingVerdict = Readonly<{
  verdict: 'pass' | 'low' | 'high' | 'too-close';
  /** What the reading means besides being off: nothing connected, or nothing in between. */
  named: 'open' | 'short' | null;
  /** How far from the middle of the band, as a share of it; null where the band has no middle. */
  offByRatio: number | null;
}>;

/** Below this share of what is expected, a resistance is called a short rather than low. */
const shortRatio = 0.02;
/** Above this multiple of what is expected, a resistance is called open rather than high. */
const openRatio = 50;

/**
 * Judges a reading against its good band. `accuracyRatio` is the share of the reading that the meter may be off by:
 * where that share could move the reading across an edge, the verdict is `too-close`.
 */
export function judgeReading(input: {
  reading: Reading;
  quantity: Quantity;
  band: GoodBand;
  accuracyRatio: number;
}): ReadingVerdict {
  const { reading, quantity, band, accuracyRatio } = input;
  const reference = band.middle ?? band.most ?? band.least;
  if (reading.kind === 'open')
    return { verdict: 'high', named: quantity === 'resistance' ? 'open' : null, offByRatio: null };
  const { value } = reading;
  const doubt = Math.abs(value) * accuracyRatio;
  const offByRatio = band.middle === null ? null : value / band.middle - 1;
  const isShort = quantity === 'resistance' && reference !== null && value < reference * shortRatio;
  const isOpen = quantity === 'resistance' && reference !== null && value > reference * openRatio;
  const nearEdge = [band.least, band.most].some((edge) => edge !== null && Math.abs(value - edge) <= doubt);
  if (nearEdge) return { verdict: 'too-close', named: null, offByRatio };
  if (band.least !== null && value < band.least) return { verdict: 'low', named: isShort ? 'short' : null, offByRatio };
  if (band.most !== null && value > band.most) return { verdict: 'high', named: isOpen ? 'open' : null, offByRatio };
  return { verdict: 'pass', named: null, offByRatio };
}
