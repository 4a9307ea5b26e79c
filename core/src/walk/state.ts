import type {
  ChartId,
  CodeId,
  ControllerId,
  EventId,
  FamilyId,
  HazardId,
  MachineId,
  NodeId,
  PartId,
  ReadoutId,
  RouteId,
  SettingId,
  StageId,
  SymptomId,
  VariantId,
  WalkId,
} from '../base/ids.ts';
import { assertNever } from '../base/result.ts';
import type { Verdict } from '../model/chart.ts';
import type { Attached } from '../model/family.ts';
import type { Seen } from '../model/look.ts';
import type { Proposal } from '../model/proposal.ts';
import type { TakenReading } from '../model/taken-reading.ts';
import {
  type Clearing,
  type FirstBy,
  type Happened,
  type NothingToDo,
  type Station,
  stations,
  type WalkEvent,
  type WalkEventOf,
} from '../model/walk.ts';
import type { Permit } from '../unit/may-act.ts';

export type WalkUnit = Readonly<{
  machine: MachineId;
  serial: string;
  /** The serial number is made up: the plate could not be read. */
  serialUnread: boolean;
  model: string;
  software: string | null;
  variant: VariantId | null;
  options: Readonly<Record<string, string>>;
  composition: readonly Attached[];
}>;

/** A picture or clip taken on a walk, with where it was taken. */
export type Pictured = Pick<
  WalkEventOf<'pictured'>,
  'id' | 'at' | 'station' | 'chart' | 'node' | 'words' | 'type' | 'data'
>;

export type WalkSetting = Readonly<{ old: string | null; set: string | null; verified: boolean; putBack: boolean }>;

/** Where a code was read. */
export type ReadPlace = Readonly<{ readout: ReadoutId | null; controller: ControllerId | null; slot: number }>;
export type TakenCode = ReadPlace & Readonly<{ code: CodeId }>;
/** Everything seen at one place, as seen. */
export type KeptLook = ReadPlace & Readonly<{ seen: Seen }>;

export const samePlace = (a: ReadPlace, b: ReadPlace): boolean =>
  a.readout === b.readout && a.controller === b.controller && a.slot === b.slot;

/** An answer at a node of a chart, with the reading it came from and when it was given. */
export type GivenAnswer = Readonly<{
  chart: ChartId;
  node: NodeId;
  answer: string;
  reading: TakenReading | null;
  skipped: string | null;
  at: string;
}>;

/** A step's reading at another one of its kind. */
export type BesideReading = Pick<WalkEventOf<'beside'>, 'chart' | 'node' | 'one' | 'isGood' | 'reading' | 'at'>;

/** The key of a step: two charts may have steps of one name. */
export const stepKey = (of: Readonly<{ chart: ChartId; node: NodeId }>): string => `${of.chart}/${of.node}`;
/** The key a wait is kept under. */
export const timerKey = (of: WalkEventOf<'timer'>['of']): string => (of.kind === 'prove' ? 'prove' : stepKey(of));

/** What the customer said, and what was tried before. */
export type Complaint = Omit<WalkEventOf<'complaint'>, 'id' | 'walk' | 'seq' | 'at' | 'kind' | 'saidAt'>;

