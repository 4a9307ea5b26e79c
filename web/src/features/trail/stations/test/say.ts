import type { TakenReading } from '@wire-trail/core';

/** What a person said at a step: the answer, a reading where there was one, or why it was passed over. */
export type Say = (answer: string, more?: { reading?: TakenReading; skipped?: string }) => void;
