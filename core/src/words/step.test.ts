import { describe, expect, it } from 'vitest';
import {
  actBig,
  cardBig,
  cardDetails,
  cardLead,
  cardNotes,
  coachCards,
  entriesOf,
  type HandAct,
  type Moment,
  momentWords,
  type Panel,
  partName,
  type Shown,
  Step,
  shownWords,
} from '../index.ts';
import { dryer, glasswasher } from '../testing/bundles.ts';
import { stepsOf } from '../testing/routes.ts';

const panel = entriesOf(glasswasher(), 'panel')[0] as Panel;
const act = (part: Partial<HandAct> & Pick<HandAct, 'act'>): HandAct => ({
  control: null,
  place: null,
  times: 1,
  words: null,
  ...part,
});
const lamp = (sign: string, state: string, colour?: string) => ({ kind: 'lamp', sign, state, colour }) as Shown;

describe('words of the coach', () => {
  it.each<[HandAct, string]>([
    [act({ act: 'press' }), 'press'],
    [act({ act: 'press', times: 3 }), 'press 3 times'],
    [act({ act: 'confirm', words: 'Ready?' }), 'wait for “Ready?”, then confirm'],
    [act({ act: 'hold', control: 'rocker' as never, place: 'down' as never }), 'hold down'],
    [act({ act: 'hold', control: 'rocker' as never }), 'hold'],
    [act({ act: 'let-go' }), 'let go'],
    [act({ act: 'set', control: 'hood' as never, place: 'open' as never }), 'open'],
    [act({ act: 'turn-right', times: 3 }), '3 right'],
    [act({ act: 'turn-left', times: 2 }), '2 left'],
    [act({ act: 'sweep-left' }), 'one full turn left'],
    [act({ act: 'sweep-right', times: 2 }), '2 full turns right'],
    [act({ act: 'do', words: 'at the tap' }), 'at the tap'],
  ])('%j is “%s”', (what, words) => expect(actBig(what, panel)).toBe(words));

  it.each<[Moment, string]>([
    [{ kind: 'power-on' }, 'From power-on'],
    [{ kind: 'step-before' }, 'Straight after'],
    [{ kind: 'sign', nth: 1, shown: { kind: 'sound', sign: 'pump' as never, state: 'off' } }, 'When the pump stops'],
    [{ kind: 'sign', nth: 2, shown: { kind: 'sound', sign: 'beeper' as never, state: 'on' } }, 'At the second beep'],
    [{ kind: 'sign', nth: 1, shown: { kind: 'sound', sign: 'pump' as never, state: 'on' } }, 'At the pump'],
    [{ kind: 'sign', nth: 1, shown: lamp('lamp-c', 'lit') }, 'When c shows'],
  ])('%j is “%s”', (moment, words) => expect(momentWords(moment, panel)).toBe(words));

  it('tells lamps that show alike together', () => {
    expect(
      shownWords([lamp('lamp-a', 'lit', 'green'), lamp('lamp-b', 'lit', 'green'), lamp('lamp-c', 'dark')], panel),
    ).toBe('a, b lit green; c dark');
    expect(shownWords([lamp('lamp-a', 'slow', 'amber'), lamp('lamp-b', 'fast')], panel)).toBe(
      'a blinking slowly amber; b blinking fast',
    );
    expect(shownWords([{ kind: 'sound', sign: 'pump' as never, state: 'off' }], panel)).toBe('pump silent');
    expect(shownWords([{ kind: 'text', sign: 'beeper' as never, text: 'E7' }], panel)).toBe('beeper “E7”');
  });

  it('calls a part by its label, and by its id where it has none', () => {
    expect([
      partName(panel, 'lamp-a'),
      partName(panel, 'rocker'),
      partName(panel, 'sensor-plug'),
      partName(panel, 'nowhere'),
    ]).toEqual(['a', 'rocker', 'plug S7 rinse sensor', 'nowhere']);
  });

  it('has a lead for every card of every route of every family', () => {
    for (const bundle of [glasswasher(), dryer()]) {
      const own = entriesOf(bundle, 'panel')[0] as Panel;
      const leads = entriesOf(bundle, 'route').flatMap((r) =>
        coachCards(r.steps).map((c) => [c, cardLead(c, own)] as const),
      );
      expect(leads.filter(([, lead]) => lead === '').map(([card]) => card.step)).toEqual([]);
    }
  });
});

/** Everything a technician is told of steps. */
const told = (steps: readonly Step[]): string =>
  coachCards(steps)
    .map((c) =>
      [
        cardLead(c, panel),
        cardBig(c, panel),
        ...cardDetails(c, panel).map((d) => d.words),
        ...c.notes.cautions,
        ...cardNotes(c),
      ].join(' | '),
    )
    .join('\n');

