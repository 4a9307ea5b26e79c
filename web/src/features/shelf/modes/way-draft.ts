import {
  type Bundle,
  baseUnit,
  bundleFacts,
  type Code,
  type ControlFacts,
  type ControlId,
  entriesOf,
  type Family,
  type Mode,
  type PlaceId,
  parseReading,
  parseScript,
  printSteps,
  type Readout,
  type Shown,
  type Sign,
  type SignId,
  type Step,
  type Way,
} from '@wire-trail/core';
import { codesNamed, noSuchCodes } from '../../../parts/code/codes-named.ts';

type Controller = Family['controllers'][number];
type PhysicalInput = Family['inputs'][number];

/** What the gaps of a way are filled from: everything of the unit that can be named in one. */
export type Around = Readonly<{
  keys: readonly ControlFacts[];
  knobs: readonly ControlFacts[];
  placed: readonly ControlFacts[];
  signs: readonly Sign[];
  /** Those as well that are only felt, as a pump that runs. */
  everySign: readonly Sign[];
  codes: readonly Code[];
  inputs: readonly PhysicalInput[];
  readouts: readonly Readout[];
  variants: Family['variants'];
  /** The other boards of the unit, which can say something to this one. */
  boards: readonly Controller[];
}>;

export function aroundOf(bundle: Bundle, mode: Mode): Around {
  const facts = bundleFacts(bundle);
  const of = (is: (own: ControlFacts) => boolean) => [...facts.controls.values()].filter(is);
  const [family] = entriesOf(bundle, 'family').filter((f) => f.id === bundle.family);
  return {
    keys: of((c) => c.mechanism.kind === 'push'),
    knobs: of((c) => c.mechanism.kind === 'clicks'),
    placed: of((c) => c.mechanism.kind === 'places'),
    signs: [...facts.signs.values()].filter((s) => s.kind !== 'felt'),
    everySign: [...facts.signs.values()],
    codes: entriesOf(bundle, 'code'),
    inputs: family?.inputs ?? [],
    readouts: entriesOf(bundle, 'readout'),
    variants: family?.variants ?? [],
    boards: family?.controllers.filter((c) => c.id !== mode.controller) ?? [],
  };
}

export type By = Way['by'] | 'gone';
/** What sets a way off, as it is typed. */
export type WayDraft = Readonly<{
  by: By;
  control: string;
  often: string;
  turns: 'cw' | 'ccw';
  place: string;
  long: string;
  unit: 's' | 'min';
  every: string;
  steps: string;
  shown: Shown | null;
  input: string;
  passes: 'above' | 'below';
  value: string;
  codes: string;
  from: string;
  message: string;
}>;

/** A number somebody typed that is more than nothing; null where it is none. */
export const whole = (text: string): number | null => {
  const n = Number(text.trim().replace(',', '.'));
  return text.trim() !== '' && Number.isFinite(n) && n > 0 ? n : null;
};

/** What a sign shows most often where one waits for it. */
export function shownFirst(sign: Sign | undefined): Shown | null {
  if (!sign) return null;
  const id = sign.id as SignId;
  if (sign.kind === 'lamp') return { kind: 'lamp', sign: id, state: 'lit' };
  if (sign.kind === 'segments' || sign.kind === 'text') return { kind: 'text', sign: id, text: '' };
  return { kind: 'sound', sign: id, state: 'on' };
}

/** A value of an input as it is typed back: nothing of it is rounded. */
export const exactly = (value: number, { quantity }: PhysicalInput): string => `${value} ${baseUnit(quantity)}`;

/** Codes listed by what they are called. */
export const codesText = (ids: readonly string[], codes: readonly Code[]): string =>
  ids.map((id) => codes.find((c) => c.id === id)?.text ?? id).join(', ');

/** A way as it is typed into its gaps; what is not asked of it stands as is usual. */
export function draftOf(way: Way | null, around: Around): WayDraft {
  const timed = way && 'ms' in way ? way.ms : null;
  const { keys, inputs, boards, signs, codes } = around;
  const inMinutes = timed === null ? keys.length === 0 : timed >= 120_000 && way?.by !== 'kept';
  const input = way?.by === 'passes' ? inputs.find((i) => i.id === way.input) : inputs[0];
  return {
    by: way ? (way.by === 'supply' && way.becomes === 'off' ? 'gone' : way.by) : keys.length > 0 ? 'press' : 'idle',
    control: way && 'control' in way ? way.control : '',
    often: way?.by === 'press' ? String(way.times) : way?.by === 'turn' ? String(way.clicks) : '1',
    turns: way?.by === 'turn' ? way.way : 'cw',
    place: way?.by === 'put' ? way.to : '',
    long: timed === null ? '5' : String(timed / (inMinutes ? 60_000 : 1000)),
    unit: inMinutes ? 'min' : 's',
    every: way?.by === 'kept' ? String(way.everyMs / 1000) : '0.5',
    steps: way?.by === 'steps' ? printSteps(way.steps).trimEnd() : '',
    shown: way?.by === 'sign' ? way.shown : shownFirst(signs[0]),
    input: input?.id ?? '',
    passes: way?.by === 'passes' ? way.passes : 'above',
    value: way?.by === 'passes' && input ? exactly(way.value, input) : '',
    codes: way?.by === 'code' || way?.by === 'stands' ? codesText(way.codes, codes) : '',
    from: way?.by === 'message' ? way.from : (boards[0]?.id ?? ''),
    message: way?.by === 'message' ? way.message : '',
  };
}

