import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { entriesOf, printSteps, type Step } from '../index.ts';
import { glasswasher } from '../testing/bundles.ts';
import { anyRouteScript, stepsOf } from '../testing/routes.ts';
import { alignAccounts, contradictions, differenceKey } from './align.ts';
import { settleSteps } from './settle.ts';

const told = (...scripts: string[]) =>
  alignAccounts(scripts.map(stepsOf)).map(
    (r) => `${r.about}${r.differs.length > 0 ? ` [${r.differs.join(', ')}]` : ''}`,
  );

describe('alignAccounts', () => {
  it.each<[string, string[], string[]]>([
    ['the same', ['press a\npress b', 'press a\npress b'], ['press a', 'press b']],
    ['another count', ['press a 3 times', 'press a 4 times'], ['press a 3 times · press a 4 times [count]']],
    ['another time', ['hold a for 3 s', 'hold a for 9 s'], ['hold a for 3 s · hold a for 9 s [time]']],
    ['a time within the other’s bounds', ['rest 3 s to 6 s', 'rest 4 s'], ['rest 3 s to 6 s · rest 4 s']],
    ['another control', ['press a 3 times', 'press b 3 times'], ['press a 3 times · press b 3 times [control]']],
    [
      'another way',
      ['turn knob right 3', 'turn knob left 3'],
      ['turn knob right 3 clicks · turn knob left 3 clicks [place]'],
    ],
    ['left out', ['press a\nrest 5 s\npress b', 'press a\npress b'], ['press a', 'rest 5 s · — [left-out]', 'press b']],
    ['pressed or held', ['press a', 'hold a for 2 s'], ['press a · hold a for 2 s [act]']],
    [
      'another order',
      ['set lid open\npress a 3 times', 'press a 3 times\nset lid open'],
      ['— · press a 3 times [order]', 'set lid open', 'press a 3 times · — [order]'],
    ],
    [
      'kept or held and let go',
      ['keep a\n  press b', 'hold a\npress b\nlet-go a'],
      ['keep a · hold a', 'press b', 'let-go a'],
    ],
    ['three presses told as a group', ['press a 3 times', 'group 3 times\n  press a'], ['press a 3 times · press a']],
    ['three tellers', ['press a\npress b', 'press a\npress b', 'press a'], ['press a', 'press b · — [left-out]']],
  ])('%s', (_, scripts, rows) => expect(told(...scripts)).toEqual(rows));

  it('every step of every telling stands in one row, in its order', () => {
    fc.assert(
      fc.property(fc.array(anyRouteScript, { minLength: 2, maxLength: 3 }), (scripts) => {
        const rows = alignAccounts(scripts.map(stepsOf));
        scripts.forEach((script, k) => {
          const cells = rows.flatMap((r) => r.cells[k] ?? []);
          const alone = alignAccounts([stepsOf(script)]).flatMap((r) => r.cells[0] ?? []);
          expect(cells).toEqual(alone);
        });
      }),
    );
  });

  it('a telling beside itself has no difference', () => {
    fc.assert(
      fc.property(anyRouteScript, (script) => {
        expect(alignAccounts([stepsOf(script), stepsOf(script)]).flatMap((r) => r.differs)).toEqual([]);
      }),
    );
  });

  it('the demo’s three tellers disagree in what they hold to', () => {
    const accounts = entriesOf(glasswasher(), 'account');
    const rows = alignAccounts(accounts.map((a) => a.steps));
    expect(accounts).toHaveLength(3);
    expect(new Set(rows.flatMap((r) => r.differs))).toEqual(new Set(['left-out', 'place', 'count']));
  });
});

describe('differenceKey', () => {
  it('is the same in whatever order the accounts stand, and whichever the route follows', () => {
    const keys = (route: string, ...accounts: string[]) =>
      alignAccounts([route, ...accounts].map(stepsOf)).flatMap((r) => differenceKey(r) ?? []);
    const [one, two] = ['press a 3 times\npress b', 'press a 4 times\npress b'];
    expect(keys(one, one, two)).toEqual(['press a 3 times · press a 4 times']);
    expect(keys(one, two, one)).toEqual(keys(two, one, two));
  });
  it('is none where nobody differs, or the route alone says more', () => {
    const rows = alignAccounts([stepsOf('press a\nrest 3 s'), stepsOf('press a')]);
    expect(rows.map(differenceKey)).toEqual([null, null]);
  });
});

describe('settleSteps', () => {
  const settle = (scripts: string[], pick: (row: number) => number | null): string => {
    const tellings = scripts.map(stepsOf);
    const rows = alignAccounts(tellings);
    const choices = rows.flatMap((_, row) => {
      const telling = pick(row);
      return telling === null ? [] : [{ row, telling }];
    });
    return printSteps(settleSteps(tellings[0] as Step[], rows, choices)).trim();
  };
  it.each<[string, string[], string]>([
    ['takes the other’s count', ['press a 3 times\npress b', 'press a 4 times\npress b'], 'press a 4 times\npress b'],
    ['puts in what was left out', ['press a\npress b', 'press a\nrest 5 s\npress b'], 'press a\nrest 5 s\npress b'],
    ['puts in before the first', ['press b', 'set lid open\npress b'], 'set lid open\npress b'],
    ['takes out what the other leaves out', ['press a\nrest 5 s\npress b', 'press a\npress b'], 'press a\npress b'],
    [
      'changes the window and keeps what is in it',
      ['within 5 s of power-on\n  press a 3 times', 'within 6 s of power-on\n  press a 3 times'],
      'within 6 s of power-on\n  press a 3 times',
    ],
    [
      'changes a repeat',
      ['group 2 times\n  press a\n  press b', 'group 3 times\n  press a\n  press b'],
      'group 3 times\n  press a\n  press b',
    ],
    [
      'changes what ends a keep',
      ['keep a\n  press b', 'keep a until beep on #2\n  press b'],
      'keep a until beep on #2\n  press b',
    ],
  ])('%s', (_, scripts, result) => expect(settle(scripts, () => 1)).toBe(result));
  it('without a choice, or with the base chosen, the base stays', () => {
    fc.assert(
      fc.property(anyRouteScript, anyRouteScript, (one, two) => {
        expect(settle([one, two], () => null)).toBe(printSteps(stepsOf(one)).trim());
        expect(settle([one, two], () => 0)).toBe(printSteps(stepsOf(one)).trim());
      }),
    );
  });
});

describe('contradictions', () => {
  const against = (said: string, steps: string) => contradictions(stepsOf(said), stepsOf(steps)).map((r) => r.about);
  it('a shorter telling does not contradict a longer one', () => {
    expect(against('press a 3 times', 'set lid open\npress a 3 times\nset lid shut')).toEqual([]);
  });
  it('another count does, and a step that is not there', () => {
    expect(against('press a 4 times', 'press a 3 times')).toEqual(['press a 4 times · press a 3 times']);
    expect(against('press a 3 times\nset lid open', 'press a 3 times')).toEqual(['set lid open · —']);
  });
});