/** What a walk's events add up to. */
export type Walk = Readonly<{
  id: WalkId;
  family: FamilyId;
  bundle: string;
  startedAt: string;
  lastAt: string;
  unit: WalkUnit | null;
  confirmedHazards: readonly HazardId[] | null;
  /** What the customer said; null where nobody was asked. */
  complaint: Complaint | null;
  /** Waits for somebody who may do what comes next; null where it does not. */
  offered: Readonly<{ needs: Permit; what: string; since: string }> | null;
  /** Who took it over, in order. */
  takenOver: ReadonlyArray<Readonly<{ by: string; at: string }>>;
  ordered: ReadonlyArray<Readonly<{ part: PartId; number: string | null; quantity: number; at: string }>>;
  tries: ReadonlyArray<
    Readonly<{
      route: RouteId;
      took: boolean;
      happened: Happened | null;
      step: string | null;
      pace: number | null;
      more: boolean;
    }>
  >;
  tests: ReadonlyArray<Omit<WalkEventOf<'tested'>, 'id' | 'walk' | 'seq' | 'at' | 'kind'>>;
  /** By setting: the value it had, the one that was set, whether that was verified and the old one put back. */
  settings: ReadonlyMap<SettingId, WalkSetting>;
  /** What is locked out, by part. */
  lockedOut: ReadonlyMap<string, number>;
  skipped: ReadonlyMap<Station, string>;
  /** Stations at which there was nothing to do. */
  passed: ReadonlyMap<Station, NothingToDo>;
  /** What the test chart came to. */
  found: Readonly<{ chart: ChartId; node: NodeId | null; verdict: Verdict | null; cause: PartId | null }> | null;
  /** Codes that are done with, of several: tested or left for later, and what was found. */
  settled: ReadonlyMap<
    CodeId,
    Readonly<{ as: 'tested' | 'deferred'; why: string; found: Readonly<{ cause: PartId | null }> | null }>
  >;
  /** What of Clear is done. */
  clearing: ReadonlySet<Clearing>;
  seen: readonly KeptLook[];
  special: StageId | null;
  code: CodeId | null;
  symptom: SymptomId | null;
  unlisted: Readonly<{ text: string; words: string; asked: boolean }> | null;
  /** Every code taken so far, in the order they were read. */
  taken: readonly TakenCode[];
  /** What each controller that was asked answered. */
  swept: ReadonlyMap<ControllerId, WalkEventOf<'swept'>['result']>;
  /** The controller that has to say the same before testing starts; null where none is left to ask. */
  confirmAt: ControllerId | null;
  /** Whether the authoritative controller said the same; null where it was not asked. */
  confirmed: boolean | null;
  answers: readonly GivenAnswer[];
  notes: readonly string[];
  /** The same steps at others of their kind, each as it was read last. */
  beside: ReadonlyArray<BesideReading>;
  /** What was offered to the library. */
  proposed: ReadonlyArray<Readonly<{ offer: Proposal; words: string; at: string }>>;
  /** Suspects seen on the way. */
  suspected: ReadonlyArray<Readonly<{ part: PartId | null; text: string; at: string }>>;
  /** Waits that were begun, by `timerKey`: over so long after, wherever that is looked at. */
  timers: ReadonlyMap<string, Readonly<{ since: string; ms: number }>>;
  /** The code that something was done for before anything was tested, and whether it came back since. */
  resetFirst: Readonly<{ code: CodeId; by: FirstBy; returned: boolean | null }> | null;
  /** Pictures and clips, in the order they were taken. */
  pictures: readonly Pictured[];
  /** What was said to be owed, by event. */
  owed: ReadonlyMap<string, Readonly<{ what: string; by: string | null; who?: string; since: string }>>;
  /** What was changed by hand, by event; and what of all changes is left so. */
  changed: ReadonlyMap<string, Readonly<{ what: string; since: string }>>;
  leftSo: ReadonlySet<string>;
  /** What was put back, on this walk or an earlier one. */
  putBack: ReadonlyArray<Readonly<{ of: WalkId; what: string }>>;
  cleared: boolean;
  waitingUntil: string | null;
  /** Readings taken once more after the repair, by `stepKey`. */
  after: ReadonlyMap<string, TakenReading>;
  proved: Readonly<{ returned: boolean; cycles: number; which: readonly CodeId[] }> | null;
  closed: Readonly<{ outcome: WalkEventOf<'closed'>['outcome']; fixedBy: string }> | null;
  /** Newest event that can be taken back; null on a fresh walk. */
  lastUndoable: EventId | null;
  done: ReadonlySet<Station>;
}>;

const compareEvents = (a: WalkEvent, b: WalkEvent): number =>
  a.seq - b.seq || (a.at < b.at ? -1 : a.at > b.at ? 1 : a.id < b.id ? -1 : 1);

/** The events that count: in order, each once, without those taken back. */
export function eventsInForce(events: readonly WalkEvent[]): WalkEvent[] {
  const once = [...new Map(events.map((event) => [event.id, event])).values()].sort(compareEvents);
  const takenBack = new Set(once.flatMap((event) => (event.kind === 'taken-back' ? [event.event] : [])));
  return once.filter((event) => event.kind !== 'taken-back' && !takenBack.has(event.id));
}

function settingAfter(was: WalkSetting, event: WalkEventOf<'setting'>): WalkSetting {
  switch (event.did) {
    case 'noted':
      return { ...was, old: event.value };
    case 'set':
      return { ...was, set: event.value, verified: false, putBack: false };
    case 'verified':
      return { ...was, verified: true };
    case 'put-back':
      return { ...was, putBack: true };
  }
}

/** The beginning stays, and what passes by itself would only pass again. */
const takesBack = ({ kind }: WalkEvent): boolean => kind !== 'started' && kind !== 'passed' && kind !== 'taken-over';

