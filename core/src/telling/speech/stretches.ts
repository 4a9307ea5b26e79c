import type { Told } from './read.ts';

/** A stretch of a telling with what became of it; of a step where it stands: `route.step`. */
export type Stretch = Readonly<{ from: number; to: number; text: string }> &
  (
    | Readonly<{ is: 'step'; route: number; at: string }>
    | Readonly<{ is: 'warned' | 'asked' | 'not-understood' | 'contradicts' | 'talk' }>
  );

/**
 * The whole of a telling as stretches in order, each with what became of it: joined they are the text. What was made into a
 * step goes before a hole at the same place, the narrower before the wider.
 */
export function stretchesOf({ text, routes, holes, contradictions }: Told): Stretch[] {
  type Mark = Readonly<{ from: number; to: number }> &
    (Readonly<{ is: 'step'; route: number; at: string }> | Readonly<{ is: Exclude<Stretch['is'], 'step' | 'talk'> }>);
  const marks: Mark[] = [
    ...routes.flatMap((route, i) => route.phrases.map((p): Mark => ({ ...p, is: 'step', route: i }))),
    ...contradictions.map((c): Mark => ({ from: c.from, to: c.to, is: 'contradicts' })),
    ...holes.map((h): Mark => ({ from: h.from, to: h.to, is: h.why })),
  ];
  // who owns each place: written over by what goes before it
  const owner = new Map<number, Mark>();
  const order = [...marks].sort(
    (a, b) => Number(a.is === 'step') - Number(b.is === 'step') || b.to - b.from - (a.to - a.from),
  );
  const edges = [...new Set([0, text.length, ...marks.flatMap((m) => [m.from, m.to])])]
    .filter((e) => e >= 0 && e <= text.length)
    .sort((a, b) => a - b);
  for (const mark of order) for (const e of edges) if (e >= mark.from && e < mark.to) owner.set(e, mark);
  const out: Stretch[] = [];
  edges.slice(0, -1).forEach((from, i) => {
    const to = edges[i + 1] ?? text.length;
    const mark = owner.get(from);
    const last = out.at(-1);
    // blanks between two steps are of neither
    const own = mark && text.slice(from, to).trim() !== '' ? mark : { is: 'talk' as const };
    const isSame =
      last !== undefined &&
      last.is === own.is &&
      (last.is !== 'step' || own.is !== 'step' || (last.route === own.route && last.at === own.at));
    if (last && isSame) out[out.length - 1] = { ...last, to, text: text.slice(last.from, to) };
    else if (own.is === 'step')
      out.push({ is: 'step', route: own.route, at: own.at, from, to, text: text.slice(from, to) });
    else out.push({ is: own.is, from, to, text: text.slice(from, to) });
  });
  return out;
}
