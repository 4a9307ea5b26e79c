import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { entriesOf, parseScript, printScript, printSteps, Step, scriptProblemWords } from '../index.ts';
import { dryer, glasswasher } from '../testing/bundles.ts';
import { anyId, anyStep } from '../testing/steps.ts';

const stepsOf = (text: string) => {
  const parsed = parseScript(text);
  expect(parsed.problems).toEqual([]);
  return parsed.steps;
};
const told = (text: string) => parseScript(text).problems.map((p) => `${p.line}:${p.column} ${scriptProblemWords(p)}`);

describe('script', () => {
  it('comes back the same, whatever steps there are', () => {
    fc.assert(
      fc.property(
        fc.array(anyStep, { maxLength: 5 }),
        fc.option(fc.oneof(fc.constant('any' as const), fc.array(anyId, { minLength: 1, maxLength: 3 }))),
        fc.option(anyId),
        (steps, from, to) => {
          fc.pre(!(Array.isArray(from) && from.length === 0) && steps.every((s) => Step.safeParse(s).success));
          const text = printScript({ from, steps, to });
          const parsed = parseScript(text);
          expect(parsed.problems).toEqual([]);
          expect({ from: parsed.from, steps: parsed.steps, to: parsed.to }).toEqual({ from, steps, to });
          expect(printScript(parsed)).toBe(text);
        },
      ),
      { numRuns: 1500 },
    );
  });

  it('the arbitrary steps are steps', () => {
    const allowed = fc.sample(anyStep, 300).filter((s) => Step.safeParse(s).success).length;
    expect(allowed).toBeGreaterThan(250);
  });

  it('says the way into the glasswasher’s memory in ten lines or so', () => {
    const route = entriesOf(glasswasher(), 'route').find((r) => r.id === 'enter-memory');
    expect(
      printSteps(route?.steps ?? [])
        .split('\n')
        .filter((l) => !l.trim().startsWith('-')),
    ).toEqual([
      'set breaker off',
      'keep rocker down until beeper on #2',
      '  set breaker on',
      'may pump off',
      'within 5.8 s of pump off 2 times',
      '  set hood open',
      '  set hood shut',
      'see lamp-a lit green, lamp-b lit green, lamp-c lit green, lamp-d lit green, lamp-e lit green within 0.3 s to 3 s usually 1.5 s',
      '',
    ]);
  });

  it('every route of the demo comes back the same', () => {
    for (const bundle of [glasswasher(), dryer()])
      for (const route of entriesOf(bundle, 'route'))
        expect(parseScript(printScript(route))).toMatchObject({ steps: route.steps, from: route.from, to: route.to });
  });

  it.each([
    ['press start twice', 'press start 2 times'],
    ['press start x3', 'press start 3 times'],
    ['let go rocker', 'let-go rocker'],
    ['turn dial clockwise 3', 'turn dial right 3 clicks'],
    ['rest 2 to 4s', 'rest 2 s to 4 s'],
    ['rest 2 to 6 s usually 3 s', 'rest 2 s to 6 s usually 3 s'],
    ['hold a + b down for 90 s', 'hold a + b down for 90 s'],
    ['  \n// a remark\npress start', 'press start'],
  ])('reads %j as %j', (typed, printed) => expect(printSteps(stepsOf(typed))).toBe(`${printed}\n`));

  it.each([
    ['pres start', '1:1 “pres” is not known here. “press”, perhaps?'],
    ['press start\nhold start fro 5 s', '2:16 “5” has no place here.'],
    ['press start 3 tims', '1:15 “tims” is not known here. “times”, perhaps?'],
    ['press start 1000000000 times', '1:13 1000000000 times: from 1 to 100 is possible.'],
    ['hold start for -3 s', '1:16 -3 as a time: from 0 to 86400000 is possible.'],
    ['hold start for 3', '1:17 Here the unit (s, ms, min or h) is missing.'],
    ['rest 5 s to 3 s', '1:6 Least, usual and most do not rise.'],
    ['within 0 s of power-on\n  press a', '1:1 This cannot be: Too small: expected number to be >0.'],
    ['within 5 s of power-on', '1:1 Under “within” nothing is done.'],
    ['  press a', '1:3 This line is set in, but there is nothing above for it to belong to.'],
    ['press a\n  press b', '2:3 This line is set in, but there is nothing above for it to belong to.'],
    ['press a\nelse', '2:1 This “else” has no “if” above it.'],
    ['choose "Menu on-unit', '1:8 The quotation mark is not closed.'],
    ['press Start', '1:7 “Start” cannot be a name: small letters, digits and dashes.'],
    ['see lamp-a lti', '1:12 “lti” is not known here. “lit”, perhaps?'],
    ['press a\n  - whi so', '2:5 “whi” is not known here. “why”, perhaps?'],
  ])('tells of %j', (text, words) => expect(told(text)).toEqual([words]));

  it('keeps what it can read around a line it cannot', () => {
    const parsed = parseScript('press a\nhodl b for 2 s\n  press c\npress d');
    expect(printSteps(parsed.steps)).toBe('press a\npress d\n');
    expect(parsed.problems).toHaveLength(1);
    expect(parsed.lineOf.get('1')).toBe(4);
  });

  it('a script of a million signs is read to its limit, with a word', () => {
    const parsed = parseScript('press start\nno text at all\n'.repeat(40_000));
    expect(parsed.steps).toHaveLength(200);
    expect(parsed.problems.length).toBeLessThanOrEqual(200);
    expect(parseScript('press start\n'.repeat(90_000)).problems.map((p) => p.code)).toContain('too-many');
  });

  it('says where every step stands', () => {
    const parsed = parseScript('keep a\n  - why so\n  press b\n  if c lit\n    press d\n  else\n    press e\n');
    expect([...parsed.lineOf]).toEqual([
      ['0', 1],
      ['0.during.0', 3],
      ['0.during.1', 4],
      ['0.during.1.met.0', 5],
      ['0.during.1.otherwise.0', 7],
    ]);
  });
});
