import { z } from 'zod';
import { fail, ok, type Result } from './result.ts';

/** What is measured. Values are always held in the base unit of their quantity. */
export const quantities = [
  'resistance',
  'voltage',
  'current',
  'power',
  'temperature',
  'pressure',
  'flow',
  'volume',
  'mass',
  'share',
  'speed',
  'frequency',
  'duration',
  'count',
  'angle',
] as const;
export const Quantity = z.enum(quantities);
export type Quantity = z.infer<typeof Quantity>;

type Unit = Readonly<{ toBase: (value: number) => number; fromBase: (value: number) => number }>;
const scaled = (factor: number): Unit => ({ toBase: (v) => v * factor, fromBase: (v) => v / factor });

/** Degrees told as a fall of so much in so many. */
const fallIn = (length: number): Unit => ({
  toBase: (v) => (Math.atan(v / length) * 180) / Math.PI,
  fromBase: (v) => Math.tan((v * Math.PI) / 180) * length,
});

/** Litres of a gallon of either kind, and of a cubic foot. */
const [usGallon, impGallon, cubicFoot] = [3.785411784, 4.54609, 28.316846592];

/** Units by quantity; the first is the base unit. Spellings people type are listed beside the standard one. */
const units: Record<Quantity, ReadonlyArray<readonly [names: readonly string[], unit: Unit]>> = {
  resistance: [
    [['Ω', 'ohm', 'ohms', 'r', 'Ω'], scaled(1)],
    [['kΩ', 'k', 'kohm', 'kΩ'], scaled(1e3)],
    [['MΩ', 'M', 'megohm', 'mohm', 'MΩ'], scaled(1e6)],
  ],
  voltage: [
    [['V', 'volt', 'volts'], scaled(1)],
    [['mV'], scaled(1e-3)],
    [['kV'], scaled(1e3)],
  ],
  current: [
    [['A', 'amp', 'amps'], scaled(1)],
    [['mA'], scaled(1e-3)],
  ],
  power: [
    [['W', 'watt', 'watts'], scaled(1)],
    [['kW'], scaled(1e3)],
  ],
  temperature: [
    [['°C', 'c', 'degc', '℃', 'deg c', 'degrees c'], scaled(1)],
    [
      ['°F', 'f', 'degf', '℉', 'deg f', 'degrees f'],
      { toBase: (v) => ((v - 32) * 5) / 9, fromBase: (v) => (v * 9) / 5 + 32 },
    ],
    [['K', 'kelvin'], { toBase: (v) => v - 273.15, fromBase: (v) => v + 273.15 }],
  ],
  pressure: [
    [['bar'], scaled(1)],
    [['mbar', 'hPa'], scaled(1e-3)],
    [['kPa'], scaled(0.01)],
    [['MPa'], scaled(10)],
    [['Pa'], scaled(1e-5)],
    [['psi', 'psig', 'lb/in²'], scaled(0.0689475729)],
    // a column of water at 4 °C, of mercury at 0 °C
    [['inWC', 'in wc', 'inH2O', '"wc', '″wc', 'in w.c.'], scaled(0.0024908891)],
    [['mmWC', 'mmH2O'], scaled(9.80665e-5)],
    [['inHg'], scaled(0.0338638867)],
  ],
  flow: [
    [['L/min', 'l/min', 'lpm'], scaled(1)],
    [['gal/min', 'gpm', 'US gpm', 'US gal/min'], scaled(usGallon)],
    [['imp gal/min', 'imp gpm'], scaled(impGallon)],
    [['L/h', 'l/h', 'lph'], scaled(1 / 60)],
    [['m³/h', 'm3/h'], scaled(1000 / 60)],
    [['ft³/min', 'cfm', 'cu ft/min'], scaled(cubicFoot)],
    [['ft³/h', 'cfh', 'cu ft/h'], scaled(cubicFoot / 60)],
  ],
  volume: [
    [['L', 'l', 'litre', 'litres'], scaled(1)],
    [['mL', 'ml'], scaled(1e-3)],
    [['m³', 'm3', 'cubic metre', 'cubic metres'], scaled(1000)],
    [['gal', 'gallon', 'gallons', 'US gal', 'US gallon', 'US gallons'], scaled(usGallon)],
    [['imp gal', 'imperial gallon', 'imperial gallons', 'UK gal'], scaled(impGallon)],
    [['fl oz', 'fl. oz', 'fluid ounce', 'fluid ounces', 'US fl oz'], scaled(usGallon / 128)],
    [['imp fl oz', 'imperial fluid ounce', 'imperial fluid ounces', 'UK fl oz'], scaled(impGallon / 160)],
    [['ft³', 'ft3', 'cu ft', 'cubic foot', 'cubic feet', 'cf'], scaled(cubicFoot)],
  ],
  mass: [
    [['kg'], scaled(1)],
    [['g'], scaled(1e-3)],
    [['oz'], scaled(0.028349523125)],
    [['lb'], scaled(0.45359237)],
  ],
  share: [[['%', 'percent', '% rh'], scaled(1)]],
  speed: [[['rpm', 'min-1'], scaled(1)]],
  frequency: [
    [['Hz'], scaled(1)],
    [['kHz'], scaled(1e3)],
  ],
  duration: [
    [['s', 'sec', 'seconds'], scaled(1)],
    [['ms'], scaled(1e-3)],
    [['min', 'minutes'], scaled(60)],
    [['h', 'hours'], scaled(3600)],
  ],
  count: [[['×', 'x', 'times', ''], scaled(1)]],
  angle: [
    [['°', 'deg', 'degree', 'degrees'], scaled(1)],
    [['%', 'percent'], fallIn(100)],
    [['mm/m'], fallIn(1000)],
    [['rad'], scaled(180 / Math.PI)],
  ],
};

