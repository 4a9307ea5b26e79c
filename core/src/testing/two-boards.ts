import type { Bundle } from '../index.ts';
import { type BoardRoute, boardBundle } from './unit.ts';

type Raw = Record<string, unknown>;

const ofAux = (id: string, sort: string, rest: Raw): Raw => ({
  kind: 'mode',
  family: 'bench',
  controller: 'aux',
  id,
  name: id.replaceAll('-', ' '),
  sort,
  ...rest,
});
const ofMain = (id: string, sort: string, rest: Raw): Raw => ({ ...ofAux(id, sort, rest), controller: 'main' });
const lamp = (sign: string, state: string): Raw => ({ kind: 'lamp', sign, state });
const fixed = (sign: Raw, when?: Raw): Raw => ({ kind: 'fixed', signs: [sign], ...(when && { when }) });
const press = (control: string, times = 1): Raw => ({ kind: 'press', control, times });
const isSlot = (is: number): Raw => ({ kind: 'variable', variable: 'slot', is });

const readout: Raw = {
  kind: 'readout',
  id: 'text',
  family: 'bench',
  name: 'Line',
  controller: 'main',
  modes: ['memory'],
  standing: 'bench-proven',
  stages: [
    {
      id: 'letter',
      label: 'letter',
      comes: { kind: 'at-once' },
      reads: { kind: 'text', sign: 'line', length: 2, characters: 'E123' },
    },
    {
      id: 'more',
      label: 'more',
      comes: { kind: 'route', route: 'more' },
      reads: { kind: 'text', sign: 'line', length: 2, characters: 'U12' },
    },
  ],
  compose: [
    { kind: 'stage', stage: 'letter' },
    { kind: 'literal', text: ' ' },
    { kind: 'stage', stage: 'more' },
  ],
  specials: [
    { id: 'none', label: 'dashes', means: 'nothing-stored', signs: [{ kind: 'text', sign: 'line', text: '--' }] },
  ],
};

const routes: readonly BoardRoute[] = [
  { id: 'main-in', script: 'from idle\npress a 3 times\nreach service' },
  { id: 'main-long', script: 'from idle\npress a 3 times\npress b\nreach memory' },
  { id: 'main-hold', script: 'from idle\nhold a + b for 3 s to 6 s\nreach tests' },
  {
    id: 'greet',
    script: 'from service\npress b 2 times\nreach memory',
    rest: {
      effects: [{ kind: 'send', to: 'aux', message: 'wake' }],
      knownNotToWork: [{ how: 'b once, then c', why: 'It leaves.', steps: [press('b'), press('c')] }],
    },
  },
  { id: 'aux-in', script: 'from aux-idle\npress a 2 times\nreach aux-on' },
  { id: 'aux-turn', script: 'from aux-idle\nturn knob right 3 clicks\nturn knob left 1 clicks\nreach aux-on' },
  {
    id: 'aux-out',
    script: 'from aux-on\nhold c for 2 s to 5 s\nreach aux-idle',
    rest: { effects: [{ kind: 'send', to: 'main', message: 'leave' }] },
  },
  { id: 'anywhere', script: 'set lid open\npress c 2 times' },
  { id: 'next', script: 'from memory\npress b', rest: { effects: [{ kind: 'step', variable: 'slot', by: 1 }] } },
  { id: 'more', script: 'from memory\npress c' },
  {
    id: 'wipe',
    script: 'from memory\nhold c for 3 s to 6 s',
    rest: { purpose: 'clear', effects: [{ kind: 'erase-memory' }] },
  },
  { id: 'rock', script: 'from tests\nhold rocker up for 2 s to 4 s\nrest 1 s to 4 s\npress a\nreach idle' },
  { id: 'jump', script: 'from tests\nset jumper in\nwithin 6 s of step-before\n  press a 2 times\nreach memory' },
];

/**
 * A bench board with two controllers that share its keys: ways of the same beginning, one that stays and one that leaves,
 * messages both ways, and every kind of thing that sets off a change by itself.
 */
export function twoBoards(): Bundle {
  return boardBundle(
    routes,
    [
      readout,
      ofMain('memory', 'memory', {
        variables: [
          { kind: 'cursor', id: 'slot', from: 1, to: 3, start: 2, wraps: false },
          { kind: 'flag', id: 'seen', start: false },
        ],
        shows: [
          { kind: 'readout', readout: 'text', of: { kind: 'memory', slot: 'slot' } },
          fixed(lamp('l1', 'fast'), { kind: 'variable', variable: 'seen', is: true }),
          fixed(lamp('l2', 'slow'), {
            kind: 'all',
            of: [isSlot(3), { kind: 'not', of: { kind: 'input', input: 'warmth', compare: 'above', value: 50 } }],
          }),
        ],
        transitions: [
          { on: { kind: 'gesture', steps: [press('a', 2)] }, effects: [{ kind: 'step', variable: 'seen', by: 1 }] },
          { on: { kind: 'gesture', steps: [press('a', 4)] }, when: isSlot(3), to: 'tests' },
          { on: { kind: 'message', from: 'aux', message: 'leave' }, when: { kind: 'not', of: isSlot(1) }, to: 'idle' },
          {
            on: { kind: 'after', afterMs: 4000 },
            when: isSlot(1),
            effects: [{ kind: 'assign', variable: 'slot', to: 3 }],
          },
          {
            on: { kind: 'input', input: 'warmth', passes: 'below', value: 10 },
            effects: [{ kind: 'step', variable: 'slot', by: -2 }],
          },
          { on: { kind: 'idle', afterMs: 45_000 }, to: 'idle' },
          { on: { kind: 'supply', becomes: 'off' }, to: 'idle' },
        ],
      }),
      ofMain('checking', 'running', {
        deafForMs: 4000,
        shows: [fixed(lamp('l2', 'fast'))],
        transitions: [{ on: { kind: 'after', afterMs: 5000 }, to: 'idle' }],
      }),
      ofAux('aux-idle', 'standby', {
        transitions: [
          { on: { kind: 'message', from: 'main', message: 'wake' }, to: 'aux-on' },
          { on: { kind: 'input', input: 'warmth', passes: 'above', value: 60 }, to: 'aux-hot' },
        ],
      }),
      ofAux('aux-on', 'service', {
        shows: [fixed({ kind: 'sound', sign: 'beep', state: 'on' })],
        transitions: [
          {
            on: { kind: 'idle', afterMs: 30_000 },
            to: 'aux-idle',
            effects: [{ kind: 'send', to: 'main', message: 'leave' }],
          },
          { on: { kind: 'sign', shown: lamp('l2', 'lit') }, to: 'aux-hot' },
        ],
      }),
      ofAux('aux-hot', 'running', {
        shows: [fixed(lamp('l1', 'lit'))],
        transitions: [
          { on: { kind: 'input', input: 'warmth', passes: 'below', value: 40 }, to: 'aux-idle' },
          {
            on: { kind: 'after', afterMs: 20_000 },
            to: 'aux-idle',
            when: {
              kind: 'any',
              of: [
                { kind: 'sign', shown: lamp('l2', 'lit') },
                { kind: 'input', input: 'warmth', compare: 'below', value: 55 },
              ],
            },
          },
        ],
      }),
    ],
    {
      transitions: [
        { on: { kind: 'idle', afterMs: 60_000 }, to: 'idle' },
        { on: { kind: 'supply', becomes: 'on' }, to: 'checking' },
        { on: { kind: 'input', input: 'warmth', passes: 'above', value: 60 }, to: 'tests' },
      ],
    },
  );
}
