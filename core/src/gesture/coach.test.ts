import { describe, expect, it } from 'vitest';
import {
  bundleFacts,
  coachCards,
  compileSteps,
  controlsAfter,
  entriesOf,
  entryOf,
  interlockWords,
  type Step,
  stepsSpan,
} from '../index.ts';
import { dryer, glasswasher } from '../testing/bundles.ts';
import { stepsOf } from '../testing/routes.ts';
import { boardBundle } from '../testing/unit.ts';

const route = (id: string) => entryOf(glasswasher(), 'route', id)?.steps ?? [];
const told = (steps: readonly Step[]) =>
  coachCards(steps).map(
    (c) =>
      `${c.times > 1 ? `${c.times}× ` : ''}${c.acts.map((a) => `${a.act} ${a.control ?? a.words}${a.place ? ` ${a.place}` : ''}${a.times > 1 ? ` ${a.times}×` : ''}`).join(' · ') || `see ${c.watch.length}`}`,
  );

describe('coachCards', () => {
  it('tells the way into the glasswasher’s memory one act at a time', () => {
    expect(told(route('enter-memory'))).toEqual([
      'set breaker off',
      'hold rocker down',
      'set breaker on',
      'let-go rocker',
      'see 1',
      '2× set hood open · set hood shut',
      'see 5',
    ]);
  });
  it('gives the window, what it starts from and what the strokes take', () => {
    expect(coachCards(route('enter-memory'))[5]).toMatchObject({
      times: 2,
      windowMs: 5800,
      windowFrom: { kind: 'sign', shown: { sign: 'pump', state: 'off' } },
      usualMs: 2400,
    });
  });
  it('tells a hold apart from a press by its end', () => {
    expect(coachCards(route('erase-memory'))[0]).toMatchObject({ holdMs: 7000 });
    expect(coachCards(route('enter-memory'))[3]?.holdUntil).toMatchObject({ nth: 2 });
  });
  it('tells presses, clicks and signs of another unit', () => {
    expect(told(entryOf(dryer(), 'route', 'in')?.steps ?? [])).toEqual([
      'press start 3×',
      'turn-left drum-knob 4×',
      'see 1',
    ]);
  });
  it('never coaches a step that defeats an interlock', () => {
    expect(coachCards([{ kind: 'bypass', what: 'hood' as never }])).toEqual([]);
  });
  it('unrolls a group that must be watched', () => {
    const steps: Step[] = [
      {
        kind: 'group',
        times: 2,
        steps: [
          { kind: 'press', control: 'any', times: 1 },
          { kind: 'rest', span: { leastMs: 1, usualMs: 2, mostMs: 3 } },
        ],
      },
    ];
    expect(coachCards(steps)).toHaveLength(4);
  });
  it.each(['press a 9 times', 'say wait', 'see l1 lit'])(
    'of groups in groups of “%s” it makes no end of cards',
    (line) => {
      const lines = Array.from({ length: 6 }, (_, i) => `${'  '.repeat(i)}group 90 times`);
      const steps = stepsOf([...lines, `${'  '.repeat(6)}${line}`].join('\n'));
      expect(coachCards(steps).length).toBeLessThan(6000);
      const compiled = compileSteps(steps, bundleFacts(boardBundle([])));
      expect(compiled.ok || compiled.error.code).toBe(line.startsWith('say') ? 'nothing-done' : 'too-long');
    },
  );
  it('every card of every route has a path of its own', () => {
    for (const bundle of [glasswasher(), dryer()])
      for (const { steps } of entriesOf(bundle, 'route')) {
        const paths = coachCards(steps).map((c) => c.path);
        expect(new Set(paths).size).toBe(paths.length);
      }
  });
});

describe('controlsAfter', () => {
  it('keeps the rocker down until it is let go', () => {
    const cards = coachCards(route('enter-memory'));
    const at = (n: number) => Object.fromEntries(controlsAfter(cards, n));
    expect([at(1), at(3), at(4), at(6)]).toEqual([
      { breaker: 'off' },
      { breaker: 'on', rocker: 'down' },
      { breaker: 'on' },
      { breaker: 'on', hood: 'shut' },
    ]);
  });
});

describe('stepsSpan', () => {
  it('adds up, times repeats', () => expect(stepsSpan(route('enter-memory').slice(3, 4)).usualMs).toBe(4800));
  it('least ≤ usual ≤ most for every route', () => {
    for (const bundle of [glasswasher(), dryer()])
      for (const { steps } of entriesOf(bundle, 'route')) {
        const span = stepsSpan(steps);
        expect(span.leastMs <= span.usualMs && span.usualMs <= span.mostMs).toBe(true);
      }
  });
});

describe('interlockWords', () => {
  it.each([
    ['Tape the hood switch down', 'Tape the hood switch'],
    ['bridging the door interlock helps', 'bridging the door interlock'],
    ['Check that the hood switch clicks', null],
    ['Watch with a clamp meter, hood shut', null],
  ])('%s', (text, found) => expect(interlockWords(text)).toBe(found));
});
