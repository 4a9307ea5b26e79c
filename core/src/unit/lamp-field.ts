import type { SignId } from '../base/ids.ts';

/** Where lamps sit on their face, in its units. */
export type LampPlace = Readonly<{ id: SignId; x: number; y: number }>;
export type LampField = Readonly<{ width: number; height: number; lamps: readonly LampPlace[] }>;

const nearestGap = (lamps: readonly LampPlace[]): number => {
  let gap = Number.POSITIVE_INFINITY;
  lamps.forEach((a, i) => {
    for (const b of lamps.slice(i + 1)) gap = Math.min(gap, Math.hypot(a.x - b.x, a.y - b.y));
  });
  return gap;
};

/** Lamps of about one height, from the top, each row from the left. */
function rowsOf(lamps: readonly LampPlace[]): LampPlace[][] {
  const tall = Math.max(...lamps.map((l) => l.y)) - Math.min(...lamps.map((l) => l.y));
  const rows: LampPlace[][] = [];
  for (const lamp of [...lamps].sort((a, b) => a.y - b.y)) {
    const row = rows.at(-1);
    if (row?.[0] && lamp.y - row[0].y <= tall * 0.15) row.push(lamp);
    else rows.push([lamp]);
  }
  return rows.map((row) => row.sort((a, b) => a.x - b.x));
}

/**
 * A close-up of some lamps as they stand to each other, as wide as there is room, no two nearer than `gap` and none nearer
 * than half of that to an edge, so that a finger finds each. Where their own places do not allow it, they stand in their rows,
 * from the left, as many in a line as fit. All in the unit of `width` and `gap`.
 */
export function lampField(lamps: readonly LampPlace[], width: number, gap: number): LampField {
  const half = gap / 2;
  if (lamps.length === 0) return { width, height: gap, lamps: [] };
  const [left, top] = [Math.min(...lamps.map((l) => l.x)), Math.min(...lamps.map((l) => l.y))];
  const [wide, tall] = [Math.max(...lamps.map((l) => l.x)) - left, Math.max(...lamps.map((l) => l.y)) - top];
  const tallest = width * 0.8;
  // no larger than they need to be, where there is room to spare
  const fits = Math.min(
    wide > 0 ? (width - gap) / wide : Number.POSITIVE_INFINITY,
    tall > 0 ? (tallest - gap) / tall : Number.POSITIVE_INFINITY,
  );
  const apart = nearestGap(lamps);
  const scale = Math.min(fits, apart > 0 && lamps.length > 1 ? (gap * 1.6) / apart : 1);
  if (lamps.length === 1 || apart * scale >= gap) {
    const shift = (width - gap - wide * scale) / 2;
    return {
      width,
      height: tall * scale + gap,
      lamps: lamps.map((l) => ({ ...l, x: half + shift + (l.x - left) * scale, y: half + (l.y - top) * scale })),
    };
  }
  const most = Math.max(1, Math.floor(width / gap));
  const lines = rowsOf(lamps).flatMap((row) =>
    Array.from({ length: Math.ceil(row.length / most) }, (_, i) => row.slice(i * most, (i + 1) * most)),
  );
  return {
    width,
    height: lines.length * gap,
    lamps: lines.flatMap((line, y) =>
      line.map((l, x) => ({ ...l, x: (width / line.length) * (x + 0.5), y: gap * (y + 0.5) })),
    ),
  };
}
