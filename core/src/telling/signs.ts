import type { Span } from '../base/text.ts';
import { type LampColour, type LampState, lampColours } from '../model/lamp.ts';
import type { Sign } from '../model/panel.ts';
import type { Moment } from '../model/route.ts';
import type { Shown } from '../model/shown.ts';
import { lampById, lampsOf, type Names } from './names.ts';
import type { Stream } from './stream.ts';

type Must = 'must' | 'may' | 'must-not';
export type SeenSigns = Readonly<{ must: Must; signs: Shown[]; within: Span | null; unsure: string | null }>;

type State =
  | Readonly<{
      kind: 'lamp';
      state: LampState;
      colour: LampColour | null;
      unsure: string | null;
    }>
  | Readonly<{ kind: 'sound'; state: 'on' | 'off' }>
  | Readonly<{ kind: 'text'; text: string }>;

const colourNext = (s: Stream): LampColour | null => (s.takes(...lampColours) as LampColour | null) ?? null;
const ordinals: Readonly<Record<string, number>> = { first: 1, second: 2, third: 3, fourth: 4, fifth: 5, last: 0 };

const counted: Readonly<Record<string, string>> = {
  dash: '-',
  dashes: '-',
  zero: '0',
  zeros: '0',
  zeroes: '0',
  dot: '.',
  dots: '.',
};

/** What a display shows: in quotation marks, in capitals, a number, or “four dashes”. */
function shownText(s: Stream): string | null {
  return s.try(() => {
    s.takes('the word', 'the words', 'the letters', 'the number');
    const quoted = s.text();
    if (quoted !== null) return quoted;
    s.fill();
    const t = s.token;
    const next = counted[s.peek(1)];
    if (t?.kind === 'number' && t.value !== null && next !== undefined) {
      s.i += 2;
      return next.repeat(Math.min(20, t.value));
    }
    if (t?.kind === 'number' || (t?.kind === 'word' && /^[A-Z0-9][A-Z0-9-]+$/.test(t.raw))) {
      s.i += 1;
      return t.raw;
    }
    return null;
  });
}

/** What a sign is said to do. */
function stateNext(s: Stream): State | null {
  const lamp = (state: LampState, unsure: string | null = null): State => ({
    kind: 'lamp',
    state,
    colour: state === 'dark' ? null : colourNext(s),
    unsure,
  });
  return s.try((): State | null => {
    s.takes('is', 'are', 'be', 'stay', 'stays', 'remains', 'remain');
    const early = s.takes('slowly', 'quickly', 'fast', 'rapidly');
    if (s.takes('flash')) {
      const colour = colourNext(s);
      const how = early ?? s.takes('slowly', 'slow', 'quickly', 'fast', 'rapidly');
      const state = how === null || how.startsWith('slow') ? 'slow' : 'fast';
      return {
        kind: 'lamp',
        state,
        colour: colour ?? colourNext(s),
        unsure: how === null ? 'how fast it flashes' : null,
      };
    }
    if (early) return null;
    if (s.takes('go out', 'go dark', 'go off', 'turn off', 'come off', 'dark', 'off', 'out')) return lamp('dark');
    if (s.takes('stop', 'go quiet', 'fall silent', 'silent', 'quiet')) return { kind: 'sound', state: 'off' };
    if (s.takes('light up', 'light', 'lit', 'come on', 'go on', 'come up', 'on', 'steady')) return lamp('lit');
    if (s.takes('go', 'turn', 'become', 'becomes')) {
      const colour = colourNext(s);
      return colour === null ? null : { kind: 'lamp', state: 'lit', colour, unsure: null };
    }
    if (s.takes('beep', 'sound', 'heard', 'start', 'run', 'runs')) return { kind: 'sound', state: 'on' };
    if (s.takes('show', 'say', 'read')) {
      const text = shownText(s);
      return text === null ? null : { kind: 'text', text };
    }
    const colour = colourNext(s);
    return colour === null ? null : { kind: 'lamp', state: 'lit', colour, unsure: null };
  });
}

