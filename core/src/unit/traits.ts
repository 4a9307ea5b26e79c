import type { Family } from '../model/family.ts';
import type { Finding } from '../model/finding.ts';
import type { Control, Face, Panel } from '../model/panel.ts';

/** A family as it is told from others: what its panel shows at a glance, and what its trainer wrote down. */
export type TraitSubject = Readonly<{ id: string; traits: ReadonlyMap<string, string> }>;

const counted = (count: number): string => (count === 0 ? 'none' : count > 12 ? 'more than 12' : String(count));
const looking = (controls: readonly Control[], ...looks: Control['look'][]) =>
  controls.filter((c) => looks.includes(c.look));

function sideOf(face: Face, control: Control): string {
  const middle = (control.at.x + control.at.w / 2) / face.width;
  return middle < 0.36 ? 'left' : middle > 0.64 ? 'right' : 'middle';
}

function displayOf(face: Face): string {
  const kinds = new Set(face.signs.map((s) => s.kind));
  if (kinds.has('segments') && kinds.has('text')) return 'digits and text';
  return kinds.has('segments') ? 'digits' : kinds.has('text') ? 'text' : 'none';
}

/**
 * What tells a family from others, by question: read off the drawn front, so that nobody has to write it down, with the
 * trainer's own traits over it. A panel that is not drawn yields nothing; a trait that is left out is not known.
 */
export function traitsOf(family: Family, panels: readonly Panel[]): Map<string, string> {
  const traits = new Map<string, string>();
  const faces = panels.flatMap((p) => p.faces);
  const front = faces.find((f) => f.side === 'front' || f.side === 'helm') ?? faces[0];
  if (front) {
    const { controls, signs } = front;
    const knobs = looking(controls, 'knob');
    const [knob] = knobs;
    traits.set('lamps on the front', counted(signs.filter((s) => s.kind === 'lamp').length));
    traits.set('display on the front', displayOf(front));
    traits.set('knobs', counted(knobs.length));
    traits.set('side of the knob', knob ? sideOf(front, knob) : 'no knob');
    traits.set('key to turn', looking(controls, 'key').length > 0 ? 'yes' : 'no');
    traits.set('buttons or pads', counted(looking(controls, 'button', 'pad').length));
    traits.set('rocker switch', looking(controls, 'rocker').length > 0 ? 'yes' : 'no');
    traits.set(
      'pedal or lever',
      looking(
        faces.flatMap((f) => f.controls),
        'pedal',
        'lever',
      ).length > 0
        ? 'yes'
        : 'no',
    );
    traits.set('remote pad', faces.some((f) => f.side === 'remote') ? 'yes' : 'no');
  }
  traits.set('what it is', family.sort);
  for (const [trait, value] of Object.entries(family.traits)) traits.set(trait, value);
  return traits;
}

/** Pairs of families that no trait tells apart, with what is written down for only one of them. */
export function lintTraits(subjects: readonly TraitSubject[]): Finding[] {
  return subjects.flatMap((b, k) =>
    subjects.slice(0, k).flatMap((a): Finding[] => {
      for (const [trait, value] of a.traits) {
        const other = b.traits.get(trait);
        if (other !== undefined && other !== value) return [];
      }
      const missing = [...new Set([...a.traits.keys(), ...b.traits.keys()])].filter(
        (t) => a.traits.has(t) !== b.traits.has(t),
      );
      return [
        {
          code: 'families-alike',
          severity: 'warning',
          at: ['families', b.id, 'traits'],
          families: [a.id, b.id],
          missing,
        },
      ];
    }),
  );
}
