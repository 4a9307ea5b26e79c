import type { ControlId, PlaceId } from '../base/ids.ts';
import type { Held, Step } from '../model/route.ts';
import type { ControlFacts } from '../unit/facts.ts';
import { type Names, onlyHeld, placeNamed } from './names.ts';
import type { Stream } from './stream.ts';

/** What was told before, that “it”, “both” and “again” go back to. */
export type Memory = {
  controls: ControlFacts[];
  /** What is held at this point of the telling. */
  held: ControlFacts[];
  /** Places before the last change, for “back”. */
  places: Map<ControlId, PlaceId>;
  was: Map<ControlId, PlaceId>;
  verb: 'press' | 'set' | null;
  doubts: string[];
};

/** A tap on a control that springs back, where only “press” is said. */
export const tap = { leastMs: 300, usualMs: 300, mostMs: 300 };

export const springy = (own: ControlFacts): boolean => own.mechanism.kind === 'push' || own.springs.size > 0;

export function controlNamed(s: Stream, names: Names): ControlFacts | null {
  for (const { of, words } of names.controls)
    if (words.every((w, k) => s.peek(k) === w)) {
      s.i += words.length;
      return of;
    }
  return null;
}

/** One control by name, `it`, or null. */
export function controlNext(s: Stream, names: Names, memory: Memory): ControlFacts | null {
  return s.try(() => {
    // a control may be called “a”
    const named = controlNamed(s, names);
    if (named) return named;
    s.fill();
    const plain = controlNamed(s, names);
    if (plain) return plain;
    const last = memory.controls.at(-1);
    return last && memory.controls.length === 1 && s.takes('it') ? last : null;
  });
}

/** One or several controls: “cup and stop”, “both pads”, “the two digit buttons”. */
export function controlsNext(s: Stream, names: Names, memory: Memory): ControlFacts[] | null {
  return s.try(() => {
    const several = [memory.held, memory.controls].find((c) => c.length > 1);
    if (several && s.takes('both of them', 'both', 'them', 'all of them')) return several;
    if (s.takes('both', 'two') !== null) {
      const look = s.takes('pads', 'buttons', 'pedals', 'keys', 'digit buttons', 'digit keys', 'levers');
      if (look === null) return null;
      const one = look.replace('digit ', '').slice(0, -1);
      const first = [...names.facts.controls.values()].filter((c) => c.control.look === one);
      return first.length === 2 ? first : null;
    }
    const first = controlNext(s, names, memory);
    if (!first) return null;
    const found = [first];
    for (;;) {
      const more = s.try(() => {
        if (s.takes(',', 'and', '+') === null) return null;
        s.takes('and');
        return controlNext(s, names, memory);
      });
      if (!more) return found;
      found.push(more);
    }
  });
}

/** `on the remote`, `at the front`: the face a control sits on, told as well. */
export function faceNext(s: Stream, controls: readonly ControlFacts[]): void {
  s.try(() => {
    if (s.takes('on', 'at', 'in') === null) return null;
    const face = controls[0]?.face.label.toLowerCase() ?? '';
    return face !== '' && s.takes(face) !== null && controls.every((c) => c.face.label.toLowerCase() === face)
      ? true
      : null;
  });
}

/** `with an insulated pin`: what it is done with. */
export function toolNext(s: Stream): string | null {
  return s.try(() => {
    if (s.takes('with', 'using') === null) return null;
    s.fill();
    const words: string[] = [];
    while (
      s.token?.kind === 'word' &&
      !['and', 'then', 'while', 'for', 'until'].includes(s.peek()) &&
      words.length < 4
    ) {
      words.push(s.token.raw);
      s.i += 1;
    }
    return words.length > 0 &&
      /^(pin|tool|screwdriver|pen|stick|probe|magnet|paperclip|glove|gloves)$/i.test(words.at(-1) ?? '')
      ? words.join(' ')
      : null;
  });
}

export function placeNext(s: Stream, own: ControlFacts): PlaceId | null {
  return s.try(() => {
    s.takes('to', 'on to', 'into', 'in to', 'at', 'until it is');
    if (s.peek() === 'on' && s.tokens[s.i + 1]?.kind === 'number') s.i += 1;
    s.takes('position', 'place', 'the position', 'number');
    s.fill();
    const words = Array.from({ length: 4 }, (_, k) => s.peek(k));
    const named = placeNamed(own, words);
    if (!named) return null;
    s.i += named.length;
    return named.place;
  });
}

export const held = (controls: readonly ControlFacts[], place: PlaceId | null, memory: Memory): Held[] | null => {
  const all = controls.map((own): Held | null => {
    if (own.mechanism.kind === 'push') return { control: own.control.id };
    const to = place ?? onlyHeld(own);
    if (to === null) return null;
    return { control: own.control.id, place: to };
  });
  memory.controls = [...controls];
  return all.every((h) => h !== null) ? (all as Held[]) : null;
};

export function set(own: ControlFacts, to: PlaceId, memory: Memory): Step {
  const { id } = own.control;
  const now = memory.places.get(id) ?? own.start;
  if (now !== null) memory.was.set(id, now);
  memory.places.set(id, to);
  memory.controls = [own];
  memory.verb = 'set';
  return { kind: 'set', control: id, to };
}

/** Presses of one control or several; one that springs back to a place is tapped. */
export function pressed(
  controls: readonly ControlFacts[],
  place: PlaceId | null,
  times: number,
  memory: Memory,
): Step[] | null {
  memory.controls = [...controls];
  memory.verb = 'press';
  const steps = controls.map((own): Step | null => {
    if (!springy(own)) return null;
    if (own.mechanism.kind === 'push') return { kind: 'press', control: own.control.id, times };
    const to = place ?? onlyHeld(own);
    if (to === null) return null;
    const hold: Step = {
      kind: 'hold',
      controls: [{ control: own.control.id, place: to }],
      until: { kind: 'span', span: tap },
    };
    return times === 1 ? hold : { kind: 'group', times, steps: [hold] };
  });
  return steps.every((x) => x !== null) ? (steps as Step[]) : null;
}
