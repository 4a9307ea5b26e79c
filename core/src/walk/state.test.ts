import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { currentStation, eventsInForce, foldWalk, stations, WalkEvent, type WalkId } from '../index.ts';

const walk = '0b9a7e52-41b3-4c6e-9d55-6a1f8f0c1d11' as WalkId;
const uuid = (n: number) => `0b9a7e52-41b3-4c6e-9d55-${String(n).padStart(12, '0')}`;
let made = 0;
/** An event as a device makes it: the next number, a minute later. */
const event = (body: object): WalkEvent => {
  const seq = made++;
  return WalkEvent.parse({
    id: uuid(seq),
    walk,
    seq,
    at: new Date(Date.UTC(2026, 4, 3, 8, seq)).toISOString(),
    ...body,
  });
};
const story = (): WalkEvent[] => {
  made = 0;
  return [
    event({ kind: 'started', family: 'brindlewick-g4', bundle: 'abc', from: { kind: 'panel' } }),
    event({
      kind: 'unit',
      machine: uuid(900),
      serial: 'G4-0417',
      model: 'G4-20A',
      software: '2.6',
      variant: 'single-late',
    }),
    event({ kind: 'safe', hazards: ['mains'] }),
    event({ kind: 'tried', route: 'enter-memory', took: false }),
    event({ kind: 'tried', route: 'enter-memory', took: true }),
    event({ kind: 'code-taken', code: 'k19', slot: 1 }),
    event({ kind: 'answered', chart: 'rinse-heat', node: 'look-scale', answer: 'no', reading: null }),
    event({ kind: 'cleared', route: 'erase-memory' }),
    event({ kind: 'proved', returned: false, cycles: 3 }),
    event({ kind: 'closed', outcome: 'fixed', fixedBy: 'Rinse heating element' }),
  ];
};

describe('foldWalk', () => {
  it('goes through the stations in their order', () => {
    const events = story();
    const reached = events.map((_, i) => currentStation(foldWalk(events.slice(0, i + 1)) as never));
    expect(reached).toEqual(['unit', 'safe', 'enter', 'enter', 'read', 'test', 'test', 'prove', 'prove', 'prove']);
    expect(stations).toEqual(['unit', 'safe', 'enter', 'read', 'test', 'clear', 'prove']);
  });

  it('adds up to the same whatever order events come in and however often', () => {
    const events = story();
    fc.assert(
      fc.property(fc.shuffledSubarray([...events, ...events], { minLength: 20 }), (mixed) => {
        expect(foldWalk(mixed)).toEqual(foldWalk(events));
      }),
    );
  });

  it('taking an event back leaves the walk as before it, and the event in the list', () => {
    const events = story();
    const taken = event({ kind: 'taken-back', event: events[5]?.id });
    const before = foldWalk(events.slice(0, 5));
    const after = foldWalk([...events.slice(0, 6), taken]);
    expect({ ...after, lastAt: '' }).toEqual({ ...before, lastAt: '' });
    expect(eventsInForce([...events, taken]).map((e) => e.kind)).not.toContain('code-taken');
  });

  it('waits, and goes on', () => {
    const events = story().slice(0, 8);
    const waits = event({ kind: 'waits', until: '2026-05-04', why: 'two warm-ups' });
    expect(foldWalk([...events, waits])?.waitingUntil).toBe('2026-05-04');
    expect(foldWalk([...events, waits, event({ kind: 'resumed' })])?.waitingUntil).toBeNull();
  });

  it('goes on with a symptom where no code explains it, and taking that back undoes it', () => {
    const events = story().slice(0, 4);
    const taken = event({ kind: 'symptom-taken', symptom: 'cold-glasses' });
    expect([foldWalk(events)?.symptom, foldWalk([...events, taken])?.symptom]).toEqual([null, 'cold-glasses']);
    expect(foldWalk([...events, taken, event({ kind: 'taken-back', event: taken.id })])?.symptom).toBeNull();
  });

  it('is null without a beginning', () => expect(foldWalk(story().slice(1))).toBeNull());

  it('the first slot names the code, later slots are kept beside it', () => {
    const events = [...story().slice(0, 6), event({ kind: 'code-taken', code: 'c03', slot: 2 })];
    const folded = foldWalk(events);
    expect([folded?.code, (folded?.taken ?? []).map((t) => [t.slot, t.code])]).toEqual([
      'k19',
      [
        [1, 'k19'],
        [2, 'c03'],
      ],
    ]);
  });
});

describe('what is done on the unit itself', () => {
  const after = (...bodies: object[]) => {
    made = 0;
    const started = event({ kind: 'started', family: 'wexmorl-s5', bundle: 'abc', from: { kind: 'panel' } });
    return foldWalk([started, ...bodies.map(event)]);
  };
  const test = (number: string, result: string) => ({ kind: 'tested', mode: 'tests', number, result });
  const setting = (did: string, value: string) => ({ kind: 'setting', setting: 'pad-pressure', did, value });

  it('a try keeps what happened, where and at which pace', () => {
    const tried = { kind: 'tried', route: 'enter', took: false, happened: 'too-slow', step: '3.steps.0', pace: 0.8 };
    expect(after(tried)?.tries).toEqual([
      { route: 'enter', more: false, took: false, happened: 'too-slow', step: '3.steps.0', pace: 0.8 },
    ]);
  });
  it('a test done again counts as it was last; one that was not valid stays beside it', () => {
    const said = (...bodies: object[]) => after(...bodies)?.tests.map((t) => `${t.number} ${t.result}`);
    expect(said(test('1', 'fail'), test('2', 'pass'), test('1', 'pass'))).toEqual(['2 pass', '1 pass']);
    expect(said(test('1', 'not-valid'), test('1', 'pass'))).toEqual(['1 not-valid', '1 pass']);
  });
  it.each<[object[], object]>([
    [[setting('noted', '1')], { old: '1', set: null, verified: false, putBack: false }],
    [[setting('noted', '1'), setting('set', '2')], { old: '1', set: '2', verified: false, putBack: false }],
    [[setting('noted', '1'), setting('set', '2'), setting('verified', '2')], { set: '2', verified: true }],
    [[setting('noted', '1'), setting('set', '2'), setting('verified', '2'), setting('set', '3')], { verified: false }],
    [[setting('noted', '1'), setting('set', '2'), setting('put-back', '1')], { old: '1', putBack: true }],
  ])('settings %#', (bodies, state) => {
    expect(after(...bodies)?.settings.get('pad-pressure' as never)).toMatchObject(state);
  });
  it('what is locked out is the last that was said of it', () => {
    const out = (count: number) => ({ kind: 'locked-out', route: 'lock-left', part: 'zone control', count });
    expect(after(out(1), out(2), out(0))?.lockedOut.get('zone control')).toBe(0);
  });
});
