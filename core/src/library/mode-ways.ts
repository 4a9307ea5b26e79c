import type { CodeId, ControlId, ControllerId, InputId, ModeId, PlaceId, VariableId } from '../base/ids.ts';
import { formatQuantity } from '../base/quantity.ts';
import { assertNever } from '../base/result.ts';
import { idWords } from '../base/slug.ts';
import { exactly } from '../base/text.ts';
import type { Bundle } from '../model/bundle.ts';
import type { Condition } from '../model/condition.ts';
import type { Effect } from '../model/effect.ts';
import { Mode, type Transition } from '../model/mode.ts';
import type { Step } from '../model/route.ts';
import { entriesOf, entryOf, familyEntry } from '../model/select.ts';
import type { Shown } from '../model/shown.ts';
import { printDuration, printInLine } from '../script/print.ts';
import { signsWords, wholePanel } from '../words/condition.ts';
import { partName, placeName } from '../words/sign.ts';

/** What sets a way off; times in milliseconds. What one does in one step has a form of its own, more steps are steps. */
export type Way =
  | Readonly<{ by: 'idle'; ms: number }>
  | Readonly<{ by: 'after'; ms: number }>
  | Readonly<{ by: 'press'; control: ControlId; times: number }>
  | Readonly<{ by: 'hold'; control: ControlId; ms: number }>
  | Readonly<{ by: 'turn'; control: ControlId; way: 'cw' | 'ccw'; clicks: number }>
  | Readonly<{ by: 'put'; control: ControlId; to: PlaceId }>
  | Readonly<{ by: 'supply'; becomes: 'on' | 'off' }>
  | Readonly<{ by: 'code'; codes: readonly CodeId[] }>
  /** One of these stands already, or comes to stand; any where none is named. */
  | Readonly<{ by: 'stands'; codes: readonly CodeId[] }>
  /** Kept down: after so long, and again every so long. */
  | Readonly<{ by: 'kept'; control: ControlId; ms: number; everyMs: number }>
  | Readonly<{ by: 'steps'; steps: readonly Step[] }>
  | Readonly<{ by: 'sign'; shown: Shown }>
  | Readonly<{ by: 'passes'; input: InputId; passes: 'above' | 'below'; value: number }>
  | Readonly<{ by: 'message'; from: ControllerId; message: string }>;

/** Where a way leads: to a mode, or on and back among the entries of the mode it is in. */
export type Leads =
  | Readonly<{ to: 'mode'; mode: ModeId }>
  | Readonly<{ to: 'next' }>
  | Readonly<{ to: 'before' }>
  | Readonly<{ to: 'erased' }>
  /** It stays, and remembers that something is so, or is not. */
  | Readonly<{ to: 'flag'; flag: VariableId; is: boolean }>
  /** It stays, and does no more than what is told beside it. */
  | Readonly<{ to: 'stays' }>;

/** The entries somebody goes through in a mode: how many, and whether it begins again behind the last. */
export type Entries = Readonly<{ of: number; wraps: boolean }>;

type ByHand = Extract<Way, { by: 'press' | 'hold' | 'turn' | 'put' }>;
const isByHand = (way: Way): way is ByHand => ['press', 'hold', 'turn', 'put'].includes(way.by);

const stepOf = (way: ByHand): Step => {
  switch (way.by) {
    case 'press':
      return { kind: 'press', control: way.control, times: way.times };
    case 'hold':
      return { kind: 'hold', controls: [{ control: way.control }], until: { kind: 'span', span: exactly(way.ms) } };
    case 'turn':
      return { kind: 'turn', control: way.control, way: way.way, clicks: way.clicks };
    case 'put':
      return { kind: 'set', control: way.control, to: way.to };
    default:
      return assertNever(way);
  }
};

function triggerOf(way: Way): Transition['on'] {
  if (isByHand(way)) return { kind: 'gesture', steps: [stepOf(way)] };
  switch (way.by) {
    case 'idle':
    case 'after':
      return { kind: way.by, afterMs: way.ms };
    case 'supply':
      return { kind: 'supply', becomes: way.becomes };
    case 'code':
      return { kind: 'code-comes', codes: [...way.codes] };
    case 'stands':
      return { kind: 'code-stands', codes: [...way.codes] };
    case 'kept':
      return { kind: 'held', control: way.control, afterMs: way.ms, everyMs: way.everyMs };
    case 'steps':
      return { kind: 'gesture', steps: [...way.steps] };
    case 'sign':
      return { kind: 'sign', shown: way.shown };
    case 'passes':
      return { kind: 'input', input: way.input, passes: way.passes, value: way.value };
    case 'message':
      return { kind: 'message', from: way.from, message: way.message };
    default:
      return assertNever(way);
  }
}

