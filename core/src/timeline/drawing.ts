import { exactly, type Span } from '../base/text.ts';
import { signGapMs } from '../gesture/timing.ts';
import type { Held, Moment } from '../model/route.ts';
import type { Shown } from '../model/shown.ts';
import { plus, share, zero } from './spans.ts';
import type { Bracket, Lane, Mark } from './timeline.ts';

/** More repeats than this are drawn as the first and the last of them. */
export const mostDrawn = 24;

/** A timeline while it is drawn. */
export type Drawing = {
  readonly lanes: Lane[];
  readonly marks: Mark[];
  readonly brackets: Bracket[];
  /** Not every repeat is drawn. */
  cut: boolean;
  walked: number;
  /** The mark of each control that is held and not let go of. */
  readonly open: Map<string, { mark: number }>;
  readonly seen: Array<{ shown: Shown; t: Span }>;
  lastAct: Span;
  power: Span;
};

export const beginDrawing = (): Drawing => ({
  lanes: [],
  marks: [],
  brackets: [],
  cut: false,
  walked: 0,
  open: new Map(),
  seen: [],
  lastAct: zero,
  power: zero,
});

export function laneOf(drawing: Drawing, kind: Lane['kind'], id: string): string {
  if (!drawing.lanes.some((l) => l.kind === kind && l.id === id)) drawing.lanes.push({ kind, id, alike: [] });
  return `${kind}:${id}`;
}

export function addMark(
  drawing: Drawing,
  at: string,
  lane: string,
  kind: Mark['kind'],
  from: Span,
  takes: Span,
  rest: Partial<Mark> = {},
): number {
  drawing.marks.push({
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
  return drawing.marks.length - 1;
}

function addSign(drawing: Drawing, at: string, t: Span, shown: Shown, nth: number): void {
  for (let n = 1; n <= nth; n += 1)
    addMark(
      drawing,
      at,
      laneOf(drawing, 'sign', shown.sign),
      'moment',
      exactly(t.usualMs - (nth - n) * signGapMs),
      exactly(200),
      {
        shown,
        says: nth > 1 ? String(n) : '',
        must: 'must',
      },
    );
  drawing.seen.push({ shown, t });
}

/** When a moment comes, from here; draws it unless it was drawn. */
export function momentAt(drawing: Drawing, at: string, moment: Moment, t: Span): Span {
  if (moment.kind === 'power-on') return drawing.power;
  if (moment.kind === 'step-before') return drawing.lastAct;
  const known = drawing.seen.filter(
    (s) => s.shown.sign === moment.shown.sign && JSON.stringify(s.shown) === JSON.stringify(moment.shown),
  );
  if (known.length > 0 && moment.nth === 1) return known.at(-1)?.t ?? t;
  const due = plus(t, exactly(signGapMs * moment.nth));
  addSign(drawing, at, due, moment.shown, moment.nth);
  return due;
}

export function addCounted(
  drawing: Drawing,
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
      addMark(drawing, at, laneOf(drawing, 'control', control), kind, now, share(each, 2), {
        says: n > 1 && kind === 'press' ? String(k + 1) : says,
      });
    now = plus(now, each);
  }
  drawing.lastAct = now;
  return now;
}

export function addHold(
  drawing: Drawing,
  at: string,
  controls: readonly Held[],
  t: Span,
  takes: Span | null,
  drags: boolean,
): void {
  for (const { control, place } of controls) {
    const index = addMark(drawing, at, laneOf(drawing, 'control', control), 'hold', t, takes ?? zero, {
      says: place ?? '',
      drags,
    });
    if (takes === null) drawing.open.set(control, { mark: index });
  }
}

export function endHold(drawing: Drawing, control: string, t: Span): void {
  const open = drawing.open.get(control);
  const mark = open && drawing.marks[open.mark];
  if (open && mark) drawing.marks[open.mark] = { ...mark, toMs: t.usualMs, latestMs: t.mostMs };
  drawing.open.delete(control);
}
