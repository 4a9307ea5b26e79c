import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  type Chart,
  chartOf,
  choicesOf,
  drawnOf,
  entriesOf,
  lintCharts,
  mostNodes,
  outlineRows,
  parseMermaid,
  parseOutline,
  printMermaid,
  printOutline,
  readChartText,
  textNoteWords,
} from '../index.ts';
import { dryer, glasswasher } from '../testing/bundles.ts';
import { anyChart, chart } from '../testing/charts.ts';

const demo = [...entriesOf(glasswasher(), 'chart'), ...entriesOf(dryer(), 'chart')];
const drawn = (text: string): Chart =>
  chartOf(readChartText(text).drawn, { id: 'x' as never, family: null, title: 'X' });
const bare = (of: Chart): Chart => ({ ...chartOf({ start: '', nodes: [] }, of), id: of.id, start: of.start });

describe('an outline', () => {
  it('read back is the chart it was printed from, whatever the chart', () => {
    fc.assert(
      fc.property(anyChart(), (made) => {
        expect(parseOutline(printOutline(made), made)).toEqual({ chart: made, problems: [] });
      }),
      { numRuns: 300 },
    );
  });

  it('read back without the chart keeps every step, its words, and where its answers lead', () => {
    fc.assert(
      fc.property(anyChart(), (made) => {
        const back = parseOutline(printOutline(made), bare(made)).chart;
        const byId = (of: Chart) => [...drawnOf(of).nodes].sort((a, b) => (a.id < b.id ? -1 : 1));
        expect(byId(back).map(({ id, head, title }) => [id, head, title])).toEqual(
          byId(made).map(({ id, head, title }) => [id, head, title]),
        );
      }),
    );
  });

  it.each(demo.map((c) => [c.id, c] as const))('of the demo’s %s is the chart', (_, of) => {
    expect(parseOutline(printOutline(of), of)).toEqual({ chart: of, problems: [] });
  });

  it('has every step once', () => {
    fc.assert(
      fc.property(anyChart(), (made) => {
        const steps = outlineRows(drawnOf(made)).flatMap((r) => (r.kind === 'step' ? [r.node] : []));
        expect([...steps].sort()).toEqual(made.nodes.map((n) => n.id).sort());
      }),
    );
  });

  it.each([
    ['- yes', 'answer-of-nothing'],
    ['what is this', 'no-step'],
    ['a look: A?\na look: A?', 'step-twice'],
    ['a act clean: A\n> b', 'link-to-nothing'],
    ['a look: A?\nb look: B?', 'nothing-leads-here'],
    ['', 'nothing-there'],
  ])('%j is told as %s, at its line', (text, code) => {
    const { problems } = parseOutline(text, demo[0] as Chart);
    expect(problems.map((p) => p.code)).toContain(code);
  });
});

describe('Mermaid', () => {
  it('read back is the chart it was printed from, whatever the chart', () => {
    fc.assert(
      fc.property(anyChart(), (made) => {
        expect(parseMermaid(printMermaid(made), bare(made)).chart.nodes).toEqual(made.nodes);
        expect(parseMermaid(printMermaid(made, { details: false }), made)).toEqual({ chart: made, problems: [] });
      }),
      { numRuns: 300 },
    );
  });

  it('a foreign flowchart keeps its structure and its text when it goes out again', () => {
    const foreign = `---
title: Pump
---
flowchart LR
  A[Press start] --> B{Does it hum?}
  B -->|Yes| C["Clean the #quot;sieve#quot;"]
  B -- No --> D([Call the school])
  C --> E[/Wait/] & F(Look again)
  subgraph right
    E --> D
  end
  F ==> D
  style A fill:#fff
  B -.->|"perhaps"| D`;
    const made = drawn(foreign);
    const again = drawn(printMermaid(made, { details: false }));
    expect(drawnOf(again)).toEqual(drawnOf(made));
    expect(made.nodes.map((n) => [n.id, n.kind, n.title])).toEqual([
      ['a', 'act', 'Press start'],
      ['b', 'ask', 'Does it hum?'],
      ['c', 'ask', 'Clean the "sieve"'],
      ['d', 'verdict', 'Call the school'],
      ['e', 'act', 'Wait'],
      ['f', 'act', 'Look again'],
    ]);
    const b = made.nodes.find((n) => n.id === 'b');
    expect(b && choicesOf(b, {}).map((c) => [c.answer, c.next])).toEqual([
      ['Yes', 'c'],
      ['No', 'd'],
      ['perhaps', 'd'],
    ]);
  });

  it.each([
    ['sequenceDiagram\n A->>B: hello', 'other-diagram'],
    ['gantt\n title x', 'other-diagram'],
    ['flowchart TD\n a --> ', 'line-unread'],
    ['flowchart TD', 'nothing-there'],
  ])('%j is told as %s', (text, code) => {
    const read = readChartText(text);
    expect(read.as).toBe('mermaid');
    expect(read.notes.map((n) => n.code)).toContain(code);
  });
});

