import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { ledgerOf, sheetMissing } from '@wire-trail/core';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { glasswasher, serverAnswers, show, standing, unit, velmarrow } from '../../../testing/trail.tsx';
import { ClearStation } from './ClearStation.tsx';
import { EnterStation } from './EnterStation.tsx';
import { ProveStation } from './prove/ProveStation.tsx';
import { ReadStation } from './read/ReadStation.tsx';
import { SafeStation } from './SafeStation.tsx';
import { TestStation } from './test/TestStation.tsx';
import { UnitStation } from './UnitStation.tsx';

const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));
const type = (label: string | RegExp, value: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value } });
const sees = (text: string | RegExp) => expect(screen.getAllByText(text).length).toBeGreaterThan(0);
const lamps = (letters: string) => {
  for (const letter of letters) fireEvent.click(screen.getByRole('button', { name: new RegExp(`^lamp ${letter}\\b`) }));
};
beforeEach(() => {
  vi.stubGlobal('scrollTo', () => {});
  serverAnswers({ machine: null, walks: [], ledger: [], readings: [] });
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const safe = {
  kind: 'safe',
  hazards: ['mains', 'hot-water', 'steam-pressure', 'moving-parts', 'chemical', 'water-electric'],
};
const k19 = [
  unit(),
  safe,
  { kind: 'tried', route: 'enter-memory', took: true },
  { kind: 'code-taken', code: 'k19', slot: 1 },
];

describe('Unit', () => {
  it('picks the variant with its reason, and keeps the plate', async () => {
    const s = standing([]);
    show(<UnitStation {...s} />);
    press('This is the unit');
    await waitFor(() => sees(/needs its serial number/));
    expect(s.added).toEqual([]);
    type(/^Serial number/, ' G4-77 ');
    type(/^Model/, 'G4-20A');
    sees(/Could be any of 2/);
    type(/^Software/, '2.x');
    await waitFor(() => sees(/Numbers with dots/));
    type(/^Software/, '2.3');
    sees('Single phase, software under 2.4');
    press('This is the unit');
    await waitFor(() =>
      expect(s.added).toMatchObject([
        { kind: 'unit', serial: 'G4-77', model: 'G4-20A', software: '2.3', variant: 'single-early' },
      ]),
    );
  });

  it('a plate no variant fits is said, and does not hold up the walk', async () => {
    const s = standing([]);
    show(<UnitStation {...s} />);
    type(/^Serial number/, 'X');
    type(/^Model/, 'ZZ-9');
    sees('No variant fits this plate.');
    press('This is the unit');
    await waitFor(() => expect(s.added).toMatchObject([{ kind: 'unit', variant: null }]));
  });
});

describe('Safe', () => {
  it('names every hazard of what may be behind it, once, and keeps the confirmation', () => {
    const s = standing([unit()]);
    show(<SafeStation {...s} />);
    sees('Mains behind covers');
    sees(/Some codes of this unit are for a licensed person/);
    press('I have read this');
    expect(s.added).toMatchObject([
      { kind: 'safe', hazards: expect.arrayContaining(['mains', 'hot-water', 'chemical']) },
    ]);
  });

  it('a service sheet that is gone is kept with the unit until somebody brings one back', () => {
    const s = standing([unit()]);
    show(<SafeStation {...s} />);
    press('The service sheet is missing here');
    expect(s.added).toEqual([sheetMissing]);
    cleanup();
    const said = standing([unit(), sheetMissing]);
    show(<SafeStation {...said} />);
    sees(/its service sheet is missing/);
    expect(ledgerOf([said.walk]).map((o) => o.what)).toEqual(['Service sheet missing: put a copy back']);
    const [key = ''] = said.walk.owed.keys();
    expect(
      ledgerOf([standing([unit(), sheetMissing, { kind: 'put-back', of: said.walk.id, what: key }]).walk]),
    ).toEqual([]);
  });

  it('with more danger found out, shows what is new only, and keeps both', () => {
    const s = standing([
      unit(),
      { kind: 'safe', hazards: ['mains', 'hot-water', 'chemical'] },
      { kind: 'code-taken', code: 'k23', slot: 1 },
    ]);
    show(<SafeStation {...s} />);
    sees('This code brings more that can hurt');
    sees('Overheated closed tank');
    expect(screen.queryByText('Mains behind covers')).toBeNull();
    press('I have read this');
    expect(s.added).toMatchObject([{ hazards: ['mains', 'hot-water', 'chemical', 'steam-pressure'] }]);
  });
});

describe('Safe without a hazard', () => {
  const without = (more: object) => ({
    ...glasswasher,
    entries: glasswasher.entries.map((e) =>
      e.kind === 'code' && e.id === 'k17'
        ? { ...e, hazards: [], enter: null, clear: null, chart: null, ...more }
        : e.kind === 'route'
          ? { ...e, hazards: [] }
          : e,
    ),
  });
  const at = (more: object) => standing([unit()], without(more), { kind: 'code', code: 'k17' });

  it('says why there is none, where somebody said so', () => {
    show(<SafeStation {...at({ harmless: 'Twelve volts, cold.' })} />);
    expect(screen.getByText(/No hazard is named for this, because/).parentElement?.textContent).toContain(
      'Twelve volts',
    );
  });
  it('never passes silence for safety', () => {
    show(<SafeStation {...at({})} />);
    sees('No hazard is written down for this yet.');
    sees(/treat it as live/);
  });
});

describe('Enter over two routes', () => {
  /** The codes show in a mode that only a second route leads into. */
  const further = {
    ...glasswasher,
    entries: glasswasher.entries.map((e) =>
      e.kind === 'readout' && e.id === 'lamps' ? { ...e, modes: ['checks'] } : e,
    ),
  } as typeof glasswasher;
  const first = { kind: 'tried', route: 'enter-memory', took: true, more: true };

  it('coaches them as one, and goes on from where it is', async () => {
    const s = standing([unit(), safe], further);
    show(<EnterStation {...s} />);
    sees('Part 1 of 2.');
    press('Begin, hands free');
    press('It worked');
    expect(s.added).toEqual([{ kind: 'tried', route: 'enter-memory', took: true, more: true }]);
    cleanup();
    const then = standing([unit(), safe, first], further);
    expect(then.walk.done.has('enter')).toBe(false);
    show(<EnterStation {...then} />);
    sees('Part 2 of 2.');
    press('Begin, hands free');
    press('It worked');
    expect(then.added).toEqual([{ kind: 'tried', route: 'start-checks', took: true }]);
  });
  it('a unit that started anew begins at the first again', () => {
    const thrown = { kind: 'tried', route: 'start-checks', took: false, happened: 'reset' };
    show(<EnterStation {...standing([unit(), safe, first, thrown], further)} />);
    sees('Part 1 of 2.');
  });
});

describe('Enter', () => {
  it('coaches one action at a time, and keeps whether it took', () => {
    const s = standing([unit(), safe]);
    show(<EnterStation {...s} />);
    sees('No basket in the machine, hood shut.');
    press('Begin, tapping along');
    expect(screen.getByTestId('control-breaker').dataset.place).toBe('off');
    press('Done');
    sees('hold down');
    press('Done');
    sees('keep holding rocker');
    press('Done');
    sees(/At the second beep: rocker/);
    press('One step back');
    sees('keep holding rocker');
    press('Done');
    press('Done');
    press('Seen');
    sees('open · shut');
    press('twice');
    expect(screen.getByRole('group', { name: '2 of 2' })).toBeTruthy();
    press('Done');
    press('It did not');
    sees('What happened?');
    press('I was too slow');
    expect(s.added).toEqual([{ kind: 'tried', route: 'enter-memory', took: false, happened: 'too-slow', step: '4' }]);
  });

  it('is left out only with a word why', () => {
    const s = standing([unit(), safe]);
    show(<EnterStation {...s} />);
    press('Leave this station out …');
    expect((screen.getByRole('button', { name: 'Leave it out' }) as HTMLButtonElement).disabled).toBe(true);
    type('Why?', 'stands in it already');
    press('Leave it out');
    expect(s.added).toEqual([{ kind: 'skipped', station: 'enter', why: 'stands in it already' }]);
  });
});

describe('Read', () => {
  const here = () => standing([unit(), safe, { kind: 'tried', route: 'enter-memory', took: true }]);

  it('keeps everything seen as seen, beside what was made of it', async () => {
    const s = here();
    show(<ReadStation {...s} />);
    lamps('bde');
    press(/Now the number/);
    lamps('adecc');
    sees(/Look at lamp c once more/);
    lamps('cc');
    press('Take K19');
    await waitFor(() => expect(s.added).toHaveLength(2));
    expect(s.added).toMatchObject([
      {
        kind: 'seen',
        readout: 'lamps',
        seen: {
          slot: 1,
          looks: [{ stage: 'letter', lamps: { 'lamp-b': 'lit', 'lamp-a': 'dark' } }, { stage: 'number' }],
        },
        made: expect.arrayContaining([{ code: 'K19', certainty: expect.any(Number) }]),
      },
      { kind: 'code-taken', code: 'k19', slot: 1 },
    ]);
  });

  it('shows the sum as it is done in the head', () => {
    show(<ReadStation {...here()} />);
    lamps('bde');
    sees('8 + 2 + 1 = 11');
    expect(screen.getByRole('tab', { name: /first character: K/ })).toBeTruthy();
  });

  it('a pattern that is no code is told', () => {
    show(<ReadStation {...here()} />);
    // one lamp round to dark again says that all are dark
    lamps('aaaa');
    fireEvent.click(screen.getByRole('tab', { name: /the number/ }));
    lamps('aaaa');
    sees(/No code shows like this/);
  });

  it('is left out with a word where nothing shows', () => {
    const s = here();
    show(<ReadStation {...s} />);
    press('Leave this station out …');
    type('Why?', 'the panel is dead');
    press('Leave it out');
    expect(s.added).toEqual([{ kind: 'skipped', station: 'read', why: 'the panel is dead' }]);
  });

  it('the sign for nothing stored is no code', async () => {
    const s = here();
    show(<ReadStation {...s} />);
    press('all five blink slowly: nothing stored');
    await waitFor(() => expect(s.added.map((h) => h.kind)).toEqual(['seen', 'special']));
  });

  it('goes through the slots, each with its own lamps', async () => {
    const s = here();
    show(<ReadStation {...s} />);
    lamps('bde');
    press('Now the number');
    lamps('ade');
    press('Next stored code');
    await waitFor(() => expect(s.added.map((h) => h.kind)).toEqual(['seen', 'code-taken']));
    await waitFor(() => expect(screen.getByRole('button', { name: /^lamp a.*not looked at/ })).toBeTruthy());
  });

  it('an unlisted code goes to the trainer with a word', async () => {
    const s = standing([unit(), safe, { kind: 'unlisted', text: 'K18', words: '', ask: false }]);
    show(<ReadStation {...s} />);
    sees(/may have been misread/);
    type('What else did you see?', 'after a storm');
    press('Log it and ask the trainer');
    await waitFor(() =>
      expect(s.added).toEqual([{ kind: 'unlisted', text: 'K18', words: 'after a storm', ask: true }]),
    );
  });

  it('reads another family’s blinks with the same screen', async () => {
    const s = standing(
      [
        { ...unit(), variant: 'only' },
        { kind: 'safe', hazards: ['heat'] },
        { kind: 'tried', route: 'in', took: true },
      ],
      velmarrow,
    );
    show(<ReadStation {...s} />);
    press(/^lamp heat\b/);
    fireEvent.click(screen.getByRole('tab', { name: /count/ }));
    press('4');
    press('Take T-4');
    await waitFor(() =>
      expect(s.added[1]).toMatchObject({ kind: 'code-taken', code: 't-4', slot: 1, readout: 'column' }),
    );
  });
});

describe('Test', () => {
  const answered = (...pairs: Array<[string, string]>) =>
    pairs.map(([node, answer]) => ({ kind: 'answered', chart: 'rinse-heat', node, answer, reading: null }));

  it('asks one question, with what good and bad look like', () => {
    const s = standing(k19);
    show(<TestStation {...s} />);
    sees('Is the element white with scale?');
    sees('White crust thicker than a fingernail.');
    press('Yes');
    expect(s.added).toEqual([
      { kind: 'answered', chart: 'rinse-heat', node: 'look-scale', answer: 'yes', reading: null },
    ]);
  });

  it('judges a reading at the measured temperature, and keeps what was typed beside it', () => {
    const s = standing([...k19, ...answered(['look-scale', 'no'], ['isolate', 'done'])]);
    show(<TestStation {...s} />);
    sees(/S7 pin 1 and S7 pin 2/);
    press('Take this reading');
    sees('The good reading depends on the temperature.');
    type(/^Temperature/, '22');
    type(/What the meter shows/, 'abc');
    sees(/“abc” is not a number/);
    type(/What the meter shows/, '13k4');
    sees(/^Good: 13\.4 kΩ|^Good: 13400 Ω/);
    press('Take this reading');
    expect(s.added).toMatchObject([
      { node: 'sensor', answer: 'pass', reading: { typed: '13k4', value: 13_400, atCelsius: 22, verdict: 'pass' } },
    ]);
  });

  it('uses the variant’s own element: 4.5 kW reads lower', () => {
    const three = [unit({ model: 'G4-45', variant: 'three-phase' }), ...k19.slice(1)];
    const s = standing([...three, ...answered(['look-scale', 'no'], ['isolate', 'done'], ['sensor', 'pass'])]);
    show(<TestStation {...s} />);
    type(/What the meter shows/, '11.8');
    sees(/^Good: 11.8 Ω/);
    type(/What the meter shows/, '17.6');
    sees(/^Too high: 17.6 Ω/);
  });

  it('a chart that comes to its end names the cause and where it sits', () => {
    const s = standing([...k19, ...answered(['look-scale', 'no'], ['isolate', 'done'], ['sensor', 'low'])]);
    show(<TestStation {...s} />);
    sees('Cause found');
    sees(/Sleeve in the rinse tank/);
    press('Repaired: go on to Clear');
    expect(s.added).toEqual([
      { kind: 'chart-ended', chart: 'rinse-heat', node: 'sensor-bad', verdict: 'cause-found', cause: 'rinse-sensor' },
    ]);
  });

  it('without a chart the suspects stand in their order', () => {
    const s = standing([...k19.slice(0, 3), { kind: 'code-taken', code: 'p12', slot: 1 }]);
    show(<TestStation {...s} />);
    sees('No chart for this yet');
    type('What you looked at and found', 'splinter taken out');
    press('Go on to Clear');
    expect(s.added.map((h) => h.kind)).toEqual(['noted', 'skipped']);
  });
});

describe('Clear', () => {
  const dead = (['look-scale', 'isolate', 'sensor'] as const).map((node) => ({
    kind: 'answered',
    chart: 'rinse-heat',
    node,
    answer: { 'look-scale': 'no', isolate: 'done', sensor: 'low' }[node],
    reading: null,
  }));
  const ended = { kind: 'chart-ended', chart: 'rinse-heat', node: 'sensor-bad', verdict: 'cause-found', cause: null };

  it('puts everything back while the unit is dead, before anything is asked of it that needs its supply', () => {
    const s = standing([...k19, ...dead, ended]);
    show(<ClearStation {...s} />);
    sees(/stays isolated until the last cover is on/);
    sees('Plug S7, back on the board');
    sees('Turn the four screws of the lower front cover in.');
    expect(screen.queryByText(/erased/)).toBeNull();
    press('All is back');
    expect(s.added).toEqual([{ kind: 'clear-step', did: 'close-up' }]);
  });

  it('what was changed by hand is put back first, or left so with who and until when', async () => {
    const changed = ['Inlet tap shut', 'Fuse F2 pulled'].map((what) => ({ kind: 'changed', what }));
    const s = standing([...k19, ...dead, ended, ...changed]);
    show(<ClearStation {...s} />);
    sees('What was changed by hand');
    expect(screen.getByRole('button', { name: '2 still to put back' })).toHaveProperty('disabled', true);
    fireEvent.click(screen.getAllByRole('button', { name: 'It is back' })[0] as Element);
    fireEvent.click(screen.getAllByRole('button', { name: 'Left so …' })[1] as Element);
    expect(screen.getByRole('button', { name: 'Leave it so' })).toHaveProperty('disabled', true);
    type('Who puts it back', 'Ada of the night shift');
    type('Until when', '2026-06-01');
    press('Leave it so');
    const [tap, fuse] = [...s.walk.changed.keys()];
    expect(s.added).toEqual([
      { kind: 'put-back', of: s.walk.id, what: tap },
      { kind: 'owed', what: 'Fuse F2 pulled', by: '2026-06-01', who: 'Ada of the night shift', left: fuse },
    ]);
    cleanup();
    const done = standing([...k19, ...dead, ended, ...changed, ...s.added]);
    show(<ClearStation {...done} />);
    sees(/is back/);
    sees(/left so, on the ledger/);
    press('Go on');
    expect(done.added).toEqual([{ kind: 'clear-step', did: 'put-back' }]);
  });

  it('a setting a new part comes without is named with what is right here, and looked at by eye', async () => {
    const setting = {
      kind: 'setting',
      id: 'heat-limit',
      family: 'brindlewick-g4',
      name: 'Heat limit',
      shownAs: 'As a number of lamps at switch-on.',
      allowed: ['1 lamp', '2 lamps'],
      right: [{ variant: null, value: '2 lamps' }],
      source: null,
      standing: 'document',
    };
    const bundle = {
      ...glasswasher,
      entries: [
        ...glasswasher.entries.map((e) =>
          e.kind === 'family' ? { ...e, parts: e.parts.map((p) => ({ ...p, setAfter: ['heat-limit'] })) } : e,
        ),
        setting,
      ],
    } as typeof glasswasher;
    const closed = { kind: 'clear-step', did: 'close-up' };
    const s = standing([...k19, ...dead, { ...ended, cause: 'rinse-sensor' }, closed], bundle);
    show(<ClearStation {...s} />);
    sees('What the new part wants');
    expect(screen.getByRole('button', { name: '1 still to set' })).toHaveProperty('disabled', true);
    type('what Heat limit shows', '1 lamp');
    sees(/not what is right here/);
    expect(screen.getByRole('button', { name: 'It shows so' })).toHaveProperty('disabled', true);
    type('what Heat limit shows', '2 lamps');
    press('It shows so');
    expect(s.added).toEqual(
      ['set', 'verified'].map((did) => ({ kind: 'setting', setting: 'heat-limit', did, value: '2 lamps' })),
    );
    cleanup();
    const done = standing([...k19, ...dead, { ...ended, cause: 'rinse-sensor' }, closed, ...s.added], bundle);
    show(<ClearStation {...done} />);
    sees('It shows 2 lamps.');
    press('It is done');
    expect(done.added).toEqual([{ kind: 'clear-step', did: 'recalibrate' }]);
    cleanup();
    const left = standing([...k19, ...dead, { ...ended, cause: 'rinse-sensor' }, closed], bundle);
    show(<ClearStation {...left} />);
    press('Not set now: keep it with this unit');
    await waitFor(() =>
      expect(left.added).toEqual([
        { kind: 'owed', what: 'Heat limit: still to set', by: null },
        { kind: 'clear-step', did: 'recalibrate' },
      ]),
    );
  });

  it('then into the mode again, which the isolating ended; then it is erased, and left', () => {
    const s = standing([...k19, ...dead, ended, { kind: 'clear-step', did: 'close-up' }]);
    show(<ClearStation {...s} />);
    sees('Into memory');
    sees('2 of 3, part 1 of 2.');
    press('It stands in that mode already');
    sees('Erase the memory');
    sees(/stored code 1 K19/);
    press('It is erased already');
    expect(s.added).toEqual([{ kind: 'clear-step', did: 'erase' }]);
    cleanup();
    const last = standing([
      ...k19,
      ...dead,
      ended,
      { kind: 'clear-step', did: 'close-up' },
      { kind: 'clear-step', did: 'erase' },
    ]);
    show(<ClearStation {...last} />);
    press('That is done already');
    expect(last.added).toEqual([
      { kind: 'clear-step', did: 'leave' },
      { kind: 'cleared', route: 'erase-memory' },
    ]);
  });
});

describe('Prove', () => {
  const cleared = [...k19, { kind: 'cleared', route: 'erase-memory' }];

  it('says how many cycles prove it, and calls fewer what they are', () => {
    const s = standing(cleared);
    show(<ProveStation {...s} />);
    sees(/warm-ups prove it/);
    type(/^warm-ups run/, '2');
    sees(/fewer than it takes/);
    type(/^warm-ups run/, 'x');
    sees('A whole number.');
    expect((screen.getByRole('button', { name: 'Fault is gone' }) as HTMLButtonElement).disabled).toBe(true);
    type(/^warm-ups run/, '3');
    press('Fault is gone');
    expect(s.added).toEqual([{ kind: 'proved', returned: false, cycles: 3 }]);
  });

  it('waits until a date, and goes on', () => {
    const waiting = standing([...cleared, { kind: 'waits', until: '2031-01-15', why: 'x' }]);
    show(<ProveStation {...waiting} />);
    expect(screen.getByRole('heading', { name: 'Waiting until 15 Jan 2031' })).toBeTruthy();
    press('Go on now');
    expect(waiting.added).toEqual([{ kind: 'resumed' }]);
  });

  it.each([
    [{ returned: false, cycles: 3 }, 'Proved'],
    [{ returned: false, cycles: 1 }, 'Not returned, not proved yet'],
    [{ returned: true, cycles: 2 }, 'It returned'],
  ])('%j is “%s”', (proved, words) => {
    show(<ProveStation {...standing([...cleared, { kind: 'proved', ...proved }])} />);
    sees(words);
  });

  it('closes with what fixed it, which has to be said', async () => {
    const s = standing([...cleared, { kind: 'proved', returned: false, cycles: 3 }]);
    show(<ProveStation {...s} />);
    press('Close the walk');
    await waitFor(() => sees(/Say what fixed it/));
    expect(s.added).toEqual([]);
    type('What fixed it', 'Scale on the element');
    press('Close the walk');
    await waitFor(() =>
      expect(s.added).toEqual([{ kind: 'closed', outcome: 'fixed', fixedBy: 'Scale on the element' }]),
    );
  });
});
