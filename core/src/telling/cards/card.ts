import type { CodeId, ControlId, InstrumentId, PlaceId, ReadoutId, RouteId } from '../../base/ids.ts';
import { exactly, type Span } from '../../base/text.ts';
import type { BranchOn, Held, Moment, Step } from '../../model/route.ts';
import type { Shown } from '../../model/shown.ts';
import type { ControlFacts, UnitFacts } from '../../unit/facts.ts';
import type { Cursor } from './cursor.ts';
import { dialOf } from './dial.ts';
import { momentAt, shownAt, signsOf } from './shown.ts';

/** What a line of the coach, a pocket card or a printed sheet says, as far as it makes one step. */
export type CardRead = Readonly<{
  step: Step;
  /** The window it stands in, with what that counts from where the line says it. */
  windowMs: number | null;
  since: Moment | null;
  /** Held down the while. */
  keeping: readonly ControlId[];
}>;
type Who = ControlFacts | 'any';
type Act = Readonly<{
  who: Who | null;
  act: 'press' | 'hold' | 'let-go' | 'set' | 'right' | 'left' | 'sweep-right' | 'sweep-left';
  place: PlaceId | null;
  times: number;
}>;

/** What lines are read by: the controls and signs of a family by the names the coach uses. */
export type CardNames = Readonly<{
  controls: ReadonlyArray<readonly [string, Who]>;
  signs: ReturnType<typeof signsOf>;
}>;
export const cardNames = (facts: UnitFacts): CardNames => ({
  controls: [
    ...[...facts.controls.values()].map((c): readonly [string, Who] => [c.control.label, c]),
    ['any key', 'any'] as const,
  ],
  signs: signsOf(facts),
});

const idOf = (who: Who): ControlId | 'any' => (who === 'any' ? 'any' : who.control.id);
const ms = (text: string | undefined): number => Math.round(Number(text) * 1000);

function spanAt(at: Cursor): Span | null {
  const m = at.take(/([\d.]+) s(?: \(([\d.]+) to ([\d.]+) s\))?/);
  if (!m) return null;
  return m[2] === undefined ? exactly(ms(m[1])) : { leastMs: ms(m[2]), usualMs: ms(m[1]), mostMs: ms(m[3]) };
}

function placeAt(at: Cursor, who: Who | null): PlaceId | null {
  if (who === null || who === 'any' || who.mechanism.kind === 'push') return null;
  const places = who.mechanism.kind === 'places' ? who.mechanism.places : who.mechanism.rests;
  return at.takeName(places.map((p) => [p.label, p.id] as const));
}

/** The big word of one act. */
function actAt(at: Cursor, who: Who | null): Act | null {
  const act = (kind: Act['act'], rest: Partial<Act> = {}): Act => ({ who, act: kind, place: null, times: 1, ...rest });
  const pressed = at.take(/press(?: (\d+) times)?(?! (?:both|all) at once)(?![\p{L}])/u);
  if (pressed) return act('press', { times: Number(pressed[1] ?? 1) });
  if (at.take(/let go(?![\p{L}])/u)) return act('let-go');
  if (at.take(/hold(?![\p{L}])/u)) {
    const place = at.tries(() => (at.take(/ /) ? placeAt(at, who) : null));
    return act('hold', { place });
  }
  const turned = at.take(/(?:one full turn|(\d+) full turns) (right|left)/);
  if (turned) {
    const place = at.tries(() => (at.take(/, stop at /) ? placeAt(at, who) : null));
    return act(turned[2] === 'right' ? 'sweep-right' : 'sweep-left', { times: Number(turned[1] ?? 1), place });
  }
  const place = at.tries(() => placeAt(at, who));
  if (place) return act('set', { place });
  const clicks = at.take(/(\d+) (right|left)(?![\p{L}])/u);
  return clicks ? act(clicks[2] === 'right' ? 'right' : 'left', { times: Number(clicks[1]) }) : null;
}

const isControl = (who: Who | null): who is ControlFacts => who !== null && who !== 'any';
const heldOf = ({ who, place }: Act): Held[] =>
  isControl(who) ? [{ control: who.control.id, ...(place ? { place } : {}) }] : [];