/** The base unit's standard spelling. */
export function baseUnit(quantity: Quantity): string {
  return units[quantity][0]?.[0][0] ?? '';
}

/** Units somebody reads and writes in; everything is kept in base units whatever they are. */
export const OwnUnits = z.strictObject({
  temperature: z.enum(['°C', '°F']).default('°C'),
  pressure: z.enum(['bar', 'mbar', 'kPa', 'psi', 'inWC']).default('bar'),
  volume: z.enum(['L', 'gal', 'imp gal']).default('L'),
});
export type OwnUnits = z.infer<typeof OwnUnits>;
export const baseUnits: OwnUnits = { temperature: '°C', pressure: 'bar', volume: 'L' };

/** The unit somebody takes a bare number of a quantity for. */
export function ownUnit(quantity: Quantity, own: OwnUnits = baseUnits): string {
  if (quantity === 'temperature' || quantity === 'pressure' || quantity === 'volume') return own[quantity];
  return quantity === 'flow' && own.volume !== 'L' ? `${own.volume}/min` : baseUnit(quantity);
}

/** Standard spellings of every unit of a quantity, base unit first. */
export function unitNames(quantity: Quantity): string[] {
  return units[quantity].map(([names]) => names[0] ?? '');
}

export type ReadingError =
  | Readonly<{ code: 'reading-empty' }>
  | Readonly<{ code: 'reading-not-a-number'; typed: string }>
  | Readonly<{ code: 'reading-negative'; typed: string }>
  | Readonly<{ code: 'reading-wrong-unit'; unit: string; wanted: string[] }>
  | Readonly<{ code: 'reading-below-absolute-zero'; typed: string }>
  | Readonly<{ code: 'reading-too-large'; typed: string }>;

/** A reading in the base unit of its quantity; `open` is what a meter shows as OL. */
export type MeterReading = Readonly<{ kind: 'value'; value: number; unit: string }> | Readonly<{ kind: 'open' }>;

const openWords = /^(ol|o\.l\.?|open|inf|infinite|∞|1\s*\.)$/i;
// 4k7, 2R2, 1M5: the letter stands where the decimal point would
const letterPoint = /^(\d+)([kKrRM])(\d+)\s*(?:Ω|Ω|ohms?)?$/;
const plain = /^([+-]?(?:\d+(?:[.,]\d*)?|[.,]\d+)(?:e[+-]?\d+)?)\s*(.*)$/i;

const timePart = /(\d+(?:[.,]\d+)?)\s*(h|hours?|min|minutes?|m|s|sec|seconds?)(?![a-z])\s*/giy;

