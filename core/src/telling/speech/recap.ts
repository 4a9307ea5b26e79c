import { diffComm } from 'node-diff3';
import type { ControlId } from '../../base/ids.ts';
import { exactly } from '../../base/text.ts';
import type { Moment, Step } from '../../model/route.ts';
import type { Item } from './item.ts';
import { itemsOf } from './items.ts';
import type { Called } from './mentions.ts';
import type { Made } from './reader.ts';
import { type Word, wordsOf } from './text.ts';

/** Where a telling says something else than it said before; `said` is what it says now, as it says it. */
export type Differs = Readonly<{
  about: 'count' | 'order' | 'direction' | 'time' | 'control' | 'left-out';
  from: number;
  to: number;
  said: string;
  before: Step | null;
  /** The step as it would be after what is said now; null where that is not one step put right. */
  instead: Step | null;
}>;

/** One control in a row of what is done, with what is said beside it. */
type Beat = Readonly<{
  of: ControlId | 'any';
  times: number | null;
  clicks: number | null;
  way: 'cw' | 'ccw' | null;
  ms: number | null;
}>;
type ToldBeat = Beat & Readonly<{ step: Step; rounds: number }>;
type SaidBeat = Beat & Readonly<{ from: number; to: number }>;

const bare = { times: null, clicks: null, way: null, ms: null };

type Flat = Readonly<{ step: Step; rounds: number }>;
/** Steps one after the other, whatever they were told within, with how often all of it is done; branches stand beside the way. */
const flat = (steps: readonly Step[], rounds = 1): Flat[] =>
  steps.flatMap((step): Flat[] =>
    step.kind === 'group'
      ? Array.from({ length: Math.min(step.times, 20) }, () => flat(step.steps, step.times)).flat()
      : step.kind === 'keep'
        ? [{ step, rounds }, ...flat(step.during)]
        : step.kind === 'branch'
          ? []
          : [{ step, rounds }],
  );

function beatsOf(step: Step): Beat[] {
  if (step.kind === 'press') return [{ ...bare, of: step.control, times: step.times }];
  if (step.kind === 'turn') return [{ ...bare, of: step.control, clicks: step.clicks, way: step.way }];
  if (step.kind === 'sweep') return [{ ...bare, of: step.control, way: step.way }];
  if (step.kind === 'set' || step.kind === 'step-list') return [{ ...bare, of: step.control }];
  if (step.kind === 'together') return step.controls.map((of) => ({ ...bare, of, times: step.times }));
  if (step.kind !== 'hold' && step.kind !== 'keep') return [];
  const ms = step.until?.kind === 'span' ? step.until.span.usualMs : null;
  return step.controls.map(({ control }) => ({ ...bare, of: control, ms }));
}

/** What was told as a row of controls, one after the other; the same one again at once counts as one, its presses added. */
function toldRow(steps: readonly Step[]): ToldBeat[] {
  const out: ToldBeat[] = [];
  let seen = false;
  for (const { step, rounds } of flat(steps)) {
    seen ||= step.kind === 'see';
    for (const beat of beatsOf(step)) {
      const before = seen ? undefined : out.at(-1);
      seen = false;
      const alike =
        before?.of === beat.of && before.way === beat.way && (before.times === null) === (beat.times === null);
      if (before && alike)
        out[out.length - 1] = {
          ...before,
          times: beat.times === null ? null : (before.times ?? 0) + beat.times,
          ms: before.ms ?? beat.ms,
        };
      else out.push({ ...beat, step, rounds });
    }
  }
  return out;
}

