import type { ParameterId, SettingId } from '../base/ids.ts';
import { parseReading, type Quantity, quantities } from '../base/quantity.ts';
import type { Amount, Band } from '../model/band.ts';
import type { Entry } from '../model/entry.ts';
import { entriesOf } from '../model/select.ts';

/** What a family has that a sentence about a good reading can mean: its ratings, with all values its variants have, and its settings. */
export type BandContext = Readonly<{
  parameters: ReadonlyArray<Readonly<{ id: ParameterId; quantity: string; values: readonly number[] }>>;
  settings: ReadonlyArray<Readonly<{ id: SettingId; quantity: string }>>;
}>;
export const noContext: BandContext = { parameters: [], settings: [] };

/** A good reading as a sentence tells it. What was not told and had to be taken for something is said, so that it is asked. */
export type TextBand = Readonly<{
  quantity: Quantity;
  band: Band;
  /** A share either way that nobody told. */
  assumed: number | null;
  /** Beta of a thermistor, in kelvin, that nobody told. */
  assumedBeta?: number;
}>;

const number = String.raw`(\d+(?:[.,]\d+)?)`;
const unit = String.raw`\s*((?:k|M|m)?\s*(?:Ω|Ω|ohms?)|m?V(?:olts?)?|m?A|m?bar|psi|kPa|°C|°F|L\/min|gpm|k?Hz|rpm|%|s\b|min\b|kW|W(?:atts?)?\b|kg|g\b|L\b)`;
const between = new RegExp(`${number}(?:${unit})?\\s*(?:to|–|-|\\.\\.|and)\\s*${number}${unit}`, 'i');
const percentOf = new RegExp(`${number}${unit}\\s*(?:±|\\+\\/-|\\+-|plus or minus)\\s*${number}\\s*(?:%|percent)`, 'i');
const amountOf = new RegExp(`${number}${unit}\\s*(?:±|\\+\\/-|\\+-|plus or minus)\\s*${number}(?:${unit})?`, 'i');
const atLeast = new RegExp(`(?:at least|over|above|more than|from|≥|>)\\s*${number}${unit}`, 'i');
const atMost = new RegExp(`(?:at most|under|below|less than|up to|≤|<)\\s*${number}${unit}`, 'i');
const ofPower = new RegExp(`${number}\\s*(kW|W(?:atts?)?)\\s*(?:at|on|@|,)\\s*${number}\\s*V`, 'i');
const atHeat = new RegExp(
  `${number}\\s*((?:k|M)?\\s*(?:Ω|Ω|ohms?))\\s*(?:at|@|by|when it is)\\s*${number}\\s*(°\\s*[CF]|degrees?(?: [CF])?|C\\b|F\\b)`,
  'i',
);
const ofSetting = new RegExp(
  `within\\s*${number}${unit}\\s*of (?:the |its )?(?:set\\b|setting|set ?point|what is set|target)`,
  'i',
);
const ofShare =
  /within\s*(\d+(?:[.,]\d+)?)\s*(?:%|percent) of (?:the |its )?(?:set\b|setting|set ?point|what is set|target)/i;
const single = new RegExp(`${number}${unit}`, 'i');

const toNumber = (digits: string): number => Number(digits.replace(',', '.'));

/** A number with its unit, in the base unit of whatever it is of; the first quantity that has such a unit. */
export function amountIn(digits: string, unitText: string): { quantity: Quantity; value: number } | null {
  const plain = unitText
    .replace(/\s+/g, '')
    .replace(/^watts?$/i, 'W')
    .replace(/^volts?$/i, 'V');
  for (const quantity of quantities) {
    const read = parseReading(`${digits} ${plain}`, quantity);
    if (read.ok && read.value.kind === 'value') return { quantity, value: read.value.value };
  }
  return null;
}

/** A rating of the family that has this value on some variant, where only one has; else the number itself. */
function rated(value: number, quantity: string, { parameters }: BandContext): Amount {
  const fits = parameters.filter((p) => p.quantity === quantity && p.values.some((v) => Math.abs(v - value) < 1e-6));
  return fits.length === 1 && fits[0] ? { parameter: fits[0].id } : value;
}

const usualBeta = 3950;
const isSensor = /\b(?:sensor|thermistor|ntc|probe|feeler)\b/i;

const fixed = (quantity: Quantity, least: number | null, most: number | null): TextBand => ({
  quantity,
  band: { kind: 'fixed', least, most },
  assumed: null,
});

/**
 * The good reading a sentence names: `140 to 190 Ω`, `at least 11 V`, `1.5 bar ± 0.2`, `1800 W at 230 V` (R = V² / P), `10 kΩ at
 * 25 °C` of a sensor (the Beta form), `within 2 psi of set`, `about 32 ohms`. `share` is how far from it is good, where that was
 * answered; else what is usual is taken and said in `assumed`. Null where it names none.
 */
