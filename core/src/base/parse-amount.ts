import {
  baseUnit,
  formatQuantity,
  type OwnUnits,
  ownUnit,
  parseReading,
  type Quantity,
  type ReadingError,
} from './quantity.ts';
import { fail, ok, type Result } from './result.ts';

// 1,800 and 12,345.6: commas that only part thousands; a leading 0 can only stand before a decimal comma
const thousands = /^[1-9]\d{0,2}(?:[ ,\u00a0'’]\d{3})+(?![\d,])/;
/**
 * Reads an amount as people write it where they describe a unit: `8 min`, `1h10`, `1 800 W`, `1,800 W`, `10k`, `1.8 kW`; a
 * bare number is taken in `assumedUnit`, else in the base unit. Gives the value in the base unit.
 */
export function parseAmount(typed: string, quantity: Quantity, assumedUnit?: string): Result<number, ReadingError> {
  const text = typed.trim();
  const plain = text.replace(thousands, (digits) => digits.replace(/[^\d]/g, ''));
  const [, digits, prefix] = /^([\d.,+-]+)\s*([kM])$/.exec(plain) ?? [];
  const isPrefix = digits !== undefined && quantity !== 'resistance' && quantity !== 'temperature';
  const read = parseReading(isPrefix ? digits : plain, quantity, assumedUnit);
  if (!read.ok) return read;
  if (read.value.kind === 'open') return fail({ code: 'reading-not-a-number', typed: text });
  return ok(read.value.value * (isPrefix ? (prefix === 'M' ? 1e6 : 1e3) : 1));
}

/** A number in so many digits as it has, without the noise of reckoning. */
const exact = (value: number): string => String(Number(value.toPrecision(12)));

/**
 * Writes a base-unit value so that `parseAmount` reads it back: in the unit somebody would write it in, with all of its
 * digits. Half a minute more is said in parts: `8 min 30 s`.
 */
export function writeAmount(value: number, quantity: Quantity, own?: OwnUnits): string {
  if (quantity === 'duration') {
    const [hours, minutes] = [Math.floor(value / 3600), Math.floor((value % 3600) / 60)];
    const seconds = Number((value % 60).toPrecision(10));
    const parts = [hours && `${hours} h`, minutes && `${minutes} min`, seconds && `${exact(seconds)} s`].filter(
      Boolean,
    );
    return parts.join(' ') || '0 s';
  }
  const large = { resistance: [1e3, 'kΩ'], power: [1e3, 'kW'], frequency: [1e3, 'kHz'] } as const;
  const step = quantity === 'resistance' || quantity === 'power' || quantity === 'frequency' ? large[quantity] : null;
  if (step && Math.abs(value) >= step[0]) return `${exact(value / step[0])} ${step[1]}`;
  const unit = ownUnit(quantity, own);
  return unit === baseUnit(quantity) ? `${exact(value)} ${unit}` : formatQuantity(value, quantity, own);
}

/** What a stored number is a number of: how many of it one base unit is. */
export type StoredAs = Readonly<{ quantity: Quantity; perBase: number; name: string }>;

const suffixes: ReadonlyArray<readonly [RegExp, Quantity, number]> = [
  [/Ms$/, 'duration', 1000],
  [/Ohm$/, 'resistance', 1],
  [/Volt$/, 'voltage', 1],
  [/Watt$/, 'power', 1],
  [/Celsius$/, 'temperature', 1],
  [/Ratio$/, 'share', 0.01],
  [/(?<=least|most)S$/, 'duration', 1],
];

/** What a field's name says of its numbers: `afterMs` is an “after” in thousandths of a second. Null for a plain number. */
export function storedAs(field: string): StoredAs | null {
  const found = suffixes.find(([ends]) => ends.test(field));
  return found ? { quantity: found[1], perBase: found[2], name: field.replace(found[0], '') } : null;
}
