/** Points further apart than this, as shares of the picture, are not looked at more closely: it would lose one of them. */
const mostApart = { x: 0.6, y: 0.25 };
const mostZoom = 2;

/** Where a closer look at these points of a picture is centred, and how much larger it is; null where there is none to gain. */
export function closeUp(
  points: ReadonlyArray<Readonly<{ x: number; y: number }>>,
): Readonly<{ x: number; y: number; zoom: number }> | null {
  if (points.length === 0) return null;
  const [xs, ys] = [points.map((p) => p.x), points.map((p) => p.y)];
  const middle = (of: readonly number[]): number => (Math.min(...of) + Math.max(...of)) / 2;
  const apart = (of: readonly number[]): number => Math.max(...of) - Math.min(...of);
  if (apart(xs) > mostApart.x || apart(ys) > mostApart.y) return null;
  return { x: middle(xs), y: middle(ys), zoom: Math.min(mostZoom, mostApart.x / Math.max(apart(xs), 0.01)) };
}
