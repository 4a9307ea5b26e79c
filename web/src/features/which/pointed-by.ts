import type { Control, Face } from '@wire-trail/core';

const looks: Readonly<Record<string, ReadonlyArray<Control['look']>>> = {
  knobs: ['knob'],
  'side of the knob': ['knob'],
  'key to turn': ['key'],
  'buttons or pads': ['button', 'pad'],
  'rocker switch': ['rocker'],
  'pedal or lever': ['pedal', 'lever'],
};

/** The parts of a face that a question is about. */
export function pointedBy(trait: string, face: Face): ReadonlySet<string> {
  if (trait === 'lamps on the front') return new Set(face.signs.flatMap((s) => (s.kind === 'lamp' ? [s.id] : [])));
  if (trait === 'display on the front')
    return new Set(face.signs.flatMap((s) => (s.kind === 'segments' || s.kind === 'text' ? [s.id] : [])));
  return new Set(face.controls.flatMap((c) => (looks[trait]?.includes(c.look) ? [c.id] : [])));
}