/** The step one act makes by itself. */
function stepOf({ who, act, place, times }: Act): Step | null {
  if (who === null) return null;
  if (act === 'press') return { kind: 'press', control: idOf(who), times };
  if (!isControl(who)) return null;
  const control = who.control.id;
  switch (act) {
    case 'hold':
      return { kind: 'hold', controls: heldOf({ who, act, place, times }), until: { kind: 'release' } };
    case 'let-go':
      return { kind: 'release', controls: [control] };
    case 'set':
      return place ? { kind: 'set', control, to: place } : null;
    case 'right':
    case 'left':
      return { kind: 'turn', control, clicks: times, way: act === 'right' ? 'cw' : 'ccw' };
    case 'sweep-right':
    case 'sweep-left':
      return {
        kind: 'sweep',
        control,
        turns: times,
        way: act === 'sweep-right' ? 'cw' : 'ccw',
        ...(place ? { stopAt: place } : {}),
      };
  }
}

/** What stands behind the acts: how long, until when, how often, in which time, with what held. */
type Details = {
  hold: Readonly<{ span: Span; from?: 'power-on' }> | null;
  until: Moment | null;
  entry: Readonly<{ to: number; by: 'press' | 'ramp'; rest: Partial<Extract<Step, { kind: 'step-list' }>> }> | null;
  apartMs: number | null;
  dial: Readonly<{ start: string; text: string }> | null;
  needs: string | null;
  times: number;
  within: number[];
  keeping: ControlId[];
};

function detailsAt(at: Cursor, names: CardNames): Details {
  const d: Details = {
    hold: null,
    until: null,
    entry: null,
    apartMs: null,
    dial: null,
    needs: null,
    times: 1,
    within: [],
    keeping: [],
  };
  const nameList = (): ControlId[] => {
    const ids: ControlId[] = [];
    do {
      const who = at.takeName(names.controls);
      if (isControl(who)) ids.push(who.control.id);
    } while (at.take(/ and /));
    return ids;
  };
  for (let goesOn = true; goesOn; ) {
    goesOn = false;
    const took = <T>(read: () => T | null, put: (value: T) => void): void => {
      const value = goesOn ? null : read();
      if (value === null) return;
      put(value);
      goesOn = true;
    };
    took(
      () => at.take(/ in “[^”]*”(?:, \d+ of \d+)?/),
      () => {},
    );
    took(
      () => at.tries(() => (at.take(/ for /) ? spanAt(at) : null)),
      (span) => {
        d.hold = at.take(/ from when the supply comes/) ? { span, from: 'power-on' } : { span };
      },
    );
    took(
      () => at.tries(() => (at.take(/ let go /) ? momentAt(at, names.signs) : null)),
      (moment) => {
        d.until = moment;
      },
    );
    took(
      () => at.take(/ (hold until|to) entry (-?\d+)/),
      (m) => {
        const by = m[1] === 'to' ? ('press' as const) : ('ramp' as const);
        const rest: Partial<Extract<Step, { kind: 'step-list' }>> = {};
        const runs = at.take(/ runs by itself after ([\d.]+) s, an entry every ([\d.]+) s/);
        if (runs) rest.repeats = { afterMs: ms(runs[1]), everyMs: ms(runs[2]) };
        const back = at.tries(() => (at.take(/ went past it: back with /) ? at.takeName(names.controls) : null));
        if (isControl(back)) rest.back = back.control.id;
        const round = at.take(/ past (\d+) comes (\d+) again/);
        if (round) rest.round = { from: Number(round[2]), to: Number(round[1]) };
        const over = at.take(/ past it: (.+?)(?= within [\d.]+ s| keep holding |$)/);
        if (over) rest.overshoot = over[1] ?? '';
        d.entry = { to: Number(m[2]), by, rest };
      },
    );
    took(
      () => at.take(/ no more than ([\d.]+) s apart/),
      (m) => {
        d.apartMs = ms(m[1]);
      },
    );
    took(
      () => at.take(/ from (\S+) until it shows (\S+)/),
      (m) => {
        d.dial = { start: m[1] ?? '', text: m[2] ?? '' };
      },
    );
    took(
      () => at.take(/ needs (.+?)(?= within [\d.]+ s| keep holding |$)/),
      (m) => {
        d.needs = m[1] ?? '';
      },
    );
    took(
      () => at.take(/(?: all of it)? (\d+) times/),
      (m) => {
        d.times = Number(m[1]);
      },
    );
    took(
      () => at.take(/ within ([\d.]+) s/),
      (m) => {
        d.within.push(ms(m[1]));
      },
    );
    took(
      () => at.tries(() => (at.take(/ keep holding /) ? nameList() : null)),
      (ids) => {
        d.keeping = ids;
      },
    );
  }
  return d;
}

