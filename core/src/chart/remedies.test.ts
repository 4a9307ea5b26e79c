import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Chart, chartFound, drawnOf, printMermaid, printOutline, walkChart } from '../index.ts';
import { chart } from '../testing/charts.ts';
import { changeTargets, choicesOf, leadAnswer } from './choices.ts';
import { causesAhead } from './graph.ts';
import { remediesDone, remedyAt, stoppedBy } from './remedies.ts';

const end = (id: string, more: object = {}) => ({ id, kind: 'verdict', title: id, verdict: 'nothing-found', ...more });
const tries = {
  id: 'try',
  kind: 'remedies',
  title: 'Against the rattle',
  question: 'Does it rattle again?',
  minutes: 5,
  remedies: [
    { do: 'Tighten the foot', part: 'foot' },
    { do: 'Grease the rail', act: 'clean', part: 'rail' },
    { do: 'A new belt', act: 'replace', part: 'belt' },
    { do: 'Turn it round' },
  ],
  stopped: 'found',
  comesAgain: 'none',
};
const rattle = chart([tries, end('found', { verdict: 'cause-found' }), end('none')] as never);
const said = (...answers: string[]) =>
  walkChart(
    rattle,
    answers.map((answer) => ({ node: 'try' as never, answer })),
  );
const [again, stopped] = ['it comes again', 'it stopped'];

describe('remedies in turn', () => {
  it.each<[string[], string, number, string | null]>([
    [[], 'try', 0, null],
    [[again], 'try', 1, null],
    [[again, again, again], 'try', 3, null],
    [[again, again, again, again], 'none', 0, null],
    [[stopped], 'found', 0, 'foot'],
    [[again, stopped], 'found', 0, 'rail'],
    [[again, again, stopped], 'found', 0, 'belt'],
    // what helped is done to no part that is known
    [[again, again, again, stopped], 'found', 0, null],
    // anything else is no answer
    [['done', again], 'try', 1, null],
  ])('%j stands at %s, remedy %d, and the cause is %s', (answers, at, remedy, cause) => {
    const walk = said(...answers);
    expect(walk.at.id).toBe(at);
    if (at === 'try') expect(remedyAt(walk.path, 'try' as never)).toBe(remedy);
    else expect(chartFound(walk).cause).toBe(cause);
  });
  it('takes its minutes each time, and is no round however long the list is', () => {
    const many = chart([
      { ...tries, remedies: Array.from({ length: 20 }, (_, i) => ({ do: `Remedy ${i}` })) },
      end('found'),
      end('none'),
    ] as never);
    const walk = walkChart(
      many,
      Array.from({ length: 20 }, () => ({ node: 'try' as never, answer: again })),
    );
    expect(walk).toMatchObject({ wentRound: false, minutes: 100, at: { id: 'none' } });
  });
  it('what was done is known, with the one that helped last', () => {
    const walk = said(again, again, stopped);
    expect(remediesDone(walk.path).map((r) => r.do)).toEqual(['Tighten the foot', 'Grease the rail', 'A new belt']);
    expect(stoppedBy(walk.path)?.do).toBe('A new belt');
    expect(stoppedBy(said(again).path)).toBeNull();
    // what was passed over was not done
    const skipped = walkChart(rattle, [{ node: 'try' as never, answer: again, skipped: 'no grease' }]);
    expect(remediesDone(skipped.path)).toEqual([]);
  });
  it('a cause that the verdict names goes before what helped', () => {
    const named = chart([tries, end('found', { verdict: 'cause-found', cause: 'motor' }), end('none')] as never);
    expect(chartFound(walkChart(named, [{ node: 'try' as never, answer: stopped }])).cause).toBe('motor');
    expect([...causesAhead(rattle, 'try' as never)].sort()).toEqual(['belt', 'foot', 'rail']);
  });
  it('leads on by its two answers, which can be led elsewhere, drawn and written down', () => {
    const [node] = rattle.nodes;
    if (!node) throw new Error('no node');
    expect(choicesOf(node, rattle).map((c) => `${c.answer} ${c.next}`)).toEqual([
      'it stopped found',
      'it comes again none',
    ]);
    const led = leadAnswer(leadAnswer(node, stopped, null), again, 'found' as never);
    expect(choicesOf(led, rattle).map((c) => c.next)).toEqual([null, 'found']);
    const turned = changeTargets(node, (id) => `${id}-x` as never);
    expect(choicesOf(turned, rattle).map((c) => c.next)).toEqual(['found-x', 'none-x']);
    expect(drawnOf(rattle).nodes[0]?.head).toBe('remedies');
    expect(printOutline(rattle)).toContain('it comes again');
    expect(printMermaid(rattle)).toContain('it stopped');
  });
});

