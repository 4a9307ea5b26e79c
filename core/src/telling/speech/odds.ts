/**
 * How much what was learnt speaks for something, by the clues there are: the logarithm of the odds. The weights, of which
 * `per` make one, are read where they are first asked for.
 */
export function oddsBy(bias: number, weights: string, per: number): (clues: readonly string[]) => number {
  let learnt: Readonly<Record<string, number>> | null = null;
  return (clues) => {
    learnt ??= JSON.parse(weights) as Readonly<Record<string, number>>;
    let sum = bias;
    for (const clue of clues) sum += learnt[clue] ?? 0;
    return sum / per;
  };
}

/** Between which of some ends a number lies, as a clue. */
export function bucket(n: number, ...ends: readonly number[]): string {
  const i = ends.findIndex((end) => n < end);
  return String(i < 0 ? ends.length : i);
}