function apply(walk: Walk, event: WalkEvent): Walk {
  const finish = (station: Station): ReadonlySet<Station> => new Set([...walk.done, station]);
  const next: Walk = { ...walk, lastAt: event.at, lastUndoable: takesBack(event) ? event.id : walk.lastUndoable };
  switch (event.kind) {
    case 'started':
      return {
        ...next,
        code: event.from.kind === 'code' ? event.from.code : null,
        symptom: event.from.kind === 'symptom' ? event.from.symptom : null,
        unlisted: event.from.kind === 'unlisted' ? { text: event.from.text, words: '', asked: false } : null,
      };
    case 'unit': {
      const { machine, serial, serialUnread = false, model, software, variant, options, composition } = event;
      return {
        ...next,
        unit: { machine, serial, serialUnread, model, software, variant, options, composition },
        done: finish('unit'),
      };
    }
    case 'complaint': {
      const { id: _, walk: _w, seq: _s, at: _a, kind: _k, saidAt: _d, ...complaint } = event;
      return { ...next, complaint };
    }
    case 'offered': {
      const { needs: scope, trades = [], what, at } = event;
      return { ...next, offered: { needs: { scope, trades }, what, since: at } };
    }
    case 'beside': {
      const { chart, node, one, isGood, reading, at } = event;
      const others = walk.beside.filter((b) => stepKey(b) !== stepKey(event) || b.one !== one);
      return { ...next, beside: [...others, { chart, node, one, isGood, reading, at }] };
    }
    case 'proposed':
      return { ...next, proposed: [...walk.proposed, { offer: event.offer, words: event.words, at: event.at }] };
    case 'taken-over':
      return { ...next, offered: null, takenOver: [...walk.takenOver, { by: event.by, at: event.at }] };
    case 'ordered': {
      const { part, number, quantity, at } = event;
      return { ...next, ordered: [...walk.ordered, { part, number, quantity, at }] };
    }
    case 'safe':
      return { ...next, confirmedHazards: event.hazards, done: finish('safe') };
    case 'tried':
      return {
        ...next,
        tries: [
          ...walk.tries,
          {
            route: event.route,
            took: event.took,
            happened: event.happened ?? null,
            step: event.step ?? null,
            pace: event.pace ?? null,
            more: event.more ?? false,
          },
        ],
        done: event.took && !event.more ? finish('enter') : walk.done,
      };
    case 'tested': {
      const { mode, number, result, reading, afterMs } = event;
      const others = walk.tests.filter((t) => t.mode !== mode || t.number !== number || t.result === 'not-valid');
      return {
        ...next,
        tests: [...others, { mode, number, result, reading, ...(afterMs === undefined ? {} : { afterMs }) }],
      };
    }
    case 'setting': {
      const was = walk.settings.get(event.setting) ?? { old: null, set: null, verified: false, putBack: false };
      return { ...next, settings: new Map([...walk.settings, [event.setting, settingAfter(was, event)]]) };
    }
    case 'locked-out':
      return { ...next, lockedOut: new Map([...walk.lockedOut, [event.part, event.count]]) };
    case 'skipped':
      return { ...next, skipped: new Map([...walk.skipped, [event.station, event.why]]), done: finish(event.station) };
    case 'passed':
      return { ...next, passed: new Map([...walk.passed, [event.station, event.why]]), done: finish(event.station) };
    case 'chart-ended': {
      const { chart, node, verdict, cause } = event;
      return { ...next, found: { chart, node, verdict, cause }, done: event.more ? walk.done : finish('test') };
    }
    case 'code-settled': {
      const { code, as, why, next: goesOn, more } = event;
      const isOwn = code === walk.code;
      const settled = new Map([...walk.settled, [code, { as, why, found: isOwn ? walk.found : null }] as const]);
      const done = more || goesOn ? walk.done : finish('test');
      return goesOn === null ? { ...next, settled, done } : { ...next, settled, done, code: goesOn, found: null };
    }
    case 'clear-step':
      return { ...next, clearing: new Set([...walk.clearing, event.did]) };
    case 'seen': {
      const kept = { ...placeOf(event, event.seen.slot), seen: event.seen };
      return { ...next, seen: [...walk.seen.filter((s) => !samePlace(s, kept)), kept] };
    }
    case 'special':
      return { ...next, special: event.special, done: finish('read') };
    case 'code-taken': {
      const taken = { ...placeOf(event, event.slot), code: event.code };
      const confirmAt = event.confirmAt ?? (walk.confirmAt === event.controller ? null : walk.confirmAt);
      return {
        ...next,
        taken: [...walk.taken.filter((t) => !samePlace(t, taken)), taken],
        code: event.slot === 1 || walk.code === null ? event.code : walk.code,
        unlisted: null,
        confirmAt,
        done: event.more || confirmAt ? walk.done : finish('read'),
      };
    }
    case 'swept':
      return {
        ...next,
        swept: new Map([...walk.swept, [event.controller, event.result]]),
        confirmAt: walk.confirmAt === event.controller ? null : walk.confirmAt,
      };
    case 'confirmed':
      return { ...next, confirmAt: null, confirmed: event.agrees };
    case 'read-done':
      return { ...next, code: event.code ?? walk.code, confirmAt: null, done: finish('read') };
    case 'unlisted':
      return {
        ...next,
        code: null,
        unlisted: { text: event.text, words: event.words, asked: event.ask },
        done: finish('read'),
      };
    case 'symptom-taken':
      return { ...next, symptom: event.symptom };
    case 'answered': {
      const { chart, node, answer, reading, skipped = null, at } = event;
      const timers = new Map(walk.timers);
      timers.delete(timerKey({ kind: 'node', chart, node }));
      return { ...next, timers, answers: [...walk.answers, { chart, node, answer, reading, skipped, at }] };
    }
    case 'suspected':
      return { ...next, suspected: [...walk.suspected, { part: event.part, text: event.text, at: event.at }] };
    case 'timer': {
      const begun = { since: event.at, ms: event.ms };
      return { ...next, timers: new Map([...walk.timers, [timerKey(event.of), begun]]) };
    }
    case 'owed':
      return {
        ...next,
        owed: new Map([
          ...walk.owed,
          [event.id, { what: event.what, by: event.by, since: event.at, ...(event.who && { who: event.who }) }],
        ]),
        leftSo: event.left ? new Set([...walk.leftSo, event.left]) : walk.leftSo,
      };
    case 'reset-first':
      return { ...next, resetFirst: { code: event.code, by: event.by, returned: event.returned } };
    case 'pictured': {
      const { id, at, station, chart, node, words, type, data } = event;
      return { ...next, pictures: [...walk.pictures, { id, at, station, chart, node, words, type, data }] };
    }
    case 'changed':
      return { ...next, changed: new Map([...walk.changed, [event.id, { what: event.what, since: event.at }]]) };
    case 'put-back':
      return { ...next, putBack: [...walk.putBack, { of: event.of, what: event.what }] };
    case 'noted':
      return { ...next, notes: [...walk.notes, event.text] };
    case 'cleared':
      return { ...next, cleared: true, done: new Set([...walk.done, 'test', 'clear']) };
    case 'waits':
      return { ...next, waitingUntil: event.until };
    case 'resumed':
      return { ...next, waitingUntil: null };
    case 'reading-after':
      return { ...next, after: new Map([...walk.after, [stepKey(event), event.reading]]) };
    case 'proved':
      return {
        ...next,
        proved: { returned: event.returned, cycles: event.cycles, which: event.which ?? [] },
        waitingUntil: null,
      };
    case 'closed':
      return {
        ...next,
        closed: { outcome: event.outcome, fixedBy: event.fixedBy },
        waitingUntil: null,
        done: finish('prove'),
      };
    case 'taken-back':
      return walk;
    default:
      return assertNever(event);
  }
}

