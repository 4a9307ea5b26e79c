/** One reading of several, and when it was taken. */
export type Point = Readonly<{ afterMs: number; value: number }>;
export type Slope = Readonly<{
  perMin: number;
  /** How far `perMin` may be off when each reading may be off by its share, whichever way. */
  doubtPerMin: number;
  /** The line's value at the first reading. */
  begins: number;
}>;

const minute = 60_000;

/**
 * Change a minute through two or more readings: the line with the least sum of squares, slope = Σ(t−t̄)·v ÷ Σ(t−t̄)².
 * Each reading may be off by `accuracyRatio` of itself; the doubt is the worst of that, Σ|w|·|v|·ratio over the
 * weights w of the slope. Null where all were taken at once.
 */
export function slopeOf(points: readonly Point[], accuracyRatio: number): Slope | null {
  const { meanMs, weightOf } = timesOf(points);
  const [first] = points;
  if (!first || !weightOf) return null;
  let [perMin, doubtPerMin, level] = [0, 0, 0];
  for (const point of points) {
    const weight = weightOf(point) * minute;
    perMin += weight * point.value;
    doubtPerMin += Math.abs(weight * point.value) * accuracyRatio;
    level += point.value / points.length;
  }
  return { perMin, doubtPerMin, begins: level - (perMin * (meanMs - first.afterMs)) / minute };
}

/** The middle of the times readings were taken at, and each one's weight in the slope, a millisecond; null where all are at once. */
function timesOf(points: readonly Point[]): {
  meanMs: number;
  weightOf: ((point: Point) => number) | null;
} {
  const meanMs = points.reduce((sum, p) => sum + p.afterMs, 0) / points.length;
  const spread = points.reduce((sum, p) => sum + (p.afterMs - meanMs) ** 2, 0);
  return { meanMs, weightOf: spread > 0 ? (p) => (p.afterMs - meanMs) / spread : null };
}

export type Reaching =
  | Readonly<{ kind: 'reached'; afterS: number; doubtS: number }>
  /** Not yet, but the line through the readings gets there. */
  | Readonly<{ kind: 'on-its-way'; afterS: number; doubtS: number }>
  | Readonly<{ kind: 'never' }>;

/** What readings are off by: each by a share of itself, whichever way; or all of them alike by so much, if that is more. */
export type Off = Readonly<{ ratio: number; alike: number }>;

/**
 * How far the line through readings may be off at a time, in their unit: the worst that they can do to it, which is
 * Σ|1/n + w·(t−t̄)|·|v|·ratio over the weights w of the slope, or what all are off by alike.
 */
function doubtAt(points: readonly Point[], afterMs: number, { ratio, alike }: Off): number {
  const { meanMs, weightOf } = timesOf(points);
  const shareOf = (p: Point) => 1 / points.length + (weightOf?.(p) ?? 0) * (afterMs - meanMs);
  const each = points.reduce((sum, p) => sum + Math.abs(shareOf(p) * p.value) * ratio, 0);
  return Math.max(each, alike);
}

/**
 * When a value is reached, in seconds after the first reading, and how far that may be off: between the two readings
 * about it, on the straight line between them; before that, on the line through all; `never` where that leads away. Null
 * with fewer than two readings.
 */
export function timeTo(points: readonly Point[], value: number, off: Off): Reaching | null {
  const slope = slopeOf(points, 0);
  const [first] = points;
  if (!slope || !first) return null;
  for (let i = 1; i < points.length; i++) {
    const [a, b] = [points[i - 1], points[i]];
    if (!a || !b || (a.value - value) * (b.value - value) > 0) continue;
    const tookMs = b.afterMs - a.afterMs;
    // standing at the value all the while, it was reached some time in between
    if (a.value === b.value)
      return { kind: 'reached', afterS: (a.afterMs - first.afterMs) / 1000, doubtS: tookMs / 1000 };
    const atMs = a.afterMs + ((value - a.value) / (b.value - a.value)) * tookMs;
    const doubtMs = (doubtAt([a, b], atMs, off) * tookMs) / Math.abs(b.value - a.value);
    return { kind: 'reached', afterS: (atMs - first.afterMs) / 1000, doubtS: doubtMs / 1000 };
  }
  const togo = value - slope.begins;
  const minutes = togo / slope.perMin;
  if (!(minutes > 0) || !Number.isFinite(minutes)) return { kind: 'never' };
  const doubt = doubtAt(points, first.afterMs + minutes * minute, off);
  return { kind: 'on-its-way', afterS: minutes * 60, doubtS: (doubt / Math.abs(slope.perMin)) * 60 };
}
