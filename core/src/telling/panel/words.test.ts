import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Face } from '../../model/panel.ts';
import { Panel } from '../../model/panel.ts';
import { panelFromWords } from './words.ts';

const pasted = (name: string): string =>
  readFileSync(new URL(`../../../../e2e/pasted/${name}`, import.meta.url), 'utf8');
/** `lamp 1, lamp 2, knob Knob`: what is on a face, by what it is and what it is called. */
const on = (face: Face | undefined): string[] =>
  face ? [...face.signs.map((s) => `${s.kind} ${s.label}`), ...face.controls.map((c) => `${c.look} ${c.label}`)] : [];
const parts = (text: string): string[] => panelFromWords(text).faces.flatMap(on);
const placesOf = (text: string): string[][] =>
  panelFromWords(text).faces.flatMap((f) =>
    f.controls.flatMap(({ mechanism: m }) =>
      m.kind === 'places' ? [m.places.map((p) => p.label)] : m.kind === 'clicks' ? [m.rests.map((p) => p.label)] : [],
    ),
  );

const spoken: ReadonlyArray<readonly [string, string[]]> = [
  [
    'two buttons side by side, start and stop, and a red light above them',
    ['lamp Red light', 'button start', 'button stop'],
  ],
  ['five amber leds in an arc, a to e', ['a', 'b', 'c', 'd', 'e'].map((l) => `lamp ${l}`)],
  [
    'Three-digit display. Under it the keys plus, minus and set.',
    ['segments Display', 'button plus', 'button minus', 'button set'],
  ],
  ['On the right a big emergency stop button.', ['button Emergency stop']],
  [
    'a text line of 16 characters, four keys below: menu, up, down, ok',
    ['text Text line', 'button menu', 'button up', 'button down', 'button ok'],
  ],
  [
    'a row of eight lamps numbered 1 to 8 and two pads underneath',
    [...'12345678'].map((n) => `lamp ${n}`).concat(['pad Pad 1', 'pad Pad 2']),
  ],
  [
    'key switch with off, on and start, a fault lamp, an oil lamp and a horn',
    ['lamp Fault', 'lamp Oil', 'beeper Horn', 'key Key switch'],
  ],
  ['three lamps: heat (red), wash (green) and rinse (green)', ['lamp heat', 'lamp wash', 'lamp rinse']],
  ['dial with 20 clicks, a pad labelled OK', ['knob Dial', 'pad OK']],
  ['one knob on the left with off, low, high; one on the right with 1 to 6', ['knob Knob', 'knob Knob']],
];

/** Lamps and their colours: `Run green`. */
const lamps = (text: string): string[] =>
  panelFromWords(text).faces.flatMap((f) =>
    f.signs.flatMap((s) => (s.kind === 'lamp' ? [`${s.label} ${s.colours.join('/')}`] : [])),
  );

