import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  addPart,
  alignParts,
  calledByBadge,
  duplicateParts,
  moveInOrder,
  moveParts,
  newFace,
  Panel,
  partKinds,
  partsOf,
  removeParts,
  resizeParts,
  spreadParts,
  weighLamps,
} from '../index.ts';

const empty: Panel = newFace(
  Panel.parse({ kind: 'panel', id: 'p', family: 'f', name: 'Front', controller: 'main', faces: [face('x')] }),
  'front',
);
function face(id: string) {
  return { id, label: 'X', side: 'front', width: 20, height: 10, controls: [], signs: [] };
}
const on = 1;
const parts = (panel: Panel) => partsOf(panel.faces[on] as never);
const boxes = (panel: Panel) => parts(panel).map((p) => [p.at.x, p.at.y]);
const withParts = (...at: Array<[number, number]>) =>
  at.reduce((panel, [x, y]) => addPart(panel, on, 'lamp', { x, y }).panel, empty);
const all = (panel: Panel) => new Set(parts(panel).map((p) => p.id as string));

describe('addPart', () => {
  it.each(partKinds)('a %s is sound as it comes', (sort) => {
    const { panel, id } = addPart(empty, on, sort);
    expect(Panel.safeParse(panel).success).toBe(true);
    expect(parts(panel).map((p) => p.id)).toEqual([id]);
  });
  it('goes where there is room, and where it is dropped', () => {
    const first = addPart(empty, on, 'button').panel;
    const { panel } = addPart(first, on, 'button');
    expect(boxes(panel)).toEqual([
      [2, 2],
      [6, 2],
    ]);
    expect(boxes(addPart(empty, on, 'button', { x: 30, y: 12 }).panel)).toEqual([[28, 10]]);
    expect(boxes(addPart(empty, on, 'button', { x: 900, y: -5 }).panel)).toEqual([[56, 0]]);
  });
  it('never lands on another, wherever it is dropped and however full the face is', () => {
    let panel = empty;
    for (let i = 0; i < 60; i++)
      panel = addPart(panel, on, i % 2 ? 'knob' : 'lamp', i % 3 ? { x: 5, y: 5 } : undefined).panel;
    expect(Panel.safeParse(panel).success).toBe(true);
    const all = parts(panel).map((p) => p.at);
    for (const [i, a] of all.entries())
      for (const b of all.slice(i + 1))
        expect(a.x < b.x + b.w && b.x < a.x + a.w && a.y < b.y + b.h && b.y < a.y + a.h).toBe(false);
  });
});

describe('alignParts and spreadParts', () => {
  const three = withParts([10, 4], [20, 8], [40, 6]);
  it.each<[Parameters<typeof alignParts>[3], number[][]]>([
    [
      'left',
      [
        [9, 3],
        [9, 7],
        [9, 5],
      ],
    ],
    [
      'right',
      [
        [39, 3],
        [39, 7],
        [39, 5],
      ],
    ],
    [
      'top',
      [
        [9, 3],
        [19, 3],
        [39, 3],
      ],
    ],
    [
      'bottom',
      [
        [9, 7],
        [19, 7],
        [39, 7],
      ],
    ],
    [
      'centre',
      [
        [24, 3],
        [24, 7],
        [24, 5],
      ],
    ],
    [
      'middle',
      [
        [9, 5],
        [19, 5],
        [39, 5],
      ],
    ],
  ])('%s', (edge, expected) => expect(boxes(alignParts(three, on, all(three), edge))).toEqual(expected));
  it('even gaps', () =>
    expect(boxes(spreadParts(three, on, all(three), 'across')).map(([x]) => x)).toEqual([9, 24, 39]));
});

it('weights go up by two from the side one counts from', () => {
  const weights = (from: 'left' | 'right') =>
    parts(weighLamps(withParts([10, 4], [40, 4], [20, 4]), on, new Set(['lamp', 'lamp-2', 'lamp-3']), from)).map(
      (p) => 'weight' in p && p.weight,
    );
  expect([weights('left'), weights('right')]).toEqual([
    [1, 4, 2],
    [4, 1, 2],
  ]);
});