/** What sets a transition off, as a sentence tells it. */
export function wayOf({ on }: Transition): Way {
  switch (on.kind) {
    case 'idle':
    case 'after':
      return { by: on.kind, ms: on.afterMs };
    case 'supply':
      return { by: 'supply', becomes: on.becomes };
    case 'code-comes':
      return { by: 'code', codes: on.codes };
    case 'code-stands':
      return { by: 'stands', codes: on.codes };
    case 'held':
      return { by: 'kept', control: on.control, ms: on.afterMs, everyMs: on.everyMs };
    case 'sign':
      return { by: 'sign', shown: on.shown };
    case 'input':
      return { by: 'passes', input: on.input, passes: on.passes, value: on.value };
    case 'message':
      return { by: 'message', from: on.from, message: on.message };
    case 'gesture': {
      const [step, ...more] = on.steps;
      const way = step && more.length === 0 ? wayOfStep(step) : null;
      // a note, a way back, anything that would be lost
      return way && JSON.stringify(stepOf(way)) === JSON.stringify(step) ? way : { by: 'steps', steps: on.steps };
    }
    default:
      return assertNever(on);
  }
}

function wayOfStep(step: Step): ByHand | null {
  if (step.kind === 'press' && step.control !== 'any') return { by: 'press', control: step.control, times: step.times };
  if (step.kind === 'turn') return { by: 'turn', control: step.control, way: step.way, clicks: step.clicks };
  if (step.kind === 'set') return { by: 'put', control: step.control, to: step.to };
  const [held, ...more] = step.kind === 'hold' ? step.controls : [];
  return held && more.length === 0 && step.kind === 'hold' && step.until.kind === 'span'
    ? { by: 'hold', control: held.control, ms: step.until.span.usualMs }
    : null;
}

const cursorOf = (mode: Mode) => mode.variables.find((v) => v.kind === 'cursor');

/** How many entries one goes through in a mode; null where it has none. */
export function entriesIn(mode: Mode): Entries | null {
  const cursor = cursorOf(mode);
  return cursor ? { of: cursor.to - cursor.from + 1, wraps: cursor.wraps } : null;
}

/** Where a transition leads, and what it does beside that: the first thing it does where it stays, the mode it goes to. */
export function leadsOf(
  mode: Mode,
  { to, effects }: Transition,
): Readonly<{ leads: Leads; besides: readonly Effect[] }> {
  const [effect, ...besides] = effects;
  if (!effect || to !== undefined)
    return { leads: to === undefined ? { to: 'stays' } : { to: 'mode', mode: to }, besides: effects };
  if (effect.kind === 'erase-memory') return { leads: { to: 'erased' }, besides };
  if (effect.kind === 'assign' && typeof effect.to === 'boolean')
    return { leads: { to: 'flag', flag: effect.variable, is: effect.to }, besides };
  if (effect.kind === 'step' && Math.abs(effect.by) === 1 && effect.variable === cursorOf(mode)?.id)
    return { leads: { to: effect.by > 0 ? 'next' : 'before' }, besides };
  return { leads: { to: 'stays' }, besides: effects };
}

/** What is done beside, as it stands behind *and*: `and empties its memory`. */
export function effectWords(effect: Effect, bundle: Bundle): string {
  switch (effect.kind) {
    case 'assign':
      return typeof effect.to === 'boolean'
        ? `remembers that ${idWords(effect.variable)} is ${effect.to ? 'so' : 'not so'}`
        : `puts ${idWords(effect.variable)} to ${effect.to}`;
    case 'step':
      return `moves ${idWords(effect.variable)} ${effect.by < 0 ? 'back' : 'on'} by ${Math.abs(effect.by)}`;
    case 'send': {
      const to = familyEntry(bundle).controllers.find((c) => c.id === effect.to);
      return `tells ${to?.name ?? effect.to} “${effect.message}”`;
    }
    case 'erase-memory':
      return 'empties its memory';
    case 'carry':
      return `takes ${idWords(effect.from)} along as ${idWords(effect.to)}`;
    default:
      return assertNever(effect);
  }
}

/** A mode's own name for what it goes through, made where it has none yet. */
function withEntries(mode: Mode, { of, wraps }: Entries): Readonly<{ mode: Mode; cursor: VariableId }> {
  const before = cursorOf(mode);
  const from = before?.from ?? 1;
  const id = before?.id ?? ('slot' as VariableId);
  const cursor = { kind: 'cursor' as const, id, from, start: from, to: from + Math.max(1, of) - 1, wraps };
  const kept = before ? { ...before, to: cursor.to, wraps } : cursor;
  return {
    mode: {
      ...mode,
      variables: before ? mode.variables.map((v) => (v === before ? kept : v)) : [...mode.variables, cursor],
    },
    cursor: id,
  };
}

