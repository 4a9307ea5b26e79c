import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { currentStation, foldWalk, standingEvents, stations, WalkEvent, type WalkId } from '../index.ts';

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
    expect(standingEvents([...events, taken]).map((e) => e.kind)).not.toContain('code-taken');
  });

  it('waits, and goes on', () => {
    const events = story().slice(0, 8);
    const waits = event({ kind: 'waits', until: '2026-05-04', why: 'two warm-ups' });
    expect(foldWalk([...events, waits])?.waitingUntil).toBe('2026-05-04');
    expect(foldWalk([...events, waits, event({ kind: 'resumed' })])?.waitingUntil).toBeNull();
  });

  it('is null without a beginning', () => expect(foldWalk(story().slice(1))).toBeNull());

  it('the first slot names the code, later slots are kept beside it', () => {
    const events = [...story().slice(0, 6), event({ kind: 'code-taken', code: 'c03', slot: 2 })];
    const folded = foldWalk(events);
    expect([folded?.code, [...(folded?.slots ?? [])]]).toEqual([
      'k19',
      [
        [1, 'k19'],
        [2, 'c03'],
      ],
    ]);
  });
});
