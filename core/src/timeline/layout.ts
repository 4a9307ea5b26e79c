import type { Span } from '../base/text.ts';
import { dialPresses } from '../gesture/dial.ts';
import { handSpans, rampMs, signGapMs } from '../gesture/timing.ts';
import type { Held, Moment, Step } from '../model/route.ts';
import type { Shown } from '../model/shown.ts';

/** A lane of a score: a control, a sign, or what is neither. Signs that always show the same share one, named by the first. */
export type Lane = Readonly<{ kind: 'control' | 'sign' | 'other'; id: string; alike: readonly string[] }>;

/** Something drawn in a lane. Times are milliseconds since the start, as usually done; the bounds are how early and late it may be. */
export type Mark = Readonly<{
  at: string;
  lane: string;
  kind: 'press' | 'hold' | 'click' | 'set' | 'rest' | 'choose' | 'see' | 'moment' | 'say';
  fromMs: number;
  toMs: number;
  earliestMs: number;
  latestMs: number;
  /** A place, a text, what shows; in the words of the script. */
  says: string;
  shown: Shown | null;
  must: 'must' | 'may' | 'must-not' | null;
  /** May be made longer or shorter by dragging its end. */
  drags: boolean;
}>;

/** A window over part of the score: what it allows, what its steps usually take, and what is left. */
export type Bracket = Readonly<{
  at: string;
  fromMs: number;
  toMs: number;
  usedMs: number;
  slackMs: number;
  slackRatio: number;
  since: Moment;
}>;
export type Score = Readonly<{
  lanes: readonly Lane[];
  marks: readonly Mark[];
  brackets: readonly Bracket[];
  lengthMs: number;
  /** Not every repeat of a group is drawn: there are too many. */
  cut: boolean;
}>;

const exactly = (ms: number): Span => ({ leastMs: ms, usualMs: ms, mostMs: ms });
const zero = exactly(0);
const plus = (a: Span, b: Span): Span => ({
  leastMs: a.leastMs + b.leastMs,
  usualMs: a.usualMs + b.usualMs,
  mostMs: a.mostMs + b.mostMs,
});
const share = (span: Span, n: number): Span => ({
  leastMs: span.leastMs / n,
  usualMs: span.usualMs / n,
  mostMs: span.mostMs / n,
});
const later = (a: Span, b: Span): Span => ({
  leastMs: Math.max(a.leastMs, b.leastMs),
  usualMs: Math.max(a.usualMs, b.usualMs),
  mostMs: Math.max(a.mostMs, b.mostMs),
});
/** More repeats than this are drawn as the first and the last of them. */
const mostDrawn = 24;
/** Once so many steps and marks are drawn, a group is drawn once only: groups in groups multiply. */
const mostInAll = 2000;

class Drawing {
  readonly lanes: Lane[] = [];
  readonly marks: Mark[] = [];
  readonly brackets: Bracket[] = [];
  cut = false;
  private walked = 0;
  private readonly open = new Map<string, { mark: number }>();
  private readonly seen: Array<{ shown: Shown; t: Span }> = [];
  private lastAct: Span = zero;
  private power: Span = zero;

  private lane(kind: Lane['kind'], id: string): string {
    if (!this.lanes.some((l) => l.kind === kind && l.id === id)) this.lanes.push({ kind, id, alike: [] });
    return `${kind}:${id}`;
  }
  private mark(
    at: string,
    lane: string,
    kind: Mark['kind'],
    from: Span,
    takes: Span,
    rest: Partial<Mark> = {},
  ): number {
    this.marks.push({
      at,
      lane,
      kind,
      fromMs: from.usualMs,
      toMs: from.usualMs + takes.usualMs,
      earliestMs: from.leastMs,
      latestMs: from.mostMs + takes.mostMs,
      says: '',
      shown: null,
      must: null,
      drags: false,
      ...rest,
    });
    return this.marks.length - 1;
  }
  private sign(at: string, t: Span, shown: Shown, nth: number): void {
    for (let n = 1; n <= nth; n += 1)
      this.mark(at, this.lane('sign', shown.sign), 'moment', exactly(t.usualMs - (nth - n) * signGapMs), exactly(200), {
        shown,
        says: nth > 1 ? String(n) : '',
        must: 'must',
      });
    this.seen.push({ shown, t });
  }
  /** When a moment comes, from here; draws it unless it was drawn. */
  private moment(at: string, moment: Moment, t: Span): Span {
    if (moment.kind === 'power-on') return this.power;
    if (moment.kind === 'step-before') return this.lastAct;
    const known = this.seen.filter(
      (s) => s.shown.sign === moment.shown.sign && JSON.stringify(s.shown) === JSON.stringify(moment.shown),
    );
    if (known.length > 0 && moment.nth === 1) return known.at(-1)?.t ?? t;
    const due = plus(t, exactly(signGapMs * moment.nth));
    this.sign(at, due, moment.shown, moment.nth);
    return due;
  }
  private counted(
    at: string,
    control: string,
    n: number,
    t: Span,
    each: Span,
    kind: 'press' | 'click',
    says = '',
  ): Span {
    let now = t;
    for (let k = 0; k < n; k += 1) {
      if (n <= mostDrawn || k === 0 || k === n - 1)
        this.mark(at, this.lane('control', control), kind, now, share(each, 2), {
          says: n > 1 && kind === 'press' ? String(k + 1) : says,
        });
      now = plus(now, each);
    }
    this.lastAct = now;
    return now;
  }
  private hold(at: string, controls: readonly Held[], t: Span, takes: Span | null, drags: boolean): void {
    for (const { control, place } of controls) {
      const index = this.mark(at, this.lane('control', control), 'hold', t, takes ?? zero, {
        says: place ?? '',
        drags,
      });
      if (takes === null) this.open.set(control, { mark: index });
    }
  }
  private drop(control: string, t: Span): void {
    const open = this.open.get(control);
    const mark = open && this.marks[open.mark];
    if (open && mark) this.marks[open.mark] = { ...mark, toMs: t.usualMs, latestMs: t.mostMs };
    this.open.delete(control);
  }
  finish(t: Span): Score {
    for (const control of [...this.open.keys()]) this.drop(control, plus(t, exactly(1000)));
    const lengthMs = Math.max(1000, t.usualMs, ...this.marks.map((m) => m.toMs), ...this.brackets.map((b) => b.toMs));
    const order = { control: 0, sign: 1, other: 2 } as const;
    const lanes = [...this.lanes].sort((a, b) => order[a.kind] - order[b.kind]);
    return { ...together(lanes, this.marks), brackets: this.brackets, lengthMs, cut: this.cut };
  }

