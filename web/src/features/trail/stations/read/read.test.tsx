import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { type Bundle, doubtWords, entryOf, type Stage, unreadableWords } from '@wire-trail/core';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import cartJson from '../../../../../../demo/corrant-u3.json';
import stackerJson from '../../../../../../demo/hobrannet-t12.json';
import rangeJson from '../../../../../../demo/ostrel-r6.json';
import proverJson from '../../../../../../demo/pellgrave-p8.json';
import brewerJson from '../../../../../../demo/quorrin-b2.json';
import launchJson from '../../../../../../demo/sandrelle-l6.json';
import scrubberJson from '../../../../../../demo/wexmorl-s5.json';
import { glasswasher, readDemo, show, standing, unit } from '../../../../testing/trail.tsx';
import type { CameraAnswer, CameraAsk, LampRead } from './camera/messages.ts';
import { lampCycle, tappedLamp } from './lamp-cycle.ts';
import { ReadStation } from './ReadStation.tsx';

const families = {
  brewer: readDemo(brewerJson),
  cart: readDemo(cartJson),
  launch: readDemo(launchJson),
  prover: readDemo(proverJson),
  range: readDemo(rangeJson),
  scrubber: readDemo(scrubberJson),
  stacker: readDemo(stackerJson),
};
afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
  vi.unstubAllGlobals();
});

const at = (bundle: Bundle, happenings: object[] = [], plate: object = {}) => {
  const s = standing(
    [unit({ serial: 'X-1', model: '', software: null, variant: null, ...plate }), ...happenings],
    bundle,
  );
  show(<ReadStation {...s} />);
  return s;
};
const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));
const type = (label: string | RegExp, value: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value } });
const sees = (text: string | RegExp) => expect(screen.getAllByText(text).length).toBeGreaterThan(0);
const takes = (code: string) => expect(screen.getByRole('button', { name: `Take ${code}` })).toBeTruthy();

describe('a display', () => {
  it.each<[string, Bundle, string, string]>([
    ['segments, with a look-alike typed', families.prover, 'eS', 'E5'],
    ['a pair with a full stop', families.range, '11.3', '11-3'],
    ['a pair with a space', families.cart, '101 3', '101-3'],
    ['a text line, O for 0', families.scrubber, 'fO1', 'F01'],
  ])('%s', (_, bundle, typed, code) => {
    at(bundle);
    type('What does the display show?', typed);
    takes(code);
  });

  it('a look-alike that was taken is named', () => {
    at(families.prover);
    type('What does the display show?', 'eS');
    sees(/S taken as 5/);
  });

  it('the value in turn has the name, unit and range of the code it stands beside', () => {
    at(families.prover);
    type('What does the display show?', 'E5');
    press(/^Now value in turn/);
    sees(/air when it was stored/);
    type(/value in turn/, '178');
    sees(/out of what it can show/);
    type(/value in turn/, 'x');
    sees(/is no number/);
    type(/value in turn/, '78');
    sees(/^78 °C, from 0 to 90/);
    takes('E5');
  });

  it('raw bytes become the pair and how often it came; a wrong length is said', () => {
    at(families.cart);
    press('Raw bytes on the link box');
    type('What does the display show?', '9C 01 07');
    sees('3 bytes so far; it takes four');
    sees('Cannot be told yet:');
    expect(screen.queryByRole('button', { name: /^Take / })).toBeNull();
    type('What does the display show?', '9C 01 0z 05');
    sees(/is no hexadecimal digit/);
    type('What does the display show?', '9C 01 07 05');
    sees('that is 412-7, 5 times');
    takes('412-7');
  });

  it('a pair that is listed nowhere keeps its general meaning', () => {
    at(families.range);
    type('What does the display show?', '31-5');
    sees('not in the table');
    sees(/^In general:/);
  });

  it('the sub code says where', () => {
    at(families.scrubber);
    type('What does the display show?', 'F01');
    press(/^Now second page/);
    type('What does the display show?', '13');
    sees('side deck 1, lift motor');
  });
});

