import type { PlaceId } from '../base/ids.ts';
import { defaultWithinMs, type Step } from '../model/route.ts';
import type { ControlFacts } from '../unit/facts.ts';
import { type Names, placeByAct } from './names.ts';
import { controlsNext, faceNext, held, type Memory, placeNext, pressed, springy } from './parts.ts';
import { momentNext } from './signs.ts';
import type { Stream } from './stream.ts';

export const heldWords = ['held', 'pressed', 'depressed', 'down', 'pulled', 'held down', 'pressed down', 'held in'];

/** A hold: what is held, where, and what ends it. */
export function holdNext(s: Stream, names: Names, memory: Memory): Step[] | null {
  return s.try(() => {
    const kept = s.takes(
      'press and hold',
      'push and hold',
      'hold down',
      'hold on to',
      'keep press',
      'keep hold',
      'hold',
      'keep',
      'step on',
      'pull',
    );
    if (kept === null) return null;
    // “hold down” is a way of holding where something follows that can be held, else it names a place
    let place: PlaceId | null = null;
    let controls = controlsNext(s, names, memory);
    if (!controls && kept === 'hold down') {
      s.i -= 1;
      controls = controlsNext(s, names, memory);
    }
    if (!controls) return null;
    const [first] = controls;
    faceNext(s, controls);
    if (controls.length === 1 && first) {
      place = s.try(() => {
        s.takes('pressed', 'held', 'kept', 'pushed');
        return placeNext(s, first);
      });
      if (place === null && kept === 'pull') place = placeByAct(first, 'pull');
    }
    s.takes(...heldWords);
    s.takes('together', 'at the same time', 'at once', 'pressed', 'there', 'in');
    if (kept === 'pull' && !first?.springs.size) return null;
    if (kept === 'step on' && first?.control.look !== 'pedal') return null;
    const more = s.try(() => {
      if (!s.takes('and')) return null;
      return s.takes('hold it', 'keep it pulled', 'keep it down', 'keep it pressed', 'hold them', 'hold');
    });
    const span = s.try(() => (s.takes('for') || /^(\d|between|about)/.test(s.peek()) ? s.span() : null));
    if (kept === 'pull' && !span && !more) return null;
    const moment = s.try(() => (s.takes('until', 'till', 'up to') ? momentNext(s, names) : null));
    if (!moment && (s.peek() === 'until' || s.peek() === 'till')) return null;
    const grips = held(controls, place, memory);
    if (!grips) return null;
    // told both ways the sign decides: it is what the person can see
    if (span && moment) memory.doubts.push('held for a time and until a sign');
    const until = moment
      ? ({ kind: 'moment', moment } as const)
      : span
        ? ({ kind: 'span', span } as const)
        : ({ kind: 'release' } as const);
    if (until.kind === 'release') memory.held = [...memory.held, ...controls];
    return [{ kind: 'hold', controls: grips, until }];
  });
}

export function releaseNext(s: Stream, names: Names, memory: Memory): Step[] | null {
  return s.try(() => {
    let controls: ControlFacts[] | null = null;
    if (s.takes('take foot off', 'take your foot off', 'take the foot off', 'take finger off', 'take hands off')) {
      controls = controlsNext(s, names, memory);
    } else if (
      s.takes(
        'release everything',
        'release all',
        'let everything go',
        'let go of everything',
        'let all go',
        'let go of all',
      )
    ) {
      controls = [];
    } else if (s.takes('let go of', 'release', 'let go')) {
      controls = controlsNext(s, names, memory);
      if (!controls && (s.end || /^[,.;]$|^(and|then|at|when|after|on)$/.test(s.peek())))
        controls = memory.held.length > 0 ? memory.held : memory.controls;
    } else if (s.takes('let')) {
      controls = controlsNext(s, names, memory);
      if (!s.takes('go', 'up', 'come up')) return null;
    }
    if (!controls) return null;
    const at = s.try(() => (s.takes('at', 'on', 'when', 'as soon as', 'once', 'after') ? momentNext(s, names) : null));
    memory.held = memory.held.filter((h) => controls.length > 0 && !controls.includes(h));
    return [{ kind: 'release', controls: controls.map((c) => c.control.id), ...(at ? { at } : {}) }];
  });
}

export function pressNext(s: Stream, names: Names, memory: Memory): Step[] | null {
  return s.try((): Step[] | null => {
    const verb = s.takes('give a press', 'press', 'push', 'tap', 'hit', 'touch', 'pull');
    if (verb === null && memory.verb !== 'press') return null;
    if (verb && s.takes('any', 'any button', 'any pad', 'any key', 'any control')) {
      s.takes('pad', 'button', 'key', 'control');
      return [{ kind: 'press', control: 'any', times: s.count() ?? 1 }];
    }
    const controls = controlsNext(s, names, memory);
    if (!controls) return null;
    const [first] = controls;
    const place = first && controls.length === 1 ? placeNext(s, first) : null;
    s.takes('button', 'pad', 'key');
    const down = s.takes('down') !== null;
    const together = s.takes('together', 'at the same time', 'at once') !== null;
    const one = s.takes('one after other', 'in turn', 'one after the other', 'one by one') !== null;
    if (
      verb &&
      s.takes(
        'and hold it',
        'and hold',
        'and keep it down',
        'and keep it pressed',
        'and hold it down',
        'and keep it in',
      )
    ) {
      const grips = held(controls, place, memory);
      const until = holdEnd(s, names);
      if (until.kind === 'release') memory.held = [...memory.held, ...controls];
      return grips && [{ kind: 'hold', controls: grips, until }];
    }
    if (s.takes('again', 'for a moment', 'briefly', 'shortly', 'for moment', 'once more')) void 0;
    s.takes(',');
    const times = s.count();
    if (times === null && s.i > 0 && s.tokens[s.i - 1]?.raw === ',') s.i -= 1;
    const span = s.try(() => (s.takes('for') ? s.span() : null));
    if (verb === null && times === null && !s.end && !/^[,.;]$|^(and|then)$/.test(s.peek())) return null;
    const arePushed = controls.length > 1 && controls.every((c) => c.mechanism.kind === 'push');
    if (together && arePushed && !span && !down)
      return [
        { kind: 'together', controls: controls.map((c) => c.control.id), times: times ?? 1, withinMs: defaultWithinMs },
      ];
    if (span || together || (down && controls.length > 1)) {
      const grips = held(controls, place, memory);
      if (!grips) return null;
      return [{ kind: 'hold', controls: grips, until: span ? { kind: 'span', span } : { kind: 'release' } }];
    }
    if (controls.length > 1 && !one && (times ?? 1) === 1 && verb === null) return null;
    if (verb === 'push' || verb === 'pull') {
      // a control that stays where it is put is not pressed
      if (controls.some((c) => !springy(c))) return null;
    }
    return pressed(controls, place, times ?? 1, memory);
  });
}

export function holdEnd(s: Stream, names: Names): Extract<Step, { kind: 'hold' }>['until'] {
  const span = s.try(() => (s.takes('for') ? s.span() : null));
  if (span) return { kind: 'span', span };
  const moment = s.try(() => (s.takes('until', 'till') ? momentNext(s, names) : null));
  return moment ? { kind: 'moment', moment } : { kind: 'release' };
}