/** A span told in parts, in seconds: `1h10`, `1 h 10 min`, `2m30`, `1:30` as minutes and seconds. Null where it is none. */
function spanInParts(text: string): number | null {
  const [, minutes, seconds] = /^(\d+):([0-5]\d)$/.exec(text) ?? [];
  if (minutes !== undefined) return Number(minutes) * 60 + Number(seconds);
  const worth = { h: 3600, m: 60, s: 1 } as const;
  let total = 0;
  let at = 0;
  let last: keyof typeof worth | null = null;
  timePart.lastIndex = 0;
  for (let part = timePart.exec(text); part; part = timePart.exec(text)) {
    const unit = part[2]?.[0]?.toLowerCase() as keyof typeof worth;
    // from the largest down, each once
    if (last !== null && worth[unit] >= worth[last]) return null;
    total += Number(part[1]?.replace(',', '.')) * worth[unit];
    at = timePart.lastIndex;
    last = unit;
  }
  if (last === null) return null;
  // 1h10, 2m30: what is left is of the next smaller unit
  const rest = text.slice(at).trim();
  if (rest === '') return total;
  if (!/^\d{1,2}$/.test(rest) || last === 's') return null;
  return total + Number(rest) * (last === 'h' ? 60 : 1);
}

function findUnit(quantity: Quantity, typed: string) {
  const exact = units[quantity].find(([names]) => names.includes(typed));
  // MΩ and mΩ differ by case only, so an exact spelling goes first
  // a lone m could mean thousandths as well
  if (exact || typed === 'm') return exact;
  return units[quantity].find(([names]) => names.some((name) => name.toLowerCase() === typed.toLowerCase()));
}

/** Quantities that go below nothing. A draught is a pressure below the air's. */
const signed: ReadonlySet<Quantity> = new Set(['temperature', 'voltage', 'current', 'angle', 'pressure']);

/**
 * Reads a quantity as people type it (`4k7`, `4.7 kΩ`, `0,4 bar`, `32 °F`, `OL`) into its base unit.
 * A bare number is taken in `assumedUnit`, else in the base unit. Every error names what was typed.
 */
export function parseReading(
  typed: string,
  quantity: Quantity,
  assumedUnit?: string,
): Result<MeterReading, ReadingError> {
  const text = typed.trim();
  if (text === '') return fail({ code: 'reading-empty' });
  if (openWords.test(text)) return ok({ kind: 'open' });
  if (quantity === 'resistance') {
    const [, whole, letter, fraction] = letterPoint.exec(text) ?? [];
    if (whole !== undefined && letter !== undefined) {
      const factor = letter === 'M' ? 1e6 : letter.toLowerCase() === 'k' ? 1e3 : 1;
      const unit = letter === 'M' ? 'MΩ' : letter.toLowerCase() === 'k' ? 'kΩ' : 'Ω';
      return ok({ kind: 'value', value: Number(`${whole}.${fraction}`) * factor, unit });
    }
  }
  const [, digits, rest] = plain.exec(text) ?? [];
  if (digits === undefined || rest === undefined) return fail({ code: 'reading-not-a-number', typed: text });
  // 72°: degrees of whatever was meant
  const unitTyped = quantity === 'temperature' && /^(?:°|degrees?|deg)$/i.test(rest.trim()) ? '' : rest.trim();
  if (/^[\d.,]/.test(unitTyped)) return fail({ code: 'reading-not-a-number', typed: text });
  const found = findUnit(quantity, unitTyped === '' ? (assumedUnit ?? baseUnit(quantity)) : unitTyped);
  const span = found || quantity !== 'duration' ? null : spanInParts(text);
  if (span !== null) return ok({ kind: 'value', value: span, unit: 's' });
  if (!found) return fail({ code: 'reading-wrong-unit', unit: unitTyped, wanted: unitNames(quantity) });
  const value = found[1].toBase(Number(digits.replace(',', '.')));
  if (!Number.isFinite(value) || Math.abs(value) > 1e15) return fail({ code: 'reading-too-large', typed: text });
  if (quantity === 'temperature' && value < -273.15) return fail({ code: 'reading-below-absolute-zero', typed: text });
  if (!signed.has(quantity) && value < 0) return fail({ code: 'reading-negative', typed: text });
  return ok({ kind: 'value', value, unit: found[0][0] ?? '' });
}