describe('whatever is done to a panel', () => {
  const edit = fc.oneof(
    fc.record({
      kind: fc.constant('add' as const),
      sort: fc.constantFrom(...partKinds),
      x: fc.integer({ min: -20, max: 90 }),
      y: fc.integer({ min: -20, max: 90 }),
    }),
    fc.record({
      kind: fc.constant('move' as const),
      dx: fc.integer({ min: -30, max: 30 }),
      dy: fc.integer({ min: -30, max: 30 }),
    }),
    fc.record({
      kind: fc.constant('size' as const),
      dx: fc.integer({ min: -9, max: 90 }),
      dy: fc.integer({ min: -9, max: 90 }),
    }),
    fc.record({ kind: fc.constant('copy' as const) }),
    fc.record({
      kind: fc.constant('align' as const),
      edge: fc.constantFrom('left' as const, 'bottom' as const, 'centre' as const),
    }),
    fc.record({ kind: fc.constant('spread' as const) }),
  );
  const run = (panel: Panel, e: typeof edit extends fc.Arbitrary<infer E> ? E : never): Panel => {
    const some = new Set([...all(panel)].filter((_, i) => i % 2 === 0));
    switch (e.kind) {
      case 'add':
        return addPart(panel, on, e.sort, e).panel;
      case 'move':
        return moveParts(panel, on, some, e.dx, e.dy);
      case 'size':
        return resizeParts(panel, on, some, e.dx, e.dy);
      case 'copy':
        return duplicateParts(panel, on, some).panel;
      case 'align':
        return alignParts(panel, on, some, e.edge);
      case 'spread':
        return spreadParts(panel, on, all(panel), 'across');
    }
  };
  it('it stays sound, every part on its face, every id its own', () => {
    fc.assert(
      fc.property(fc.array(edit, { maxLength: 14 }), (edits) => {
        const panel = edits.reduce(run, empty);
        expect(Panel.safeParse(panel).error).toBeUndefined();
        const { width, height } = panel.faces[on] as Panel['faces'][number];
        for (const { at } of parts(panel)) {
          expect(Math.min(at.x, at.y)).toBeGreaterThanOrEqual(0);
          expect(at.x + at.w).toBeLessThanOrEqual(width + 1e-9);
          expect(at.y + at.h).toBeLessThanOrEqual(height + 1e-9);
        }
        expect(all(panel).size).toBe(parts(panel).length);
        expect(parts(removeParts(panel, on, all(panel)))).toEqual([]);
      }),
    );
  });
  it('a move that meets no edge is taken back by its opposite', () => {
    const panel = withParts([20, 10], [30, 12]);
    const step = fc.integer({ min: -6, max: 6 });
    fc.assert(
      fc.property(step, step, (dx, dy) => {
        expect(moveParts(moveParts(panel, on, all(panel), dx, dy), on, all(panel), -dx, -dy)).toEqual(panel);
      }),
    );
  });
});

describe('order and names', () => {
  const lamp = (id: string) => ({
    kind: 'lamp' as const,
    id: id as never,
    label: id,
    at: { x: 1, y: 1, w: 2, h: 2 },
    colours: ['red' as const],
    shows: ['lit' as const],
  });
  const face = {
    id: 'front' as never,
    label: 'Front',
    side: 'front' as const,
    width: 20,
    height: 10,
    controls: [],
    captions: [],
  };
  const panel = { faces: [{ ...face, signs: [lamp('a'), lamp('b'), lamp('c')] }] } as unknown as Panel; // the rest of a panel is not looked at
  it.each([
    ['a', 1, 'b a c'],
    ['c', -1, 'a c b'],
    ['a', -1, 'a b c'],
    ['c', 1, 'a b c'],
    ['x', 1, 'a b c'],
  ] as const)('%s moved by %i: %s', (id, by, order) => {
    expect(
      moveInOrder(panel, 0, id, by)
        .faces[0]?.signs.map((s) => s.id)
        .join(' '),
    ).toBe(order);
  });
  it('a name by the badge is given, changed, and taken back without a trace', () => {
    const once = calledByBadge(lamp('a'), 'marrick', 'first');
    expect(once.labelByBadge).toEqual({ marrick: 'first' });
    const both = calledByBadge(once, 'tolm', 'one');
    expect(calledByBadge(both, 'marrick', '').labelByBadge).toEqual({ tolm: 'one' });
    expect(calledByBadge(once, 'marrick', ' ')).toEqual(lamp('a'));
  });
});