describe('blinks and beeps', () => {
  it('the same count elsewhere is told', () => {
    at(families.brewer);
    press('3');
    takes('B3');
    sees(/On “Blinks, water hardness as set” the same would be/);
  });

  it('a count in doubt keeps both, and asks to count once more', () => {
    at(families.brewer);
    press('3');
    fireEvent.click(screen.getByLabelText('it may have been 4'));
    sees(/Count once more/);
    expect(screen.getByRole('button', { name: /^take\s*B4/ })).toBeTruthy();
  });

  it('long and short, with one that could not be told', () => {
    at(families.stacker);
    press(/^Lift control/);
    press('long');
    press('short');
    press('cannot tell');
    sees(/most likely/);
    press('one back');
    press('long');
    takes('LC');
    press(/^Undo/);
    press('short');
    takes('LB');
  });

  it('which lamp, and how often', () => {
    at(families.launch, [], { serial: 'SL455', model: 'L6-3', software: '3.2' });
    press('lamp 2');
    press('4');
    takes('M04');
    press('lamp 1');
    press('2');
    takes('P02');
  });

  it('taps along become the code, and are kept as they came', async () => {
    let now = 1000;
    vi.spyOn(performance, 'now').mockImplementation(() => now);
    const s = at(families.brewer);
    press('Tap along with it');
    const pad = screen.getByRole('button', { name: /^Tap here as it blinks/ });
    sees('Nothing tapped yet.');
    for (const count of [3, 3]) {
      for (let i = 0; i < count; i++) {
        fireEvent.pointerDown(pad);
        now += 180;
        fireEvent.pointerUp(pad);
        now += 420;
      }
      now += 1300;
    }
    sees('2 rounds agree.');
    press('That is it');
    takes('B3');
    press('Take B3');
    await waitFor(() => expect(s.added.length).toBeGreaterThan(1));
    expect(s.added[0]).toMatchObject({
      kind: 'seen',
      seen: { looks: [{ kind: 'pulses', by: 'taps', pulses: expect.arrayContaining([[0, 180]]) }] },
    });
  });

  it('taps by the space bar; drumming is no rhythm, and one may begin again', async () => {
    let now = 0;
    vi.spyOn(performance, 'now').mockImplementation(() => now);
    at(families.brewer);
    press('Tap along with it');
    const pad = screen.getByRole('button', { name: /^Tap here/ });
    for (let i = 0; i < 26; i++) {
      fireEvent.keyDown(pad, { key: ' ' });
      now += 30;
      fireEvent.keyUp(pad, { key: ' ' });
      now += 45;
    }
    await waitFor(() => sees(/That is no rhythm this readout knows/), { timeout: 4000 });
    press('Begin again');
    sees('Nothing tapped yet.');
    press('Count instead');
    expect(screen.getByRole('button', { name: '9' })).toBeTruthy();
  });
});

describe('lamps', () => {
  const readout = entryOf(families.scrubber, 'readout', 'charge');
  const stage = readout?.stages[0] as Stage;
  const sign = families.scrubber.entries
    .flatMap((e) => (e.kind === 'panel' ? e.faces.flatMap((f) => f.signs) : []))
    .find((s) => s.id === 'charge');
  it('a lamp whose colour counts is told in each of its colours', () => {
    if (!readout || !sign) throw new Error('the demo has no charge lamp');
    const cycle = lampCycle(readout, stage, sign).map((c) => c.colour ?? c.state);
    expect(cycle).toEqual(expect.arrayContaining(['dark', 'green', 'red', 'slow', 'unsure']));
    const first = tappedLamp(readout, stage, undefined, sign);
    const second = tappedLamp(readout, stage, first, sign);
    expect([first, second]).toMatchObject([
      { lamps: { charge: 'lit' }, colours: { charge: 'green' } },
      { lamps: { charge: 'lit' }, colours: { charge: 'red' } },
    ]);
  });
  it('what a tap says can be chosen: a lamp that may be dim', () => {
    at(glasswasher, [], { serial: 'G4-1', model: 'G4-20B', software: '2.6' });
    type('a tap says', 'dim');
    fireEvent.click(screen.getByRole('button', { name: /^lamp c/ }));
    expect(screen.getByRole('button', { name: /^lamp c.*maybe dim/ })).toBeTruthy();
  });
  it('looks that disagree are both kept, and said', () => {
    at(glasswasher, [], { serial: 'G4-1', model: 'G4-20B', software: '2.6' });
    const lamp = (l: string) => press(new RegExp(`^lamp ${l}\\b`));
    lamp('b');
    press(/^Seen again/);
    lamp('d');
    sees(/Your looks do not agree/);
    sees(/lamp d was dark, then lit/);
  });
});

