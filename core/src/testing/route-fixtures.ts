import type { Bundle, FindingCode } from '../index.ts';
import { type BoardRoute, boardBundle } from './unit.ts';

type Raw = Record<string, unknown>;
export type RouteFixture = Readonly<{
  routes: readonly BoardRoute[];
  more?: readonly Raw[];
  service?: Raw;
  says: string;
  at?: string;
}>;

export const into = { id: 'in', script: 'from idle\npress a 3 times\nsee l2 lit\nreach service' };
export const out = { id: 'out', script: 'from service\npress c 2 times\nreach idle', rest: { purpose: 'leave' } };
const account = (id: string, script: BoardRoute['script']): Raw => {
  const [route] = boardBundle([{ id: 'x', script }]).entries.filter((e) => e.kind === 'route');
  return {
    kind: 'account',
    id,
    family: 'bench',
    route: 'in',
    name: id,
    steps: route?.kind === 'route' ? route.steps : [],
    source: null,
    standing: 'hearsay',
  };
};
const test = (number: string, rest: Raw = {}): Raw => ({
  number,
  name: `Test ${number}`,
  starts: 'By itself.',
  expected: 'It runs.',
  ...rest,
});
const inside: Raw = {
  kind: 'access',
  id: 'front-off',
  family: 'bench',
  name: 'Front off',
  isolateFirst: false,
  opens: ['inside'],
  steps: [{ do: 'Four screws' }],
  source: null,
  standing: 'document',
};
const instrument = (id: string, ...functions: string[]): Raw => ({ kind: 'instrument', id, name: id, functions });