describe('a reading after something was done about it', () => {
  const measured = (more: object = {}) => ({
    id: 'm',
    kind: 'measure',
    title: 'Plug',
    quantity: 'resistance',
    supply: 'dead',
    probes: ['a', 'b'],
    band: { kind: 'fixed', least: 1, most: 2 },
    pass: 'fine',
    low: 'clean',
    high: 'clean',
    ...more,
  });
  const clean = { id: 'clean', kind: 'act', act: 'clean', title: 'Clean the plug', next: 'm' };
  const of = (more: object, act: object = clean): Chart =>
    chart([measured(more), act, end('fine'), end('mended', { verdict: 'cause-found' })] as never);
  const walk = (made: Chart, ...answers: Array<[string, string]>) =>
    walkChart(
      made,
      answers.map(([node, answer]) => ({ node: node as never, answer })),
    );
  it('is not passed at once: it goes where the chart says, and says since what', () => {
    const mended = walk(of({ passAfter: 'mended' }), ['m', 'high'], ['clean', 'done'], ['m', 'pass']);
    expect(mended.at.id).toBe('mended');
    expect(mended.path.at(-1)).toMatchObject({ answer: 'pass after a remedy', since: { id: 'clean' } });
    const told = walk(of({}), ['m', 'high'], ['clean', 'done'], ['m', 'pass']);
    expect([told.at.id, told.path.at(-1)?.since?.id]).toEqual(['fine', 'clean']);
  });
  it.each<[string, object, Array<[string, string]>, string]>([
    ['good at once', clean, [['m', 'pass']], 'fine'],
    [
      'still bad',
      clean,
      [
        ['m', 'high'],
        ['clean', 'done'],
        ['m', 'high'],
      ],
      'clean',
    ],
    [
      'good the third time',
      clean,
      [
        ['m', 'high'],
        ['clean', 'done'],
        ['m', 'low'],
        ['clean', 'done'],
        ['m', 'pass'],
      ],
      'mended',
    ],
    [
      'after it was only isolated',
      { ...clean, act: 'isolate' },
      [
        ['m', 'high'],
        ['clean', 'done'],
        ['m', 'pass'],
      ],
      'fine',
    ],
    [
      'after it was put back',
      { ...clean, act: 'put-back' },
      [
        ['m', 'high'],
        ['clean', 'done'],
        ['m', 'pass'],
      ],
      'fine',
    ],
    [
      'after a new one',
      { ...clean, act: 'replace' },
      [
        ['m', 'high'],
        ['clean', 'done'],
        ['m', 'pass'],
      ],
      'mended',
    ],
  ])('%s', (_, act, answers, at) => {
    expect(walk(of({ passAfter: 'mended' }, act), ...answers).at.id).toBe(at);
  });
  it.each<[string, object, object, string]>([
    ['cleaned before', { about: ['plug'] }, { part: 'plug' }, 'mended'],
    ['cleaned before, as its step is about', { about: ['plug', 'lead'] }, { about: ['lead', 'rail'] }, 'mended'],
    ['another part cleaned before', { about: ['plug'] }, { part: 'rail' }, 'fine'],
    ['about nothing', {}, { part: 'plug' }, 'fine'],
    ['only isolated before', { about: ['plug'] }, { part: 'plug', act: 'isolate' }, 'fine'],
  ])('that was not read before: its part was %s', (_, about, act, at) => {
    const made = chart([
      { ...clean, ...act, next: 'm' },
      measured({ ...about, passAfter: 'mended' }),
      end('fine'),
      end('mended', { verdict: 'cause-found' }),
    ] as never);
    expect(walk(made, ['clean', 'done'], ['m', 'pass']).at.id).toBe(at);
  });
  it('that was not read before: a remedy in turn was done to its part', () => {
    const made = chart([
      { ...tries, stopped: 'm', comesAgain: 'm' },
      measured({ about: ['rail'], passAfter: 'mended' }),
      end('fine'),
      end('mended', { verdict: 'cause-found' }),
    ] as never);
    expect(walk(made, ['try', stopped], ['m', 'pass']).at.id).toBe('mended');
    const other = chart([
      { ...tries, remedies: [{ do: 'Turn it round' }], stopped: 'm', comesAgain: 'm' },
      measured({ about: ['rail'], passAfter: 'mended' }),
      end('fine'),
      end('mended'),
    ] as never);
    expect(walk(other, ['try', stopped], ['m', 'pass']).at.id).toBe('fine');
  });
  it('after a remedy that was passed over nothing was done', () => {
    const made = of({ passAfter: 'mended' });
    const given = [
      { node: 'm' as never, answer: 'high' },
      { node: 'clean' as never, answer: 'done', skipped: 'no brush' },
      { node: 'm' as never, answer: 'pass' },
    ];
    expect(walkChart(made, given).at.id).toBe('fine');
  });
  it('whatever is answered, a reading that was never bad is only good', () => {
    const made = of({ passAfter: 'mended' });
    fc.assert(
      fc.property(fc.array(fc.constantFrom('pass', 'low', 'high', 'done'), { maxLength: 8 }), (answers) => {
        const given = answers.map((answer) => ({ node: (answer === 'done' ? 'clean' : 'm') as never, answer }));
        const { path } = walkChart(made, given);
        const first = path.find((s) => s.node.id === 'm');
        if (first) expect(first.since).toBeUndefined();
        for (const [i, step] of path.entries())
          if (step.since) expect(path.slice(0, i).some((s) => s.node.id === 'm' && s.answer !== 'pass')).toBe(true);
      }),
    );
  });
});
