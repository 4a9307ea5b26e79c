import { z } from 'zod';

/** What a lamp does that gives light. */
export const lightStates = ['lit', 'slow', 'fast'] as const;
export const lampStates = ['dark', ...lightStates] as const;
export const LampState = z.enum(lampStates);
export type LampState = z.infer<typeof LampState>;

/** How often a lamp that blinks does so in a second, as a readout says it. */
export const lampRates = ['slowHz', 'fastHz'] as const;
export type LampRate = (typeof lampRates)[number];

/** What there is to know of a state: whether it gives light, at which rate it blinks, and its letter in tables of lamps. */
export const lampTraits: Readonly<
  Record<LampState, Readonly<{ lights: boolean; blinks: LampRate | null; letter: string }>>
> = {
  dark: { lights: false, blinks: null, letter: 'd' },
  lit: { lights: true, blinks: null, letter: 'l' },
  slow: { lights: true, blinks: 'slowHz', letter: 's' },
  fast: { lights: true, blinks: 'fastHz', letter: 'f' },
};

export const blinkingStates: readonly LampState[] = lampStates.filter((state) => lampTraits[state].blinks !== null);

export const lampColours = ['amber', 'green', 'red', 'white', 'blue', 'yellow'] as const;
export const LampColour = z.enum(lampColours);
export type LampColour = z.infer<typeof LampColour>;