describe('the one next action', () => {
  const reading = () => at(glasswasher, [], { serial: 'G4-1', model: 'G4-20B', software: '2.6' });
  const taps = (letters: string) => {
    for (const l of letters) press(new RegExp(`^lamp ${l}\\b`));
  };
  const pinned = () => [...document.querySelectorAll('.actions .MuiButton-contained')].map((b) => b.textContent);

  it('is not the code while half of it is unread, however likely it is', () => {
    reading();
    expect(pinned()).toEqual([]);
    taps('bde');
    expect(pinned()).toEqual(['Now the number']);
    press('Now the number');
    taps('ade');
    expect(pinned()).toEqual(['Take K19']);
  });
  it('is to look again while one lamp decides; the code can be taken all the same', () => {
    reading();
    taps('bde');
    press('Now the number');
    taps('adecc');
    expect(pinned()).toEqual(['Lamp c: look again']);
    expect(screen.getByRole('button', { name: 'Take K19' }).className).not.toMatch(/contained/);
  });
  it('on a phone the lamps come close, each as a button of its own, and nothing is there twice', () => {
    vi.stubGlobal('matchMedia', (query: string) => ({
      matches: query.includes('max-width'),
      addEventListener: () => {},
      removeEventListener: () => {},
    }));
    reading();
    expect(screen.getByRole('group', { name: 'lamps, close up' })).toBeTruthy();
    expect(screen.getAllByRole('button', { name: /^lamp a\b/ })).toHaveLength(1);
    taps('b');
    expect(screen.getByRole('button', { name: 'lamp b 8: lit, amber' })).toBeTruthy();
    expect(screen.getByRole('group', { name: 'lamps, close up' }).textContent).toMatch(/b 8 lit/);
  });
});

describe('in words', () => {
  it('one way of taking it is used at once', () => {
    at(glasswasher, [], { serial: 'G4-1', model: 'G4-20B', software: '2.6' });
    type('What is said of it', 'b d e, then a d e');
    fireEvent.keyDown(screen.getByLabelText('What is said of it'), { key: 'Enter' });
    takes('K19');
  });
  it('where it makes a difference, the question to ask back stands there', () => {
    at(glasswasher, [], { serial: 'G4-1', model: 'G4-20B', software: '2.6' });
    type('What is said of it', 'two four five, then one four five');
    sees('Ask back:');
    press('By phone, or typed in words');
    press(/^K19/);
    takes('K19');
  });
  it('what was not understood is given back', () => {
    at(glasswasher);
    type('What is said of it', 'good morning');
    sees('Nothing can be made of that yet.');
    sees('Not understood: good morning');
  });
});

describe('layers', () => {
  it('a code of another controller is confirmed at the main one before testing', async () => {
    const s = at(families.range);
    press(/^Zone control left/);
    type('What does the display show?', '21-5');
    press('Take 21-5');
    await waitFor(() => expect(s.added).toHaveLength(3));
    expect(s.added.slice(1)).toMatchObject([
      { kind: 'swept', controller: 'zone-a', result: 'codes' },
      { kind: 'code-taken', code: '21-5', controller: 'zone-a', confirmAt: 'main', more: true },
    ]);
  });
  const taken = [
    {
      kind: 'code-taken',
      code: '21-5',
      slot: 1,
      readout: 'codes',
      controller: 'zone-a',
      confirmAt: 'main',
      more: true,
    },
    { kind: 'swept', controller: 'zone-a', result: 'codes' },
  ];
  it('until then that is the one next action', () => {
    at(families.range, taken);
    sees(/Confirm at Range control before testing/);
    expect(screen.getByRole('button', { name: 'Read Range control' }).className).toContain('MuiButton-contained');
    expect(screen.queryByRole('button', { name: /go on with/ })).toBeNull();
  });
  it('it cannot be asked: that is kept', async () => {
    const s = at(families.range, taken);
    press('It cannot be asked');
    await waitFor(() => expect(s.added).toEqual([{ kind: 'confirmed', controller: 'main', agrees: false }]));
  });
  it('what follows from it stands under the main controller’s code, and the walk goes on with that', async () => {
    const s = at(families.range, [
      ...taken,
      { kind: 'swept', controller: 'main', result: 'codes' },
      { kind: 'code-taken', code: '40-1', slot: 1, readout: 'codes', controller: 'main', more: true },
    ]);
    expect(within(screen.getByRole('list', { name: 'what 40-1 explains' })).getByText('21-5')).toBeTruthy();
    press(/^That is enough: go on with 40-1/);
    await waitFor(() => expect(s.added).toEqual([{ kind: 'read-done', code: '40-1' }]));
  });
  it('nothing stored at one goes on to the next; at all, that is the answer', async () => {
    const s = at(families.stacker);
    press(/^one long beep: nothing stored/);
    await waitFor(() =>
      expect(s.added.at(-1)).toMatchObject({ kind: 'swept', controller: 'main', result: 'nothing-stored' }),
    );
    cleanup();
    const last = at(families.stacker, [{ kind: 'swept', controller: 'main', result: 'nothing-stored' }]);
    press(/^Lift control/);
    press(/^one short, again and again: nothing stored/);
    await waitFor(() => expect(last.added.at(-1)).toMatchObject({ kind: 'special', special: 'idle' }));
  });
});

