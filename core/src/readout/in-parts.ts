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

/** What brings the second part on: time, a lamp that is lit then, another colour of the same lamp, or something one does. */
export type Apart =
  | Readonly<{ is: 'time'; everyMs: number }>
  | Readonly<{ is: 'sign'; sign: SignId }>
  | Readonly<{ is: 'colour'; first: LampColour; second: LampColour }>
  | Readonly<{ is: 'route'; route: RouteId }>;

/** How codes fall into their parts: what always stands first, between, and how long the first part is. */
export type Split = Readonly<{ before: string; between: string; first: number | null }>;
export type PartsAsked = Readonly<{ parts: readonly [PartAsked, PartAsked]; apart: Apart; split: Split }>;

const commonStart = (texts: readonly string[]): string => {
  const [one = '', ...others] = texts;
  let n = 0;
  while (n < one.length && others.every((t) => t[n] === one[n])) n += 1;
  return one.slice(0, n);
};

/**
 * How the codes of a unit most likely fall into two parts: `E12-3` after the E, at the dash; `31` after its first character.
 * A guess to begin with, shown to whoever is asked.
 */
export function splitOf(codes: readonly string[]): Split {
  const before = commonStart(codes).replace(/[0-9].*$/, '');
  const rest = codes.map((c) => c.slice(before.length));
  const between = ['-', '.', '/', ' ', ':'].find(
    (s) => rest.length > 0 && rest.every((t) => /.+/.test(t.split(s)[1] ?? '')),
  );
  return between === undefined ? { before, between: '', first: 1 } : { before, between, first: null };
}

/** The two parts of a code; null where it does not fall into them. */
export function fallsInto(code: string, { before, between, first }: Split): readonly [string, string] | null {
  if (!code.startsWith(before)) return null;
  const rest = code.slice(before.length);
  const at = between === '' ? (first ?? 1) : rest.indexOf(between);
  const parts = [rest.slice(0, at), rest.slice(at + between.length)] as const;
  return at > 0 && parts.every((p) => p !== '') ? parts : null;
}

/** What keeps a readout in parts from being made: codes that do not fall into them, or a part that cannot be shown so. */
export type PartsWrong =
  | Readonly<{ is: 'no-such-parts'; codes: readonly string[] }>
  | Readonly<{ is: 'no-number'; part: 0 | 1; text: string }>
  | Readonly<{ is: 'no-lamp'; part: 0 | 1; text: string }>;

const mostCounted = 60;
const counts = (text: string): boolean => /^\d{1,2}$/.test(text) && Number(text) >= 1 && Number(text) <= mostCounted;

/** How a part is read, of what it has to say; what it cannot say is told. */
function readsOf(
  { by, sign }: PartAsked,
  part: 0 | 1,
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

/** A readout whose codes are shown in two parts, each in its own way. */
export function readoutInParts(
  { parts, apart, split }: PartsAsked,
  codes: readonly string[],
  panels: readonly Panel[],
  about: About,
): Result<Readout, PartsWrong> {
  const fallen = codes.map((code) => fallsInto(code, split));
  const wrong = codes.filter((_, i) => fallen[i] === null);
  if (wrong.length > 0) return fail({ is: 'no-such-parts', codes: wrong });
  const said = (part: 0 | 1): readonly string[] =>
    codes.length > 0 ? fallen.flatMap((p) => p?.[part] ?? []) : [sampleOf(parts[part], panels)];
  const first = readsOf(parts[0], 0, said(0), panels);
  if (!first.ok) return first;
  const second = readsOf(parts[1], 1, said(1), panels);
  if (!second.ok) return second;
  return ok(
    entrySchemas.readout.parse({
      kind: 'readout',
      standing: 'hearsay',
      ...about,
      stages: [
        { id: 'first', label: 'first part', comes: comesFirst(apart), reads: first.value },
        { id: 'second', label: 'second part', comes: comesSecond(apart), reads: second.value },
      ],
      compose: [
        ...(split.before === '' ? [] : [{ kind: 'literal', text: split.before }]),
        { kind: 'stage', stage: 'first' },
        ...(split.between === '' ? [] : [{ kind: 'literal', text: split.between }]),
        { kind: 'stage', stage: 'second' },
      ],
    }),
  );
}

const comesFirst = (apart: Apart): object =>
  apart.is === 'colour' ? { kind: 'colour', colour: apart.first } : { kind: 'at-once' };
function comesSecond(apart: Apart): object {
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