export function bandOfText(
  text: string,
  share: number | null = null,
  context: BandContext = noContext,
): TextBand | null {
  const [, middle, ofMiddle, percent] = percentOf.exec(text) ?? [];
  if (middle && ofMiddle && percent) {
    const read = amountIn(middle, ofMiddle);
    const part = toNumber(percent) / 100;
    return read && fixed(read.quantity, read.value * (1 - part), read.value * (1 + part));
  }
  const [, core, ofCore, more, ofMore] = amountOf.exec(text) ?? [];
  if (core && ofCore && more) {
    const [read, by] = [amountIn(core, ofCore), amountIn(more, ofMore ?? ofCore)];
    return read && by && fixed(read.quantity, read.value - by.value, read.value + by.value);
  }
  const [, watts, ofWatts = 'W', volts] = ofPower.exec(text) ?? [];
  if (watts && volts) {
    const power = toNumber(watts) * (/^k/i.test(ofWatts) ? 1000 : 1);
    return {
      quantity: 'resistance',
      band: {
        kind: 'element',
        powerWatt: rated(power, 'power', context),
        supplyVolt: rated(toNumber(volts), 'voltage', context),
        toleranceRatio: share ?? 0.1,
      },
      assumed: share === null ? 0.1 : null,
    };
  }
  const set = ofSetting.exec(text);
  const setShare = set ? null : ofShare.exec(text);
  if (set?.[1] && set[2]) {
    const by = amountIn(set[1], set[2]);
    const of = by ? context.settings.filter((s) => s.quantity === by.quantity) : [];
    if (!by || of.length !== 1 || !of[0]) return null;
    // psi of a pressure: a difference, so that what is nothing stays nothing
    return {
      quantity: by.quantity,
      band: {
        kind: 'of-setting',
        setting: of[0].id,
        by: 'amount',
        plus: by.value,
        minus: by.value,
        toldIn: set[2].trim(),
      },
      assumed: null,
    };
  }
  if (setShare?.[1] && context.settings.length === 1 && context.settings[0]) {
    const [own] = context.settings;
    const part = toNumber(setShare[1]) / 100;
    return {
      quantity: own.quantity as Quantity,
      band: { kind: 'of-setting', setting: own.id, by: 'share', plus: part, minus: part },
      assumed: null,
    };
  }
  const [, ohms, ofOhms, heat, ofHeat = ''] = atHeat.exec(text) ?? [];
  if (ohms && ofOhms && heat) {
    const read = amountIn(ohms, ofOhms);
    const celsius = /f/i.test(ofHeat.replace(/degrees?/i, '')) ? ((toNumber(heat) - 32) * 5) / 9 : toNumber(heat);
    if (!read) return null;
    if (isSensor.test(text)) {
      const r25 = read.value * Math.exp(usualBeta * (1 / 298.15 - 1 / (celsius + 273.15)));
      return {
        quantity: 'resistance',
        band: {
          kind: 'thermistor',
          r25Ohm: Math.abs(celsius - 25) < 0.05 ? read.value : Math.round(r25),
          betaK: usualBeta,
          toleranceRatio: share ?? 0.05,
        },
        assumed: share === null ? 0.05 : null,
        assumedBeta: usualBeta,
      };
    }
    const part = share ?? 0.1;
    return {
      ...fixed('resistance', read.value * (1 - part), read.value * (1 + part)),
      assumed: share === null ? part : null,
    };
  }
  const [, from, ofFrom, to, ofTo] = between.exec(text) ?? [];
  if (from && to && ofTo) {
    const [least, most] = [amountIn(from, ofFrom ?? ofTo), amountIn(to, ofTo)];
    return least && most && fixed(most.quantity, least.value, most.value);
  }
  const [low, high] = [atLeast.exec(text), atMost.exec(text)];
  const bound = low ?? high;
  if (bound?.[1] && bound[2]) {
    const read = amountIn(bound[1], bound[2]);
    return read && fixed(read.quantity, low ? read.value : null, low ? null : read.value);
  }
  // `about 32 ohms`, `32 ohms`: how far from it is good is not told
  const [, about, ofAbout] = single.exec(text) ?? [];
  const read = about && ofAbout ? amountIn(about, ofAbout) : null;
  if (!read || read.quantity === 'duration') return null;
  const part = share ?? 0.1;
  return {
    ...fixed(read.quantity, read.value * (1 - part), read.value * (1 + part)),
    assumed: share === null ? part : null,
  };
}

/** What the entries of a family give for reading good ranges: ratings with every value a variant sets, settings that are measured. */
export function bandContextOf(all: { entries: Entry[] }): BandContext {
  const families = entriesOf(all, 'family');
  return {
    parameters: families.flatMap((f) =>
      f.parameters.map((p) => ({
        id: p.id,
        quantity: p.quantity,
        values: [p.value, ...f.variants.flatMap((v) => v.values[p.id] ?? [])],
      })),
    ),
    settings: entriesOf(all, 'setting').flatMap((s) => {
      const quantity = s.unit === undefined ? null : (amountIn('1', s.unit)?.quantity ?? null);
      return quantity === null ? [] : [{ id: s.id, quantity }];
    }),
  };
}