function mainEffect(leads: Leads, cursor: VariableId): Effect[] {
  switch (leads.to) {
    case 'next':
    case 'before':
      return [{ kind: 'step', variable: cursor, by: leads.to === 'next' ? 1 : -1 }];
    case 'erased':
      return [{ kind: 'erase-memory' }];
    case 'flag':
      return [{ kind: 'assign', variable: leads.flag, to: leads.is }];
    case 'mode':
    case 'stays':
      return [];
    default:
      return assertNever(leads);
  }
}

/**
 * A mode with one way more, or with one in the place of another. What stands beside a way and is not asked for (a note, a
 * condition where none is given) stays with it. `entries` is how many there are to go through, where the way leads on or
 * back among them; `when` is what has to be so, null where nothing has; `besides` is what it does as well.
 */
export function withWay(
  mode: Mode,
  way: Way,
  leads: Leads,
  entries: Entries | null,
  at: number | null = null,
  when?: Condition | null,
  besides: readonly Effect[] = [],
): Mode {
  const isStep = leads.to === 'next' || leads.to === 'before';
  const { mode: own, cursor } = isStep
    ? withEntries(mode, entries ?? entriesIn(mode) ?? { of: 2, wraps: true })
    : { mode, cursor: 'slot' as VariableId };
  const before = at === null ? undefined : own.transitions[at];
  const only = when === undefined ? before?.when : when;
  const made: Transition = {
    on: triggerOf(way),
    ...(only ? { when: only } : {}),
    effects: [...mainEffect(leads, cursor), ...besides],
    ...(leads.to === 'mode' ? { to: leads.mode } : {}),
    ...(before?.note ? { note: before.note } : {}),
  };
  return Mode.parse({
    ...own,
    transitions: before ? own.transitions.map((t) => (t === before ? made : t)) : [...own.transitions, made],
  });
}

/** A mode without one of its ways. */
export const withoutWay = (mode: Mode, at: number): Mode => ({
  ...mode,
  transitions: mode.transitions.filter((_, i) => i !== at),
});

const often = (n: number): string => (n === 1 ? '' : n === 2 ? ' twice' : ` ${n} times`);

/** When a way is gone, as a sentence goes on behind “goes to …”. */
export function wayWords(way: Way, bundle: Bundle): string {
  const panel = wholePanel(bundle);
  const name = (control: ControlId): string => (panel ? partName(panel, control) : control);
  const codes = (ids: readonly CodeId[]): string =>
    ids.length === 0 ? 'a code' : ids.map((id) => entryOf(bundle, 'code', id)?.text ?? id).join(' or ');
  switch (way.by) {
    case 'idle':
      return `when nothing is done for ${printDuration(way.ms)}`;
    case 'after':
      return `by itself after ${printDuration(way.ms)}`;
    case 'press':
      return `when ${name(way.control)} is pressed${often(way.times)}`;
    case 'hold':
      return `when ${name(way.control)} is held for ${printDuration(way.ms)}`;
    case 'turn':
      return `when ${name(way.control)} is turned ${way.clicks === 1 ? 'a click' : `${way.clicks} clicks`} ${way.way === 'cw' ? 'right' : 'left'}`;
    case 'put':
      return `when ${name(way.control)} is put to ${panel ? placeName(panel, way.control, way.to) : way.to}`;
    case 'supply':
      return `when the supply comes ${way.becomes === 'on' ? 'on' : 'to an end'}`;
    case 'code':
      return `when ${codes(way.codes)} comes up`;
    case 'stands':
      return `as soon as ${codes(way.codes)} stands`;
    case 'kept':
      return `when ${name(way.control)} is kept down for ${printDuration(way.ms)}, and again every ${printDuration(way.everyMs)}`;
    case 'steps':
      return `when this is done: ${printInLine(way.steps)}`;
    case 'sign':
      return `when ${signsWords([way.shown], bundle)}`;
    case 'passes': {
      const input = entriesOf(bundle, 'family')
        .flatMap((f) => f.inputs)
        .find((i) => i.id === way.input);
      const value = input ? formatQuantity(way.value, input.quantity) : String(way.value);
      return `when ${input?.name ?? way.input} ${way.passes === 'above' ? 'rises above' : 'falls below'} ${value}`;
    }
    case 'message': {
      const from = entriesOf(bundle, 'family')
        .flatMap((f) => f.controllers)
        .find((c) => c.id === way.from);
      return `when ${from?.name ?? way.from} says “${way.message}”`;
    }
    default:
      return assertNever(way);
  }
}
