import type { Step } from '../model/route.ts';

/** A part of a telling, by its place in the text. */
export type Phrase = Readonly<{ from: number; to: number; text: string }>;
/** A part with the step made of it, named by its place in the steps: `2.during.0`. */
export type LinkedPhrase = Phrase & Readonly<{ at: string }>;
/** Something that was taken one way though it could be meant another. */
export type Doubt = Phrase & Readonly<{ about: string }>;

/** Draft steps of a telling: every phrase linked to its step, what was not understood left as it is. */
export type TellingDraft = Readonly<{
  steps: readonly Step[];
  phrases: readonly LinkedPhrase[];
  notUnderstood: readonly Phrase[];
  doubts: readonly Doubt[];
  /** Where the telling sums itself up and says something else there than in its steps. */
  contradictions: readonly Contradiction[];
}>;

/** A part of the summing-up that the steps before it do not bear out. */
export type Contradiction = Phrase & Readonly<{ said: Step; steps: Step | null }>;
