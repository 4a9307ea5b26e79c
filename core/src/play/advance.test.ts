import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Variable } from '../model/mode.ts';
import { boardBundle, PlayedBoard } from '../testing/unit.ts';
import { stepVariable } from './transitions.ts';

const why = (unit: PlayedBoard) => unit.happened.flatMap((e) => (e.kind === 'refused' ? [e.why] : []));

describe('what a unit does by itself', () => {
  const ticking = (everyMs: number) =>
    new PlayedBoard(
      boardBundle([], [], {
        transitions: [{ on: { kind: 'after', afterMs: everyMs }, effects: [] }],
      }),
    );
  const inMode = (unit: PlayedBoard, mode: string): PlayedBoard => {
    const main = unit.state.controllers.get('main' as never);
    const controllers = new Map(unit.state.controllers);
    if (main)
      unit.state = { ...unit.state, controllers: controllers.set('main' as never, { ...main, mode: mode as never }) };
    return unit;
  };
  const inService = (unit: PlayedBoard) => inMode(unit, 'service');

  it('is done in full, however much there is of it', () => {
    const unit = inService(ticking(1000)).wait(150_000_000);
    expect(why(unit)).toEqual([]);
    expect(unit.state.at).toBe(150_000_000);
  });

  it('without an end is refused with a word, and the unit stands where it came to', () => {
    const unit = inService(ticking(1)).wait(1e9);
    expect(why(unit)).toEqual(['never-settles']);
    expect(unit.state.at).toBeGreaterThan(100_000);
    expect(unit.state.at).toBeLessThan(1e9);
    // what is nearer is still come to
    unit.wait(500);
    expect(why(unit)).toHaveLength(1);
  });

  it('two controllers that answer one another for ever are told, and the unit goes on', () => {
    const answers = (from: string, on: string, to: string, message: string) => ({
      on: { kind: 'message', from, message: on },
      effects: [{ kind: 'send', to, message }],
    });
    const answering = (id: string, controller: string, transitions: object[]) => ({
      kind: 'mode',
      id,
      family: 'bench',
      controller,
      name: id,
      sort: 'standby',
      transitions,
    });
    const unit = new PlayedBoard(
      boardBundle(
        // sent once the unit has come to where it listens
        [
          {
            id: 'go',
            script: 'from listening\npress a',
            rest: { effects: [{ kind: 'send', to: 'aux', message: 'ping' }] },
          },
        ],
        [
          answering('aux-mode', 'aux', [answers('main', 'ping', 'main', 'pong')]),
          answering('listening', 'main', [answers('aux', 'pong', 'aux', 'ping')]),
        ],
      ),
    );
    inMode(unit, 'listening').press('a');
    expect(why(unit)).toEqual(['never-settles']);
    unit.wait(1000);
    expect([unit.mode, unit.done]).toEqual(['listening', ['go']]);
  });
});

describe('stepVariable', () => {
  const cursor = (wraps: boolean): Variable => ({ kind: 'cursor', id: 'v' as never, from: 1, to: 9, start: 1, wraps });
  const characters = (wraps: boolean): Variable => ({
    kind: 'characters',
    id: 'v' as never,
    alphabet: [...'0123456789'],
    length: 2,
    start: '00',
    wraps,
  });
  it.each<[string, Variable, number | string | boolean, number, number | string | boolean]>([
    ['a cursor on', cursor(false), 4, 1, 5],
    ['a cursor past its end', cursor(false), 9, 1, 9],
    ['a cursor round', cursor(true), 9, 1, 1],
    ['a cursor back round', cursor(true), 1, -1, 9],
    ['the last character on', characters(true), '18', 1, '19'],
    ['the last character round', characters(true), '19', 1, '10'],
    ['the last character past its end', characters(false), '19', 1, '19'],
    ['a flag', { kind: 'flag', id: 'v' as never, start: false }, false, 1, true],
    ['a flag twice', { kind: 'flag', id: 'v' as never, start: false }, false, 2, false],
    ['what is no number', cursor(true), 'x', 1, 'x'],
  ])('%s', (_, variable, now, by, next) => expect(stepVariable(variable, now, by)).toBe(next));

  it('on and back is where it was, where it goes round', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 9 }), fc.integer({ min: -30, max: 30 }), (now, by) => {
        expect(stepVariable(cursor(true), stepVariable(cursor(true), now, by), -by)).toBe(now);
      }),
    );
  });
});
