const firstMs = 15_000;
const mostMs = 5 * 60_000;

/**
 * How long the queue waits before it tries again, in ms: twice as long after each try but the first that reached nobody,
 * five minutes at most. `random` (0 to 1) spreads it by a third, so that a hall of devices does not come back at once.
 */
export const pauseMs = (failures: number, random: number): number =>
  Math.min(mostMs, firstMs * 2 ** Math.max(0, failures - 1)) * (5 / 6 + random / 3);
