import fc from 'fast-check';
import { Chart } from '../model/chart.ts';

/** A chart from little: nodes as they stand, everything else the least it can be. */
export const chart = (nodes: readonly object[], more: object = {}): Chart =>
  Chart.parse({
    kind: 'chart',
    id: 'made',
    family: null,
    title: 'Made',
    audience: 'technician',
    start: (nodes[0] as { id: string }).id,
    nodes,
    source: null,
    standing: 'experimental',
    ...more,
  });

const title = fc
  .stringMatching(/^[A-Za-z?:>–"#&|;Ω(){}[\]%-][ -~]{0,30}$/)
  .map((t) => t.trim())
  .filter((t) => t !== '');
const answer = fc
  .stringMatching(/^[a-z>][a-z >-]{0,14}$/)
  .map((t) => t.trim())
  .filter((t) => t !== '' && t !== 'cannot tell');

/** Charts of every kind of node, their ways on leading anywhere, or nowhere where `closed` is not asked for. */
export const anyChart = ({
  closed = false,
  most = 14,
}: {
  closed?: boolean;
  most?: number;
} = {}): fc.Arbitrary<Chart> =>
  fc.integer({ min: 1, max: most }).chain((size) => {
    // some are called like the kinds and like words of Mermaid: nothing may trip over that
    const odd = ['look', 'wait', 'compare', 'end', 'style', 'split'];
    const ids = Array.from({ length: size }, (_, i) => (i % 3 === 2 ? (odd[(i - 2) / 3] ?? `n${i}`) : `n${i}`));
    const id = fc.constantFrom(...ids, 'the-end');
    const target = closed ? id : fc.option(id, { nil: null, freq: 6 });
    const maybe = fc.option(id, { nil: undefined });
    const amount = fc.integer({ min: 1, max: 900 });
    const answers = fc
      .uniqueArray(fc.record({ answer, next: target }), { minLength: 2, maxLength: 4, selector: (a) => a.answer })
      .map((a) => a);
    const kinds: Record<string, fc.Arbitrary<object>> = {
      look: fc.record({ yes: target, no: target, cannotTell: maybe }),
      ask: fc.record({ answers }),
      measure: fc.record({
        quantity: fc.constantFrom('resistance', 'voltage', 'pressure'),
        probes: fc.constant(['a', 'b']),
        supply: fc.constant('dead'),
        band: amount.map((v) => ({ kind: 'fixed', least: v, most: v * 2 })),
        pass: target,
        low: target,
        high: target,
        open: maybe,
        tooClose: maybe,
      }),
      operate: fc.oneof(
        fc.record({ watchFor: title, answers }),
        fc.record({
          watchFor: title,
          watch: fc.constant({ kind: 'sound', what: 'a click' }),
          pass: id,
          fail: id,
        }),
      ),
      act: fc.record({ act: fc.constantFrom('clean', 'replace', 'isolate'), next: target }),
      wait: fc.record({ waitMs: fc.integer({ min: 1, max: 100_000 }), next: target }),
      set: fc.record({ setting: fc.constant('fill'), next: target }),
      split: fc.record({
        by: fc.oneof(
          fc.constant({ kind: 'variant' }),
          id.map((node) => ({ kind: 'answer', node })),
        ),
        cases: fc
          .uniqueArray(fc.record({ is: answer, next: target }), { minLength: 1, maxLength: 3, selector: (c) => c.is })
          .map((c) => c),
        otherwise: closed ? id : maybe,
      }),
      compare: fc.record({
        reading: id,
        against: fc.constant({ kind: 'amount', amount: 2 }),
        as: fc.constantFrom('ratio', 'difference'),
        least: fc.constant(1),
        most: fc.constant(3),
        pass: target,
        low: target,
        high: target,
      }),
      verdict: fc.record({ verdict: fc.constantFrom('cause-found', 'hand-on', 'nothing-found') }),
    };
    const node = (own: string) =>
      fc
        .constantFrom(...Object.keys(kinds))
        .chain((kind) =>
          fc
            .record({ title, minutes: fc.integer({ min: 0, max: 9 }), more: kinds[kind] as fc.Arbitrary<object> })
            .map(({ more, ...rest }) => ({ id: own, kind, ...rest, ...without(more) })),
        );
    return fc.tuple(...ids.map(node)).map((nodes) =>
      chart([...nodes, { id: 'the-end', kind: 'verdict', verdict: 'hand-on', title: 'End', handOnTo: 'the school' }], {
        afterRetries: 'the-end',
        mostVisits: 2,
        ...(closed ? { cannotTell: 'the-end' } : {}),
      }),
    );
  });

/** Without what is undefined: a document has no such thing. */
const without = (of: object): object => Object.fromEntries(Object.entries(of).filter(([, v]) => v !== undefined));
