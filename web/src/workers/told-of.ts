import { type Answers, type Bundle, bundleFacts, entriesOf, readAnyTelling, type Told } from '@wire-trail/core';

export type TellingQuestion = Readonly<{ text: string; bundle: Bundle; answers: Answers }>;

/** Reads a telling on the controls of a unit, however it is told; `at` hears how much of it is read, from 0 to 1. */
export const toldOf = ({ text, bundle, answers }: TellingQuestion, at?: (share: number) => void): Told =>
  readAnyTelling(text, bundleFacts(bundle), entriesOf(bundle, 'instrument'), at, answers);
