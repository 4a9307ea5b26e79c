import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { bundleFacts, parseScript, printStep, readBundle, type Step } from '../../index.ts';
import { standingClues } from './how-it-stands.ts';
import { calledOf } from './mentions.ts';
import { namedClues, oddsOfDone } from './named-done.ts';
import { bucket, oddsBy } from './odds.ts';
import { readTold } from './read.ts';
import { saidIn } from './round-about.ts';

const folder = new URL('../../../../tellings/', import.meta.url);
function unit(name: string) {
  const bundle = readBundle(JSON.parse(readFileSync(new URL(`${name}/unit.json`, folder), 'utf8')));
  if (!bundle.ok) throw new Error(`${name} does not read`);
  const facts = bundleFacts(bundle.value);
  return { facts, called: calledOf(facts) };
}
const { called } = unit('blind/r84-01-roller-captions');

/** The clues of each line of a script, as they would be made one behind the other. */
function cluesOf(...lines: readonly string[]): ReadonlyArray<readonly string[]> {
  const { steps, problems } = parseScript(lines.join('\n'));
  if (problems.length > 0) throw new Error(lines.join(' | '));
  return standingClues(
    steps.map((step: Step, i: number) => ({ step, from: i * 10, to: i * 10 + 9 })),
    called,
  );
}

describe('how all stands speaks for or against a step', () => {
  it('whether there is a supply, whatever was done to it before', () => {
    const [off, press, on, again] = cluesOf('set iso off', 'press up', 'set iso on', 'press up');
    expect(off).toContain('on set true');
    expect(press).toContain('on press false');
    expect(on).toContain('on set false');
    expect(again).toContain('on press true');
  });
  it('what is held until it is let go of, and how far off the hand is', () => {
    const [hold, press, off, then] = cluesOf('hold mem', 'press up', 'let-go mem', 'press up');
    expect(hold).toEqual(expect.arrayContaining(['held hold 0', 'off 1']));
    expect(press).toContain('held press 1');
    expect(off).toContain('off of 1');
    expect(then).toContain('held press 0');
  });
  it('what is put where it stands already, and what never comes back', () => {
    const [first, same] = cluesOf('set t1 test', 'set t1 test');
    expect(first).toEqual(expect.arrayContaining(['from first false', 'next true', 'back false']));
    expect(same).toEqual(expect.arrayContaining(['from true', 'next last', 'back false', 'stands true']));
    const [there, back] = cluesOf('set t1 test', 'set t1 run');
    expect(there).toEqual(expect.arrayContaining(['next false', 'back true']));
    expect(back).toEqual(expect.arrayContaining(['from false', 'back true']));
  });
  it('an own name of a control changes nothing', () => {
    expect(cluesOf('hold up', 'press dn', 'let-go up')).toEqual(cluesOf('hold mem', 'press up', 'let-go mem'));
  });
});

describe('whether what is named is named as something done', () => {
  const oddsIn = (text: string, name: string): number => {
    const said = saidIn(text, called);
    const i = said.findIndex((w) => text.slice(w.from, w.to) === name);
    return oddsOfDone(namedClues(said, i, called));
  };
  it.each([
    ['Then press Memory twice.', "Memory is what they never use, that's only for the fitter."],
    ['Now the motor cover off and out of the way.', 'It has a motor cover, like every other one.'],
    ['Hold Memory until it beeps.', 'If you had not pressed Memory too early, it would be in.'],
  ])('%s', (done, told) => {
    const name = /Memory|motor cover/.exec(done)?.[0] ?? '';
    expect(oddsIn(done, name)).toBeGreaterThan(oddsIn(told, name));
  });
});

describe('odds', () => {
  it('are the sum of what is known of the clues, unknown ones saying nothing', () => {
    const odds = oddsBy(-10, '{"a":20,"b":-30}', 10);
    expect(odds([])).toBe(-1);
    expect(odds(['a', 'c'])).toBe(1);
    expect(odds(['a', 'b'])).toBe(-2);
  });
  it('lie between ends, the ends with what is behind them', () => {
    expect([-5, 0, 1, 2, 9].map((n) => bucket(n, 0, 1, 2))).toEqual(['0', '1', '2', '3', '3']);
  });
});

describe('a summing-up tells what was told before, in that order', () => {
  // `so that was all`, `so again the four seconds`, `all over again`, `quick recap`
  it.each([
    ['blind/r89-01-sauna-bench', 'set tap open'],
    ['blind/r91-05-dock-second', 'set bk free'],
  ])('%s: what stands behind is told for the first time', (name, last) => {
    const { facts: own } = unit(name);
    const told = readTold(readFileSync(new URL(`${name}/telling.txt`, folder), 'utf8'), own);
    const [end] = told.routes.at(-1)?.steps.slice(-1) ?? [];
    expect(end && printStep(end)).toBe(last);
  });
});
