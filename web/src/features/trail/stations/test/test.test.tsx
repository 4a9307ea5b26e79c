import { act, cleanup, fireEvent, screen } from '@testing-library/react';
import type { User } from '@wire-trail/core';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import brindlewick from '../../../../../../demo/brindlewick-g4.json';
import hobrannet from '../../../../../../demo/hobrannet-t12.json';
import ostrel from '../../../../../../demo/ostrel-r6.json';
import pellgrave from '../../../../../../demo/pellgrave-p8.json';
import quorrin from '../../../../../../demo/quorrin-b2.json';
import sandrelle from '../../../../../../demo/sandrelle-l6.json';
import wexmorl from '../../../../../../demo/wexmorl-s5.json';
import { coilRead, licensedFor, readDemo, serverAnswers, show, standing, unit } from '../../../../testing/trail.tsx';
import { ProveStation } from '../prove/ProveStation.tsx';
import { TestStation } from './TestStation.tsx';
import { clockWords } from './Wait.tsx';

const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));
const type = (label: string | RegExp, value: string, at = 0) =>
  fireEvent.change(screen.getAllByLabelText(label)[at] as Element, { target: { value } });
const sees = (text: string | RegExp) => expect(screen.getAllByText(text).length).toBeGreaterThan(0);
beforeEach(() => {
  localStorage.clear();
  vi.useFakeTimers({ now: new Date('2026-05-03T09:00:00Z'), shouldAdvanceTime: true });
  vi.stubGlobal('scrollTo', () => {});
  serverAnswers({ machine: null, walks: [], ledger: [], readings: [] });
});
afterEach(() => {
  by = undefined;
  cleanup();
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

/** At a code of a family, on a unit of some variant, with answers and whatever else happened. */
let by: User | undefined;
function at(json: { family: string }, code: string, variant: string | null, ...happenings: object[]) {
  const s = {
    ...standing(
      [
        unit({ serial: 'X-1', model: '', software: null, variant }),
        { kind: 'code-taken', code, slot: 1 },
        ...happenings,
      ],
      readDemo(json),
    ),
    goTo: vi.fn(),
  };
  show(<TestStation {...s} />, by);
  return s;
}
const said = (chart: string, ...pairs: Array<[string, string, object?]>) =>
  pairs.map(([node, answer, reading]) => ({ kind: 'answered', chart, node, answer, reading: reading ?? null }));
const volts = (value: number, least = 46, most = 54.6) => ({
  typed: String(value),
  quantity: 'voltage',
  value,
  atCelsius: null,
  least,
  most,
  verdict: 'pass',
});

describe('where the probes go', () => {
  const point = (label: string) => screen.getByText(label, { selector: '.point' }).className;
  it('the points of the picture that are called as the probes are stand out, and what is offline is said', () => {
    at(brindlewick, 'd09', null, ...said('drain', ['filter', 'yes'], ['hose', 'yes'], ['isolate', 'done']));
    sees('Measure the drain pump coil');
    expect([1, 2, 3, 4, 5, 6].map((n) => point(String(n)).includes('meant'))).toEqual([
      false,
      false,
      true,
      true,
      false,
      false,
    ]);
    press('Whole picture');
    sees('Closer');
    fireEvent.error(screen.getByAltText('The board behind the lower cover'));
    sees(/is not on this device yet/);
  });
});

describe('a plate that was not read', () => {
  const untilElement = said(
    'rinse-heat',
    ['look-scale', 'no'],
    ['isolate', 'done'],
    ['sensor', 'pass', { ...volts(12_100, 11_300, 12_700), quantity: 'resistance', atCelsius: 25 }],
  );
  const element = (model: string) => {
    const s = {
      ...standing(
        [
          unit({ serial: 'X-1', model, software: null, variant: null }),
          { kind: 'code-taken', code: 'k19', slot: 1 },
          ...untilElement,
        ],
        readDemo(brindlewick),
      ),
      goTo: vi.fn(),
    };
    show(<TestStation {...s} />);
    sees('Measure the rinse element');
    return s;
  };
  it('condemns no part that is good on one variant: it says which, what tells, and leads to the plate', () => {
    const s = element('');
    expect(screen.getAllByText(/^good on /)).toHaveLength(2);
    type(/What the meter shows/, '18');
    sees(/It needs the plate/);
    sees(/Three phase.*: too high; there 10.8 Ω to 12.7 Ω is good/);
    sees(/What tells: the model number/);
    expect(screen.queryByRole('button', { name: 'Take this reading' })).toBeNull();
    press('Read the plate');
    expect(s.goTo).toHaveBeenCalledWith('unit');
    // looked at again, what was typed stands there
    cleanup();
    element('');
    expect((screen.getAllByLabelText(/What the meter shows/)[0] as HTMLInputElement).value).toBe('18');
  });
  it('what means the same on every variant is taken at once', () => {
    const s = element('');
    type(/What the meter shows/, 'OL');
    sees(/Open/);
    press('Take this reading');
    expect(s.added).toHaveLength(1);
  });
});

describe('what is run on the unit', () => {
  const brush = said('brush', ['drag', 'yes'], ['volt', 'pass', volts(26, 24, 29)]);
  it('a numbered test: how to get to it, one route after the other, what it is and how it stops', () => {
    const s = at(wexmorl, 'f01', null, ...brush);
    sees('Run the pad motor by test 2');
    sees('Pad motor');
    press(/1 Into service.*unless it is there already/);
    sees(/Back to “Run the pad motor by test 2”/);
    press(/Back to/);
    press(/2 Open the numbered tests/);
    press('Begin, tapping along');
    for (let n = 0; n < 20 && !screen.queryByRole('button', { name: 'It worked' }); n++) press(/^(Done|Seen)$/);
    press('It worked');
    expect(s.added).toMatchObject([{ kind: 'tried', route: 'open-tests', took: true }]);
    sees('Run the pad motor by test 2');
  });
  it('a route that took, and one that did not, say so', () => {
    at(
      wexmorl,
      'f01',
      null,
      ...brush,
      { kind: 'tried', route: 'enter', took: true },
      { kind: 'tried', route: 'open-tests', took: false },
    );
    sees(/· done/);
    sees(/· did not take/);
  });
  it('a route of the unit, with what comes before it, judged by readings over time', () => {
    at(
      pellgrave,
      'e6',
      null,
      ...said('warm-up', ['door', 'yes'], ['rate', 'high']),
      ...said('air', ['fan', 'yes'], ['seen', 'pass']),
      ...said('warm-up', ['heater', 'done']),
      ...said('element-check', ['isolate', 'done'], ['ohms', 'pass'], ['leak', 'pass']),
      ...said('warm-up', ['close-up', 'done']),
    );
    sees('Does the steam side warm? One relay feeds both');
    expect(screen.getByRole('button', { name: /^1 Into faults/ })).toBeTruthy();
    expect(screen.getByRole('button', { name: /^2 Dial address 42/ })).toBeTruthy();
    sees(/must climb by 6 °C within 3 min/);
  });
  it('after a part was replaced: what recalibrates it, with the supply on again', () => {
    const from = { kind: 'symptom', symptom: 'streaks' };
    const plate = unit({ serial: 'X', model: '', software: null, variant: null });
    const noted = { kind: 'setting', setting: 'pad-pressure', did: 'set', value: '1' };
    const answers = said(
      'streaks',
      ['edge', 'yes'],
      ['pressure', 'done'],
      ['try', 'still streaks'],
      ['deck', 'yes'],
      ['tilt', 'pass'],
      ['pressure-again', 'no'],
    );
    show(<TestStation {...standing([plate, noted, ...answers], readDemo(wexmorl), from)} />);
    sees('Fit a new pad');
    sees('Afterwards, with the supply on again:');
    expect(screen.getByRole('button', { name: /^3 Set the pad pressure/ })).toBeTruthy();
  });
});

describe('something done first, and see', () => {
  const reset = (returned: boolean | null) => ({ kind: 'reset-first', code: 'k19', by: 'reset', returned });
  it('is offered at the first question, with what it costs and when it is right', () => {
    at(brindlewick, 'k19', null);
    fireEvent.click(screen.getByText('Or reset it first, and see whether it comes back'));
    sees(/It costs the evidence/);
    sees(/Right where the code may be old/);
    press('Reset K19 first');
    press('Test it instead');
    sees('Is the element white with scale?');
    expect(screen.queryByText(/recalibrate first/)).toBeNull();
    cleanup();
    // once something was tested the evidence is being used
    at(brindlewick, 'k19', null, ...said('rinse-heat', ['look-scale', 'no']));
    expect(screen.queryByText(/Or reset it first/)).toBeNull();
  });
  it('erases along its routes, then asks whether it came back', () => {
    const s = at(brindlewick, 'k19', null);
    fireEvent.click(screen.getByText('Or reset it first, and see whether it comes back'));
    press('Reset K19 first');
    press('It is erased already');
    expect(s.added).toMatchObject([reset(null)]);
    cleanup();
    const waiting = at(brindlewick, 'k19', null, reset(null));
    sees('Does K19 come back?');
    press('It stayed away all that time');
    expect(waiting.added).toMatchObject([reset(false), { kind: 'chart-ended', verdict: 'nothing-found' }]);
    cleanup();
    at(brindlewick, 'k19', null, reset(null), reset(true));
    sees('Is the element white with scale?');
    expect(screen.queryByText(/Or reset it first/)).toBeNull();
  });
  it('recalibrates what the code may come from, with its cautions; where there is no chart, that ends the tests', () => {
    const s = at(hobrannet, '23', null);
    sees('No chart for this yet');
    fireEvent.click(screen.getByText('Or recalibrate first, and see whether it comes back'));
    sees('Set the lowering trim.');
    sees(/the setting it had is gone/);
    press('Recalibrate first');
    sees(/part 1 of 6/);
    sees(/Raised/);
    press('It is recalibrated already');
    const by = { kind: 'reset-first', code: '23', by: 'recalibrate' };
    expect(s.added).toMatchObject([{ ...by, returned: null }]);
    cleanup();
    const waiting = at(hobrannet, '23', null, { ...by, returned: null });
    sees('Does 23 come back?');
    press('It stayed away all that time');
    expect(waiting.added).toMatchObject([
      { ...by, returned: false },
      { kind: 'skipped', station: 'test', why: 'stayed away after the recalibration' },
    ]);
  });
});

describe('what people measure beside ohms and volts', () => {
  const symptom = (
    json: { family: string },
    id: string,
    chart: string,
    ...answers: Array<[string, string, object?]>
  ) => {
    const plate = unit({ serial: 'X', model: '', software: null, variant: null });
    const s = standing([plate, ...said(chart, ...answers)], readDemo(json), { kind: 'symptom', symptom: id });
    show(<TestStation {...s} />);
    return s;
  };
  it('an angle in degrees or as a fall in a hundred; good only after it was set, it was the cause', () => {
    const until: Array<[string, string]> = [
      ['edge', 'yes'],
      ['pressure', 'done'],
      ['try', 'still streaks'],
      ['deck', 'yes'],
    ];
    symptom(wexmorl, 'streaks', 'streaks', ...until);
    sees('At rest');
    type(/What the meter shows, °/, '20 %');
    sees(/Too high: 11.3 °/);
    cleanup();
    symptom(wexmorl, 'streaks', 'streaks', ...until, ['tilt', 'high'], ['tilt-set', 'done'], ['tilt', 'pass']);
    sees('The blade stood at the wrong angle');
    sees(/since “Set the blade/);
  });
  it('a tolerance in the unit it was told in, on a setting in another', () => {
    symptom(pellgrave, 'skin', 'humidity', ['flour', 'yes'], ['settle', 'done'], ['shown', 'low'], ['dry', 'yes']);
    type(/Steam pressure that is set stands at/, '1 bar');
    type(/What the meter shows/, '13 psi');
    sees(/Good|Borderline/);
    type(/What the meter shows/, '12 psi');
    sees(/Too low: 0.83 bar/);
  });
  it('remedies one at a time, each with its question; what helped is the cause', () => {
    const s = symptom(ostrel, 'hum', 'hum');
    sees('Remedy 1 of 3');
    sees('Wipe the glass and the foot of the pan');
    press('It comes again');
    expect(s.added).toMatchObject([{ kind: 'answered', node: 'try', answer: 'it comes again' }]);
    cleanup();
    const third = symptom(ostrel, 'hum', 'hum', ['try', 'it comes again'], ['try', 'it comes again']);
    sees('Remedy 3 of 3');
    sees(/Did not help: Wipe the glass/);
    press('It stopped: that was it');
    expect(third.added).toMatchObject([{ answer: 'it stopped' }]);
    cleanup();
    const found = symptom(
      ostrel,
      'hum',
      'hum',
      ['try', 'it comes again'],
      ['try', 'it comes again'],
      ['try', 'it stopped'],
    );
    sees('Tighten the four screws of the coil on its frame');
    sees(/Coil, left zones/);
    press(/Repaired: go on/);
    expect(found.added).toMatchObject([{ kind: 'chart-ended', verdict: 'cause-found', cause: 'coil-a' }]);
  });
  it('what is drawn against what everything adds up to', () => {
    const drawn = { ...volts(4000, 1000, 9000), quantity: 'power' };
    const again: Array<[string, string]> = [
      ['try', 'it comes again'],
      ['try', 'it comes again'],
      ['try', 'it comes again'],
    ];
    symptom(ostrel, 'hum', 'hum', ...again, ['draws', 'pass', drawn]);
    sees('The power bridge gives too little');
    sees(/4000 W ÷ 7200 W/);
  });
});

describe('without a code', () => {
  it.each([
    ['nothing is stored', { kind: 'special', readout: 'lamps', special: 'none' }, 'No code is stored'],
    ['it is unlisted', { kind: 'unlisted', text: 'K18', words: '', ask: true }, 'Nothing to test for'],
  ])('%s: a symptom is offered, and the walk goes on with it', (_, happened, title) => {
    const plate = unit({ serial: 'X', model: '', software: null, variant: null });
    const from = { kind: 'panel' };
    const s = standing([plate, happened], readDemo(brindlewick), from);
    show(<TestStation {...s} />);
    sees(title);
    press(/Glasses come out cold/);
    expect(s.added).toMatchObject([{ kind: 'symptom-taken' }]);
    cleanup();
    show(<TestStation {...standing([plate, happened, s.added[0] as object], readDemo(brindlewick), from)} />);
    sees('Is the element white with scale?');
  });
});

describe('what was read here before', () => {
  it('on earlier walks of this machine, and where it is going', async () => {
    const readings = [coilRead('2026-04-20T09:00:00.000Z', 180), coilRead('2026-01-10T09:00:00.000Z', 165)];
    serverAnswers({ machine: null, walks: [], ledger: [], readings });
    at(brindlewick, 'd09', null, ...said('drain', ['filter', 'yes'], ['hose', 'yes'], ['isolate', 'done']));
    expect(await screen.findByText(/On 2026-04-20 it was/)).toBeTruthy();
    sees('180 Ω, good');
    sees(/Since 2026-01-10 it comes nearer its upper edge; at this rate it leaves its good range about 2026-06\./);
  });
});

describe('what goes by itself', () => {
  it('a split by the code is not asked, and the part of this family stands in the words', () => {
    at(ostrel, '12-4', null, ...said('glass-sensor', ['pan', 'no'], ['isolate', 'done']));
    sees('Measure the right glass sensor');
    sees(/Which side\?/);
    sees(/worked out/);
  });
  it('a split by a variant nobody knows is asked', () => {
    const s = at(sandrelle, 'p05', null, ...said('packs-differ', ['plugged', 'yes']));
    sees('Nothing on this walk decides it; what holds here?');
    press('Older');
    expect(s.added).toMatchObject([{ node: 'generation', answer: 'older' }]);
  });
  it('two readings are compared as soon as both are there', () => {
    at(
      sandrelle,
      'p05',
      null,
      ...said(
        'packs-differ',
        ['plugged', 'yes'],
        ['generation', 'newer'],
        ['first', 'pass', volts(52)],
        ['second', 'pass', volts(50)],
      ),
    );
    sees(/52 V − 50 V: high/);
    sees('Charge the lower pack alone');
  });
  it('a comparison of what was never measured is asked by eye, and says why', () => {
    const s = at(
      sandrelle,
      'p05',
      null,
      ...said('packs-differ', ['plugged', 'yes'], ['generation', 'newer'], ['first', 'pass'], ['second', 'pass']),
    );
    sees(/Some readings were not taken/);
    press('Too high');
    expect(s.added).toMatchObject([
      { node: 'apart', answer: 'high', skipped: expect.stringContaining('not compared') },
    ]);
  });
  it('a chart that is called asks its own questions', () => {
    at(pellgrave, 'e6', null, ...said('warm-up', ['door', 'yes'], ['rate', 'high']));
    sees('Cabinet does not reach its warmth');
  });
});

describe('who may act', () => {
  const steps = said('rinse-heat', ['look-scale', 'yes']);
  it('looking is anybody’s; where something is done to the unit, it is for whom the code is for', () => {
    at(brindlewick, 'k23', null);
    expect(screen.queryByText(/This is for/)).toBeNull();
    cleanup();
    at(brindlewick, 'k23', null, ...steps);
    sees('This is for a licensed person');
    cleanup();
    by = licensedFor();
    at(brindlewick, 'k23', null, ...steps);
    expect(screen.queryByText(/This is for/)).toBeNull();
  });
});

describe('a code without a chart', () => {
  it('is for the trade its hazards name', () => {
    at(pellgrave, 'u1', null);
    sees('This is for a licensed person (refrigeration)');
    cleanup();
    by = licensedFor('electrical');
    at(pellgrave, 'u1', null);
    sees('This is for a licensed person (refrigeration)');
    cleanup();
    by = licensedFor('refrigeration');
    at(pellgrave, 'u1', null);
    expect(screen.queryByText(/This is for/)).toBeNull();
  });
});

describe('several of a kind', () => {
  it('are read with whether that one works, and say side by side which is off', () => {
    const ohms = (typed: string, value: number) => ({
      ...volts(value),
      typed,
      quantity: 'resistance',
    });
    const beside = (one: string, isGood: boolean | null, value: number) => ({
      kind: 'beside',
      chart: 'insulation',
      node: 'leak',
      one,
      isGood,
      reading: ohms(String(value), value),
    });
    by = licensedFor();
    const s = at(
      sandrelle,
      'p07',
      null,
      ...said('insulation', ['bilge', 'yes'], ['off', 'done']),
      beside('pack 2', true, 900_000),
      beside('pack 3', null, 500_000),
    );
    sees('pack 3 is more than 10 % off the one that works.');
    press(/^Read another one of its kind/);
    expect(screen.queryByText(/^Take it for/)).toBeNull();
    type('Which one?', 'pack 4');
    type('Does that one work?', 'no');
    type(/^What the meter shows/, '880k', 1);
    press('Take it for pack 4');
    expect(s.added).toMatchObject([{ kind: 'beside', one: 'pack 4', isGood: false, reading: { value: 880_000 } }]);
  });
});

describe('measurements of every kind', () => {
  it('insulation: beyond what shows is good', () => {
    by = licensedFor();
    const s = at(sandrelle, 'p07', null, ...said('insulation', ['bilge', 'yes'], ['off', 'done']));
    type(/^What the meter shows/, 'OL');
    sees('Good');
    press('Take this reading');
    expect(s.added).toMatchObject([
      { node: 'leak', answer: 'pass', reading: { value: null, instrument: 'insulation' } },
    ]);
  });
  it('about what is set: the setting is asked for, and is what the good band goes by', () => {
    const s = at(pellgrave, 'e3', null, ...said('humidity', ['flour', 'yes'], ['settle', 'done']));
    press('Take this reading');
    sees('The good reading depends on what is set.');
    type(/Humidity that is set stands at/, '80 %');
    sees(/good: 75 % to 85 %/);
    type(/^What the meter shows/, '72');
    sees(/^Too low: 72 %/);
    press('Take this reading');
    expect(s.added).toMatchObject([{ node: 'shown', answer: 'low', reading: { least: 75, most: 85 } }]);
  });
  it('a time: readings some minutes apart, and when it will be warm enough', () => {
    const s = at(pellgrave, 'e6', null, ...said('warm-up', ['door', 'yes']));
    type(/^What the meter shows/, '20');
    press('Take this reading');
    sees('It takes 2 readings, some time apart.');
    press('One more reading');
    type('Reading 2', '25');
    type('Minutes of reading 2', '5');
    sees(/^Good: 15 min/);
    press('Take this reading');
    expect(s.added).toMatchObject([
      {
        answer: 'pass',
        reading: { as: 'seconds', value: 900, points: [{ value: 20 }, { value: 25, afterMs: 300_000 }] },
      },
    ]);
  });
  it('readings that are minutes apart are there again after a reload, and gone once they are taken', () => {
    const here = said('warm-up', ['door', 'yes']);
    at(pellgrave, 'e6', null, ...here);
    type(/^What the meter shows/, '20');
    press('One more reading');
    cleanup();
    const s = at(pellgrave, 'e6', null, ...here);
    expect((screen.getByLabelText(/^What the meter shows/) as HTMLInputElement).value).toBe('20');
    type('Reading 2', '25');
    type('Minutes of reading 2', '5');
    press('Take this reading');
    expect(s.added).toHaveLength(1);
    cleanup();
    at(pellgrave, 'e6', null, ...here);
    expect((screen.getByLabelText(/^What the meter shows/) as HTMLInputElement).value).toBe('');
  });
  it('a ratio to an earlier reading', () => {
    at(wexmorl, 'f10', null, ...said('battery', ['charged', 'yes'], ['rest', 'pass', volts(25.2, 24.6, 26.5)]));
    type(/^What the meter shows/, '21');
    sees(/^Too low: 0.833 times/);
  });
  it('going back keeps what was entered', () => {
    const answered = said('battery', ['charged', 'yes'], ['rest', 'pass', volts(25.2, 24.6, 26.5)]);
    at(wexmorl, 'f10', null, ...answered, { kind: 'taken-back', event: '0b9a7e52-41b3-4c6e-9d55-000000000004' });
    expect((screen.getByLabelText(/^What the meter shows/) as HTMLInputElement).value).toBe('25.2');
  });
});

describe('things run and watched, set and waited for', () => {
  it('a sound is heard or not', () => {
    const s = at(quorrin, 'b4', null, ...said('no-water', ['tap', 'no'], ['open', 'done']));
    sees(/Listen: water runs in within 20 s/);
    press('It sounded');
    expect(s.added).toMatchObject([{ node: 'fills', answer: 'pass' }]);
  });
  it('a setting is noted before it is set, and set to what the chart says', () => {
    const streaks = (...more: object[]) => {
      const plate = unit({ serial: 'X', model: '', software: null, variant: null });
      const from = { kind: 'symptom', symptom: 'streaks' };
      const s = standing([plate, ...said('streaks', ['edge', 'yes']), ...more], readDemo(wexmorl), from);
      show(<TestStation {...s} />);
      return s;
    };
    const s = streaks();
    type('What it stands at now', '2');
    press('Note it');
    expect(s.added).toEqual([{ kind: 'setting', setting: 'pad-pressure', did: 'noted', value: '2' }]);
    cleanup();
    const noted = streaks({ kind: 'setting', setting: 'pad-pressure', did: 'noted', value: '2' });
    sees('It stood at 2.');
    expect((screen.getByLabelText('Set it to') as HTMLSelectElement).value).toBe('1');
    press('It is set');
    expect(noted.added[0]).toEqual({ kind: 'setting', setting: 'pad-pressure', did: 'set', value: '1' });
  });
  it('a timer stands by its own beginning, and is over when it is over', () => {
    const begun = { kind: 'timer', of: { kind: 'node', chart: 'humidity', node: 'settle' }, ms: 3_600_000 };
    // the walk's events are a minute apart: the timer was begun at 08:04, an hour and more is 09:05
    const s = at(pellgrave, 'e3', null, ...said('humidity', ['flour', 'yes']), begun);
    expect(screen.getByRole('timer').textContent).toMatch(/^[34]:\d\d/);
    act(() => void vi.advanceTimersByTime(300_000));
    sees('The wait is over.');
    press('Go on');
    expect(s.added).toMatchObject([{ node: 'settle', answer: 'done' }]);
  });
  it('a wait of half a day or more is put away until a date', () => {
    const s = at(wexmorl, 'f10', null, ...said('battery', ['charged', 'no'], ['charge', 'done']));
    sees('14');
    press('Wait until then');
    expect(s.added).toMatchObject([
      { kind: 'timer', ms: 50_400_000 },
      { kind: 'waits', until: '2026-05-03' },
    ]);
  });
  it.each([
    [598_400, '9:59'],
    [0, '0:00'],
    [-5, '0:00'],
    [3_661_000, '1:01:01'],
  ])('%d ms left are %s', (ms, words) => expect(clockWords(ms)).toBe(words));
});

describe('passed over and seen on the way', () => {
  it('a step is passed over only with a word, and goes on as if it were answered', () => {
    const s = at(ostrel, '40-1', null);
    press('This cannot be done …');
    expect((screen.getByRole('button', { name: 'nobody knows' }) as HTMLButtonElement).disabled).toBe(true);
    type('Why not?', 'nobody there');
    press('nobody knows');
    expect(s.added).toMatchObject([{ node: 'others', answer: 'nobody knows', skipped: 'nobody there' }]);
  });
  it('another suspect is noted with its part', () => {
    const s = at(ostrel, '40-1', null);
    press('Something else looks wrong …');
    type('Which part', 'fan');
    type('What did you see?', 'full of grease');
    press('Note it');
    expect(s.added).toEqual([
      { kind: 'suspected', chart: 'supply-check', node: 'others', part: 'fan', text: 'full of grease' },
    ]);
  });
});

describe('the end', () => {
  it('out of scope: a sheet with everything, and the walk is handed on', () => {
    const high = { ...volts(209, 207, 253), verdict: 'pass' };
    const s = at(
      ostrel,
      '40-1',
      null,
      ...said(
        'supply-check',
        ['others', 'yes, at the same time'],
        ['rest', 'pass', high],
        ['load', 'low', { ...volts(0.9, 0.95, 1.03), as: 'ratio', verdict: 'low' }],
      ),
    );
    sees('The supply sags under load');
    press('Hand-on sheet');
    sees('Not ruled out');
    press('Handed on: close the walk');
    expect(s.added).toEqual([{ kind: 'closed', outcome: 'handed-on', fixedBy: '' }]);
  });
  it('left limited: what is owed and by when goes on the ledger', () => {
    const s = at(
      sandrelle,
      'p05',
      null,
      ...said(
        'packs-differ',
        ['plugged', 'yes'],
        ['generation', 'newer'],
        ['first', 'pass', volts(52)],
        ['second', 'low', volts(40)],
      ),
    );
    expect(screen.getByText('8 May 2026')).toBeTruthy();
    press('Go on to Clear');
    expect(s.added).toMatchObject([
      { kind: 'owed', what: expect.stringContaining('second pack'), by: '2026-05-08' },
      { kind: 'chart-ended', chart: 'packs-differ', verdict: 'left-limited' },
    ]);
  });
  it('round too often: it ends with what there is', () => {
    at(
      wexmorl,
      'f10',
      null,
      ...said(
        'battery',
        ['charged', 'yes'],
        ...Array.from({ length: 4 }, (): [string, string, object] => ['rest', 'low', volts(20)]),
        ['again', 'no'],
        ['charge', 'done'],
        ['night', 'done'],
        ['rest', 'low', volts(20)],
        ['again', 'no'],
        ['charge', 'done'],
        ['night', 'done'],
      ),
    );
    sees('Batteries are good: look at how it is charged');
  });
});

describe('Prove', () => {
  it('a run is begun, and keeps the walk until it is long enough', () => {
    const done = [
      unit({ serial: 'X', model: '', software: null, variant: null }),
      { kind: 'code-taken', code: 'h2', slot: 1 },
      { kind: 'cleared', route: null },
    ];
    const s = standing(done, readDemo(pellgrave));
    show(<ProveStation {...s} />);
    sees(/60 min|1 h/);
    press('The run begins');
    expect(s.added).toEqual([{ kind: 'timer', of: { kind: 'prove' }, ms: 3_600_000 }]);
    cleanup();
    const running = standing([...done, { kind: 'timer', of: { kind: 'prove' }, ms: 3_600_000 }], readDemo(pellgrave));
    show(<ProveStation {...running} />);
    expect(screen.queryByRole('button', { name: 'Fault is gone' })).toBeNull();
    act(() => void vi.advanceTimersByTime(300_000));
    sees('The run is long enough, if it ran all the time.');
    press('Fault is gone');
    expect(running.added).toEqual([{ kind: 'proved', returned: false, cycles: 1 }]);
  });
  it('a run of more than half a day is due on a date', () => {
    const s = standing(
      [
        unit({ serial: 'X', model: '', software: null, variant: null }),
        { kind: 'code-taken', code: 'f10', slot: 1 },
        { kind: 'cleared', route: null },
      ],
      readDemo(wexmorl),
    );
    show(<ProveStation {...s} />);
    press(/The run begins: due on 4 May 2026/);
    expect(s.added).toMatchObject([{ kind: 'timer' }, { kind: 'waits', until: '2026-05-04' }]);
  });
});
