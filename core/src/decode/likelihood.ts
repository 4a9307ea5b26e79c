import type { LampColour, LampState } from '../model/lamp.ts';
import type { Look, SeenLamp } from '../model/look.ts';
import type { Readout } from '../model/readout.ts';
import { looksLike, lostSegment, segmentsOf } from '../readout/segments.ts';

export type Told = Exclude<SeenLamp, 'unsure'>;

/**
 * How often a lamp that shows one thing is told as another in one look. Rows add up to 1 over what can be told;
 * `unsure` says nothing. A model, not a measurement: eyes confuse rates sooner than they invent light.
 */
export const toldAs: Readonly<Record<LampState, Readonly<Record<Told, number>>>> = {
  lit: { lit: 0.925, dark: 0.015, slow: 0.01, fast: 0.01, dim: 0.04 },
  dark: { dark: 0.972, lit: 0.01, slow: 0.004, fast: 0.004, dim: 0.01 },
  slow: { slow: 0.89, lit: 0.05, dark: 0.02, fast: 0.03, dim: 0.01 },
  fast: { fast: 0.89, slow: 0.05, lit: 0.04, dark: 0.01, dim: 0.01 },
};

/** Share of lamps in the field that are dead: dark in every look, in every stage, however often one looks. */
export const deadShare = 0.03;

export const oneLook = (seen: SeenLamp, is: LampState): number => (seen === 'unsure' ? 1 : toldAs[is][seen]);

const mixed: ReadonlyArray<readonly [LampColour, LampColour, number]> = [
  ['amber', 'yellow', 0.15],
  ['amber', 'red', 0.06],
  ['white', 'yellow', 0.06],
  ['green', 'blue', 0.02],
];

/** How likely a colour is told as another; where the readout names none, anything fits. */
export function colourLikelihood(told: LampColour, is: LampColour | null): number {
  if (is === null) return 1;
  if (told === is) return 0.93;
  const pair = mixed.find(([a, b]) => (a === told && b === is) || (b === told && a === is));
  return pair ? pair[2] : 0.004;
}

/** How likely a count of blinks is told as another: mostly right, sometimes one off. */
export function countLikelihood(told: number, is: number): number {
  const off = Math.abs(told - is);
  return off === 0 ? 0.9 : off === 1 ? 0.045 : off === 2 ? 0.004 : 0.0005;
}

/** How likely long and short are told as another pattern: each place on its own, a lost or added one as a slip. */
export function patternLikelihood(told: string, is: string): number {
  if (told.length !== is.length) return Math.abs(told.length - is.length) === 1 ? 0.004 : 0.0002;
  return [...told].reduce((p, c, i) => p * (c === '?' ? 1 : c === is[i] ? 0.95 : 0.04), 1);
}

/** How likely one character is told as another; a segment display may have lost one segment. */
export function characterLikelihood(told: string, is: string, face: 'segments' | 'text' = 'text'): number {
  if (told === '?') return 1;
  const [a, b] = [told.toUpperCase(), is.toUpperCase()];
  if (a === b) return 0.93;
  if (face === 'segments' && segmentsOf(a) !== null && segmentsOf(a) === segmentsOf(b)) return 0.92;
  if (face === 'segments' && lostSegment(b, a) !== null) return 0.012;
  return looksLike(a, b) ? 0.03 : 0.0008;
}

/** How lamps are told of something no readout here shows: lit or dark mostly. */
const strangeLamp: Readonly<Record<Told, number>> = { lit: 0.44, dark: 0.44, slow: 0.05, fast: 0.05, dim: 0.02 };

/**
 * How likely looks are told of something that is nothing this readout shows: every state, count and character about as
 * often as any other. What fits a code worse than this fits it by accident.
 */
export const strangeness = (readout: Readout, looks: readonly Look[]): number =>
  looks.reduce((p, look) => p * strangeLook(readout, look), 1);

function strangeLook(readout: Readout, look: Look): number {
  switch (look.kind) {
    case 'lamps':
      return Object.values(look.lamps).reduce((p, seen) => p * (seen === 'unsure' ? 1 : strangeLamp[seen]), 1);
    case 'blinks':
      return (1 + (look.maybe?.length ?? 0)) / 15;
    case 'rhythm':
      return 0.2 * 2 ** -[...look.pattern].filter((c) => c !== '?').length;
    case 'text': {
      const reads = readout.stages.find((s) => s.id === look.stage)?.reads;
      if (reads?.kind === 'value') return 1;
      return 0.2 * (1 / 25) ** [...look.text.trim()].filter((c) => c !== '?').length;
    }
    case 'pulses':
    case 'trace':
      return Math.exp(-6);
  }
}
