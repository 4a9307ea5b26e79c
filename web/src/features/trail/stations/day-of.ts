/** The day of an instant, as dates are kept. */
export const dayOf = (ms: number): string => new Date(ms).toISOString().slice(0, 10);
