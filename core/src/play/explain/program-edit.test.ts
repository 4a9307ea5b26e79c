import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyRouteScript, stepsOf } from '../../testing/routes.ts';
import { boardBundle } from '../../testing/unit.ts';
import { bundleFacts } from '../../unit/facts.ts';
import { compileSteps } from '../compile.ts';
import type { Hand, Op, Program } from '../op.ts';
import { begins, blockAt, counting, roundAt, spliced, withOther } from './program-edit.ts';

const facts = bundleFacts(boardBundle([]));
const programOf = (script: string): Program => {
  const made = compileSteps(stepsOf(script), facts);
  if (!made.ok) throw new Error(script);
  return made.value;
};

const scripts = [
  'press a 3 times',
  'press any 2 times',
  'hold a + b for 2 s to 5 s',
  'hold rocker up for 2 s to 5 s',
  'keep a\n  press b 2 times\n  hold c for 2 s',
  'keep a + b\n  press c',
  'turn knob right 4 clicks',
  'set lid open\npress b',
  'set knob side\nrest 2 s to 4 s\npress a',
  'group 2 times\n  press a\n  set lid open\n  press b\n  set lid shut',
  'within 9 s of step-before\n  press a 2 times',
  'press a\nif nothing within 3 s\n  press b\nelse\n  press c',
  'hold a\nlet-go a at beep on #2',
];

const at = 1000;
const hands: ReadonlyArray<readonly [string, Hand]> = [
  ...['a', 'b', 'c'].map((c) => [`${c} down`, { at, kind: 'down', control: c, place: null } as never] as const),
  ['a up', { at, kind: 'up', control: 'a' as never }],
  ...(['up', 'down'] as const).map(
    (p) => [`rocker ${p}`, { at, kind: 'down', control: 'rocker', place: p } as never] as const,
  ),
  ['rocker put up', { at, kind: 'set', control: 'rocker' as never, to: 'up' as never }],
  ...(['open', 'shut'] as const).map((p) => [`lid ${p}`, { at, kind: 'set', control: 'lid', to: p } as never] as const),
  ['jumper in', { at, kind: 'set', control: 'jumper' as never, to: 'in' as never }],
  ...(['cw', 'ccw'] as const).map(
    (way) => [`knob ${way}`, { at, kind: 'click', control: 'knob', way } as never] as const,
  ),
  ['chooses', { at, kind: 'choose', on: 'code', words: 'E1' }],
];

const short = (op: Op | undefined): string =>
  op === undefined
    ? 'end'
    : Object.entries(op)
        .filter(([key]) => key !== 'at' && key !== 'round')
        .map(([key, value]) => (key === 'op' ? value : `${key} ${JSON.stringify(value)}`))
        .join(' ');

/** Everything that is read off and changed at every operation of a program. */
function edited(script: string): string[] {
  const program = programOf(script);
  return [
    `# ${script.replaceAll('\n', ' / ')}`,
    ...program.ops.flatMap((op, pc) => {
      const block = blockAt(program.ops, pc);
      const round = roundAt(program.ops, pc);
      const beginsWith = hands.filter(([, hand]) => begins(op, hand)).map(([name]) => name);
      const others = [[], ['a' as never]].flatMap((down) =>
        hands.flatMap(([name, hand]) => {
          const other = withOther(program, pc, hand, down);
          if (!other) return [];
          const differs = other.program.ops.flatMap((o, i) =>
            JSON.stringify(o) === JSON.stringify(program.ops[i]) ? [] : [`${i} ${short(o)}`],
          );
          return [`    ${down.length > 0 ? 'a held, ' : ''}${name} instead of ${other.instead}: ${differs.join('; ')}`];
        }),
      );
      const more = counting(program, pc, 9).ops.flatMap((o, i) => (o === program.ops[i] ? [] : [`${i} ${short(o)}`]));
      return [
        `${pc} ${short(op)}`,
        `    ${block.from}–${block.to}${round ? `, round ${round.from}–${round.to}` : ''}; begins with ${beginsWith.join(', ') || 'nothing'}`,
        ...(more.length > 0 ? [`    nine of it: ${more.join('; ')}`] : []),
        ...others,
      ];
    }),
  ];
}

describe('a program that is changed', () => {
  it('is read and changed at every operation as it was', async () => {
    await expect(`${scripts.flatMap(edited).join('\n')}\n`).toMatchFileSnapshot('told-as/edited.txt');
  });
  it.each([
    ['a code that is chosen', { op: 'choose', on: 'code', words: 'E1' }, true],
    ['another code', { op: 'choose', on: 'code', words: 'E2' }, false],
    ['what else was asked', { op: 'choose', on: 'colour', words: 'E1' }, false],
  ])('begins with a choice: %s', (_, wanted, does) => {
    const hand: Hand = { at, kind: 'choose', on: 'code', words: 'E1' };
    expect(begins({ at: '0', paceMs: 100, ...wanted } as Op, hand)).toBe(does);
    expect(begins({ at: '0', paceMs: 100, ...wanted } as Op, { at, kind: 'up', control: 'a' as never })).toBe(false);
  });
  it('is the same with its own operations put in their own place, and leads nowhere beyond it without some', () => {
    fc.assert(
      fc.property(anyRouteScript, fc.nat(40), (script, n) => {
        const program = programOf(script);
        const { from, to } = blockAt(program.ops, n % program.ops.length);
        expect(spliced(program, from, to, program.ops.slice(from, to))).toEqual(program);
        const without = spliced(program, from, to, []);
        for (const op of without.ops) {
          if (op.op === 'branch') expect(op.otherwise).toBeLessThanOrEqual(without.ops.length);
          if (op.op === 'jump') expect(op.to).toBeLessThanOrEqual(without.ops.length);
        }
      }),
      { numRuns: 150 },
    );
  });
  it('counts on: leaps lead to the same operation as before, wherever something is put in', () => {
    const program = programOf('press a\nif nothing within 3 s\n  press b\nelse\n  press c\npress a');
    for (let pc = 0; pc <= program.ops.length; pc += 1) {
      const put = program.ops.slice(0, 1);
      const made = spliced(program, pc, pc, put);
      const leads = (p: Program) =>
        p.ops.flatMap((op) =>
          op.op === 'branch' ? [p.ops[op.otherwise]?.at] : op.op === 'jump' ? [p.ops[op.to]?.at] : [],
        );
      // what is put in right where a leap leads stands before it
      const landings = program.ops.flatMap((op) =>
        op.op === 'branch' ? [op.otherwise] : op.op === 'jump' ? [op.to] : [],
      );
      if (!landings.includes(pc)) expect(leads(made)).toEqual(leads(program));
    }
  });
});