/** The control that is meant, among those the kind of way can be set off by; the first where none was picked. */
export function pickedIn({ by, control }: WayDraft, { keys, knobs, placed }: Around) {
  const choices = by === 'turn' ? knobs : by === 'put' ? placed : keys;
  const picked = choices.find((c) => c.control.id === control) ?? choices[0];
  const places = picked?.mechanism.kind === 'places' ? picked.mechanism.places : [];
  return { choices, picked, places };
}
export const placeIn = (draft: WayDraft, around: Around) => {
  const { picked, places } = pickedIn(draft, around);
  return places.find((p) => p.id === draft.place) ?? places.find((p) => p.id !== picked?.start) ?? places[0];
};

/** Codes as they were listed, by what they are called in the unit; what is none is told. */
export function codesIn(text: string, codes: readonly Code[]): readonly Code['id'][] | string {
  const { own, unknown } = codesNamed(text, codes);
  return unknown.length > 0 ? noSuchCodes(unknown) : own.map((c) => c.id);
}

/** A quantity as it was typed, in its base unit; null where it is none. */
export function quantityIn(text: string, input: PhysicalInput | undefined): number | null {
  const read = input ? parseReading(text, input.quantity) : null;
  return read?.ok && read.value.kind === 'value' ? read.value.value : null;
}

/** What is said where steps that were typed cannot be read. */
export const sayStepsWords = 'Say what is done, a line for each step: press a 2 times, then hold b for 3 s.';

/** Steps as they were typed, a line or a semicolon between; null where one of them is none. */
export function stepsTyped(text: string): readonly Step[] | null {
  const read = parseScript(text.replaceAll(/;\s*/g, '\n'));
  return read.problems.length > 0 || read.steps.length === 0 ? null : read.steps;
}

/** The way that was typed; a word where something of it is missing. */
export function wayTyped(draft: WayDraft, around: Around): Way | string {
  const { picked } = pickedIn(draft, around);
  const control = picked?.control.id as ControlId;
  const long = whole(draft.long);
  const ms = (long ?? 0) * (draft.unit === 'min' ? 60_000 : 1000);
  const { by } = draft;
  switch (by) {
    case 'idle':
    case 'after':
      return long === null ? 'Say how long.' : { by, ms };
    case 'hold':
      return long === null ? 'Say how long.' : { by, control, ms };
    case 'kept': {
      const every = whole(draft.every);
      return long === null || every === null ? 'Say how long.' : { by, control, ms, everyMs: Math.round(every * 1000) };
    }
    case 'press':
    case 'turn': {
      const often = whole(draft.often);
      if (often === null) return 'Say how often.';
      const n = Math.round(often);
      return by === 'press' ? { by, control, times: n } : { by, control, way: draft.turns, clicks: n };
    }
    case 'put':
      return { by, control, to: placeIn(draft, around)?.id as PlaceId };
    case 'supply':
      return { by, becomes: 'on' };
    case 'gone':
      return { by: 'supply', becomes: 'off' };
    case 'code':
    case 'stands': {
      const codes = codesIn(draft.codes, around.codes);
      return typeof codes === 'string' ? codes : { by, codes };
    }
    case 'steps': {
      const steps = stepsTyped(draft.steps);
      return steps === null ? sayStepsWords : { by, steps };
    }
    case 'sign':
      return draft.shown === null || (draft.shown.kind === 'text' && draft.shown.text.trim() === '')
        ? 'Say what it shows.'
        : { by, shown: draft.shown };
    case 'passes': {
      const input = around.inputs.find((i) => i.id === draft.input);
      const value = quantityIn(draft.value, input);
      return input && value !== null ? { by, input: input.id, passes: draft.passes, value } : 'Say which value.';
    }
    case 'message': {
      const from = around.boards.find((b) => b.id === draft.from)?.id;
      return from && draft.message.trim() !== '' ? { by, from, message: draft.message.trim() } : 'Say what it says.';
    }
  }
}

/** Whether a unit has what a way of this kind takes. */
export function canBe(by: By, { keys, knobs, placed, signs, codes, inputs, boards }: Around): boolean {
  switch (by) {
    case 'press':
    case 'hold':
    case 'kept':
      return keys.length > 0;
    case 'turn':
      return knobs.length > 0;
    case 'put':
      return placed.length > 0;
    case 'steps':
      return keys.length + knobs.length + placed.length > 0;
    case 'sign':
      return signs.length > 0;
    case 'passes':
      return inputs.length > 0;
    case 'message':
      return boards.length > 0;
    case 'stands':
      return codes.length > 0;
    case 'idle':
    case 'after':
    case 'supply':
    case 'gone':
    case 'code':
      return true;
  }
}