/** Which times of a sound something is done at, or is to be heard. */
function nthsOf(step: Step): number[] {
  const moments: Moment[] = [];
  const look = (s: Step): void => {
    if ((s.kind === 'hold' || s.kind === 'keep') && s.until?.kind === 'moment') moments.push(s.until.moment);
    if (s.kind === 'release' && s.at) moments.push(s.at);
    if (s.kind === 'group' && s.window) moments.push(s.window.from);
    if (s.kind === 'group') s.steps.forEach(look);
    if (s.kind === 'keep') s.during.forEach(look);
  };
  look(step);
  return moments.flatMap((m) => (m.kind === 'sign' && m.nth > 1 ? [m.nth] : []));
}

/** What is said beside a control belongs to it. */
function beside(beat: SaidBeat, item: Item): SaidBeat {
  if (item.is === 'times') return { ...beat, times: item.n, to: item.to };
  if (item.is === 'length') return { ...beat, ms: item.ms, to: item.to };
  return beat;
}

/** `plug in, four times Thick`: counts said before what they are of stand behind it. */
const countsBehind = (items: readonly Item[], words: readonly Word[]): Item[] => {
  const out = [...items];
  const hasStop = (from: number, to: number): boolean =>
    words.some((w) => w.from >= from && w.to <= to && /^(?:\W|and|then)$/.test(w.word));
  for (let i = 1; i < out.length - 1; i += 1) {
    const [a, n, b] = [out[i - 1], out[i], out[i + 1]];
    if (!a || n?.is !== 'times' || b?.is !== 'control') continue;
    if (hasStop(a.to, n.from) && !hasStop(n.to, b.from)) [out[i], out[i + 1]] = [b, n];
  }
  return out;
};

/** What a summing-up names, in its order; a way without a knob is of the one that was turned. */
function saidRow(items: readonly Item[], turned: ControlId | null): SaidBeat[] {
  const row: SaidBeat[] = [];
  let clicks: number | null = null;
  for (const [i, item] of items.entries()) {
    const { from, to } = item;
    const before = row.at(-1);
    const key = items[i - 1];
    // `Start two, Drain one`: how often
    const isCount =
      item.is === 'number' &&
      key?.is === 'control' &&
      key.own.mechanism.kind === 'push' &&
      from - key.to < 3 &&
      items[i + 1]?.is !== 'way';
    if (isCount && before) {
      row[row.length - 1] = { ...before, times: item.n, to };
      continue;
    }
    const of = item.is === 'control' ? item.own.control.id : item.is === 'any' ? 'any' : null;
    if (item.is === 'clicks' || item.is === 'number') clicks = item.n;
    else if (item.is === 'way' && turned !== null) {
      const beat = { ...bare, of: turned, way: item.way, clicks, from, to };
      if (before?.of === turned && before.way === null) row[row.length - 1] = { ...beat, from: before.from };
      else row.push(beat);
      clicks = null;
    } else if (of !== null) {
      clicks = null;
      const goesOn = before?.of === of && before.times === null && before.way === null && before.ms === null;
      if (before && goesOn) row[row.length - 1] = { ...before, to };
      else row.push({ ...bare, of, from, to });
    } else if (before) row[row.length - 1] = beside(before, item);
  }
  return row;
}

/** The first sentences of a summing-up that name something of the unit. */
function firstOf(text: string, from: number, called: Called): Word[] {
  const words = wordsOf(text.slice(from)).map((w) => ({ ...w, from: w.from + from, to: w.to + from }));
  const out: Word[] = [];
  let sentence: Word[] = [];
  for (const w of words) {
    sentence.push(w);
    if (!/^[.!?\n]$/.test(w.raw)) continue;
    const names = itemsOf(sentence, called, []).some((i) => i.is === 'control' || i.is === 'sign');
    if (out.length > 0 && (!names || w.raw === '\n')) return names ? [...out, ...sentence] : out;
    if (names) out.push(...sentence);
    if (names && w.raw === '\n') return out;
    sentence = [];
  }
  return [...out, ...sentence].slice(0, 90);
}

type Pair = readonly [said: number, told: number];

