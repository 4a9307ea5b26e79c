/** Letters to change, add, drop or swap with their neighbour to make one word of another. */
function distance(a: string, b: string, most: number): number {
  if (Math.abs(a.length - b.length) > most) return most + 1;
  let before: number[] = [];
  let last = Array.from({ length: b.length + 1 }, (_, j) => j);
  for (let i = 1; i <= a.length; i += 1) {
    const row = [i];
    for (let j = 1; j <= b.length; j += 1) {
      const same = a[i - 1] === b[j - 1] ? 0 : 1;
      let cost = Math.min((last[j] ?? 0) + 1, (row[j - 1] ?? 0) + 1, (last[j - 1] ?? 0) + same);
      if (i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1])
        cost = Math.min(cost, (before[j - 2] ?? 0) + 1);
      row.push(cost);
    }
    before = last;
    last = row;
  }
  return last[b.length] ?? most + 1;
}

/** The word that was likely meant: the nearest one within a third of its letters; null where none is near. */
export function nearest(word: string, words: Iterable<string>): string | null {
  const plain = word.toLowerCase();
  const most = Math.max(1, Math.floor(plain.length / 3));
  let best: { word: string; cost: number } | null = null;
  for (const candidate of words) {
    const begins = plain.length >= 2 && candidate.startsWith(plain);
    const cost = begins ? 0.5 : distance(plain, candidate, most);
    if (cost <= most && (best === null || cost < best.cost)) best = { word: candidate, cost };
  }
  return best?.word ?? null;
}