describe('the camera', () => {
  const asked: CameraAsk[] = [];
  let answer: (answer: CameraAnswer) => void = () => {};
  beforeEach(() => {
    asked.length = 0;
    class StandIn {
      onmessage: ((event: { data: CameraAnswer }) => void) | null = null;
      constructor() {
        answer = (data) => this.onmessage?.({ data });
      }
      postMessage(message: CameraAsk): void {
        asked.push(message);
      }
      terminate(): void {}
    }
    vi.stubGlobal('Worker', StandIn);
  });
  const lamp = (change: Partial<LampRead>): LampRead => ({
    sign: 'lamp' as LampRead['sign'],
    state: 'rhythm',
    stepMs: 33,
    levels: [20, 20, 200, 200, 20, 20, 200, 200, 20, -1],
    pulses: [
      [60, 130],
      [200, 260],
    ],
    decibels: 24,
    fits: null,
    refusal: null,
    ...change,
  });
  const sayRead = (lamps: readonly LampRead[]) =>
    answer({ kind: 'read', lamps, framesPerS: 30, lastsMs: 8000, final: true });
  const watched = async (bundle: Bundle, lamps: readonly LampRead[]) => {
    at(bundle);
    press('Read by camera');
    await screen.findByRole('button', { name: 'Simulated' });
    press('Simulated');
    press('Start watching');
    expect(asked.map((a) => a.kind)).toContain('begin');
    sayRead(lamps);
  };

  it('no camera here: said, with what can be done instead', async () => {
    at(families.brewer);
    press('Read by camera');
    await waitFor(() => sees(/This device has no camera/));
    sees('Point at lamp light in the picture.');
  });
  it('what was made of it is shown, and used with its trace', async () => {
    await watched(families.brewer, [lamp({ fits: [{ parts: { count: '4' } as never, log: 0 }] })]);
    await waitFor(() => sees('Made of it: 4'));
    press('Use it');
    await waitFor(() => takes('B4'));
    sees('the camera’s trace is kept');
  });
  it('a light may be taken out by hand: then the pulses count', async () => {
    await watched(families.brewer, [lamp({ refusal: { code: 'undecided' } })]);
    await waitFor(() => sees(/Two codes fit nearly alike/));
    press('Set it right light by light');
    press('take out light 2');
    sees('Set right by hand: 1 lights.');
    press('Use it');
    await waitFor(() => takes('B1'));
  });
  it('a steady lamp is told as steady', async () => {
    await watched(families.brewer, [lamp({ state: 'lit', pulses: [], refusal: { code: 'steady', level: 180 } })]);
    await waitFor(() => sees(/It does not blink/));
    press('Use it');
    await waitFor(() => sees('all is well'));
  });
  it('several lamps at once become a look at all of them', async () => {
    await watched(
      glasswasher,
      [...'abcde'].map((l) =>
        lamp({ sign: `lamp-${l}` as never, state: 'bde'.includes(l) ? 'lit' : 'dark', pulses: [] }),
      ),
    );
    await waitFor(() => sees(/a dark, b lit/));
    press('Use it');
    await waitFor(() => sees(/first character: K/));
  });
});

describe('words', () => {
  it('every refusal and every doubt says what to do, in a sentence', () => {
    const refusals = ['no-pictures', 'too-short', 'black', 'saturated', 'steady', 'too-noisy', 'no-fit', 'undecided'];
    for (const code of refusals)
      expect(unreadableWords({ code, lastsMs: 900, leastMs: 2000 } as never)).toMatch(/^[A-Z].*[.?]$/);
    for (const code of ['too-few', 'one-length', 'no-pause', 'repetitions-differ', 'too-many'])
      expect(doubtWords({ code, pulses: 1, read: ['sss', 'ssss'], most: 4000 } as never)).toMatch(
        /^[A-Z].*\.$|cannot be a code\.$/,
      );
  });
});
