import type { Step } from '../../model/route.ts';
import type { UnitFacts } from '../../unit/facts.ts';
import { type ReadIn, readIn } from './captions.ts';
import { end, readAll, startsAct, startsPlace } from './flow.ts';
import { routeCues } from './lexicon.ts';
import { calledOf } from './mentions.ts';
import { type Doubt, type Hole, type Made, Reader } from './reader.ts';
import { corrected, isFlow, segmentsOf, summaryAt } from './segments.ts';
import { lacksState } from './shown.ts';
import { wordsOf } from './text.ts';

/** A route as a telling has it: its steps, each with the stretch it was made of. */
export type ToldRoute = Readonly<{
  name: string;
  steps: readonly Step[];
  phrases: ReadonlyArray<Readonly<{ from: number; to: number; at: string }>>;
}>;
/** Where a telling says something else than it said before. */
export type Differs = Readonly<{
  about: 'count' | 'order' | 'direction' | 'time' | 'control' | 'left-out';
  from: number;
  to: number;
  said: Step;
  before: Step | null;
}>;
export type Told = Readonly<{
  contradictions: readonly Differs[];
  text: string;
  routes: readonly ToldRoute[];
  holes: readonly Hole[];
  doubts: readonly Doubt[];
  summary: readonly Step[];
}>;

/** What each who speaks says, by place; in a lesson every turn is a voice of its own, and all are heard. */
function voices({ text, turns }: ReadIn): ReadonlyArray<ReadonlyArray<readonly [number, number]>> {
  if (turns.length === 0) return [[[0, text.length]]];
  const parts = turns.map((t, i) => ({ who: t.who, span: [t.from, turns[i + 1]?.from ?? text.length] as const }));
  const named = [...new Set(parts.map((p) => p.who))];
  if (named.length > 6) return [parts.map((p) => p.span)];
  return named.map((who) => parts.filter((p) => p.who === who).map((p) => p.span));
}

function readPart(text: string, from: number, to: number, reader: Reader): void {
  const own = text.slice(from, to);
  const words = corrected(wordsOf(own)).map((w) => ({ ...w, from: w.from + from, to: w.to + from }));
  reader.flows = isFlow(words);
  readAll(
    reader,
    segmentsOf(
      words,
      (at) => startsAct(reader, words, at),
      (some) => lacksState(reader, some),
      (at) => startsPlace(reader, words, at),
    ),
  );
}

/** Where other routes begin, by what a sentence says it is for. */
function namesOf(text: string, made: readonly Made[]): string[] {
  return made.map((m) => {
    const start = Math.max(0, ...['.', '!', '?', '\n'].map((s) => text.lastIndexOf(s, m.from - 1) + 1));
    const end = Math.min(
      ...['.', '!', '?', '\n'].map((s) => text.indexOf(s, m.to)).map((i) => (i < 0 ? text.length : i)),
    );
    const sentence = text.slice(Math.max(start, m.from - 160), Math.min(end, m.to + 90));
    return routeCues.find(([, cue]) => cue.test(sentence))?.[0] ?? '';
  });
}

/**
 * Reads how somebody tells a unit into draft routes: what is done is found wherever it stands in the flow, with what belongs
 * to it; what names something of the unit and became nothing is kept as a hole at its place.
 */
