import type {
  CodeId,
  ControlId,
  InstrumentId,
  ParameterId,
  PlaceId,
  ReadoutId,
  RouteId,
  SourceId,
} from '../base/ids.ts';
import { type Scope, scopes, standings } from '../base/text.ts';
import { defaultWithinMs, type Held, type Repeats, type Retry, retries, type Step } from '../model/route.ts';
import type { Line } from './line.ts';
import type { LineWord, NoteWord } from './words.ts';

type Ways = { right: 'cw'; left: 'ccw'; cw: 'cw'; ccw: 'ccw'; clockwise: 'cw'; counterclockwise: 'ccw' };
const ways: Ways = { right: 'cw', left: 'ccw', cw: 'cw', ccw: 'ccw', clockwise: 'cw', counterclockwise: 'ccw' };

function held(line: Line): Held[] {
  const controls: Held[] = [];
  do {
    const control = line.id('control') as ControlId;
    const word = line.peek();
    const bare = line.atEnd || word === '+' || word === 'for' || word === 'until';
    controls.push(bare ? { control } : { control, place: line.id('place') as PlaceId });
  } while (line.takes('+'));
  return controls;
}

const way = (line: Line): 'cw' | 'ccw' => ways[line.word(Object.keys(ways), 'way') as keyof Ways];

function until(line: Line) {
  if (line.takes('for')) {
    const span = line.span();
    if (!line.takes('from')) return { kind: 'span' as const, span };
    line.expect('power-on');
    return { kind: 'span' as const, span, from: 'power-on' as const };
  }
  if (line.takes('until')) return { kind: 'moment' as const, moment: line.moment() };
  return null;
}

function dial(line: Line): Step {
  const text = line.quoted('characters');
  line.expect('from');
  const start = line.quoted('start');
  line.expect('with');
  const knob = line.takes('knob') ? (line.id('control') as ControlId) : null;
  if (knob !== null) {
    const moves = line.takes('next') ? { next: line.id('control') as ControlId } : {};
    return { kind: 'dial', text, start, ...alphabetOf(line), by: { kind: 'knob', knob, ...moves } };
  }
  const up = line.ids('control') as ControlId[];
  const down = line.takes('down-with') ? (line.ids('control') as ControlId[]) : [];
  const next = line.takes('next') ? (line.id('control') as ControlId) : null;
  const by =
    next === null || up[0] === undefined
      ? { kind: 'each' as const, up, down }
      : { kind: 'moving' as const, up: up[0], ...(down[0] ? { down: down[0] } : {}), next };
  return { kind: 'dial', text, start, ...alphabetOf(line), by };
}

const alphabetOf = (line: Line) => ({
  alphabet: line.takes('of') ? line.quoted('alphabet').split('') : [...'0123456789'],
  wraps: !line.takes('stops'),
});

function choose(line: Line): Step {
  const path = [line.quoted('menu-entry')];
  while (line.takes('>')) path.push(line.quoted('menu-entry'));
  const where = line.word(['on-unit', 'with'], 'on-what');
  const on = where === 'with' ? (line.id('instrument') as InstrumentId) : ('unit' as const);
  return {
    kind: 'choose',
    on,
    path,
    ...(line.takes('needs') ? { needs: line.quoted('function') } : {}),
    ...(line.takes('confirm') ? { confirm: line.quoted('prompt') } : {}),
    ...(line.takes('value') ? { value: line.quoted('value') } : {}),
  };
}

function branchOn(line: Line): Extract<Step, { kind: 'branch' }>['on'] {
  if (line.takes('nothing')) {
    line.expect('within');
    return { kind: 'nothing-done', withinMs: line.duration() };
  }
  if (line.takes('reads'))
    return { kind: 'reads', readout: line.id('readout') as ReadoutId, code: line.id('code') as CodeId };
  return { kind: 'sign', shown: line.shown() };
}

const seen = (line: Line, must: 'must' | 'may' | 'must-not'): Step => {
  const signs = [line.shown()];
  while (line.takes(',')) signs.push(line.shown());
  const within = line.takes('within') ? line.span() : null;
  return { kind: 'see', must, signs, ...(within ? { within } : {}) };
};

function repeatsOf(line: Line): Repeats {
  const afterMs = line.duration();
  line.expect('every');
  return { afterMs, everyMs: line.duration() };
}

function roundOf(line: Line): { from: number; to: number } {
  const from = line.integer('entry', 0, 9999);
  line.expect('to');
  return { from, to: line.integer('entry', 0, 9999) };
}

function valuesOf(line: Line): Array<{ parameter: ParameterId; is: number }> {
  const values: Array<{ parameter: ParameterId; is: number }> = [];
  do values.push({ parameter: line.id('value') as ParameterId, is: line.numeral() });
  while (line.takes(','));
  return values;
}

