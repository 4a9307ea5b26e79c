import { describe, expect, it } from 'vitest';
import { type FindingCode, findingWords, lint } from '../index.ts';
import { type BoardRoute, boardBundle } from '../testing/unit.ts';

type Raw = Record<string, unknown>;
const cursor = (to: number): Raw => ({ kind: 'cursor', id: 'slot', from: 1, to, start: 1, wraps: true });
const steps = (control: string): Raw => ({
  on: { kind: 'gesture', steps: [{ kind: 'press', control, times: 1 }] },
  effects: [{ kind: 'step', variable: 'slot', by: 1 }],
});
const way = (id: string, script: string, rest: Raw = {}): BoardRoute => ({ id, script, rest });
const front: Raw = {
  kind: 'access',
  id: 'front-off',
  family: 'bench',
  name: 'Front off',
  isolateFirst: true,
  opens: ['inside'],
  steps: [{ do: 'Four screws' }],
  source: null,
  standing: 'document',
};
type Case = Readonly<{
  what: string;
  code: FindingCode;
  routes: readonly BoardRoute[];
  more?: readonly Raw[];
  service?: Raw;
}>;

/** What a careful reader would call noise. */
const cases: readonly Case[] = [
  {
    what: 'an entry of a menu that is only passed on the way to a list',
    code: 'list-entry-beyond',
    routes: [way('in', 'from idle\nstep c from 1 to 14\nsee l2 lit\nreach service')],
    service: { variables: [cursor(6)], transitions: [steps('b')] },
  },
  {
    what: 'a lock-out that comes by itself',
    code: 'mode-unreachable',
    routes: [way('in', 'from idle\npress a\nreach service'), way('t', 'from idle\npress b\nreach tests')],
    more: [
      { kind: 'mode', id: 'shut', family: 'bench', controller: 'main', name: 'Shut', sort: 'locked-out' },
      { kind: 'mode', id: 'aux-runs', family: 'bench', controller: 'aux', name: 'Aux', sort: 'live' },
    ],
  },
  {
    what: 'a jumper behind the cover that is open since the mode was entered',
    code: 'cover-not-opened',
    routes: [
      way('in', 'from idle\nset power off\nset jumper in\nset power on\nreach service', { ways: ['front-off'] }),
      way('out', 'from service\nset jumper out\nreach idle', { purpose: 'leave' }),
    ],
    more: [front],
  },
  {
    what: 'a list that the summary counts as presses',
    code: 'summary-differs',
    routes: [
      way('r', 'from service\nstep b from 1 to 5\npress c\nreach service', {
        summary: 'Press b 4 times, then press c.',
      }),
    ],
  },
  {
    what: 'letting go of what a hold ends by itself',
    code: 'summary-differs',
    routes: [
      way('r', 'from idle\nhold a + b for 5 s to 8 s\npress c\nreach service', {
        summary: 'Hold a and b for 6 seconds, let go, and press c.',
      }),
    ],
  },
  {
    what: 'a hold that the summary does not time',
    code: 'summary-differs',
    routes: [way('r', 'from idle\nhold a for 5 s to 8 s\nreach service', { summary: 'Hold a.' })],
  },
  {
    what: 'a small step within a longer way',
    code: 'fires-first',
    routes: [
      way('next', 'from service\npress b\nreach service', { purpose: 'step' }),
      way('far', 'from service\npress b 3 times\nsee l1 lit\nreach tests'),
    ],
    service: { variables: [cursor(6)] },
  },
  {
    what: 'two gestures under conditions that exclude each other',
    code: 'fires-first',
    routes: [way('in', 'from idle\npress a\nreach service')],
    service: {
      variables: [{ kind: 'flag', id: 'armed', start: false }],
      transitions: [
        {
          on: { kind: 'gesture', steps: [{ kind: 'press', control: 'b', times: 1 }] },
          when: { kind: 'variable', variable: 'armed', is: true },
          to: 'idle',
        },
        {
          on: {
            kind: 'gesture',
            steps: [
              { kind: 'press', control: 'b', times: 1 },
              { kind: 'press', control: 'c', times: 1 },
            ],
          },
          when: { kind: 'variable', variable: 'armed', is: false },
          to: 'tests',
        },
      ],
    },
  },
  {
    what: 'tests whose numbers stand far apart',
    code: 'test-number-gap',
    routes: [],
    service: { tests: ['1', '10', '20'].map((number) => ({ number, name: number, starts: 'x', expected: 'y' })) },
  },
];

describe('what is no loose end', () => {
  it.each(cases.map((c) => [c.what, c] as const))('%s', (_, { code, routes, more = [], service = {} }) => {
    const found = lint(boardBundle(routes, more, service)).filter((f) => f.code === code);
    expect(found.map(findingWords)).toEqual([]);
  });
});

describe('what is one', () => {
  it('an interlock trick in a way of getting at something', () => {
    const trick = { ...front, steps: [{ do: 'Tape the lid switch down and slide the cover off.' }] };
    const found = lint(boardBundle([], [trick])).filter((f) => f.code === 'interlock-words');
    expect(found.map((f) => f.at.slice(2))).toEqual([['steps', 0]]);
  });
  it('an entry beyond the list it is in', () => {
    const found = lint(
      boardBundle([way('r', 'from service\nstep b from 1 to 9\nreach service')], [], {
        variables: [cursor(6)],
        transitions: [steps('b')],
      }),
    );
    expect(found.filter((f) => f.code === 'list-entry-beyond').map(findingWords)).toEqual([
      'Entry 9 is beyond the list, which runs from 1 to 6.',
    ]);
  });
  it('two ways of which one ends where the other is under way, also at a slow pace', () => {
    const found = lint(
      boardBundle([
        way('three', 'from idle\npress a 3 times\nreach service'),
        way('five', 'from idle\npress a 5 times\nreach tests'),
      ]),
    );
    expect(found.map((f) => f.code)).not.toContain('fires-first');
    const slow = lint(
      boardBundle([
        way('three', 'from idle\npress a 3 times\nreach service'),
        way('five', 'from idle\npress a 5 times\n  - takes 4 s to 9 s\nreach tests'),
      ]),
    );
    expect(slow.map((f) => f.code)).toContain('fires-first');
  });
});
