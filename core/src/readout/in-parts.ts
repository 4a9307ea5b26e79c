import type { RouteId, SignId } from '../base/ids.ts';
import { fail, ok, type Result } from '../base/result.ts';
import { entrySchemas } from '../model/entry.ts';
import type { LampColour } from '../model/lamp.ts';
import type { Panel } from '../model/panel.ts';
import type { Readout } from '../model/readout.ts';
import { type About, type ShowsBy, signsFor, textOn } from './by-asking.ts';

/** How one part of a code can be shown. */
export const partWays = ['blinks', 'beeps', 'which', 'display'] as const satisfies readonly ShowsBy[];
export type PartWay = (typeof partWays)[number];
export type PartAsked = Readonly<{ by: PartWay; sign: SignId }>;

/** What brings a further part on: time, a lamp that is lit then, another colour of the same lamp, or something one does. */
export type Apart =
  | Readonly<{ is: 'time'; everyMs: number }>
  | Readonly<{ is: 'sign'; sign: SignId }>
  | Readonly<{ is: 'colour'; first: LampColour; second: LampColour }>
  | Readonly<{ is: 'route'; route: RouteId }>;

/** Where a code is cut: at what always stands there, or, where nothing does, behind so many characters. */
export type Cut = Readonly<{ between: string; first: number }>;
/** How codes fall into their parts: what always stands first, and a cut less than there are parts. */
export type Split = Readonly<{ before: string; cuts: readonly Cut[] }>;
/** The parts of a code in the order they show, and what brings each but the first on. */
export type PartsAsked = Readonly<{ parts: readonly PartAsked[]; aparts: readonly Apart[]; split: Split }>;

/** As many parts as a code is shown in. */
export const mostParts = 4;

const commonStart = (texts: readonly string[]): string => {
  const [one = '', ...others] = texts;
  let n = 0;
  while (n < one.length && others.every((t) => t[n] === one[n])) n += 1;
  return one.slice(0, n);
};

const between = ['-', '.', '/', ' ', ':'];

/**
 * How the codes of a unit most likely fall into so many parts: `E12-3` after the E, at the dash; `31` after its first
 * character. A guess to begin with, shown to whoever is asked.
 */
export function splitOf(codes: readonly string[], parts = 2): Split {
  const before = commonStart(codes).replace(/[0-9].*$/, '');
  const cuts: Cut[] = [];
  let rest = codes.map((c) => c.slice(before.length));
  while (cuts.length < parts - 1) {
    const sign = between.find((s) => rest.length > 0 && rest.every((t) => t.indexOf(s) > 0 && !t.endsWith(s))) ?? '';
    const cut = { between: sign, first: 1 };
    cuts.push(cut);
    rest = rest.map((t) => cutAt(t, cut)?.[1] ?? '');
  }
  return { before, cuts };
}

/** What stands before a cut and behind it; null where one of them is nothing. */
function cutAt(text: string, { between: sign, first }: Cut): readonly [string, string] | null {
  const at = sign === '' ? first : text.indexOf(sign);
  const [own, rest] = [text.slice(0, Math.max(0, at)), text.slice(at + sign.length)];
  return at > 0 && own !== '' && rest !== '' ? [own, rest] : null;
}

/** The parts of a code, in order; null where it does not fall into them. */
export function fallsInto(code: string, { before, cuts }: Split): readonly string[] | null {
  if (!code.startsWith(before)) return null;
  const parts: string[] = [];
  let rest = code.slice(before.length);
  for (const cut of cuts) {
    const pair = cutAt(rest, cut);
    if (!pair) return null;
    parts.push(pair[0]);
    rest = pair[1];
  }
  return rest === '' ? null : [...parts, rest];
}

/** What keeps a readout in parts from being made: codes that do not fall into them, or a part that cannot be shown so. */
export type PartsWrong =
  | Readonly<{ is: 'no-such-parts'; codes: readonly string[] }>
  | Readonly<{ is: 'no-number'; part: number; text: string }>
  | Readonly<{ is: 'no-lamp'; part: number; text: string }>;