/** For every finding of routes what brings it up, in which words, and at which step. */
export const routeFixtures: Partial<Record<FindingCode, RouteFixture>> = {
  'control-cannot': {
    routes: [{ id: 'r', script: 'press lid\nreach service' }],
    says: '“lid” cannot be pressed.',
    at: 'steps.0',
  },
  'cover-not-opened': {
    routes: [{ id: 'r', script: 'set jumper in\nreach service' }],
    says: '“jumper” sits behind a cover (four screws), and no way there is named.',
    at: 'steps.0',
  },
  'cover-without-isolation': {
    routes: [{ id: 'r', script: 'set jumper in\nreach service', rest: { ways: ['front-off'] } }],
    more: [inside],
    says: 'The cover over “jumper” (four screws) wants the supply isolated first; here it is still on.',
    at: 'steps.0',
  },
  'pressed-without-power': {
    routes: [{ id: 'r', script: 'set power off\npress a\nreach service' }],
    says: '“a” is worked while the unit has no supply.',
    at: 'steps.1',
  },
  'never-let-go': {
    routes: [{ id: 'r', script: 'hold a\npress b\nreach service' }],
    says: '“a” is held, and nothing says when to let go.',
    at: 'steps.0',
  },
  'let-go-not-held': {
    routes: [{ id: 'r', script: 'press a\nlet-go b\nreach service' }],
    says: '“b” is let go, but nothing held it.',
    at: 'steps.1',
  },
  'cannot-be-dialled': {
    routes: [{ id: 'r', script: 'dial "9" from "12" with a\nreach service' }],
    says: '“9” cannot be set with these controls.',
    at: 'steps.0',
  },
  'route-too-long': {
    routes: [{ id: 'r', script: 'group 100 times\n  group 100 times\n    press a\n    press b\nreach service' }],
    says: 'With its repeats this is more than 5000 single acts.',
  },
  'nothing-done': {
    routes: [{ id: 'r', script: 'say Nothing at all.\nreach service' }],
    says: 'Nothing is done in “r”.',
  },
  'window-too-short': {
    routes: [{ id: 'r', script: 'within 1 s of power-on\n  press a 5 times\nreach service' }],
    says: 'The window is 1 s; its steps take 1.25 s at the very least.',
    at: 'steps.0',
  },
  'window-tight': {
    routes: [{ id: 'r', script: 'within 2.5 s of power-on\n  press a 5 times\nreach service' }],
    says: 'Slack 10 %: the steps usually take 2.25 s of the 2.5 s.',
    at: 'steps.0',
  },
  'least-over-most': {
    routes: [into],
    service: {
      tests: [
        {
          number: '1',
          name: 'Pump',
          starts: 'By itself.',
          expected: 'Ohms.',
          expects: { kind: 'reading', quantity: 'resistance', least: 9, most: 3 },
        },
      ],
    },
    says: 'The least, 9, is over the most, 3.',
  },
  'knob-ends-elsewhere': {
    routes: [{ id: 'r', script: 'sweep knob right 2 turns to side\nreach service' }],
    says: 'Full turns end where they began: “side” is 3 clicks further for “knob”.',
    at: 'steps.0',
  },
  'sign-impossible': {
    routes: [{ id: 'r', script: 'press a\nsee l1 lit blue\nreach service' }],
    says: '“l1” is never blue.',
    at: 'steps.1',
  },
  'no-confirming-sign': {
    routes: [{ id: 'r', script: 'press a\nreach tests' }],
    says: 'No sign tells that “r” has reached “tests”.',
  },
  'no-way-out': {
    routes: [{ id: 'r', script: 'press a\nreach tests' }],
    says: 'No route leaves the mode “tests”, and it does not time out.',
  },
  'test-number-gap': {
    routes: [into],
    service: { tests: ['1', '2', '4'].map((number) => test(number)) },
    says: 'In “service” the tests skip 3.',
  },
  'test-order': {
    routes: [into],
    service: { tests: [test('1', { followedBy: '2', expected: 'It heats.' }), test('2', { coldOnly: true })] },
    says: '“Test 2” only counts cold, and runs by itself after “Test 1”.',
  },
  'lock-out-never-cleared': {
    routes: [into, out],
    more: [{ kind: 'mode', id: 'shut', family: 'bench', controller: 'main', name: 'Shut', sort: 'locked-out' }],
    says: '“Shut” locks out, and nothing says how that is cleared.',
  },
  'mode-unreachable': { routes: [into], says: 'No route leads into the mode “tests”.' },
  'setting-left-changed': {
    routes: [{ id: 'r', script: 'from service\nchoose "Menu" > "Pace" on-unit value "trot"\nreach service' }],
    says: '“Menu › Pace” is set to “trot”, and nothing puts the old value back.',
    at: 'steps.0',
  },
  'instrument-function-missing': {
    routes: [{ id: 'r', script: 'choose "Erase" with box needs "clear codes"\nreach service' }],
    more: [instrument('box', 'read codes'), instrument('large-box', 'read codes', 'clear codes')],
    says: '“box” lacks “clear codes”; large-box has it.',
    at: 'steps.0',
  },
  'route-circle': {
    routes: [
      { id: 'r', script: 'from service\npress b\ndo s\nreach service', rest: { needsFirst: ['s'] } },
      { id: 's', script: 'from service\ndo r\nreach service' },
    ],
    says: '“r” does itself, by way of “s”.',
  },
  'part-begins-elsewhere': {
    routes: [into, { id: 'r', script: 'from service\npress b\ndo in\nreach service' }],
    says: '“in” does not begin in “service”, where the unit is by then.',
    at: 'steps.1',
  },
  'amount-otherwise': {
    routes: [into, { id: 'r', script: 'from service\npress b 4 times\n  - amount count\nreach service' }],
    says: 'Here it says 4, and the value “Count” is 3.',
    at: 'steps.0',
  },
  'tests-outlast-mode': {
    routes: [into],
    service: {
      transitions: [{ on: { kind: 'after', afterMs: 20_000 }, to: 'idle' }],
      tests: ['1', '2'].map((number) =>
        test(number, {
          takes: { leastMs: 15_000, usualMs: 15_000, mostMs: 15_000 },
          followedBy: number === '1' ? '2' : null,
        }),
      ),
    },
    says: 'The tests of “service” that run by themselves take 30 s, and the mode ends after 20 s.',
  },
  'times-out-inside': {
    routes: [{ id: 'r', script: 'from service\npress a\nrest 90 s\npress b\nreach service' }],
    says: '“service” times out after 60 s without a hand; this takes 90 s.',
    at: 'steps.1',
  },
  'routes-alike': {
    routes: [into, { id: 'twin', script: 'from idle\npress a\npress a\npress a\nreach tests' }],
    says: 'The unit cannot tell “in” from “twin”.',
  },
  'fires-first': {
    routes: [
      { id: 'long', script: 'from idle\nhold a for 8 s\nreach tests' },
      { id: 'short', script: 'from idle\nhold a for 3 s\nreach service' },
    ],
    says: '“short” is complete 5 s before “long” can be.',
  },
  'list-entry-beyond': {
    routes: [{ id: 'r', script: 'from service\nstep b from 1 to 12\nreach service' }],
    service: { variables: [{ kind: 'cursor', id: 'entry', from: 1, to: 9, start: 1, wraps: true }] },
    says: 'Entry 12 is beyond the list, which runs from 1 to 9.',
    at: 'steps.0',
  },
  'not-put-back': {
    routes: [{ id: 'in', script: 'from idle\nset lid open\npress a 3 times\nreach service' }, out],
    says: 'After leaving, “lid” is still open; it began shut.',
  },
  'retry-missing': { routes: [into], says: '“in” does not say what to do when it does not take.' },
  'precondition-contradicted': {
    routes: [
      { id: 'in', script: 'from idle\nset lid open\npress a 3 times\nreach service' },
      { id: 'r', script: 'from service\npress b\nreach service', rest: { purpose: 'step', before: ['Lid shut.'] } },
    ],
    says: '“Lid shut.”, but the steps before leave “lid” open.',
    at: 'before.0',
  },
  'interlock-defeated': {
    routes: [{ id: 'r', script: 'bypass lid\npress a\nreach service' }],
    says: 'This step holds the interlock “lid” false. It cannot be published; give a safe way to observe.',
    at: 'steps.0',
  },
  'interlock-words': {
    routes: [{ id: 'r', script: 'press a\n  - why Tape the lid switch down first.\nreach service' }],
    says: '“Tape the lid switch” sounds like defeating an interlock. The reviewer must look at it.',
    at: 'steps.0',
  },
  'summary-differs': {
    routes: [{ ...into, rest: { summary: 'Press a four times.' } }],
    says: 'The summary says “press a 4 times”; the steps say press a 3 times.',
    at: 'summary',
  },
  'difference-open': {
    routes: [into],
    more: [account('one', 'press a 3 times'), account('two', 'press a 4 times')],
    says: '“in”: descriptions differ in press a 3 times · press a 4 times, and nobody has decided it.',
  },
};

/** The bundle a fixture stands for. */
export const fixtureBundle = ({ routes, more = [], service = {} }: RouteFixture): Bundle =>
  boardBundle(routes, more, service);