const placeOf = (event: { readout?: ReadoutId; controller?: ControllerId }, slot: number): ReadPlace => ({
  readout: event.readout ?? null,
  controller: event.controller ?? null,
  slot,
});

/** Adds up a walk's events, whatever order they came in and however often; null without its `started` event. */
export function foldWalk(events: readonly WalkEvent[]): Walk | null {
  const standing = eventsInForce(events);
  const started = standing.find((event) => event.kind === 'started');
  if (!started) return null;
  const empty: Walk = {
    id: started.walk,
    family: started.family,
    bundle: started.bundle,
    startedAt: started.at,
    lastAt: started.at,
    unit: null,
    confirmedHazards: null,
    complaint: null,
    offered: null,
    takenOver: [],
    ordered: [],
    tries: [],
    tests: [],
    settings: new Map(),
    lockedOut: new Map(),
    skipped: new Map(),
    passed: new Map(),
    found: null,
    settled: new Map(),
    clearing: new Set(),
    seen: [],
    special: null,
    code: null,
    symptom: null,
    unlisted: null,
    taken: [],
    swept: new Map(),
    confirmAt: null,
    confirmed: null,
    answers: [],
    notes: [],
    suspected: [],
    beside: [],
    proposed: [],
    timers: new Map(),
    resetFirst: null,
    pictures: [],
    owed: new Map(),
    changed: new Map(),
    leftSo: new Set(),
    putBack: [],
    cleared: false,
    waitingUntil: null,
    after: new Map(),
    proved: null,
    closed: null,
    lastUndoable: null,
    done: new Set(),
  };
  return standing.reduce(apply, empty);
}

/** The station a walk stands at: the first that is not done, in the fixed order. */
export function currentStation(walk: Walk): Station {
  return stations.find((station) => !walk.done.has(station)) ?? 'prove';
}
