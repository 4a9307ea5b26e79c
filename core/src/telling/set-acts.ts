import type { Step } from '../model/route.ts';
import { type Names, placeByAct } from './names.ts';
import { controlNext, faceNext, type Memory, placeNext, set, toolNext } from './parts.ts';
import type { Stream } from './stream.ts';

/** `turn`, `set` and all ways of bringing a control to a place, also told without a verb: “breaker off”. */
export function setNext(s: Stream, names: Names, memory: Memory): Step[] | null {
  return s.try(() => {
    const act = s.takes(
      'open',
      'shut',
      'lower',
      'unplug',
      'remove',
      'fit',
      'pull out',
      'push in',
      'plug',
      'take out',
      'put in',
      'turn off',
      'switch off',
      'turn on',
      'switch on',
      'pull',
      'push',
      'put',
      'take',
      'turn',
      'switch',
      'set',
      'move',
      'bring',
    );
    const second = act === null ? null : s.try(() => (s.takes('and') ? s.takes('open', 'shut', 'lower') : null));
    const own = controlNext(s, names, memory);
    if (!own) return null;
    if (second !== null && act !== null) {
      const first = placeByAct(own, act);
      const then = placeByAct(own, second);
      return first === null || then === null ? null : [set(own, first, memory), set(own, then, memory)];
    }
    s.takes('zone', 'switch');
    faceNext(s, [own]);
    const from = s.takes('from') ? placeNext(s, own) : null;
    const back = s.takes('back', 'again') !== null;
    let to = placeNext(s, own);
    if (to === null && act === null) {
      const told = s.takes('open', 'shut');
      if (told !== null) to = placeByAct(own, told);
    }
    if (to === null && act !== null) {
      const way = s.takes('in again', 'in', 'out', 'on', 'off', 'back in', 'up', 'down');
      const word =
        way ??
        (
          {
            unplug: 'out',
            remove: 'out',
            fit: 'in',
            plug: 'in',
            'pull out': 'out',
            'take out': 'out',
            'push in': 'in',
            'put in': 'in',
            'turn off': 'off',
            'switch off': 'off',
            'turn on': 'on',
            'switch on': 'on',
          } as Record<string, string>
        )[act] ??
        act;
      to = placeByAct(own, word.split(' ')[0] ?? word);
    }
    if (to === null && back) to = memory.was.get(own.control.id) ?? null;
    if (to === null || (from !== null && from === to)) return null;
    if (own.mechanism.kind === 'push') return null;
    s.takes('again', 'back', 'once more');
    // “rocker down”: what springs back is held there until something lets it go
    if (act === null && own.springs.has(to) && own.control.look !== 'key') {
      memory.controls = [own];
      memory.held = [...memory.held, own];
      return [{ kind: 'hold', controls: [{ control: own.control.id, place: to }], until: { kind: 'release' } }];
    }
    const done = set(own, to, memory);
    const tool = toolNext(s);
    // kept there for a while; the supply taken away for a while comes back by itself only in words
    const span = s.try(() => (s.takes('for') ? s.span() : null));
    const rest: Step[] = span ? [{ kind: 'rest', span }] : [];
    return [tool === null ? done : { ...done, tool }, ...rest];
  });
}

/** A verb that has its control from before: “… and turn it on again”, “put it back in”, “on again”, “lower it”. */
export function backNext(s: Stream, memory: Memory): Step[] | null {
  return s.try(() => {
    const own = memory.controls.length === 1 ? memory.controls[0] : undefined;
    if (own?.mechanism.kind !== 'places') return null;
    const act = s.takes(
      'open',
      'shut',
      'lower',
      'pull',
      'push',
      'plug',
      'put',
      'turn',
      'switch',
      'set',
      'let',
      'bring',
    );
    if (act) s.takes('it');
    s.takes('to');
    const back = s.takes('back') !== null;
    const to = placeNext(s, own) ?? (act === null ? null : placeByAct(own, s.takes('in', 'out', 'on', 'off') ?? act));
    const last = to ?? (back || s.takes('back') ? (memory.was.get(own.control.id) ?? null) : null);
    if (last === null) return null;
    s.takes('again', 'back', 'once more');
    const after = s.try(() => (s.takes('after') ? s.span() : null));
    return [...(after ? [{ kind: 'rest' as const, span: after }] : []), set(own, last, memory)];
  });
}

export function turnNext(s: Stream, names: Names, memory: Memory): Step[] | null {
  return s.try((): Step[] | null => {
    const verb = s.takes('turn', 'move', 'click', 'rotate', 'twist');
    const turns = s.try(() => {
      const n = s.takes('one full turn', 'a full turn') ? 1 : s.number();
      return n !== null && s.takes('full turn of', 'turn of', 'full turn') ? n : n === 1 ? 1 : null;
    });
    const own =
      controlNext(s, names, memory) ?? (memory.controls[0]?.mechanism.kind === 'clicks' ? memory.controls[0] : null);
    if (!own) return null;
    const way1 = wayNext(s);
    const n = s.number();
    const unit = s.takes('click', 'place', 'full turn', 'turn', 'step', 'position');
    const way = way1 ?? wayNext(s);
    if (own.mechanism.kind === 'clicks' && way !== null && (turns !== null || n !== null)) {
      memory.controls = [own];
      if (turns !== null || unit === 'full turn' || unit === 'turn') {
        const stopAt = s.try(() => (s.takes('to', 'and stop at', 'stop at', 'until') ? placeNext(s, own) : null));
        return [{ kind: 'sweep', control: own.control.id, turns: turns ?? n ?? 1, way, ...(stopAt ? { stopAt } : {}) }];
      }
      return unit === null && verb === null ? null : [{ kind: 'turn', control: own.control.id, clicks: n ?? 1, way }];
    }
    // a selector with named places, so many places on from where it stands
    if (own.mechanism.kind === 'places' && way !== null && n !== null && unit !== null) {
      const ids = own.mechanism.places.map((p) => p.id);
      const now = ids.indexOf(memory.places.get(own.control.id) ?? own.mechanism.start);
      const to = ids[now + (way === 'cw' ? n : -n)];
      return to === undefined ? null : [set(own, to, memory)];
    }
    return null;
  });
}

export const wayNext = (s: Stream): 'cw' | 'ccw' | null => {
  s.takes('to the', 'to');
  const word = s.takes(
    'right',
    'clockwise',
    'forward',
    'forwards',
    'on',
    'left',
    'counterclockwise',
    'anticlockwise',
    'anti-clockwise',
    'counter-clockwise',
    'back',
    'backwards',
  );
  if (word === null) return null;
  return ['right', 'clockwise', 'forward', 'forwards', 'on'].includes(word) ? 'cw' : 'ccw';
};
