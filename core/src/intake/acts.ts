import type { ControlId, InstrumentId, PlaceId } from '../base/ids.ts';
import type { Held, Step } from '../gesture/model.ts';
import type { ControlFacts } from '../play/facts.ts';
import { type Names, onlyHeld, placeByAct, placeNamed } from './names.ts';
import { momentNext, seenNext } from './signs.ts';
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
const tap = { leastMs: 300, usualMs: 300, mostMs: 300 };

const springy = (own: ControlFacts): boolean => own.mechanism.kind === 'push' || own.springs.size > 0;

function controlNamed(s: Stream, names: Names): ControlFacts | null {
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
function controlsNext(s: Stream, names: Names, memory: Memory): ControlFacts[] | null {
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
function faceNext(s: Stream, controls: readonly ControlFacts[]): void {
  s.try(() => {
    if (s.takes('on', 'at', 'in') === null) return null;
    const face = controls[0]?.face.label.toLowerCase() ?? '';
    return face !== '' && s.takes(face) !== null && controls.every((c) => c.face.label.toLowerCase() === face)
      ? true
      : null;
  });
}

/** `with an insulated pin`: what it is done with. */
function toolNext(s: Stream): string | null {
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

function placeNext(s: Stream, own: ControlFacts): PlaceId | null {
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

const held = (controls: readonly ControlFacts[], place: PlaceId | null, memory: Memory): Held[] | null => {
  const all = controls.map((own): Held | null => {
    if (own.mechanism.kind === 'push') return { control: own.control.id };
    const to = place ?? onlyHeld(own);
    if (to === null) return null;
    return { control: own.control.id, place: to };
  });
  memory.controls = [...controls];
  return all.every((h) => h !== null) ? (all as Held[]) : null;
};

function set(own: ControlFacts, to: PlaceId, memory: Memory): Step {
  const { id } = own.control;
  const now = memory.places.get(id) ?? own.start;
  if (now !== null) memory.was.set(id, now);
  memory.places.set(id, to);
  memory.controls = [own];
  memory.verb = 'set';
  return { kind: 'set', control: id, to };
}

/** Presses of one control or several; one that springs back to a place is tapped. */
function pressed(
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

const heldWords = ['held', 'pressed', 'depressed', 'down', 'pulled', 'held down', 'pressed down', 'held in'];

/** A hold: what is held, where, and what ends it. */
function holdNext(s: Stream, names: Names, memory: Memory): Step[] | null {
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

function releaseNext(s: Stream, names: Names, memory: Memory): Step[] | null {
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

function restNext(s: Stream): Step[] | null {
  return s.try(() => {
    if (s.takes('count to', 'count up to')) {
      const n = s.number();
      return n === null ? null : [{ kind: 'rest', span: { leastMs: n * 1000, usualMs: n * 1000, mostMs: n * 1000 } }];
    }
    const verb = s.takes(
      'hold it there',
      'leave it there',
      'stay there',
      'wait there',
      'wait',
      'rest',
      'pause',
      'leave it',
      'after',
    );
    s.takes('for');
    const span = s.span();
    if (!span) return null;
    const noun = s.takes('rest', 'pause', 'wait', 'later', 'first');
    return verb || noun ? [{ kind: 'rest', span }] : null;
  });
}

/** `turn`, `set` and all ways of bringing a control to a place, also told without a verb: “breaker off”. */
function setNext(s: Stream, names: Names, memory: Memory): Step[] | null {
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
function backNext(s: Stream, memory: Memory): Step[] | null {
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

function turnNext(s: Stream, names: Names, memory: Memory): Step[] | null {
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
const wayNext = (s: Stream): 'cw' | 'ccw' | null => {
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

function listNext(s: Stream, names: Names, memory: Memory): Step[] | null {
  return s.try((): Step[] | null => {
    const entry = (): number | null => {
      s.takes('entry', 'number', 'test', 'item', 'line', 'to entry', 'to number', 'to test', 'to item');
      return s.number();
    };
    const list = (control: ControlFacts, to: number, start = 0, by: 'press' | 'ramp' = 'press'): Step[] => {
      memory.controls = [control];
      return [{ kind: 'step-list', control: control.control.id, to, start, by }];
    };
    if (s.takes('from entry', 'from number', 'from test')) {
      const start = s.number();
      if (start === null || !s.takes('go on to', 'go to', 'step to', 'to', 'step on to')) return null;
      const to = entry();
      if (to === null || !s.takes('with', 'by press')) return null;
      const own = controlNext(s, names, memory);
      return own ? list(own, to, start) : null;
    }
    if (s.takes('step with', 'step')) {
      const own = controlNext(s, names, memory);
      if (!own || !s.takes('to', 'on to', 'up to')) return null;
      const to = entry();
      return to === null ? null : list(own, to);
    }
    if (s.takes('hold')) {
      const own = controlNext(s, names, memory);
      if (!own || !s.takes('and let it run up to', 'and let it run to', 'until it runs to')) return null;
      const to = entry();
      return to === null ? null : list(own, to, 0, 'ramp');
    }
    if (s.takes('press')) {
      const own = controlNext(s, names, memory);
      if (!own || !s.takes('until', 'till')) return null;
      if (!s.takes('test', 'entry', 'number', 'item')) return null;
      const to = s.number();
      if (to === null) return null;
      s.takes('show', 'appear', 'come up', 'is shown');
      return list(own, to);
    }
    return null;
  });
}

function dialNext(s: Stream, names: Names, memory: Memory): Step[] | null {
  return s.try(() => {
    const verb = s.takes('dial', 'set', 'enter');
    if (verb === null) return null;
    const t = s.token;
    const text = s.text() ?? (t?.kind === 'number' ? t.raw : null);
    if (text === null) return null;
    if (t?.kind === 'number') s.i += 1;
    s.takes('on the display', 'on display');
    if (!s.takes('with', 'using', 'by')) return null;
    const controls = controlsNext(s, names, memory);
    if (!controls || controls.length !== text.length) return null;
    const up = controls.map((c) => c.control.id);
    return [
      {
        kind: 'dial',
        text,
        start: '0'.repeat(text.length),
        alphabet: [...'0123456789'],
        wraps: true,
        by: { kind: 'each', up, down: [] },
      },
    ];
  });
}

function chooseNext(s: Stream, names: Names): Step[] | null {
  return s.try(() => {
    const instrumentNext = (): InstrumentId | null =>
      s.try(() => {
        s.fill();
        for (const { of, words } of names.instruments)
          if (words.every((w, k) => s.peek(k) === w)) {
            s.i += words.length;
            return of as InstrumentId;
          }
        return null;
      });
    const first = s.try(() => (s.takes('with', 'on') ? instrumentNext() : null));
    if (first) s.takes(',');
    if (!s.takes('choose')) return null;
    const path: string[] = [];
    for (;;) {
      const entry = s.try(() => {
        if (path.length > 0) {
          const comma = s.takes(',', '>');
          const then = s.takes('and then', 'then', 'and');
          if (comma === null && then === null) return null;
        }
        return s.text() ?? capitalised(s);
      });
      if (entry === null) break;
      path.push(entry);
    }
    if (path.length === 0) return null;
    const on =
      first ??
      (s.takes('on screen', 'on display', 'on unit', 'on the screen')
        ? 'unit'
        : s.try(() => (s.takes('with', 'on') ? instrumentNext() : null)));
    return on === null ? null : [{ kind: 'choose', on, path }];
  });
}
/** A menu entry without quotation marks: words from a capital to the next comma. */
function capitalised(s: Stream): string | null {
  const words: string[] = [];
  const t = s.token;
  if (!t || !/^[A-Z]/.test(t.raw)) return null;
  while (s.token && s.token.kind !== 'stop' && !['then', 'and', 'with', 'on'].includes(s.peek())) {
    words.push(s.token.raw);
    s.i += 1;
  }
  return words.join(' ');
}

function pressNext(s: Stream, names: Names, memory: Memory): Step[] | null {
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
function holdEnd(s: Stream, names: Names): Extract<Step, { kind: 'hold' }>['until'] {
  const span = s.try(() => (s.takes('for') ? s.span() : null));
  if (span) return { kind: 'span', span };
  const moment = s.try(() => (s.takes('until', 'till') ? momentNext(s, names) : null));
  return moment ? { kind: 'moment', moment } : { kind: 'release' };
}

function atPlaceNext(s: Stream): Step[] | null {
  return s.try(() => {
    if (!s.takes('stand at', 'go to', 'stand by', 'go over to', 'stand in front of')) return null;
    const words: string[] = [];
    let raw = '';
    while (!s.end && s.token?.kind !== 'stop') {
      words.push(s.token?.raw ?? '');
      raw = words.join(' ');
      s.i += 1;
    }
    return raw === '' ? null : [{ kind: 'at-place', place: raw }];
  });
}

function sweepNext(s: Stream, names: Names, memory: Memory): Step[] | null {
  return turnNext(s, names, memory);
}

/** One act told at this place of the stream, as steps; null where none is understood. */
export function actNext(s: Stream, names: Names, memory: Memory): Step[] | null {
  const readers = [
    () => releaseNext(s, names, memory),
    () => listNext(s, names, memory),
    () => dialNext(s, names, memory),
    () => chooseNext(s, names),
    () => sweepNext(s, names, memory),
    () => holdNext(s, names, memory),
    () => setNext(s, names, memory),
    () => pressNext(s, names, memory),
    () => restNext(s),
    () => atPlaceNext(s),
    () => seeStep(s, names, memory),
    () => backNext(s, memory),
  ];
  // of several readings the one that takes most of what was told
  const from = s.i;
  const saved = {
    controls: memory.controls,
    held: memory.held,
    verb: memory.verb,
    places: new Map(memory.places),
    was: new Map(memory.was),
    doubts: [...memory.doubts],
  };
  let best: { end: number; read: () => Step[] | null } | null = null;
  const restore = (): void => {
    s.i = from;
    memory.controls = saved.controls;
    memory.held = saved.held;
    memory.verb = saved.verb;
    memory.places = new Map(saved.places);
    memory.was = new Map(saved.was);
    memory.doubts = [...saved.doubts];
  };
  for (const read of readers) {
    const got = read();
    if (got && s.i > (best?.end ?? from)) best = { end: s.i, read };
    restore();
  }
  return best ? best.read() : null;
}

function seeStep(s: Stream, names: Names, memory: Memory): Step[] | null {
  const seen = seenNext(s, names);
  if (!seen) return null;
  if (seen.unsure !== null) memory.doubts.push(seen.unsure);
  const span = s.try(() => (s.takes('for') ? s.span() : null));
  const see: Step = {
    kind: 'see',
    must: seen.must,
    signs: seen.signs,
    ...(seen.within ? { within: seen.within } : {}),
  };
  return span ? [see, { kind: 'rest', span }] : [see];
}