  walk(steps: readonly Step[], begin: Span, under = ''): Span {
    let t = begin;
    steps.forEach((step, i) => {
      this.walked += 1;
      t = this.step(step, `${under}${i}`, t);
    });
    return t;
  }

  private step(step: Step, at: string, t: Span): Span {
    const each = (n: number, usual: Span): Span => (step.takes ? share(step.takes, n) : usual);
    switch (step.kind) {
      case 'press':
        return this.counted(at, step.control, step.times, t, each(step.times, handSpans.press), 'press');
      case 'turn':
        return this.counted(at, step.control, step.clicks, t, each(step.clicks, handSpans.click), 'click', step.way);
      case 'sweep': {
        const takes = each(1, {
          leastMs: handSpans.turn.leastMs * step.turns,
          usualMs: handSpans.turn.usualMs * step.turns,
          mostMs: handSpans.turn.mostMs * step.turns,
        });
        this.mark(at, this.lane('control', step.control), 'set', t, takes, {
          says: `${step.way === 'cw' ? 'right' : 'left'} ×${step.turns}${step.stopAt ? ` ${step.stopAt}` : ''}`,
        });
        this.lastAct = plus(t, takes);
        return this.lastAct;
      }
      case 'set': {
        const takes = each(1, handSpans.set);
        const done = plus(t, takes);
        this.mark(at, this.lane('control', step.control), 'set', t, takes, { says: step.to });
        if (step.to === 'on' || step.to === 'in') this.power = done;
        this.drop(step.control, done);
        this.lastAct = done;
        return done;
      }
      case 'hold': {
        if (step.until.kind === 'release') {
          this.hold(at, step.controls, t, null, false);
          this.lastAct = t;
          return plus(t, exactly(200));
        }
        if (step.until.kind === 'span') {
          this.hold(at, step.controls, t, step.until.span, true);
          this.lastAct = plus(t, step.until.span);
          return this.lastAct;
        }
        this.lastAct = t;
        const end = later(t, this.moment(at, step.until.moment, t));
        const takes = {
          leastMs: end.leastMs - t.leastMs,
          usualMs: end.usualMs - t.usualMs,
          mostMs: end.mostMs - t.mostMs,
        };
        this.hold(at, step.controls, t, takes, false);
        this.lastAct = end;
        return end;
      }
      case 'keep': {
        const until = step.until;
        this.hold(at, step.controls, t, null, until?.kind === 'span');
        let end = this.walk(step.during, plus(t, exactly(200)), `${at}.during.`);
        if (until?.kind === 'moment') end = later(end, this.moment(at, until.moment, end));
        if (until?.kind === 'span') end = later(end, plus(t, until.span));
        for (const { control } of step.controls) this.drop(control, end);
        this.lastAct = end;
        return end;
      }
      case 'release': {
        const end = step.at ? later(t, this.moment(at, step.at, t)) : plus(t, exactly(200));
        for (const control of step.controls.length > 0 ? step.controls : [...this.open.keys()]) this.drop(control, end);
        this.lastAct = end;
        return end;
      }
      case 'rest':
        this.mark(at, this.lane('other', 'rest'), 'rest', t, step.span, { drags: true });
        return plus(t, step.span);
      case 'step-list': {
        const n = Math.abs(step.to - step.start);
        if (step.by === 'press') return this.counted(at, step.control, n, t, each(n, handSpans.press), 'press');
        const takes = exactly((step.takes?.usualMs ?? n * rampMs) || 1);
        this.hold(at, [{ control: step.control }], t, takes, false);
        this.lastAct = plus(t, takes);
        return this.lastAct;
      }
      case 'dial': {
        const presses = dialPresses(step);
        if (!presses.ok) return t;
        const n = presses.value.reduce((sum, p) => sum + p.times, 0);
        return presses.value.reduce(
          (now, p) => this.counted(at, p.control, p.times, now, each(Math.max(1, n), handSpans.press), 'press'),
          t,
        );
      }
      case 'choose': {
        const words = [...step.path, step.confirm, step.value].filter((w) => w !== undefined);
        const takes = each(1, exactly(words.length * 900));
        this.mark(at, this.lane('other', step.on === 'unit' ? 'screen' : step.on), 'choose', t, takes, {
          says: words.join(' › '),
        });
        this.lastAct = plus(t, takes);
        return this.lastAct;
      }
      case 'see': {
        const within = step.within ?? zero;
        for (const shown of step.signs)
          this.mark(at, this.lane('sign', shown.sign), 'see', plus(t, within), exactly(400), {
            earliestMs: t.leastMs + within.leastMs,
            latestMs: t.mostMs + within.mostMs,
            shown,
            must: step.must,
          });
        const come = plus(t, within);
        for (const shown of step.signs) this.seen.push({ shown, t: come });
        return step.must === 'must' ? come : t;
      }
      case 'group':
        return this.group(step, at, t);
      case 'branch': {
        this.mark(at, this.lane('other', 'choice'), 'say', t, exactly(300), { says: step.on.kind });
        return this.walk(
          step.otherwise.length > 0 ? step.otherwise : step.met,
          plus(t, exactly(300)),
          step.otherwise.length > 0 ? `${at}.otherwise.` : `${at}.met.`,
        );
      }
      case 'at-place':
        this.mark(at, this.lane('other', 'place'), 'say', t, exactly(300), { says: step.place });
        return plus(t, exactly(300));
      case 'say':
        this.mark(at, this.lane('other', 'say'), 'say', t, exactly(300), { says: step.text });
        return plus(t, exactly(300));
      case 'bypass':
        return t;
    }
  }

