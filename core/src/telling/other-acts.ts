import type { InstrumentId } from '../base/ids.ts';
import type { Step } from '../model/route.ts';
import type { ControlFacts } from '../unit/facts.ts';
import type { Names } from './names.ts';
import { controlNext, controlsNext, type Memory } from './parts.ts';
import type { Stream } from './stream.ts';

export function restNext(s: Stream): Step[] | null {
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

export function listNext(s: Stream, names: Names, memory: Memory): Step[] | null {
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

export function dialNext(s: Stream, names: Names, memory: Memory): Step[] | null {
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

export function chooseNext(s: Stream, names: Names): Step[] | null {
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
export function capitalised(s: Stream): string | null {
  const words: string[] = [];
  const t = s.token;
  if (!t || !/^[A-Z]/.test(t.raw)) return null;
  while (s.token && s.token.kind !== 'stop' && !['then', 'and', 'with', 'on'].includes(s.peek())) {
    words.push(s.token.raw);
    s.i += 1;
  }
  return words.join(' ');
}

export function atPlaceNext(s: Stream): Step[] | null {
  return s.try(() => {
    if (!s.takes('stand at', 'go to', 'stand by', 'go over to', 'stand in front of')) return null;
    const words: string[] = [];
    let raw = '';
    while (!s.end && s.token?.kind !== 'stop') {
      words.push(s.token?.raw ?? '');
      raw = words.join(' ');
      s.i += 1;
    }
    // `S1 goes to on`: no place to stand at
    return raw === '' || /^(?:on|off|in|out|open|shut|closed|up|down|zero|\d)$/i.test(raw)
      ? null
      : [{ kind: 'at-place', place: raw }];
  });
}
