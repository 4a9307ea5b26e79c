import { formatQuantity, type Measured, type MeasureError } from '@wire-trail/core';
import { readingErrorWords } from '../../words.ts';

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
      return 'The good band cannot be computed. Note the reading and ask the trainer.';
    default:
      return readingErrorWords(error);
  }
}

const verdictWords = { pass: 'Good', low: 'Too low', high: 'Too high', 'too-close': 'Too close to call' } as const;
const namedWords = { open: 'Open', short: 'Short', never: 'Never gets there' } as const;

/** The verdict of a reading in two or three words. */
export const judgedWords = (m: Pick<Measured, 'named' | 'verdict'>): string =>
  m.named ? namedWords[m.named] : verdictWords[m.verdict];
