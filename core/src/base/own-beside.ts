import { baseUnit, formatQuantity, type OwnUnits, ownUnit, parseReading, quantities, unitNames } from './quantity.ts';

/** Units people write in by habit of a country, not of size: what is written in one of them reads foreign to others. */
const systems: Readonly<Record<string, string>> = {
  '°C': 'metric',
  '°F': 'imperial',
  bar: 'metric',
  mbar: 'metric',
  kPa: 'metric',
  psi: 'imperial',
  inWC: 'imperial',
  inHg: 'imperial',
  L: 'metric',
  mL: 'metric',
  gal: 'us',
  'fl oz': 'us',
  'imp gal': 'imperial',
  'imp fl oz': 'imperial',
  'L/min': 'metric',
  'gal/min': 'us',
  'imp gal/min': 'imperial',
};

const written = quantities.flatMap((quantity) =>
  unitNames(quantity).flatMap((unit) => (unit in systems ? [{ quantity, unit }] : [])),
);
const escaped = (text: string): string => text.replace(/[.*+?^${}()|[\]\\/]/g, '\\$&');
const unitOf = new Map(written.map((w) => [w.unit, w.quantity] as const));
const amounts = new RegExp(
  `([+-]?\\d+(?:[.,]\\d+)?)\\s?(${[...unitOf.keys()]
    .sort((a, b) => b.length - a.length)
    .map(escaped)
    .join('|')})(?![\\p{L}\\d/²³])`,
  'gu',
);

/**
 * What stands in a text in units that are foreign to somebody, in their own: `60 °C` for `set 140 °F`. Several are joined in
 * order; null where nothing is. The text itself stays as it is: a display wants what stands in it.
 */
export function besideOwn(text: string, own: OwnUnits): string | null {
  const said = [...text.matchAll(amounts)].flatMap(([, number = '', unit = '']) => {
    const quantity = unitOf.get(unit);
    if (!quantity || systems[unit] === systems[ownUnit(quantity, own)]) return [];
    const read = parseReading(`${number} ${unit}`, quantity);
    return read.ok && read.value.kind === 'value' ? [formatQuantity(read.value.value, quantity, own)] : [];
  });
  return said.length === 0 ? null : said.join(', ');
}

/** A text as a unit has it, bare numbers with the unit they are in, and one's own beside it: `140 °F (60 °C)`. */
export function withOwn(text: string, own: OwnUnits, unit?: string): string {
  const whole = unit !== undefined && /^[+-]?\d+(?:[.,]\d+)?$/.test(text.trim()) ? `${text.trim()} ${unit}` : text;
  const beside = besideOwn(whole, own);
  return beside === null ? whole : `${whole} (${beside})`;
}

/** A number as a unit shows it, with the unit it shows it in: `140 °F`; bare where it shows none. */
export const asShown = (shown: string | number, quantity: (typeof quantities)[number] | null, unit?: string): string =>
  quantity === null || quantity === 'count' ? String(shown) : `${shown} ${unit ?? baseUnit(quantity)}`;