export function readTold(raw: string, facts: UnitFacts): Told {
  const input = readIn(raw.slice(0, 400_000));
  const { text } = input;
  const called = calledOf(facts);
  const sumAt = summaryAt(input);
  // who tells is whoever tells most of what is done
  const read = voices(input).map((spans) => {
    const own = new Reader(called);
    for (const [from, to] of spans) if (from < sumAt) readPart(text, from, Math.min(to, sumAt), own);
    end(own);
    return own;
  });
  const [reader = new Reader(called)] = [...read].sort((a, b) => b.made.length - a.made.length);
  const { made } = reader;
  const summing = new Reader(called);
  if (sumAt < text.length) readPart(text, sumAt, text.length, summing);
  const summed = end(summing);
  const summary = summed.map((m) => m.step);
  const names = namesOf(text, made);
  const routes: Array<{ name: string; steps: Step[]; phrases: Array<{ from: number; to: number; at: string }> }> = [];
  made.forEach((m, i) => {
    const name = names[i] ?? '';
    const current = routes.at(-1);
    const isNew = !current || (name !== '' && name !== current.name && i > 0);
    if (isNew) routes.push({ name: name || 'Steps', steps: [], phrases: [] });
    const route = routes.at(-1);
    route?.phrases.push({ from: m.from, to: m.to, at: String(route.steps.length) });
    route?.steps.push(m.step);
  });
  return { text, routes, holes: reader.holes, doubts: reader.doubts, summary, contradictions: differing(made, summed) };
}

/** Steps one after the other, whatever they were told within. */
const flat = (steps: readonly Step[]): Step[] =>
  steps.flatMap((s): Step[] =>
    s.kind === 'group'
      ? Array.from({ length: s.times }, () => flat(s.steps)).flat()
      : s.kind === 'keep'
        ? flat(s.during)
        : s.kind === 'branch'
          ? []
          : [s],
  );

const controlOf = (s: Step): string | null =>
  s.kind === 'press' || s.kind === 'turn' || s.kind === 'set' || s.kind === 'step-list' ? s.control : null;

/** Presses of one control in a row as one. */
function folded(steps: readonly Step[]): Step[] {
  const out: Step[] = [];
  for (const s of flat(steps)) {
    const before = out.at(-1);
    if (s.kind === 'press' && before?.kind === 'press' && before.control === s.control)
      out[out.length - 1] = { ...before, times: before.times + s.times };
    else out.push(s);
  }
  return out;
}

/** What a summing-up says otherwise than the steps did: counts, ways and controls, each where it stands in it. */
function differing(made: readonly Made[], summed: readonly Made[]): Differs[] {
  const told = folded(made.map((m) => m.step));
  const out: Differs[] = [];
  const presses = (steps: readonly Step[], control: string): Extract<Step, { kind: 'press' }>[] =>
    steps.filter((s): s is Extract<Step, { kind: 'press' }> => s.kind === 'press' && s.control === control);
  const turns = (steps: readonly Step[]) =>
    steps.filter((s): s is Extract<Step, { kind: 'turn' }> => s.kind === 'turn');
  const said = folded(summed.map((m) => m.step));
  const at = (step: Step): Readonly<{ from: number; to: number }> => {
    const own = summed.find((m) => flat([m.step]).some((s) => controlOf(s) === controlOf(step)));
    return { from: own?.from ?? 0, to: own?.to ?? 0 };
  };
  const own = turns(said);
  turns(told)
    .slice(0, own.length)
    .forEach((was, i) => {
      const now = own[i];
      if (!now || now.control !== was.control) return;
      if (now.way !== was.way) out.push({ about: 'direction', ...at(now), said: now, before: was });
      else if (now.clicks !== was.clicks) out.push({ about: 'count', ...at(now), said: now, before: was });
    });
  const total = (list: readonly { times: number }[]): number => list.reduce((n, p) => n + p.times, 0);
  for (const control of new Set(said.flatMap((s) => (s.kind === 'press' ? [String(s.control)] : [])))) {
    const [now, was] = [presses(said, control), presses(told, control)];
    const [first] = now;
    if (!first) continue;
    // more are told before than are summed up, where other ways were told as well: only what was never so counts
    const counts = new Set([...was.map((p) => p.times), total(was)]);
    if (was.length > 0 && !now.every((p) => counts.has(p.times)) && !counts.has(total(now)))
      out.push({ about: 'count', ...at(first), said: first, before: was[0] ?? null });
  }
  return out.filter((d, i) => out.findIndex((e) => e.about === d.about) === i);
}
