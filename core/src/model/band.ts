import { z } from 'zod';
import { plain, ref } from './reference.ts';

/** A number as it stands, or a parameter of the family that its variants may set. Base units. */
export const Amount = z.number().or(z.strictObject({ parameter: ref('parameter') }));
export type Amount = z.infer<typeof Amount>;

/** What a good reading is. Bands compute; nobody types the result of a sum. */
export const Band = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('fixed'), least: Amount.nullable(), most: Amount.nullable() }),
  /** R = r25 · exp(β · (1/T − 1/298.15 K)), the Beta form. */
  z.strictObject({ kind: z.literal('thermistor'), r25Ohm: Amount, betaK: Amount, toleranceRatio: Amount }),
  /** 1/T = a + b·ln R + c·(ln R)³, the Steinhart–Hart form, solved for R. */
  z.strictObject({ kind: z.literal('steinhart-hart'), a: Amount, b: Amount, c: Amount, toleranceRatio: Amount }),
  z.strictObject({
    kind: z.literal('table'),
    rows: z
      .array(z.strictObject({ atCelsius: z.number(), ohm: z.number().positive() }))
      .min(2)
      .max(400),
    toleranceRatio: Amount,
  }),
  /** R = V² / P, the resistance of a heating element at its rated supply. */
  z.strictObject({ kind: z.literal('element'), powerWatt: Amount, supplyVolt: Amount, toleranceRatio: Amount }),
  /** About what is set: a share of it, or so much more and less in the quantity's own unit. */
  z.strictObject({
    kind: z.literal('of-setting'),
    setting: ref('setting'),
    by: z.enum(['share', 'amount']),
    plus: Amount,
    minus: Amount,
    /** The unit it was told in, such as psi on a setting in bar; it is kept in the base unit whatever that is. */
    toldIn: plain('a unit', z.string().max(24)).optional(),
  }),
  /** At least so many ohms, measured at a test voltage. */
  z.strictObject({ kind: z.literal('insulation'), leastOhm: Amount, testVolt: Amount }),
  /** This reading over an earlier one. */
  z.strictObject({ kind: z.literal('ratio'), to: ref('node'), least: Amount.nullable(), most: Amount.nullable() }),
  /** Change a minute, from two or more readings. */
  z.strictObject({ kind: z.literal('rate'), leastPerMin: Amount.nullable(), mostPerMin: Amount.nullable() }),
  /** Time until a value is reached, from two or more readings; in seconds. */
  z.strictObject({ kind: z.literal('time-to'), value: Amount, leastS: Amount.nullable(), mostS: Amount.nullable() }),
]);
export type Band = z.infer<typeof Band>;
export type BandOf<K extends Band['kind']> = Extract<Band, { kind: K }>;

/** What there is to know of a kind of band: whether it comes to ohms, what else has to be known for it, how many readings it takes. */
export const bandTraits: Readonly<
  Record<
    Band['kind'],
    Readonly<{ ohms: boolean; needs: 'temperature' | 'setting' | 'earlier' | null; readings: 1 | 2 }>
  >
> = {
  fixed: { ohms: false, needs: null, readings: 1 },
  thermistor: { ohms: true, needs: 'temperature', readings: 1 },
  'steinhart-hart': { ohms: true, needs: 'temperature', readings: 1 },
  table: { ohms: true, needs: 'temperature', readings: 1 },
  element: { ohms: true, needs: null, readings: 1 },
  'of-setting': { ohms: false, needs: 'setting', readings: 1 },
  insulation: { ohms: true, needs: null, readings: 1 },
  ratio: { ohms: false, needs: 'earlier', readings: 1 },
  rate: { ohms: false, needs: null, readings: 2 },
  'time-to': { ohms: false, needs: null, readings: 2 },
};