/** Lamps as one counts them: those behind a cover only where there are no others. */
function inSight(lamps: Sign[], { facts }: Names): Sign[] {
  const open = lamps.filter((l) => !facts.covered.has(l.id));
  return open.length > 0 ? open : lamps;
}

/** Signs named one by one, as a run, or all together. */
function namedSigns(s: Stream, names: Names, already: readonly Sign[] = []): Sign[] | null {
  return s.try(() => {
    const lamps = lampsOf(names);
    if (s.takes('all lamp', 'all of lamp', 'every lamp', 'all light')) return inSight(lamps, names);
    if (s.takes('both lamp', 'both light', 'neither lamp', 'no lamp')) return lamps.length === 2 ? lamps : null;
    if (already.length > 0 && s.takes('others', 'other lamp', 'rest')) return lamps.filter((l) => !already.includes(l));
    if (s.takes('lamp')) {
      const one = (): Sign | null => {
        const id = lampById(names, s.peek());
        if (id === null) return null;
        s.i += 1;
        return names.facts.signs.get(id) ?? null;
      };
      const first = one();
      if (first) {
        const found = [first];
        if (s.takes('to')) {
          const last = one();
          const from = lamps.indexOf(first);
          return last ? lamps.slice(from, lamps.indexOf(last) + 1) : null;
        }
        for (;;) {
          const more = s.try(() => {
            const comma = s.takes(',');
            if (s.takes('and') === null && comma === null) return null;
            return one();
          });
          if (!more) return found;
          found.push(more);
        }
      }
      return lamps.length === 1 ? lamps : null;
    }
    s.fill();
    for (const { of, words } of names.signs)
      if (words.every((w, k) => s.peek(k) === w)) {
        s.i += words.length;
        return [of];
      }
    return null;
  });
}

function shownOf(sign: Sign, state: State): Shown | null {
  if (state.kind === 'lamp' && sign.kind === 'lamp')
    return { kind: 'lamp', sign: sign.id, state: state.state, ...(state.colour ? { colour: state.colour } : {}) };
  if (state.kind === 'text' && (sign.kind === 'text' || sign.kind === 'segments'))
    return { kind: 'text', sign: sign.id, text: state.text };
  if (sign.kind !== 'beeper' && sign.kind !== 'felt') return null;
  if (state.kind === 'sound') return { kind: 'sound', sign: sign.id, state: state.state };
  // a pump or a beeper that goes off is one that stops
  if (state.kind === 'lamp') return { kind: 'sound', sign: sign.id, state: state.state === 'dark' ? 'off' : 'on' };
  return null;
}

const only = (names: Names, ...kinds: Sign['kind'][]): Sign | null => {
  const found = [...names.facts.signs.values()].filter((s) => kinds.includes(s.kind));
  return found.length === 1 ? (found[0] ?? null) : null;
};

/** A number of beeps: “two beeps”, “three beeps are heard”. */
function beeps(s: Stream, names: Names): SeenSigns | null {
  return s.try(() => {
    const no = s.takes('no') !== null;
    const n = no ? 1 : (s.number() ?? (s.peek() === 'a' ? 1 : null));
    if (n === null || !s.takes('beep', 'short beep', 'long beep')) return null;
    const sign = only(names, 'beeper');
    if (!sign) return null;
    const said = modal(s);
    const must: Must = no ? 'must-not' : (said ?? 'must');
    s.takes('is', 'are', 'be');
    s.takes('heard', 'sound', 'come');
    const shown: Shown = { kind: 'sound', sign: sign.id, state: 'on', ...(no || n === 1 ? {} : { times: n }) };
    return { must, signs: [shown], within: null, unsure: null };
  });
}

function modal(s: Stream): Must | null {
  if (s.takes('must not', 'may not', 'should not', 'does not', 'do not', 'must never')) return 'must-not';
  if (s.takes('may', 'might', 'can')) return 'may';
  return s.takes('must', 'should', 'has to', 'have to') ? 'must' : null;
}

