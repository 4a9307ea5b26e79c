/** A line through its corners, those a little rounded. */
export function rounded(points: ReadonlyArray<Readonly<{ x: number; y: number }>>): string {
  return points.reduce((path, p, i) => {
    const [before, after] = [points[i - 1], points[i + 1]];
    if (!before) return `M${p.x} ${p.y}`;
    if (!after) return `${path} L${p.x} ${p.y}`;
    const towards = (q: { x: number; y: number }) => {
      const length = Math.hypot(q.x - p.x, q.y - p.y) || 1;
      const r = Math.min(10, length / 2);
      return `${p.x + ((q.x - p.x) / length) * r} ${p.y + ((q.y - p.y) / length) * r}`;
    };
    return `${path} L${towards(before)} Q${p.x} ${p.y} ${towards(after)}`;
  }, '');
}
