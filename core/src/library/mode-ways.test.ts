import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { exactly } from '../base/text.ts';
import { type Bundle, entriesOf, type Mode } from '../index.ts';
import type { Effect } from '../model/effect.ts';
import type { Transition } from '../model/mode.ts';
import { demoBundles } from '../testing/bundles.ts';
import { boardBundle, PlayedBoard } from '../testing/unit.ts';
import {
  effectWords,
  entriesIn,
  type Leads,
  leadsOf,
  type Way,
  wayOf,
  wayWords,
  withoutWay,
  withWay,
} from './mode-ways.ts';

const modeOf = (bundle: Bundle, id: string): Mode => {
  const mode = entriesOf(bundle, 'mode').find((m) => m.id === id);
  if (!mode) throw new Error(`no mode ${id}`);
  return mode;
};
const board = boardBundle([]);
const idle = modeOf(board, 'idle');
const toService: Leads = { to: 'mode', mode: 'service' as never };
/** The board with a mode as it is written now. */
const playedWith = (...modes: Mode[]): PlayedBoard =>
  new PlayedBoard({
    ...board,
    entries: board.entries.map((e) => modes.find((m) => e.kind === 'mode' && m.id === e.id) ?? e),
  });

const ways: ReadonlyArray<readonly [Way, string, (unit: PlayedBoard) => PlayedBoard]> = [
  [{ by: 'idle', ms: 90_000 }, 'when nothing is done for 90 s', (u) => u.wait(91_000)],
  [{ by: 'after', ms: 120_000 }, 'by itself after 2 min', (u) => u.wait(121_000)],
  [{ by: 'press', control: 'a' as never, times: 3 }, 'when a is pressed 3 times', (u) => u.press('a', 3).wait(1500)],
  [{ by: 'hold', control: 'b' as never, ms: 4000 }, 'when b is held for 4 s', (u) => u.hold('b', 4200).wait(500)],
  [
    { by: 'turn', control: 'knob' as never, way: 'ccw', clicks: 2 },
    'when knob is turned 2 clicks left',
    (u) => u.turn('knob', 'ccw', 2).wait(1500),
  ],
];