  private group(step: Extract<Step, { kind: 'group' }>, at: string, t: Span): Span {
    const window = step.window;
    const since = window ? this.moment(at, window.from, t) : t;
    const waits = window?.from.kind === 'sign' && since.usualMs > t.usualMs;
    const begin = waits ? since : t;
    let now = begin;
    for (let n = 0; n < step.times; n += 1) {
      if (n > 0 && (n >= mostDrawn || this.walked + this.marks.length > mostInAll)) {
        this.cut = true;
        break;
      }
      now = this.walk(step.steps, now, `${at}.steps.`);
    }
    if (window) {
      const usedMs = now.usualMs - since.usualMs;
      const slackMs = window.mostMs - usedMs;
      this.brackets.push({
        at,
        fromMs: since.usualMs,
        toMs: since.usualMs + window.mostMs,
        usedMs,
        slackMs,
        slackRatio: slackMs / window.mostMs,
        since: window.from,
      });
    }
    return now;
  }
}

/** Puts signs that show the same at the same times into one lane. */
function together(lanes: readonly Lane[], marks: readonly Mark[]): Pick<Score, 'lanes' | 'marks'> {
  const told = (lane: Lane): string =>
    JSON.stringify(
      marks
        .filter((m) => m.lane === `sign:${lane.id}`)
        .map(({ lane: _, shown, ...m }) => ({ ...m, shown: shown && { ...shown, sign: '' } })),
    );
  const first = new Map<string, string>();
  const others = new Map<string, string[]>();
  for (const lane of lanes) {
    if (lane.kind !== 'sign') continue;
    const key = told(lane);
    const owner = first.get(key);
    if (owner === undefined) first.set(key, lane.id);
    else others.set(owner, [...(others.get(owner) ?? []), lane.id]);
  }
  const dropped = new Set([...others.values()].flat());
  return {
    lanes: lanes
      .filter((l) => l.kind !== 'sign' || !dropped.has(l.id))
      .map((l) => (l.kind === 'sign' ? { ...l, alike: others.get(l.id) ?? [] } : l)),
    marks: marks.filter((m) => !m.lane.startsWith('sign:') || !dropped.has(m.lane.slice(5))),
  };
}

/** Draws steps as a score: a lane for every control and sign in the order they come, marks in them, brackets over windows. */
export function layoutScore(steps: readonly Step[]): Score {
  const drawing = new Drawing();
  return drawing.finish(drawing.walk(steps, zero));
}
