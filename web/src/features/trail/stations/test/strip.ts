/** So many times off an edge is as far as the strip goes. */
const far = 2.5;
const clamp = (v: number, least: number, most: number): number => Math.min(most, Math.max(least, v));

/**
 * Where a value stands on the strip of a good band, 0 at its left end and 1 at its right. Logarithmic, so that open and
 * short are on it, but straight where the band is below nothing. A band takes a third of its strip, or less where the
 * reading lies far off; what is further still stands at the end.
 */
export function onStrip(least: number | null, most: number | null, value: number | null): (v: number) => number {
  if ((least ?? 0) <= 0 && (most ?? 0) <= 0) {
    const [from, to] = [(least ?? most ?? 0) - 1, (most ?? least ?? 0) + 1];
    return (v) => clamp((v - from) / (to - from), 0, 1);
  }
  const low = Math.max(least ?? (most ?? 1) / 4, 1e-9);
  const high = most ?? (least ?? 1) * 4;
  const third = least === null || most === null ? far : clamp(high / low, 1.02, far);
  const near = [low / third, high * third] as const;
  const from = value !== null && value < near[0] ? Math.max(value * 0.9, low / far) : near[0];
  const to = value !== null && value > near[1] ? Math.min(value * 1.1, high * far) : near[1];
  return (v) => clamp(Math.log(Math.max(v, from) / from) / Math.log(to / from), 0, 1);
}