/** Lays a summing-up along what was told: the pairs of the best run, where a skip costs more than another control. */
function along(said: readonly Beat[], told: readonly Beat[]): Pair[] {
  const best = said.map(() => told.map(() => 0));
  const came = said.map(() => told.map((): Pair | null => null));
  let top: Pair | null = null;
  const score = (i: number, j: number): number => best[i]?.[j] ?? 0;
  said.forEach((s, i) => {
    told.forEach((t, j) => {
      if (s.of !== t.of) return;
      let [value, from]: [number, Pair | null] = [2, null];
      for (let a = Math.max(0, i - 4); a < i; a += 1)
        for (let b = Math.max(0, j - 4); b < j; b += 1) {
          if (said[a]?.of !== told[b]?.of) continue;
          const [gapSaid, gapTold] = [i - a - 1, j - b - 1];
          const others = Math.min(gapSaid, gapTold);
          const cost = others * 0.5 + (Math.max(gapSaid, gapTold) - others) * 1.5;
          if (score(a, b) + 2 - cost > value) [value, from] = [score(a, b) + 2 - cost, [a, b]];
        }
      const line = best[i];
      const back = came[i];
      if (!line || !back) return;
      line[j] = value;
      back[j] = from;
      if (!top || value > score(top[0], top[1])) top = [i, j];
    });
  });
  const pairs: Pair[] = [];
  for (let at: Pair | null = top; at; at = came[at[0]]?.[at[1]] ?? null) pairs.unshift(at);
  return pairs;
}

/** What is held together may be named in any order: put into the order it is named in. */
function inOrderSaid(told: readonly ToldBeat[], said: readonly SaidBeat[]): ToldBeat[] {
  const rank = (of: string): number => {
    const at = said.findIndex((s) => s.of === of);
    return at < 0 ? said.length : at;
  };
  const out: ToldBeat[] = [];
  for (let i = 0; i < told.length; ) {
    const chord = told.slice(i).findIndex((t) => t.step !== told[i]?.step);
    const end = chord < 0 ? told.length : i + chord;
    out.push(...told.slice(i, end).sort((a, b) => rank(a.of) - rank(b.of)));
    i = end;
  }
  return out;
}

/** A step put right after what is said of it in the end: another count, another time, the other way, another control. */
function insteadOf(step: Step | null, said: SaidBeat, about: Differs['about']): Step | null {
  if (step?.kind === 'press') {
    if (about === 'count' && said.times !== null) return { ...step, times: said.times };
    if (about === 'control' && said.of !== 'any') return { ...step, control: said.of };
  }
  if (step?.kind === 'turn') {
    if (about === 'direction' && said.way) return { ...step, way: said.way };
    if (about === 'count' && said.clicks !== null) return { ...step, clicks: said.clicks };
  }
  if (step?.kind === 'hold' && about === 'time' && said.ms !== null)
    return { ...step, until: { kind: 'span', span: exactly(said.ms) } };
  return null;
}

/** A step by what it is done to, and where that is put. */
const doneTo = (step: Step): string =>
  step.kind === 'set'
    ? `${step.control} ${step.to}`
    : step.kind === 'hold'
      ? step.controls.map((c) => c.control).join()
      : step.kind === 'press'
        ? step.control
        : step.kind;
/** How much of a summing-up was told before, in the order it was. */
const toldShare = 0.6;
/** Whether what is told as a summing-up is one, by what is done in it being told before in that order; a word or two is. */
export function tellsAgain(rest: readonly Made[], made: readonly Made[]): boolean {
  const acts = (all: readonly Made[]): string[] =>
    flat(all.map((m) => m.step)).flatMap(({ step }) =>
      step.kind === 'set' || step.kind === 'hold' || step.kind === 'press' ? [doneTo(step)] : [],
    );
  const again = acts(rest);
  const told = diffComm(acts(made), again).reduce((n, part) => n + (part.common?.length ?? 0), 0);
  return again.length < 3 || told >= again.length * toldShare;
}