/** Free words up to what is said behind them of windows and what is held. */
const freeAt = (at: Cursor): string =>
  (at.take(/(.+?)(?=(?: within [\d.]+ s)*(?: keep holding .+)?$)/s)?.[1] ?? '').replace(
    / in “[^”]*”(?:, \d+ of \d+)?$/,
    '',
  );

/** What a branch asks. */
function conditionAt(at: Cursor, names: CardNames): BranchOn | null {
  const nothing = at.take(/nothing is done within ([\d.]+) s/);
  if (nothing) return { kind: 'nothing-done', withinMs: ms(nothing[1]) };
  const reads = at.tries(() => at.take(/“([^”]+)” shows ([A-Z0-9_-]+)(?=:)/));
  if (reads && !names.signs.some(([n]) => n === reads[1]))
    return { kind: 'reads', readout: reads[1] as ReadoutId, code: (reads[2] ?? '').toLowerCase() as CodeId };
  const [shown] = shownAt(at, names.signs) ?? [];
  return shown ? { kind: 'sign', shown } : null;
}

const watched: ReadonlyArray<readonly [RegExp, 'must' | 'may' | 'must-not']> = [
  [/Now it must show /, 'must'],
  [/It may show /, 'may'],
  [/It must not show /, 'must-not'],
];

function watchAt(at: Cursor, names: CardNames): CardRead | null {
  for (const [lead, must] of watched) {
    if (!at.take(lead)) continue;
    const signs = shownAt(at, names.signs);
    if (!signs) return null;
    const { within, keeping } = detailsAt(at, names);
    // of two, the first is the window it stands in
    const own = within.at(-1);
    return {
      step: {
        kind: 'see',
        must,
        signs: [...signs] as Shown[],
        ...(own === undefined ? {} : { within: { leastMs: 0, usualMs: own / 2, mostMs: own } }),
      },
      windowMs: within.length > 1 ? (within[0] ?? null) : null,
      since: null,
      keeping,
    };
  }
  return null;
}

/** What is done with no control: waiting, choosing, going somewhere, knowing something. */
function withoutControl(at: Cursor): Step | null {
  if (at.take(/Wait /)) {
    const span = spanAt(at);
    return span ? { kind: 'rest', span } : null;
  }
  const part = at.take(/Do ([a-z0-9-]+)(?= |$)/)?.[1];
  if (part !== undefined) return { kind: 'do', route: part as RouteId, times: 1 };
  if (at.take(/Go to /)) return { kind: 'at-place', place: freeAt(at) };
  if (at.take(/Know this /)) return { kind: 'say', text: freeAt(at) };
  const on = at.take(/On the screen, choose /) ?? at.take(/On the instrument “([^”]+)”, choose /);
  if (on) {
    const words = freeAt(at);
    const needs = / needs (.+)$/.exec(words);
    const [path = '', ...asks] = words.replace(/ needs .+$/, '').split(' · ');
    const confirm = asks.map((a) => /^wait for “(.*)”, then confirm$/.exec(a)?.[1]).find((a) => a !== undefined);
    const value = asks.map((a) => /^enter (.*)$/.exec(a)?.[1]).find((a) => a !== undefined);
    return {
      kind: 'choose',
      on: on[1] === undefined ? 'unit' : (on[1] as InstrumentId),
      path: path.split(' › '),
      ...(needs?.[1] === undefined ? {} : { needs: needs[1] }),
      ...(confirm === undefined ? {} : { confirm }),
      ...(value === undefined ? {} : { value }),
    };
  }
  if (at.take(/All that is held let go/)) return { kind: 'release', controls: [] };
  return null;
}

