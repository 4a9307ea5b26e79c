import { formatQuantity, type ReadingError } from '../base/quantity.ts';
import { assertNever } from '../base/result.ts';
import { isLiveWork, liveQuantities, provesDead } from '../chart/live.ts';
import { formatTaken } from '../chart/measure.ts';
import type { Measured, MeasureError } from '../chart/measured.ts';
import type { MeasureNode } from '../model/chart.ts';
import type { TestReading } from '../modes-map/test-reading.ts';

/** How the unit stands while a reading is taken. */
export const supplyWords = (node: MeasureNode): 'to prove it dead' | 'dead' | 'at rest' | 'energised' | 'running' => {
  if (provesDead(node)) return 'to prove it dead';
  if (node.supply === 'energised') return isLiveWork(node) ? 'energised' : 'running';
  // a bucket, a blade and a hygrometer are not isolated first
  return node.quantity === 'resistance' || liveQuantities.has(node.quantity) ? 'dead' : 'at rest';
};

/** Where a reading is taken: at the probes, dead or energised, or on the unit itself behind an address. */
export const measuredAtWords = (node: MeasureNode): string =>
  node.shownBy
    ? `shown by the unit${node.shownBy.address === null ? '' : ` at ${node.shownBy.address}`}`
    : `${node.probes.join(' – ')}, ${supplyWords(node)}`;

/** What is wrong with a reading as typed. */
export function readingErrorWords(error: ReadingError): string {
  switch (error.code) {
    case 'reading-empty':
      return 'Type what the meter shows.';
    case 'reading-not-a-number':
      return `“${error.typed}” is not a number. Type it like 12.4, 12,4 k or OL.`;
    case 'reading-negative':
      return 'This cannot be negative. Swap the leads or zero the meter.';
    case 'reading-wrong-unit':
      return `“${error.unit}” is not a unit for this. It takes ${error.wanted.filter(Boolean).join(', ')}.`;
    case 'reading-below-absolute-zero':
      return 'Nothing is as cold as that.';
    case 'reading-too-large':
      return 'That is more than any meter shows. For an open circuit type OL.';
  }
}

/** What is wrong with a measurement as typed, in plain words. */
export function measureErrorWords({ field, error }: MeasureError): string {
  switch (error.code) {
    case 'open-temperature':
      return 'Type a temperature.';
    case 'reading-empty':
      return field === 'temperature'
        ? 'The good reading depends on the temperature.'
        : field === 'set'
          ? 'The good reading depends on what is set.'
          : readingErrorWords(error);
    case 'more-readings-needed':
      return `It takes ${error.need} readings, some time apart.`;
    case 'beyond-instrument':
      return `This meter shows ${formatQuantity(error.least, error.quantity)} to ${formatQuantity(error.most, error.quantity)}.`;
    case 'test-voltage-missing':
      return `It has to be measured at ${error.volt} V; this tester has no such range.`;
    case 'parameter-missing':
      return 'A value of this unit is missing in the library. Note the reading and ask the trainer.';
    case 'temperature-needed':
      return 'The good reading depends on the temperature.';
    case 'temperature-outside':
      return `The table of this sensor goes from ${error.leastCelsius} to ${error.mostCelsius} °C.`;
    case 'temperature-impossible':
      return 'Nothing is as cold as that.';
    case 'setting-needed':
      return 'The good reading depends on what is set.';
    case 'reading-needed':
      return 'The earlier reading this is held against was not taken. Take a step back and measure it.';
    case 'band-impossible':
      return 'The good range cannot be computed. Note the reading and ask the trainer.';
    case 'needs-plate':
      return 'What this means depends on which variant this is. It needs the plate.';
    case 'reading-below-absolute-zero':
    case 'reading-negative':
    case 'reading-not-a-number':
    case 'reading-too-large':
    case 'reading-wrong-unit':
      return readingErrorWords(error);
    default:
      return assertNever(error);
  }
}

const verdictWords = { pass: 'Good', low: 'Too low', high: 'Too high', 'too-close': 'Borderline' } as const;
const namedWords = { open: 'Open', short: 'Short', never: 'Never gets there' } as const;

/** The verdict of a reading in two or three words. */
export const judgedWords = (m: Pick<Measured, 'named' | 'verdict'>): string =>
  m.named ? namedWords[m.named] : verdictWords[m.verdict];

/** The same for the reading of a numbered test, within a line. */
export const testReadingWords = ({ named, taken }: TestReading): string =>
  named
    ? namedWords[named].toLowerCase()
    : {
        pass: 'within its bounds',
        low: 'too low',
        high: 'too high',
        'too-close': 'at its very bound: borderline',
      }[taken.verdict];

/** Rounded down, so that what is promised to be enough is. */
const atMost = (kelvin: number): number => Math.floor(kelvin * 20) / 20;

/**
 * Why a reading is borderline, what would tell, and what to do then. `telling` names the meters that are off by
 * less than a share.
 */
export function tooCloseWords(
  {
    taken,
    doubt,
    temperatureDoubt,
    settledByRatio,
  }: Pick<Measured, 'taken' | 'doubt' | 'temperatureDoubt' | 'settledByRatio'>,
  meter: string,
  telling: (settledByRatio: number | null) => readonly string[],
): string {
  const warmth = temperatureDoubt && temperatureDoubt.doubt > 0 ? temperatureDoubt : null;
  const [finer, known] = [telling(settledByRatio), warmth && atMost(warmth.settledByKelvin ?? 0)];
  const both = finer.length === 0 && !known ? telling(warmth?.settledWithDigit ?? null) : [];
  const those = (names: readonly string[]): string => names.join(' or the ');
  return [
    `The ${meter} may be off by ${formatTaken(taken, doubt)}`,
    warmth
      ? `, and ±${Number(warmth.kelvin.toPrecision(2))} °C of temperature is worth ${formatTaken(taken, warmth.doubt)} more`
      : '',
    '; that reaches across the edge. ',
    finer.length > 0 ? `The ${those(finer)} would tell. ` : '',
    known ? `A temperature known to ±${known} °C would tell. ` : '',
    both.length > 0 ? `With one digit more of the temperature, the ${those(both)} would tell. ` : '',
    temperatureDoubt
      ? 'Zero the leads, measure the temperature once more, and measure again.'
      : 'Zero the leads and measure once more.',
  ].join('');
}