/**
 * What a summing-up says otherwise than the steps did, each where it stands in it: another control, one that is left out, the
 * other way about, other counts, directions and times. It speaks only where most of the summing-up lies along what was told.
 */
export function recapDiffers(text: string, from: number, made: readonly Made[], called: Called): Differs[] {
  if (from >= text.length) return [];
  const row = toldRow(made.map((m) => m.step));
  const turned = new Set(row.flatMap((t) => (t.way === null ? [] : [t.of])));
  const [knob] = turned.size === 1 ? turned : [null];
  const words = firstOf(text, from, called);
  const items = countsBehind(itemsOf(words, called, []), words);
  const said = saidRow(items, knob === 'any' || !knob ? null : knob);
  const told = inOrderSaid(row, said);
  const pairs = along(said, told);
  const out: Differs[] = [];
  const tell = (about: Differs['about'], s: SaidBeat | undefined, before: Step | null): void => {
    if (s && !out.some((o) => o.about === about))
      out.push({
        about,
        from: s.from,
        to: s.to,
        said: text.slice(s.from, s.to),
        before,
        instead: insteadOf(before, s, about),
      });
  };
  for (const [i, j] of pairs) {
    const [s, t] = [said[i], told[j]];
    if (!s || !t) continue;
    const alike = told.filter((o) => o.of === s.of && (o.times === null) === (t.times === null));
    const rounds = new Set([...alike.map((o) => (o.times ?? 1) * o.rounds), ...alike.map((o) => o.rounds)]);
    const counts = new Set([
      ...alike.map((o) => o.times),
      alike.length,
      ...(rounds.size > 1 || !rounds.has(1) ? rounds : []),
    ]);
    if (s.times !== null && !counts.has(s.times) && (t.times !== null || t.rounds > 1)) tell('count', s, t.step);
    if (s.way && t.way && s.way !== t.way) tell('direction', s, t.step);
    else if (s.clicks !== null && t.clicks !== null && s.clicks !== t.clicks) tell('count', s, t.step);
    const spans = alike.flatMap((o) => (o.ms === null ? [] : [o.ms]));
    if (s.ms !== null && spans.length > 0 && t.ms !== null && !spans.includes(s.ms)) tell('time', s, t.step);
  }
  const nths = made.map((m) => ({ step: m.step, at: nthsOf(m.step) })).filter((m) => m.at.length > 0);
  items.forEach((item, i) => {
    if (item.is !== 'nth' || items[i + 1]?.is !== 'sign' || nths.some((m) => m.at.includes(item.n))) return;
    if (nths[0]) tell('count', { ...bare, of: 'any', from: item.from, to: item.to }, nths[0].step);
  });
  if (pairs.length < 4 || pairs.length < said.length * 0.7) return out;
  pairs.slice(1).forEach(([i, j], k) => {
    const [a, b] = pairs[k] ?? [i, j];
    const [between, missing] = [said.slice(a + 1, i), told.slice(b + 1, j)];
    const [s, t] = [between[0], missing[0]];
    if (between.length === 1 && missing.length === 1) tell('control', s, t?.step ?? null);
    else if (between.length === 2 && missing.length === 2 && s?.of === missing[1]?.of && between[1]?.of === t?.of)
      tell('order', s, t?.step ?? null);
    else if (between.length === 0 && missing.length === 1) {
      const [last, next] = [said[a], said[i]];
      // it is said one place further on: the other way about
      if (t?.of === said[i + 1]?.of && told[j + 1]?.of !== t?.of) {
        tell('order', next, t?.step ?? null);
        return;
      }
      // with words between the two that were not read, it may well have been said
      const bridge = last && next ? text.slice(last.to, next.from) : '';
      if (/^(?:\W|\b(?:and|then|now|next|again)\b)*$/i.test(bridge)) tell('left-out', next, t?.step ?? null);
    }
  });
  return out;
}