/** The step a line begins with `word`. Steps inside it are put in by the caller. */
export function parseHead(word: Exclude<LineWord, 'else' | 'from' | 'reach'>, line: Line): Step {
  switch (word) {
    case 'press':
      return { kind: 'press', control: line.id('control-or-any') as ControlId, times: line.times() };
    case 'hold': {
      const controls = held(line);
      return { kind: 'hold', controls, until: until(line) ?? { kind: 'release' } };
    }
    case 'keep': {
      const controls = held(line);
      const end = until(line);
      return { kind: 'keep', controls, during: [], ...(end ? { until: end } : {}) };
    }
    case 'let-go': {
      const controls = line.takes('all') ? [] : (line.ids('control-or-all') as ControlId[]);
      return { kind: 'release', controls, ...(line.takes('at') ? { at: line.moment() } : {}) };
    }
    case 'turn': {
      const control = line.id('control') as ControlId;
      const direction = way(line);
      const clicks = line.integer('clicks', 1, 200);
      line.takes('clicks', 'click');
      return { kind: 'turn', control, clicks, way: direction };
    }
    case 'sweep': {
      const control = line.id('control') as ControlId;
      const direction = way(line);
      const turns = line.integer('turns', 1, 50);
      line.takes('turns', 'turn');
      const stopAt = line.takes('to') ? (line.id('place') as PlaceId) : null;
      return { kind: 'sweep', control, turns, way: direction, ...(stopAt ? { stopAt } : {}) };
    }
    case 'set':
      return { kind: 'set', control: line.id('control') as ControlId, to: line.id('place') as PlaceId };
    case 'rest':
      return { kind: 'rest', span: line.span() };
    case 'step': {
      const control = line.id('control') as ControlId;
      const start = line.takes('from') ? line.integer('entry', 0, 9999) : 0;
      line.expect('to');
      const to = line.integer('entry', 0, 9999);
      const by = line.takes('ramp') ? 'ramp' : 'press';
      const repeats = line.takes('after') ? repeatsOf(line) : null;
      const back = line.takes('back') ? (line.id('control') as ControlId) : null;
      const round = line.takes('round') ? roundOf(line) : null;
      const overshoot = line.takes('over') ? line.quoted('act') : null;
      return {
        kind: 'step-list',
        control,
        to,
        start,
        by,
        ...(repeats && { repeats }),
        ...(back && { back }),
        ...(round && { round }),
        ...(overshoot === null ? {} : { overshoot }),
      };
    }
    case 'together': {
      const controls = line.ids('control') as ControlId[];
      const times = line.atEnd || line.peek() === 'within' ? 1 : line.times(20);
      return { kind: 'together', controls, times, withinMs: line.takes('within') ? line.duration() : defaultWithinMs };
    }
    case 'do': {
      const route = line.id('route') as RouteId;
      const times = line.atEnd || line.peek() === 'with' ? 1 : line.times();
      const values = line.takes('with') ? valuesOf(line) : null;
      return { kind: 'do', route, times, ...(values && { values }) };
    }
    case 'dial':
      return dial(line);
    case 'choose':
      return choose(line);
    case 'see':
      return seen(line, 'must');
    case 'may':
      return seen(line, 'may');
    case 'no':
      return seen(line, 'must-not');
    case 'within': {
      const mostMs = line.duration();
      line.expect('of');
      const from = line.moment();
      return { kind: 'group', steps: [], times: line.times(), window: { from, mostMs } };
    }
    case 'group':
      return { kind: 'group', steps: [], times: line.times() };
    case 'if':
      return { kind: 'branch', on: branchOn(line), met: [], otherwise: [] };
    case 'at':
      return { kind: 'at-place', place: line.tail('location', 120) };
    case 'say':
      return { kind: 'say', text: line.tail('sentence') };
    case 'bypass':
      return { kind: 'bypass', what: line.id('control-or-part') as ControlId };
  }
}

/** What may still stand in a line, for naming the likeliest word when something else does. */
export const tailWords = [
  'times',
  'for',
  'until',
  'within',
  'of',
  'to',
  'at',
  'from',
  'with',
  'confirm',
  'value',
  'ramp',
  'after',
  'every',
  'back',
  'round',
  'knob',
  'over',
];

/** Reads a note line onto its step. */
export function readNote(word: NoteWord, line: Line, step: Step): void {
  switch (word) {
    case 'for':
      step.scope = line.word(scopes, 'who') as Scope;
      break;
    case 'amount':
      step.amount = line.id('value') as ParameterId;
      break;
    case 'takes':
      step.takes = line.span();
      break;
    case 'why':
      step.why = line.tail('reason');
      break;
    case 'caution':
      step.caution = line.tail('caution');
      break;
    case 'tool':
      step.tool = line.tail('tool', 120);
      break;
    case 'feels':
      step.feelsLike = line.tail('feel');
      break;
    case 'if-it-fails':
      step.ifItFails = line.tail('act');
      break;
    case 'retry': {
      const all: Retry[] = [];
      do all.push(line.word(retries, 'advice') as Retry);
      while (line.takes(','));
      step.retry = all;
      break;
    }
    case 'source':
      step.source = line.id('source') as SourceId;
      break;
    case 'standing':
      step.standing = line.word(standings, 'standing') as (typeof standings)[number];
      break;
  }
}
