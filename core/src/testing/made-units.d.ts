import { type Bundle } from '../index.ts';

type Draw = Readonly<{
  number: (least: number, most: number) => number;
  one: <T>(all: readonly T[]) => T;
  chance: (share: number) => boolean;
  some: <T>(all: readonly T[], n: number) => T[];
}>;
/** Draws of a seeded source. */
export declare function drawing(random: () => number): Draw;
/** How long the self-check of a made-up unit takes. */
export declare const checkMs = 60000;
/**
 * A made-up unit nobody has seen: its keys in pairs that look alike, what else its panel has, a supply that may start at
 * off, a self-check after the supply comes, and two to five ways of any kind between its modes. Null where the draw gave
 * ways the unit could not tell apart.
 */
export declare function madeUnit(seed: number): Bundle | null;
