/** What came of trying something many times; all but the first should be nothing. */
export type Tally = { name: string; tried: number; lost: number; doubled: number; stuck: number; answered500: number };

export const tallyOf = (name: string): Tally => ({ name, tried: 0, lost: 0, doubled: 0, stuck: 0, answered500: 0 });

export const isClean = (t: Tally): boolean => t.lost + t.doubled + t.stuck + t.answered500 === 0;

export const wait = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));