describe('ways between modes', () => {
  it.each(ways)('%j: said as “%s”, and gone so when the unit is played', (way, words, does) => {
    const mode = withWay(idle, way, toService, null);
    expect(wayWords(way, board)).toBe(words);
    expect(playedWith(mode).mode).toBe('idle');
    expect(does(playedWith(mode)).mode).toBe('service');
    expect(does(playedWith(withoutWay(mode, mode.transitions.length - 1))).mode).toBe('idle');
  });
  it('each click goes to the next of four, and then stays or begins again', () => {
    const click: Way = { by: 'turn', control: 'knob' as never, way: 'cw', clicks: 1 };
    const at = (wraps: boolean, clicks: number) => {
      const unit = playedWith(withWay(idle, click, { to: 'next' }, { of: 4, wraps }));
      for (let n = 0; n < clicks; n += 1) unit.turn('knob', 'cw', 1).wait(1500);
      return unit.state.controllers.get('main' as never)?.variables.get('slot' as never);
    };
    expect([1, 3, 5].map((n) => at(false, n))).toEqual([2, 4, 4]);
    expect([1, 3, 5].map((n) => at(true, n))).toEqual([2, 4, 2]);
    expect(entriesIn(withWay(idle, click, { to: 'next' }, { of: 4, wraps: true }))).toEqual({ of: 4, wraps: true });
  });
  it('quick clicks, one right behind the other, each go on by one; where two are asked for, three are another thing', () => {
    const at = (clicks: number, turned: number) => {
      const click: Way = { by: 'turn', control: 'knob' as never, way: 'cw', clicks };
      const unit = playedWith(withWay(idle, click, { to: 'next' }, { of: 8, wraps: false }));
      unit.turn('knob', 'cw', turned).wait(1500);
      return unit.state.controllers.get('main' as never)?.variables.get('slot' as never);
    };
    expect([1, 3, 5].map((n) => at(1, n))).toEqual([2, 4, 6]);
    expect([2, 3].map((n) => at(2, n))).toEqual([2, 1]);
  });
  it('asked again, it is one list: the way back goes through the same entries', () => {
    const on = withWay(idle, { by: 'press', control: 'a' as never, times: 1 }, { to: 'next' }, { of: 4, wraps: true });
    const back = withWay(
      on,
      { by: 'press', control: 'b' as never, times: 1 },
      { to: 'before' },
      { of: 6, wraps: false },
    );
    expect(back.variables).toEqual([{ kind: 'cursor', id: 'slot', from: 1, to: 6, start: 1, wraps: false }]);
    expect(back.transitions.map((t) => leadsOf(back, t).leads.to)).toEqual(['next', 'before']);
  });
  it.each(demoBundles())(
    '%s: every way is told as a sentence, and written back as it was, with what stands beside it',
    (_, bundle) => {
      for (const mode of entriesOf(bundle, 'mode'))
        mode.transitions.forEach((t, i) => {
          const [way, { leads, besides }] = [wayOf(t), leadsOf(mode, t)];
          expect(wayWords(way, bundle)).toMatch(/^(?:when|as soon as|by itself) /);
          const { to: _to, ...rest } =
            withWay(mode, way, leads, entriesIn(mode), i, undefined, besides).transitions[i] ?? t;
          const { to: was, ...before } = t;
          expect(rest).toEqual(before);
          expect(_to ?? mode.id).toBe(was ?? mode.id);
        });
    },
  );
  it('whatever is asked for is read back as it was asked', () => {
    const ms = fc.integer({ min: 1, max: 3_600_000 });
    const key = fc.constantFrom('a', 'b', 'c').map((c) => c as never);
    const way: fc.Arbitrary<Way> = fc.oneof(
      fc.record({ by: fc.constantFrom('idle' as const, 'after' as const), ms }),
      fc.record({ by: fc.constant('press' as const), control: key, times: fc.integer({ min: 1, max: 9 }) }),
      fc.record({ by: fc.constant('hold' as const), control: key, ms }),
      fc.record({ by: fc.constant('supply' as const), becomes: fc.constantFrom('on' as const, 'off' as const) }),
      fc.record({
        by: fc.constantFrom('code' as const, 'stands' as const),
        codes: fc.constantFrom([], ['c1' as never]),
      }),
      fc.record({
        by: fc.constant('kept' as const),
        control: key,
        ms: fc.integer({ min: 1, max: 60_000 }),
        everyMs: ms.map((m) => 10 + (m % 50_000)),
      }),
      fc.constant<Way>({
        by: 'steps',
        steps: [
          { kind: 'press', control: 'a' as never, times: 1 },
          { kind: 'press', control: 'b' as never, times: 2 },
        ],
      }),
      fc.constant<Way>({ by: 'sign', shown: { kind: 'lamp', sign: 'l' as never, state: 'lit' } }),
      fc.constant<Way>({ by: 'passes', input: 'volt' as never, passes: 'below', value: 20 }),
      fc.constant<Way>({ by: 'message', from: 'main' as never, message: 'lock out' }),
    );
    const leads: fc.Arbitrary<Leads> = fc.constantFrom<Leads>(
      { to: 'next' },
      { to: 'before' },
      { to: 'erased' },
      { to: 'flag', flag: 'open' as never, is: true },
      toService,
    );
    const besides = fc.subarray<Effect>([
      { kind: 'erase-memory' },
      { kind: 'send', to: 'main' as never, message: 'wake up' },
      { kind: 'assign', variable: 'slot' as never, to: 4 },
      { kind: 'step', variable: 'slot' as never, by: -3 },
      { kind: 'carry', from: 'slot' as never, to: 'slot' as never },
    ]);
    fc.assert(
      fc.property(way, leads, besides, (w, l, more) => {
        const mode = withWay(modeOf(board, 'service'), w, l, { of: 3, wraps: false }, null, null, more);
        const made = mode.transitions.at(-1);
        expect(made && wayOf(made)).toEqual(w);
        expect(made && leadsOf(mode, made)).toEqual({ leads: l, besides: more });
        // what was there is still there
        expect(mode.transitions.slice(0, -1)).toEqual(modeOf(board, 'service').transitions);
      }),
      { numRuns: 200 },
    );
  });
  it('what has to be so is given, taken away, or stays where it is not asked for', () => {
    const when = { kind: 'code-stands' as const, codes: [] };
    const idly: Way = { by: 'idle', ms: 5000 };
    const only = withWay(idle, idly, toService, null, null, when);
    const at = only.transitions.length - 1;
    const whenOf = (mode: Mode) => mode.transitions[at]?.when;
    expect(whenOf(only)).toEqual(when);
    expect(whenOf(withWay(only, idly, toService, null, at))).toEqual(when);
    expect(whenOf(withWay(only, idly, toService, null, at, null))).toBeUndefined();
  });
  it('several steps that set it off are told as a route is written, and go so when the unit is played', () => {
    const steps = [
      { kind: 'press' as const, control: 'a' as never, times: 2 },
      {
        kind: 'hold' as const,
        controls: [{ control: 'b' as never }],
        until: { kind: 'span' as const, span: exactly(3000) },
      },
    ];
    const mode = withWay(idle, { by: 'steps', steps }, toService, null);
    expect(wayWords({ by: 'steps', steps }, board)).toBe('when this is done: press a 2 times; hold b for 3 s');
    expect(playedWith(mode).press('a', 2).wait(400).hold('b', 3200).wait(500).mode).toBe('service');
    expect(playedWith(mode).press('a', 2).wait(2000).mode).toBe('idle');
  });
  it.each<[Effect, string]>([
    [{ kind: 'erase-memory' }, 'empties its memory'],
    [{ kind: 'send', to: 'main' as never, message: 'wake up' }, 'tells Main “wake up”'],
    [{ kind: 'assign', variable: 'door-open' as never, to: false }, 'remembers that door open is not so'],
    [{ kind: 'assign', variable: 'slot' as never, to: 4 }, 'puts slot to 4'],
    [{ kind: 'step', variable: 'slot' as never, by: -3 }, 'moves slot back by 3'],
    [{ kind: 'carry', from: 'picked' as never, to: 'slot' as never }, 'takes picked along as slot'],
  ])('what it does beside is told: %j', (effect, words) => {
    expect(effectWords(effect, board)).toBe(words);
  });
  it('stays and does no more than what stands beside', () => {
    const more: Effect[] = [{ kind: 'step', variable: 'slot' as never, by: 10 }];
    const mode = withWay(idle, { by: 'idle', ms: 5 }, { to: 'stays' }, null, null, null, more);
    expect(mode.transitions.at(-1)).toEqual({ on: { kind: 'idle', afterMs: 5 }, effects: more });
    expect(leadsOf(mode, mode.transitions.at(-1) as Transition)).toEqual({ leads: { to: 'stays' }, besides: more });
  });
});