/** What nothing of a unit is in base units: 0, but for degrees of another zero. A difference has none of it. */
const zeroOf = (quantity: Quantity, unit: string): number => findUnit(quantity, unit)?.[1].toBase(0) ?? 0;

/** Reads a difference as people type it into base units: `2 psi`, `5 °F`, which are 2.78 K apart, `3 K`. */
export function parseDifference(typed: string, quantity: Quantity, assumedUnit?: string): Result<number, ReadingError> {
  const read = parseReading(typed.replace(/^\s*[±+]\s*/, ''), quantity, assumedUnit);
  if (!read.ok) return read;
  if (read.value.kind === 'open') return fail({ code: 'reading-not-a-number', typed });
  return ok(read.value.value - zeroOf(quantity, read.value.unit));
}

/** Writes a difference in a unit, else in the base unit, so that `parseDifference` reads it back. */
export function writeDifference(value: number, quantity: Quantity, unit = baseUnit(quantity)): string {
  const found = findUnit(quantity, unit);
  const own = found ? found[1].fromBase(value + zeroOf(quantity, unit)) : value;
  const shown = quantity === 'temperature' && unit === baseUnit(quantity) ? 'K' : unit;
  return `${Number(own.toPrecision(6))} ${shown}`;
}

/** Readings that were typed on one line, `230 / 229 / 231 V`, each with the unit that stands behind the last. One where it is one. */
export function readingsInLine(typed: string): string[] {
  if (!/[/;]|and/i.test(typed)) return [typed.trim()];
  const parts = typed.split(/\s*(?:[/;]|\band\b)\s*(?=[+-]?[\d.,]|OL\b)/i).map((part) => part.trim());
  const unit = /^[+-]?[\d.,]+\s*(\D*)$/.exec(parts.at(-1) ?? '')?.[1]?.trim() ?? '';
  return parts.map((part) => (/^[+-]?[\d.,]*\d$/.test(part) && unit !== '' ? `${part} ${unit}` : part));
}

/**
 * What one more in the last digit of a reading is worth as it was typed, in base units: 1 for `22 °C`, 0.1 for `22.4`,
 * 100 for `4k7`. Null where it is no number. Half of it is the least that reading may be off by.
 */
export function typedStep(typed: string, quantity: Quantity): number | null {
  const [digits, whole = '', point = '', fraction = ''] = /(\d+)(?:([.,RrKkM])(\d+))?/.exec(typed) ?? [];
  if (digits === undefined) return null;
  const more = String(Number(whole + fraction) + 1).padStart(fraction.length + 1, '0');
  const at = more.length - fraction.length;
  const next = parseReading(typed.replace(digits, more.slice(0, at) + point + more.slice(at)), quantity);
  const read = parseReading(typed, quantity);
  if (!read.ok || !next.ok || read.value.kind === 'open' || next.value.kind === 'open') return null;
  return Math.abs(next.value.value - read.value.value);
}

const significant = (value: number): string => {
  const digits = Math.abs(value) >= 1000 ? 0 : Math.abs(value) >= 100 ? 0 : Math.abs(value) >= 10 ? 1 : 2;
  return value
    .toFixed(digits)
    .replace(/(\.\d*?)0+$/, '$1')
    .replace(/\.$/, '');
};

/** Writes a base-unit value in the unit a person would read it in, e.g. `12.1 kΩ`; in somebody's own unit where one is given. */
export function formatQuantity(value: number, quantity: Quantity, own?: OwnUnits): string {
  const unit = ownUnit(quantity, own);
  if (unit !== baseUnit(quantity)) {
    const found = findUnit(quantity, unit);
    return `${significant(found ? found[1].fromBase(value) : value)} ${unit}`;
  }
  if (quantity === 'resistance' && Math.abs(value) >= 1e6) return `${significant(value / 1e6)} MΩ`;
  if (quantity === 'resistance' && Math.abs(value) >= 1e3) return `${significant(value / 1e3)} kΩ`;
  if (quantity === 'power' && Math.abs(value) >= 1e4) return `${significant(value / 1e3)} kW`;
  if (quantity === 'duration' && Math.abs(value) >= 60) return `${significant(value / 60)} min`;
  return `${significant(value)} ${baseUnit(quantity)}`;
}
