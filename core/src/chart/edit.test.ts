import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  addAnswer,
  addStep,
  applyChanges,
  Chart,
  changeKind,
  choicesOf,
  diff,
  drawnOf,
  indentStep,
  insertChart,
  invertChanges,
  leadTo,
  moveAnswer,
  moveStep,
  nodeKinds,
  outdentStep,
  outlineRows,
  placeOf,
  printOutline,
  removeAnswer,
  removeStep,
  renameAnswer,
} from '../index.ts';
import { anyChart, chart } from '../testing/charts.ts';

const lines = (of: Chart): string[] => printOutline(of).split('\n');
const small = chart([
  { id: 'a', kind: 'look', title: 'A', yes: 'b', no: null },
  { id: 'b', kind: 'act', act: 'clean', title: 'B', next: 'c' },
  { id: 'c', kind: 'act', act: 'reseat', title: 'C', next: 'd' },
  {
    id: 'd',
    kind: 'ask',
    title: 'D',
    answers: [
      { answer: 'one', next: 'e' },
      { answer: 'two', next: null },
    ],
  },
  { id: 'e', kind: 'verdict', verdict: 'nothing-found', title: 'E' },
]);

describe('editing a chart', () => {
  it.each<[string, Chart, string[]]>([
    [
      'a step put in between goes on where that went',
      addStep(small, { node: 'b', answer: 'done' }, { head: 'wait 5 min', title: 'Let it cool' }).chart,
      [
        'a look: A',
        '  - yes',
        '    b act clean: B',
        '    let-it-cool wait 5 min: Let it cool',
        '    c act reseat: C',
        '    d ask: D',
        '      - one',
        '        e verdict nothing-found: E',
        '      - two',
        '  - no',
      ],
    ],
    [
      'a step put before the start',
      addStep(small, null, { head: 'act isolate', title: 'Isolate' }).chart,
      [
        'isolate act isolate: Isolate',
        'a look: A',
        '  - yes',
        '    b act clean: B',
        '    c act reseat: C',
        '    d ask: D',
        '      - one',
        '        e verdict nothing-found: E',
        '      - two',
        '  - no',
      ],
    ],
    [
      'a step taken out heals what led to it',
      removeStep(small, 'b'),
      [
        'a look: A',
        '  - yes',
        '    c act reseat: C',
        '    d ask: D',
        '      - one',
        '        e verdict nothing-found: E',
        '      - two',
        '  - no',
      ],
    ],
    [
      'two steps change places',
      moveStep(small, 'c', -1),
      [
        'a look: A',
        '  - yes',
        '    c act reseat: C',
        '    b act clean: B',
        '    d ask: D',
        '      - one',
        '        e verdict nothing-found: E',
        '      - two',
        '  - no',
      ],
    ],
    [
      'a step goes with all that follows to the next open answer',
      moveStep(small, 'e', 1),
      [
        'a look: A',
        '  - yes',
        '    b act clean: B',
        '    c act reseat: C',
        '    d ask: D',
        '      - one',
        '      - two',
        '        e verdict nothing-found: E',
        '  - no',
      ],
    ],
    [
      'indented, the step above becomes a question',
      indentStep(small, 'c'),
      [
        'a look: A',
        '  - yes',
        '    b look: B',
        '      - yes',
        '        c act reseat: C',
        '        d ask: D',
        '          - one',
        '            e verdict nothing-found: E',
        '          - two',
        '      - no',
        '  - no',
      ],
    ],
    [
      'taken out one level again, it is as it was but for what the step is',
      outdentStep(indentStep(small, 'c'), 'c'),
      lines({
        ...small,
        nodes: small.nodes.map((n) => (n.id === 'b' ? { ...n, act: 'adjust' } : n)) as Chart['nodes'],
      }),
    ],
    [
      'a link names a step that stands elsewhere',
      leadTo(small, { node: 'a', answer: 'no' }, 'd'),
      [
        'a look: A',
        '  - yes',
        '    b act clean: B',
        '    c act reseat: C',
        '    d ask: D',
        '      - one',
        '        e verdict nothing-found: E',
        '      - two',
        '  - no > d',
      ],
    ],
  ])('%s', (_, made, expected) => expect(lines(made)).toEqual(expected));

  it('answers are added, called otherwise, moved and taken away', () => {
    const three = addAnswer(small, 'd', 'three');
    const moved = moveAnswer(
      renameAnswer(three, { node: 'd', answer: 'three' }, 'neither'),
      { node: 'd', answer: 'neither' },
      -1,
    );
    const answers = (of: Chart) => choicesOf(of.nodes.find((n) => n.id === 'd') as never, {}).map((c) => c.answer);
    expect(answers(moved)).toEqual(['one', 'neither', 'two']);
    expect(answers(removeAnswer(moved, { node: 'd', answer: 'one' }))).toEqual(['neither', 'two']);
    // an answer that is there already is not added twice
    expect(addAnswer(small, 'd', 'one')).toBe(small);
  });

  it('a kind changed keeps what any step may have, and ways on of the same name', () => {
    const told = {
      ...small,
      nodes: small.nodes.map((n) => (n.id === 'a' ? { ...n, minutes: 7, text: 'With a lamp.' } : n)),
    };
    expect(changeKind(told as Chart, 'a', 'ask').nodes[0]).toMatchObject({
      kind: 'ask',
      minutes: 7,
      text: 'With a lamp.',
      answers: [{ answer: 'yes', next: 'b' }],
    });
    expect(changeKind(small, 'b', 'verdict hand-on').nodes[1]).toMatchObject({ kind: 'verdict' });
    for (const kind of nodeKinds) expect(Chart.safeParse(changeKind(small, 'd', kind)).success).toBe(true);
  });

  it('a template is put in with ids of its own, and what it says of its own steps goes with them', () => {
    const template = chart([
      {
        id: 'a',
        kind: 'measure',
        title: 'First',
        quantity: 'voltage',
        probes: ['x', 'y'],
        supply: 'dead',
        band: { kind: 'fixed', least: 1, most: 2 },
        pass: 'b',
        low: null,
        high: null,
      },
      {
        id: 'b',
        kind: 'compare',
        title: 'Both',
        reading: 'a',
        against: { kind: 'reading', node: 'a' },
        as: 'ratio',
        least: 1,
        most: 1,
        pass: null,
        low: null,
        high: null,
      },
    ]);
    const made = insertChart(small, { node: 'a', answer: 'no' }, template);
    expect(made.nodes.slice(5)).toMatchObject([
      { id: 'a-2', pass: 'b-2' },
      { id: 'b-2', reading: 'a-2', against: { node: 'a-2' } },
    ]);
    expect(made.nodes[0]).toMatchObject({ no: 'a-2' });
  });

  type Edit = (of: Chart, id: string, place: { node: string; answer: string }) => Chart;
  const edits: Edit[] = [
    (of, _, place) => addStep(of, place, { head: 'look', title: 'New' }).chart,
    (of, id) => removeStep(of, id),
    (of, id) => moveStep(of, id, 1),
    (of, id) => moveStep(of, id, -1),
    (of, id) => indentStep(of, id),
    (of, id) => outdentStep(of, id),
    (of, id) => changeKind(of, id, 'ask'),
    (of, id) => changeKind(of, id, 'wait 3 s'),
    (of, id) => addAnswer(of, id, 'more'),
    (of, _, place) => removeAnswer(of, place),
    (of, id, place) => leadTo(of, place, id),
    (of, _, place) => moveAnswer(of, place, 1),
    (of, _, place) => renameAnswer(of, place, 'otherwise said'),
  ];

  it('whatever is done, the chart can be kept, no step is lost but what was taken out, and it can be undone', () => {
    fc.assert(
      fc.property(
        anyChart({ most: 8 }),
        fc.array(fc.tuple(fc.nat(edits.length - 1), fc.nat(20), fc.nat(40)), { maxLength: 12 }),
        (first, done) => {
          let now = first;
          for (const [which, n, a] of done) {
            const node = now.nodes[n % now.nodes.length];
            const all = now.nodes.flatMap((x) =>
              choicesOf(x, {}).map((c) => ({ node: x.id as string, answer: c.answer })),
            );
            const place = all[a % Math.max(1, all.length)];
            if (!node || !place) continue;
            const next = (edits[which] as Edit)(now, node.id, place);
            const kept = now.nodes.map((x) => x.id).filter((id) => !(which === 1 && id === node.id));
            expect(kept.every((id) => next.nodes.some((x) => x.id === id))).toBe(true);
            expect(Chart.parse(next)).toEqual(next);
            expect(next.nodes.some((x) => x.id === next.start)).toBe(true);
            expect(applyChanges(next, invertChanges(diff(now, next)))).toEqual(now);
            now = next;
          }
          const steps = outlineRows(drawnOf(now)).filter((r) => r.kind === 'step');
          expect(steps).toHaveLength(now.nodes.length);
        },
      ),
      { numRuns: 200 },
    );
  });

  it('where a step stands is the answer above it in the outline', () => {
    expect([placeOf(small, 'a'), placeOf(small, 'c'), placeOf(small, 'e')]).toEqual([
      null,
      { node: 'b', answer: 'done' },
      { node: 'd', answer: 'one' },
    ]);
  });
});