const mostCounted = 60;
const counts = (text: string): boolean => /^\d{1,2}$/.test(text) && Number(text) >= 1 && Number(text) <= mostCounted;

/** How a part is read, of what it has to say; what it cannot say is told. */
function readsOf(
  { by, sign }: PartAsked,
  part: number,
  texts: readonly string[],
  panels: readonly Panel[],
): Result<object, PartsWrong> {
  switch (by) {
    case 'blinks':
    case 'beeps': {
      const wrong = texts.find((t) => !counts(t));
      if (wrong !== undefined) return fail({ is: 'no-number', part, text: wrong });
      const most = Math.max(9, ...texts.map(Number));
      // 05 beside 12: two digits always
      const digits = Math.min(...texts.map((t) => t.length), 2) === 2 ? 2 : 1;
      const to = { kind: 'number', least: 1, most, digits };
      return ok({ kind: 'blinks', sign, heard: by === 'beeps', most, to });
    }
    case 'which': {
      const lamps = signsFor('which', panels).slice(0, 16);
      const named = new Map(lamps.map((l) => [l.label.slice(0, 6), l.id]));
      const wrong = texts.find((t) => !named.has(t.replace(/\d+$/, '')) || !/\d$/.test(t));
      if (wrong !== undefined) return fail({ is: 'no-lamp', part, text: wrong });
      return ok({ kind: 'which', lamps: [...named].map(([value, id]) => ({ sign: id, value })), most: 9 });
    }
    case 'display':
      return ok(textOn(sign, panels, texts));
  }
}

/** Something a part can say, where no code is there yet. */
const sampleOf = ({ by }: PartAsked, panels: readonly Panel[]): string =>
  by === 'which' ? `${signsFor('which', panels)[0]?.label.slice(0, 6) ?? ''}1` : '1';

const ordinals = ['first', 'second', 'third', 'fourth'];

/** A readout whose codes are shown in two parts or more, each in its own way. */
export function readoutInParts(
  { parts, aparts, split }: PartsAsked,
  codes: readonly string[],
  panels: readonly Panel[],
  about: About,
): Result<Readout, PartsWrong> {
  const fallen = codes.map((code) => fallsInto(code, split));
  const wrong = codes.filter((_, i) => fallen[i] === null);
  if (wrong.length > 0) return fail({ is: 'no-such-parts', codes: wrong });
  const stages: object[] = [];
  for (const [at, part] of parts.entries()) {
    const said = codes.length > 0 ? fallen.flatMap((p) => p?.[at] ?? []) : [sampleOf(part, panels)];
    const reads = readsOf(part, at, said, panels);
    if (!reads.ok) return reads;
    const apart = aparts[at - 1];
    const id = ordinals[at] ?? `part-${at + 1}`;
    stages.push({
      id,
      label: `${id} part`,
      comes: apart ? comesThen(apart) : comesFirst(aparts[0]),
      reads: reads.value,
    });
  }
  return ok(
    entrySchemas.readout.parse({
      kind: 'readout',
      standing: 'hearsay',
      ...about,
      stages,
      compose: [
        ...literal(split.before),
        ...parts.flatMap((_, at) => [
          { kind: 'stage', stage: ordinals[at] ?? `part-${at + 1}` },
          ...literal(split.cuts[at]?.between ?? ''),
        ]),
      ],
    }),
  );
}

const literal = (text: string): object[] => (text === '' ? [] : [{ kind: 'literal', text }]);
const comesFirst = (apart: Apart | undefined): object =>
  apart?.is === 'colour' ? { kind: 'colour', colour: apart.first } : { kind: 'at-once' };
function comesThen(apart: Apart): object {
  switch (apart.is) {
    case 'time':
      return { kind: 'alternates', everyMs: apart.everyMs };
    case 'sign':
      return { kind: 'sign', shown: { kind: 'lamp', sign: apart.sign, state: 'lit' } };
    case 'colour':
      return { kind: 'colour', colour: apart.second };
    case 'route':
      return { kind: 'route', route: apart.route };
  }
}