describe('a panel told in words', () => {
  it.each([
    ['two lamps, Run (green) and Fault (red)', ['Run green', 'Fault red']],
    [
      'lamps Run (green), Check (amber) and Fault (red) in a row, a button below',
      ['Run green', 'Check amber', 'Fault red'],
    ],
    ['a red lamp and two green ones', ['Red lamp red', 'Lamp 1 green', 'Lamp 2 green']],
    ['three lamps labelled Run, Check and Fault, green, amber and red', ['Run green', 'Check amber', 'Fault red']],
    [
      'three lights: heat (red), wash (green) and rinse (blue), a knob with off, on',
      ['heat red', 'wash green', 'rinse blue'],
    ],
    ['four lamps in a row, three green and a red one', ['Lamp 1 green', 'Lamp 2 green', 'Lamp 3 green', 'Red red']],
  ])('each lamp has its name and its colour: %s', (text, wanted) => expect(lamps(text)).toEqual(wanted));
  it.each(spoken)('%s', (text, wanted) => expect(parts(text)).toEqual(wanted));

  it('a cover that hides a face is a part of its own, opened and shut', () => {
    const { faces, words } = panelFromWords(pasted('dryer-panel.txt'));
    expect(faces.map((f) => [f.label, f.cover?.label ?? null])).toEqual([
      ['Front', null],
      ['Inside the hood', 'Hood'],
    ]);
    expect(on(faces[0])).toEqual(['lamp 1', 'lamp 2', 'lamp 4', 'lamp half', 'knob Knob', 'pad Pad', 'lid Hood']);
    expect(on(faces[1])).toEqual(['breaker Breaker']);
    expect(faces[0]?.signs.map((s) => (s.kind === 'lamp' ? s.colours : []))).toEqual([
      ['green'],
      ['green'],
      ['green'],
      ['red'],
    ]);
    expect(words.every((w) => w.made !== null)).toBe(true);
  });
  it('places as they are told; a knob that rests somewhere turns by clicks', () => {
    expect(placesOf('a knob with rest, 1, 2, 3')).toEqual([['rest', '1', '2', '3']]);
    expect(panelFromWords('a knob with rest, 1, 2, 3').faces[0]?.controls[0]?.mechanism.kind).toBe('clicks');
    expect(placesOf('a selector with off, low and high')).toEqual([['off', 'low', 'high']]);
    expect(panelFromWords('a selector with off, low and high').faces[0]?.controls[0]?.mechanism.kind).toBe('places');
    expect(placesOf('one knob on the left with off, low, high; one on the right with 1 to 6')).toEqual([
      ['off', 'low', 'high'],
      ['1', '2', '3', '4', '5', '6'],
    ]);
  });
  it('what is right stands right, what is below below', () => {
    const at = (text: string) => {
      const [face] = panelFromWords(text).faces;
      return [...(face?.signs ?? []), ...(face?.controls ?? [])].map((p) => p.at);
    };
    const [lamp, knob] = at('a lamp, a knob right of it');
    expect(knob?.x).toBeGreaterThan((lamp?.x ?? 0) + (lamp?.w ?? 0));
    const [first, pad] = at('a lamp, a pad below');
    expect(pad?.y).toBeGreaterThan((first?.y ?? 0) + (first?.h ?? 0));
  });
  it('what cannot be drawn is said', () => {
    expect(panelFromWords('a lamp, something that smells of fish').words).toEqual([
      { text: 'a lamp, something that smells of fish', made: '1 lamp' },
    ]);
    expect(panelFromWords('It rained all night')).toEqual({
      faces: [],
      words: [{ text: 'It rained all night', made: null }],
    });
    expect(panelFromWords('').faces).toEqual([]);
  });
  it('whatever is told: nothing lies over another, everything is filed once, and it can be kept', () => {
    const noun = fc.constantFrom('lamp', 'button', 'pad', 'knob', 'rocker', 'display', 'breaker', 'lid', 'beeper');
    const group = fc
      .record({
        n: fc.integer({ min: 1, max: 9 }),
        noun,
        side: fc.constantFrom('', ' below', ' on the right', ' to the left', ' above'),
      })
      .map((g) => `${g.n} ${g.noun}${g.n > 1 ? 's' : ''}${g.side}`);
    fc.assert(
      fc.property(fc.array(group, { minLength: 1, maxLength: 5 }), (said) => {
        const { faces } = panelFromWords(said.join(', '));
        const all = faces.flatMap((f) => [...f.controls, ...f.signs]);
        expect(new Set(all.map((p) => p.id)).size).toBe(all.length);
        for (const face of faces) {
          const boxes = [...face.controls, ...face.signs].map((p) => p.at);
          boxes.forEach((a, i) => {
            for (const b of boxes.slice(i + 1))
              expect(
                a.x < b.x + b.w - 1e-6 && b.x < a.x + a.w - 1e-6 && a.y < b.y + b.h - 1e-6 && b.y < a.y + a.h - 1e-6,
              ).toBe(false);
            expect(a.x + a.w).toBeLessThanOrEqual(face.width + 1e-6);
          });
        }
        expect(
          Panel.safeParse({ kind: 'panel', id: 'front', family: 'unit', name: 'Front', controller: 'main', faces })
            .success,
        ).toBe(true);
      }),
      { numRuns: 150 },
    );
  });
  it.each(['', 'x'.repeat(20_000), '4'.repeat(400), ';;;,,,', '<b>lamp</b>'])('never throws: %#', (text) => {
    expect(() => panelFromWords(text)).not.toThrow();
  });
});