/** What is to be seen or heard: one state of one or several signs, or several of each. */
export function seenNext(s: Stream, names: Names): SeenSigns | null {
  return s.try(() => {
    const before = s.takes(
      'wait until',
      'wait for',
      'wait till',
      'until',
      'see',
      'you see',
      'you hear',
      'hear',
      'watch for',
      'watch until',
      'look for',
    );
    const beeped = beeps(s, names);
    if (beeped) return withWithin(s, beeped);
    const text = shownText(s);
    if (text !== null) {
      if (!s.takes('appear on', 'is shown on', 'come up on', 'on')) {
        const sign =
          s.takes('appear', 'is shown', 'come up') || before !== null ? only(names, 'text', 'segments') : null;
        return sign ? withWithin(s, plain([{ kind: 'text', sign: sign.id, text }])) : null;
      }
      const on = namedSigns(s, names)?.[0];
      const shown = on ? shownOf(on, { kind: 'text', text }) : null;
      return shown ? withWithin(s, plain([shown])) : null;
    }
    const neither = s.peek() === 'neither' || s.peek() === 'no';
    const signs: Shown[] = [];
    const seen: Sign[] = [];
    let must: Must | null = neither ? 'must-not' : null;
    let unsure: string | null = null;
    for (;;) {
      const more = s.try(() => {
        if (signs.length > 0 && s.takes(',', 'and') === null) return null;
        const who =
          namedSigns(s, names, seen) ?? (signs.length === 0 && before === null && s.takes('it') ? itSign(names) : null);
        if (!who) return null;
        const said = modal(s);
        if (before !== null) s.takes('to');
        const state = stateNext(s);
        if (!state) return null;
        const shown = who.map((sign) => shownOf(sign, state));
        return shown.every((x) => x !== null) ? { who, shown: shown as Shown[], said, state } : null;
      });
      if (!more) break;
      signs.push(...more.shown);
      seen.push(...more.who);
      must ??= more.said;
      if (more.state.kind === 'lamp') unsure ??= more.state.unsure;
    }
    if (signs.length === 0) return null;
    return withWithin(s, { must: must ?? 'must', signs, within: null, unsure });
  });
}

const plain = (signs: Shown[]): SeenSigns => ({ must: 'must', signs, within: null, unsure: null });
const itSign = (names: Names): Sign[] | null => {
  const sign = only(names, 'beeper');
  return sign ? [sign] : null;
};

function withWithin(s: Stream, seen: SeenSigns): SeenSigns {
  const within = s.try(() => {
    if (!s.takes('within', 'in less than')) return null;
    const d = s.duration();
    return d && { leastMs: 0, usualMs: d.ms / 2, mostMs: d.ms };
  });
  return within ? { ...seen, within } : seen;
}

/** A moment something is done at: “the second beep”, “lamp d lights”, “power-on”, “the pump stopping”. */
export function momentNext(s: Stream, names: Names): Moment | null {
  return s.try((): Moment | null => {
    if (
      s.takes(
        'power-on',
        'power-up',
        'powering up',
        'switch on',
        'switching on',
        'power on',
        'start-up',
        'key on',
        'key-on',
        'power up',
      )
    )
      return { kind: 'power-on' };
    if (s.takes('step before', 'that', 'this')) return { kind: 'step-before' };
    const nth = s.try(() => {
      s.fill();
      const word = s.peek();
      const n = ordinals[word];
      if (n === undefined || n === 0) return null;
      s.i += 1;
      return n;
    });
    if (s.takes('beep')) {
      const sign = only(names, 'beeper');
      return sign ? { kind: 'sign', shown: { kind: 'sound', sign: sign.id, state: 'on' }, nth: nth ?? 1 } : null;
    }
    if (nth !== null) return null;
    const seen = seenNext(s, names);
    const [shown] = seen?.signs ?? [];
    return shown && seen?.signs.length === 1 && seen.must === 'must' ? { kind: 'sign', shown, nth: 1 } : null;
  });
}
