import { type Bundle, Chart, seeded } from '@wire-trail/core';

/** A made-up chart of so many steps: questions, measurements, things done, rounds that are bounded, verdicts. */
export function madeUpChart(id: string, steps: number, random: () => number): Chart {
  const ids = Array.from({ length: steps }, (_, i) => `s${i}`);
  const ahead = (i: number): string => ids[Math.min(steps - 1, i + 1 + Math.floor(random() * 6))] ?? 'end';
  const nodes = ids.map((own, i) => {
    const plain = {
      id: own,
      title: `Step ${i} of ${id}`,
      minutes: Math.floor(random() * 9),
      about: random() < 0.3 ? ['drain-pump'] : [],
    };
    const kind = i === steps - 1 ? 9 : Math.floor(random() * 9);
    if (kind < 3)
      return { ...plain, kind: 'look', yes: ahead(i), no: ahead(i), hazards: random() < 0.3 ? ['mains'] : [] };
    if (kind < 5)
      return {
        ...plain,
        kind: 'measure',
        quantity: 'resistance',
        probes: ['a', 'b'],
        supply: 'dead',
        band:
          kind === 3
            ? {
                kind: 'thermistor',
                r25Ohm: { parameter: 'sensor-r25' },
                betaK: { parameter: 'sensor-beta' },
                toleranceRatio: 0.05,
              }
            : { kind: 'fixed', least: 10, most: 20 },
        pass: ahead(i),
        low: ahead(i),
        high: ahead(i),
      };
    if (kind < 6)
      return { ...plain, kind: 'ask', answers: ['one', 'two', 'three'].map((answer) => ({ answer, next: ahead(i) })) };
    if (kind < 8)
      return {
        ...plain,
        kind: 'act',
        act: 'clean',
        next: random() < 0.1 ? (ids[Math.max(0, i - 3)] ?? own) : ahead(i),
      };
    if (kind < 9)
      return {
        ...plain,
        kind: 'split',
        by: { kind: 'answer', node: ids[Math.max(0, i - 2)] },
        cases: [{ is: 'yes', next: ahead(i) }],
        otherwise: ahead(i),
      };
    return { ...plain, kind: 'verdict', verdict: 'hand-on', handOnTo: 'the school' };
  });
  return Chart.parse({
    kind: 'chart',
    id,
    family: 'brindlewick-g4',
    title: id,
    audience: 'technician',
    start: 's0',
    nodes,
    cannotTell: ids.at(-1),
    afterRetries: ids.at(-1),
    source: null,
    standing: 'experimental',
  });
}

/** A bundle with so many made-up charts in place of its own, each with a code that uses it. */
export function withCharts(bundle: Bundle, charts: number, steps: number): Bundle {
  const random = seeded(3);
  const made = Array.from({ length: charts }, (_, n) => madeUpChart(`made-${n}`, steps, random));
  const [like] = bundle.entries.flatMap((e) => (e.kind === 'code' ? [e] : []));
  if (!like) throw new Error('the demo has no code');
  const codes = made.map((c, n) => ({ ...like, id: `m${n}` as typeof like.id, text: `M${n}`, chart: c.id }));
  return {
    ...bundle,
    entries: [...bundle.entries.filter((e) => e.kind !== 'chart' && e.kind !== 'code'), ...made, ...codes],
  };
}
