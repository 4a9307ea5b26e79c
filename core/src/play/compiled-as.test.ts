import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { parseScript } from '../index.ts';
import { anyRouteScript } from '../testing/routes.ts';
import { boardBundle } from '../testing/unit.ts';
import { bundleFacts } from '../unit/facts.ts';
import { compileSteps } from './compile.ts';
import type { Hand } from './op.ts';
import { idealHands, perform, Solo } from './perform.ts';
import { tryProgram } from './try.ts';

const facts = bundleFacts(boardBundle([]));

/** What the made-up scripts do not reach. */
const rare = [
  'group 3 times\n  turn knob right 2 clicks\n  press a',
  'group 2 times\n  hold a + b for 2 s to 4 s\n  press c',
  'group 2 times\n  keep a\n    press b\n  set lid open\n  set lid shut',
  'group 2 times\n  set rocker up\n  rest 1 s to 3 s',
  'group 2 times\n  rest 1 s to 3 s\n  press a 2 times',
  'keep a + b\n  turn knob left 3 clicks\n  rest 2 s to 5 s\nhold c for 1.5 s',
  'keep rocker down\n  press a 2 times',
  'hold lid open for 2 s to 5 s\npress a',
  'hold a until beep on #3',
  'hold a until l1 lit\npress b',
  'press a\nif nothing within 3 s\n  press b 2 times\n  hold a for 2 s to 4 s\nelse\n  set lid open\n  press c\npress a',
  'press a\nif l1 lit within 2 s\n  press b\nelse\n  press c',
  'step a from 1 to 7',
  'step knob from 9 to 4',
  'sweep knob right 2 turns to top',
  'sweep knob left 1 turns to side\npress a',
  'set knob side\nset knob top',
  'set power off\nrest 3 s to 20 s\nset power on\nwithin 10 s of power-on\n  press a 3 times',
  'see l1 lit within 1 s to 2 s\nsee l2 fast within 1 s to 2 s\npress any 3 times',
  'within 6 s of l1 lit\n  within 4 s of step-before\n    press a 2 times\n  press b',
  'press a 2 times\npress a 3 times\nrest 0.5 s to 1 s\npress a',
  'turn knob right 2 clicks\nturn knob right 3 clicks\nturn knob left 1 clicks',
  'hold jumper in for 3 s to 6 s\npress a',
  'hold lid open for 2 s to 5 s\nset lid shut\npress a',
  'set jumper in\nkeep jumper in\n  press b',
  'press nothing',
  'set lid ajar',
  'turn a right 2 clicks',
  'rest 2 s to 4 s',
  'sweep lid right 1 turns to top',
];

const short = (value: object): string =>
  Object.entries(value)
    .map(([key, v]) => (key === 'op' || key === 'kind' ? String(v) : `${key} ${JSON.stringify(v)}`))
    .join(' ');

function compiledAs(script: string): string[] {
  const { steps, problems } = parseScript(script);
  const head = `# ${script.replaceAll('\n', ' / ')}`;
  if (problems.length > 0) return [head, ...problems.map((p) => `not read: ${JSON.stringify(p)}`)];
  const made = compileSteps(steps, facts);
  if (!made.ok) return [head, `not compiled: ${JSON.stringify(made.error)}`];
  const program = made.value;
  const done = perform(program, facts, idealHands, 5000, new Solo(facts));
  const hands = done.map(({ hand, op }) => `${op} ${short({ ...hand, at: Math.round(hand.at) } satisfies Hand)}`);
  const tried = tryProgram(program, facts, done, 5000);
  return [
    head,
    ...program.ops.map((op, i) => `${i} ${short(op)}`),
    `acts ${program.acts.join(' ')}, last ${program.lastAct}, last wanted ${program.lastWanted}, windows ${program.windows}`,
    ...hands,
    tried.took ? `taken at ${Math.round(tried.at)}` : `not taken: ${JSON.stringify(tried.miss)}`,
  ];
}

/** What scripts become, and how they are done by somebody who never errs, to the letter. `vitest -u` writes it anew. */
describe('every operation of a script', () => {
  it('of the rarer kinds', async () => {
    await expect(
      `${rare.flatMap((s) => compiledAs(`from idle\n${s}\nreach service`)).join('\n')}\n`,
    ).toMatchFileSnapshot('compiled-as/rare.txt');
  });
  it('of any kind', async () => {
    const scripts = fc.sample(anyRouteScript, { numRuns: 60, seed: 17 });
    await expect(`${scripts.flatMap(compiledAs).join('\n')}\n`).toMatchFileSnapshot('compiled-as/any.txt');
  });
});