/** What acts and what stands behind them come to. */
function whole(acts: readonly Act[], d: Details, isTogether: boolean): Step | null {
  const [first] = acts;
  if (!first) return null;
  const ids = acts.flatMap((a) => (isControl(a.who) ? [a.who.control.id] : []));
  if (isTogether) return { kind: 'together', controls: ids, times: d.times, withinMs: d.apartMs ?? 0 };
  if (d.dial) return dialOf(acts, d.dial);
  if (acts.every((a) => a.act === 'hold') && d.entry === null)
    return {
      kind: 'hold',
      controls: acts.flatMap(heldOf),
      until: d.hold ? { kind: 'span', ...d.hold } : d.until ? { kind: 'moment', moment: d.until } : { kind: 'release' },
    };
  if (acts.every((a) => a.act === 'let-go'))
    return { kind: 'release', controls: ids, ...(d.until ? { at: d.until } : {}) };
  if (d.entry && isControl(first.who)) {
    const { to, by, rest } = d.entry;
    const start = first.act === 'press' ? (to - first.times >= 0 ? to - first.times : to + first.times) : 0;
    return { kind: 'step-list', control: first.who.control.id, to, start, by, ...rest };
  }
  const steps = acts.flatMap((a) => stepOf(a) ?? []);
  if (steps.length !== acts.length) return null;
  const [only] = steps;
  if (only && steps.length === 1 && d.times === 1) return only;
  return { kind: 'group', times: d.times, steps };
}

/** One line of the coach read back; null where it is none. */
export function cardAt(at: Cursor, names: CardNames): CardRead | null {
  const watch = at.tries(() => watchAt(at, names));
  if (watch) return watch;
  const branch = at.tries(() => {
    if (!at.take(/If /)) return null;
    const on = conditionAt(at, names);
    return on && at.take(/: /) ? on : null;
  });
  if (branch) {
    const met: Step[] = [];
    do {
      const card = cardAt(at, names);
      if (!card) return null;
      met.push(card.windowMs === null ? card.step : windowed([card.step], card));
    } while (at.take(/, then /));
    return { step: { kind: 'branch', on: branch, met, otherwise: [] }, windowMs: null, since: null, keeping: [] };
  }
  const first = at.tries(() => {
    const m = momentAt(at, names.signs);
    return m && at.take(/: /) ? m : null;
  });
  const second = first
    ? at.tries(() => {
        const m = momentAt(at, names.signs);
        return m && at.take(/: /) ? m : null;
      })
    : null;
  const free = at.tries(() => withoutControl(at));
  if (free) {
    const d = detailsAt(at, names);
    return { step: free, windowMs: d.within[0] ?? null, since: first, keeping: d.keeping };
  }
  const acts: Act[] = [];
  let isTogether = false;
  if (at.take(/In this order: /)) {
    do {
      const who = at.takeName(names.controls);
      if (!who || !at.take(/ /)) return null;
      const act = actAt(at, who);
      if (!act) return null;
      acts.push(act);
    } while (at.take(/ · /));
  } else {
    const who: Who[] = [];
    do {
      const one = at.takeName(names.controls);
      if (!one) return null;
      who.push(one);
    } while (at.take(/ and /));
    if (!at.take(/ /)) return null;
    isTogether = at.take(/press (?:both|all) at once/) !== null;
    if (isTogether) acts.push(...who.map((w): Act => ({ who: w, act: 'press', place: null, times: 1 })));
    else
      do {
        const act = actAt(at, who[0] ?? null);
        if (!act) return null;
        acts.push(...(who.length > 1 ? who.map((w) => ({ ...act, who: w })) : [act]));
      } while (at.take(/ · /));
  }
  const d = detailsAt(at, names);
  const letsGo = acts.every((a) => a.act === 'let-go');
  // of one moment before a let-go, it is when it lets go; without a window there is no other
  const windowMs = d.within[0] ?? null;
  const goesAt = letsGo ? (second ?? (windowMs === null ? first : null)) : null;
  const since = letsGo && second === null && windowMs === null ? null : first;
  const step = whole(acts, { ...d, until: goesAt ?? d.until }, isTogether);
  return step
    ? { step: letsGo && d.hold ? heldFor(step, d.hold.span) : step, windowMs, since, keeping: d.keeping }
    : null;
}

/** What is let go of after a time, told with how long: kept on the step until it is put to where it was taken. */
const heldFor = (step: Step, span: Span): Step =>
  step.kind === 'release'
    ? { kind: 'hold', controls: step.controls.map((control) => ({ control })), until: { kind: 'span', span } }
    : step;

/** Steps within the window their lines name. */
export const windowed = (steps: readonly Step[], { windowMs, since }: Pick<CardRead, 'windowMs' | 'since'>): Step => {
  const [only] = steps;
  const window = { from: since ?? { kind: 'step-before' as const }, mostMs: windowMs ?? 0 };
  return only?.kind === 'group' && steps.length === 1 && only.window === undefined
    ? { ...only, window }
    : { kind: 'group', times: 1, steps: [...steps], window };
};