describe('a numbered list', () => {
  const list = `1. Is the inlet strainer clean? If not, clean it and go to 4.
2. Is the tap fully open? No: open the tap and go to 4.
3. Isolate and prove dead.
4. Measure the coil of the fill valve, 3.2 to 4.1 kΩ. If low, replace the fill valve. If high, replace the fill valve.
5. Wait 10 min.
6. Run a fill. Does it fill in 3 min?
   Yes: go to 8
   No: go to 1
7. This is never reached.
8. Hand it on to the school.`;

  it('becomes steps of their kinds, with what leads where, and one end for the same words', () => {
    expect(printOutline(drawn(list)).split('\n')).toEqual([
      'is-the-inlet-strainer-clean look: Is the inlet strainer clean?',
      '  - yes',
      '    is-the-tap-fully-open look: Is the tap fully open?',
      '      - yes',
      '        isolate-and-prove-dead act isolate: Isolate and prove dead',
      '        measure-the-coil-of-the measure resistance: Measure the coil of the fill valve, 3.2 to 4.1 kΩ',
      '          - pass',
      '            wait-10-min wait 10 min: Wait 10 min',
      '            run-a-fill operate: Run a fill',
      '              - yes',
      '                hand-it-on-to-the verdict hand-on: Hand it on to the school',
      '              - no > is-the-inlet-strainer-clean',
      '          - low',
      '            replace-the-fill-valve verdict cause-found: Replace the fill valve',
      '          - high > replace-the-fill-valve',
      '      - no',
      '        open-the-tap act adjust: Open the tap',
      '        > measure-the-coil-of-the',
      '  - no',
      '    clean-it act clean: Clean it',
      '    > measure-the-coil-of-the',
      '--',
      'this-is-never-reached act adjust: This is never reached',
      '> hand-it-on-to-the',
    ]);
  });

  it.each<[string, object]>([
    [
      '1. Measure the coil, 3.2 to 4.1 kΩ.',
      { quantity: 'resistance', band: { kind: 'fixed', least: 3200, most: 4100 } },
    ],
    ['1. Measure at B3. It must read at least 22.5 V.', { quantity: 'voltage', band: { least: 22.5, most: null } }],
    ['1) Check the pressure: 1,2 – 1,8 bar', { quantity: 'pressure', band: { least: 1.2, most: 1.8 } }],
    ['1. Measure the element, 17 Ω ± 10 %', { quantity: 'resistance', band: { least: 15.3, most: 18.7 } }],
    ['1. Measure the pressure, 20 to 40 psi.', { quantity: 'pressure', band: { least: 1.378951, most: 2.757903 } }],
    ['1. Measure the flow, at least 2 gpm.', { quantity: 'flow', band: { least: 7.570824 } }],
    ['1. Measure the water, 140 °F to 180 °F.', { quantity: 'temperature', band: { least: 60, most: 82.222222 } }],
    ['1. Measure the leak; under 30 mA.', { quantity: 'current', band: { least: null, most: 0.03 } }],
  ])('%s has its good band', (text, expected) => {
    const [node] = drawn(text).nodes;
    const rounded = JSON.parse(JSON.stringify(node), (_, v) => (typeof v === 'number' ? Number(v.toFixed(6)) : v));
    expect(rounded).toMatchObject({ kind: 'measure', ...expected });
  });

  it.each<[string, object]>([
    ['Nothing found.', { kind: 'verdict', verdict: 'nothing-found' }],
    ['No fault was found', { kind: 'verdict', verdict: 'nothing-found' }],
    ['The motor is bad.', { kind: 'verdict', verdict: 'cause-found' }],
    ['Both relays are stuck at the contacts', { kind: 'verdict', verdict: 'cause-found' }],
    ['Cause: a loose earth', { kind: 'verdict', verdict: 'cause-found' }],
    ['Leave it limited until the part comes.', { kind: 'verdict', verdict: 'left-limited' }],
    ['Is the motor bad?', { kind: 'look' }],
    ['Check whether the motor is bad', { kind: 'look' }],
    ['The hose is blocked, free it', { kind: 'act', act: 'adjust' }],
    ['The hose is blocked. Go to 2.', { kind: 'act', act: 'adjust' }],
    ['Replace the relay, it is bad', { kind: 'act', act: 'replace' }],
  ])('“%s” is taken as what it says', (said, expected) => {
    expect(drawn(`1. ${said}\n2. Wait 1 min.`).nodes[0]).toMatchObject(expected);
  });

  it('a list that ends in what was found has no other end added', () => {
    const text = '1. Does the pump run? Yes: go to 3. No: go to 2.\n2. The pump is seized.\n3. Nothing found.';
    expect(readChartText(text).notes.filter((n) => n.code === 'end-added')).toEqual([]);
    expect(lintCharts({ ...glasswasher(), entries: [drawn(text)] }).filter((f) => f.severity === 'error')).toEqual([]);
  });

  it('notes what was guessed, what is missing, and the end that was added, each at its line in words', () => {
    const { notes } = readChartText('1. Is it on? If not, go to 9.\n2. Clean the mesh.');
    expect(notes.map((n) => [n.line, n.code])).toEqual(
      expect.arrayContaining([
        [1, 'taken-as'],
        [1, 'step-missing'],
        [2, 'end-added'],
      ]),
    );
    for (const note of notes) expect(textNoteWords(note).length).toBeGreaterThan(8);
  });

  it('never throws and never makes a chart that cannot be kept, whatever is pasted', () => {
    const bits = fc.constantFrom(
      '1. ',
      '2) ',
      'if not, ',
      'go to 2',
      'yes: ',
      'measure 3 kΩ',
      '\n',
      '  ',
      '> a',
      '- b',
      ': ',
      'flowchart TD\n',
      '-->',
      'a[x]',
      '\u202e',
      '?',
      '.',
    );
    fc.assert(
      fc.property(fc.array(fc.oneof(bits, fc.string({ maxLength: 6 })), { maxLength: 30 }), (parts) => {
        const made = drawn(parts.join(''));
        if (made.nodes.length > 0) expect(() => chart(made.nodes as never, { start: made.start })).not.toThrow();
      }),
      { numRuns: 500 },
    );
  });

  it('of more steps than a chart can hold is told, and nothing is lost of it', () => {
    const text = Array.from({ length: mostNodes + 12 }, (_, i) => `${i + 1}. Look at part ${i + 1}.`).join('\n');
    const read = readChartText(text);
    expect(read.notes[0]).toMatchObject({ code: 'too-many-steps' });
    expect(read.drawn.nodes.length).toBeGreaterThan(mostNodes);
  });
});

it('what is pasted is linted like anything drawn', () => {
  const made = drawn('1. Measure the coil, 3 to 4 kΩ.');
  const bundle = { ...glasswasher(), entries: [...glasswasher().entries, made] };
  const codes = lintCharts(bundle)
    .filter((f) => f.at[1] === bundle.entries.length - 1)
    .map((f) => f.code);
  expect(codes).toEqual(expect.arrayContaining(['branch-open']));
});