describe('every fact of a step is told', () => {
  // two scripts that differ in one fact must differ in what is told
  it.each<[string, string, string]>([
    ['the control', 'press a', 'press b'],
    ['how often', 'press a 2 times', 'press a 3 times'],
    ['what is held', 'hold a for 5 s', 'hold b for 5 s'],
    ['a second thing held', 'hold a for 5 s', 'hold a + b for 5 s'],
    ['where it is held', 'hold rocker down for 5 s', 'hold rocker up for 5 s'],
    ['how long', 'hold a for 5 s', 'hold a for 6 s'],
    ['how long at the least', 'hold a for 4 s to 6 s usually 5 s', 'hold a for 3 s to 6 s usually 5 s'],
    ['how long at the most', 'hold a for 4 s to 6 s usually 5 s', 'hold a for 4 s to 7 s usually 5 s'],
    ['until what', 'hold a until beeper on', 'hold a until pump on'],
    ['until which time', 'hold a until beeper on', 'hold a until beeper on x2'],
    ['until which look', 'hold a until lamp-a lit', 'hold a until lamp-a slow'],
    ['until which colour', 'hold a until lamp-a lit', 'hold a until lamp-a lit green'],
    ['what is kept', 'keep a\n  press b', 'keep c\n  press b'],
    ['where it is kept', 'keep rocker down\n  press b', 'keep rocker up\n  press b'],
    ['how long it is kept', 'keep a for 5 s\n  press b', 'keep a for 6 s\n  press b'],
    ['until what it is kept', 'keep a until lamp-a lit\n  press b', 'keep a until lamp-b lit\n  press b'],
    ['what is let go', 'hold a + b\nlet-go a', 'hold a + b\nlet-go b'],
    ['when it is let go', 'hold a\nlet-go a', 'hold a\nlet-go a at beeper on'],
    ['all let go, and when', 'hold a\nlet-go all at pump on', 'hold a\nlet-go all at beeper on'],
    ['clicks', 'turn k right 3 clicks', 'turn k right 4 clicks'],
    ['which way clicks go', 'turn k right 3 clicks', 'turn k left 3 clicks'],
    ['full turns', 'sweep k right 1 turns', 'sweep k right 2 turns'],
    ['which way a full turn goes', 'sweep k right 1 turns', 'sweep k left 1 turns'],
    ['where a full turn stops', 'sweep k right 1 turns', 'sweep k right 1 turns to wool'],
    ['the place', 'set hood open', 'set hood shut'],
    ['a rest', 'rest 3 s', 'rest 4 s'],
    ['the least of a rest', 'rest 3 s to 9 s usually 5 s', 'rest 4 s to 9 s usually 5 s'],
    ['how a list runs by itself', 'step a to 12 ramp', 'step a to 12 ramp after 1 s every 0.2 s'],
    ['how fast it does', 'step a to 12 ramp after 1 s every 0.3 s', 'step a to 12 ramp after 1 s every 0.2 s'],
    ['from when on it does', 'step a to 12 ramp after 2 s every 0.2 s', 'step a to 12 ramp after 1 s every 0.2 s'],
    ['what steps a list back', 'step a to 12', 'step a to 12 back b'],
    ['where a list goes round', 'step a to 12 round 1 to 40', 'step a to 12 round 1 to 50'],
    ['what is pressed together', 'together a + b', 'together a + c'],
    ['how often together', 'together a + b 2 times', 'together a + b 3 times'],
    ['how near to each other', 'together a + b', 'together a + b within 0.3 s'],
    ['which way is done', 'do next-slot', 'do erase-memory'],
    ['that a hold counts from the supply', 'hold a for 5 s', 'hold a for 5 s from power-on'],
    ['that a keep counts from the supply', 'keep a for 5 s\n  press b', 'keep a for 5 s from power-on\n  press b'],
    ['several signs at once', 'hold a until lamp-a lit', 'hold a until lamp-a lit and lamp-b lit'],
    ['that a text flashes', 'hold a until line "12"', 'hold a until line "12" flashing'],
    ['that a text stands still', 'hold a until line "12" steady', 'hold a until line "12" flashing'],
    ['the knob', 'dial "12" from "00" with knob k', 'dial "12" from "00" with knob l'],
    ['what moves on along a dial', 'dial "12" from "00" with knob k next a', 'dial "12" from "00" with knob k next b'],
    ['the entry of a list', 'step a to 12', 'step a from 1 to 13'],
    ['how a list is gone through', 'step a to 12', 'step a to 12 ramp'],
    ['what to do past it', 'step a to 12', 'step a to 12 over "go round again"'],
    ['what is dialled', 'dial "12" from "00" with a + b', 'dial "21" from "00" with a + b'],
    ['the menu', 'choose "Tests" > "Lid" on-unit', 'choose "Tests" > "Hood" on-unit'],
    ['on which screen', 'choose "Tests" on-unit', 'choose "Tests" with marlin-3'],
    ['what the instrument must have', 'choose "Tests" on-unit', 'choose "Tests" on-unit needs "Actuator tests"'],
    ['the prompt', 'choose "Tests" on-unit', 'choose "Tests" on-unit confirm "Ready?"'],
    ['the value', 'choose "Tests" on-unit', 'choose "Tests" on-unit value "14"'],
    ['the sign', 'see lamp-a lit', 'see lamp-b lit'],
    ['how it shows', 'see lamp-a lit', 'see lamp-a fast'],
    ['in which colour', 'see lamp-a lit', 'see lamp-a lit green'],
    ['how many beeps', 'see beeper on', 'see beeper on x3'],
    ['what a display shows', 'see d "E1"', 'see d "E7"'],
    ['whether it must', 'see lamp-a lit', 'may lamp-a lit'],
    ['that it must not', 'see lamp-a lit', 'no lamp-a lit'],
    ['within which time it shows', 'see lamp-a lit within 3 s', 'see lamp-a lit within 4 s'],
    ['how often a group', 'group 2 times\n  press a', 'group 3 times\n  press a'],
    ['its window', 'within 5 s of power-on\n  press a', 'within 6 s of power-on\n  press a'],
    ['since when', 'within 5 s of power-on\n  press a', 'within 5 s of beeper on\n  press a'],
    ['what decides', 'if lamp-a lit\n  press a\nelse\n  press b', 'if lamp-b lit\n  press a\nelse\n  press b'],
    ['what to do then', 'if lamp-a lit\n  press a\nelse\n  press b', 'if lamp-a lit\n  press c\nelse\n  press b'],
    ['what to do else', 'if lamp-a lit\n  press a\nelse\n  press b', 'if lamp-a lit\n  press a\nelse\n  press c'],
    ['which code decides', 'if reads lamps k19\n  press a', 'if reads lamps k20\n  press a'],
    ['which readout decides', 'if reads lamps k19\n  press a', 'if reads dials k19\n  press a'],
    ['how long nothing is done', 'if nothing within 5 s\n  press a', 'if nothing within 6 s\n  press a'],
    ['where to be', 'at the tap', 'at the breaker'],
    ['what to know', 'say it clicks', 'say it hums'],
    ...['why', 'caution', 'tool', 'feels', 'if-it-fails'].map((note): [string, string, string] => [
      `${note}`,
      'press a',
      `press a\n  - ${note} a word of it`,
    ]),
    ['advice', 'press a', 'press a\n  - retry slower'],
    ['how sure', 'press a', 'press a\n  - standing hearsay'],
    ['a caution within a group', 'group 2 times\n  press a', 'group 2 times\n  press a\n    - caution hot'],
    [
      'a caution of a group that is watched',
      'group 2 times\n  see lamp-a lit',
      'group 2 times\n  - caution hot\n  see lamp-a lit',
    ],
    ['a caution of a branch', 'if lamp-a lit\n  press a', 'if lamp-a lit\n  - caution hot\n  press a'],
  ])('%s', (_, one, other) => {
    const [a, b] = [stepsOf(one), stepsOf(other)];
    expect(a).not.toEqual(b);
    expect(told(a)).not.toBe(told(b));
  });

  it('for every kind of step', () => {
    const kinds = stepsOf(
      'press a\nhold a\nlet-go a\nkeep a\n  press b\nturn k right 1 clicks\nsweep k left 1 turns\nset hood open\nrest 1 s\nstep a to 2\ntogether a + b\ndo x\ndial "1" from "0" with a\nchoose "x" on-unit\nsee lamp-a lit\ngroup 2 times\n  press a\nif lamp-a lit\n  press a\nat the tap\nsay so\nbypass hood',
    ).map((s) => s.kind);
    const schema = Step as unknown as {
      def: { getter: () => { options: Array<{ shape: { kind: { value: string } } }> } };
    };
    expect([...kinds].sort()).toEqual(
      schema.def
        .getter()
        .options.map((o) => o.shape.kind.value)
        .sort(),
    );
  });
});
