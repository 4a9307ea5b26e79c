import type { ModeId } from '../base/ids.ts';
import { type Entry, entrySchemas } from '../model/entry.ts';
import type { Mode } from '../model/mode.ts';
import type { Route } from '../model/route.ts';
import { entriesOf } from '../model/select.ts';

/** States most units can be in, in the words of the trade; each becomes a mode that hangs together with the ways and the readout. */
export const presets = [
  'off',
  'normal',
  'check',
  'menu',
  'stored',
  'live',
  'tests',
  'settings',
  'calibration',
  'locked',
] as const;
export type Preset = (typeof presets)[number];

/** What a state is called, what one does there, and which ways lead there. */
export const presetWords: Readonly<Record<Preset, Readonly<{ name: string; says: string }>>> = {
  off: { name: 'Off', says: 'no supply' },
  normal: { name: 'Normal', says: 'as a customer uses it' },
  check: { name: 'Self-check', says: 'for a moment after it gets its supply; nothing is taken meanwhile' },
  menu: { name: 'Service menu', says: 'entries one goes through' },
  stored: { name: 'Stored codes', says: 'shows what is stored, one after the other' },
  live: { name: 'Live values', says: 'shows what it measures now' },
  tests: { name: 'Tests', says: 'runs parts by number' },
  settings: { name: 'Settings', says: 'shows what is set, to be changed' },
  calibration: { name: 'Calibration', says: 'learns where its ends are' },
  locked: { name: 'Locked out', says: 'takes nothing until it is reset' },
};

const sorts: Readonly<Record<Preset, Mode['sort']>> = {
  off: 'off',
  normal: 'standby',
  check: 'running',
  menu: 'service',
  stored: 'memory',
  live: 'live',
  tests: 'tests',
  settings: 'settings',
  calibration: 'service',
  locked: 'locked-out',
};

const idOf: Readonly<Record<Preset, string>> = {
  off: 'off',
  normal: 'normal',
  check: 'self-check',
  menu: 'service-menu',
  stored: 'stored-codes',
  live: 'live-values',
  tests: 'tests',
  settings: 'settings',
  calibration: 'calibration',
  locked: 'locked-out',
};

/** Which states are wanted, and the few things that are not known of themselves. */
export type States = Readonly<{
  on: readonly Preset[];
  /** After so long without anybody it leaves by itself, in milliseconds; null where it stays. */
  idleMs: number | null;
  /** How many codes it keeps. */
  holds: number;
  /** How long the self-check takes, in milliseconds. */
  checkMs: number;
}>;

type All = { entries: Entry[] };

/** The preset a mode was made of, or is like by what it is for. */
export function presetOf(mode: Mode): Preset | null {
  const own = presets.find((p) => idOf[p] === mode.id);
  return (
    own ?? presets.find((p) => sorts[p] === mode.sort && p !== 'check' && p !== 'calibration' && p !== 'menu') ?? null
  );
}

/** What of the states is there already, and what the ways ask for. */
export function statesOf(all: All): States {
  const modes = entriesOf(all, 'mode');
  const routes = entriesOf(all, 'route');
  const there = new Set(modes.flatMap((m) => presetOf(m) ?? []));
  const asked: Preset[] = [
    'off',
    'normal',
    ...(routes.some((r) => r.purpose === 'enter' || r.purpose === 'clear') ? (['stored'] as const) : []),
    ...(routes.some((r) => r.purpose === 'calibrate') ? (['calibration'] as const) : []),
    ...(routes.some((r) => r.purpose === 'test') ? (['tests'] as const) : []),
  ];
  const memory = modes.find((m) => m.sort === 'memory');
  const cursor = memory?.variables.find((v) => v.kind === 'cursor');
  const idle = memory?.transitions.find((t) => t.on.kind === 'idle');
  const deaf = modes.find((m) => m.id === idOf.check)?.deafForMs;
  return {
    on: presets.filter((p) => there.has(p) || (modes.length === 0 && asked.includes(p))),
    idleMs: idle?.on.kind === 'idle' ? idle.on.afterMs : memory ? null : 300_000,
    holds: cursor?.kind === 'cursor' ? cursor.to : 8,
    checkMs: deaf ?? 3000,
  };
}

/**
 * The entries that come of the states wanted: modes that are not there yet, or whose time-out or number of codes was answered
 * otherwise; ways that lead from and to them, and step or erase what is stored; the readout that shows it there. What somebody
 * wrote otherwise by hand stays: a way that names a mode already is left as it is.
 */
export function withStates(all: All, states: States): Entry[] {
  const family = entriesOf(all, 'family')[0];
  if (!family) return [];
  const controller = family.controllers[0]?.id ?? 'main';
  const modes = entriesOf(all, 'mode');
  const found = new Map<Preset, Mode>();
  for (const m of modes) {
    const p = presetOf(m);
    if (p !== null && !found.has(p)) found.set(p, m);
  }
  const on = new Set<Preset>(states.on);
  const idFor = (p: Preset): ModeId => (found.get(p)?.id ?? idOf[p]) as ModeId;
  const supplied: Preset = on.has('check') ? 'check' : 'normal';
  const readouts = entriesOf(all, 'readout').filter((r) => r.stages.length > 0 || r.specials.length > 0);
  // one that is read there already, else the first
  const readout = readouts.find((r) => r.modes.includes(idFor('stored'))) ?? readouts[0];
  const powers = entriesOf(all, 'panel').some((p) =>
    p.faces.some((f) => f.controls.some((c) => c.powersAt.length > 0)),
  );
  const drafts: Entry[] = [];
  const put = (entry: unknown): void => {
    const body = entrySchemas[(entry as Entry).kind].parse(entry) as Entry;
    const before = all.entries.find((e) => e.kind === body.kind && e.id === body.id);
    if (JSON.stringify(before) !== JSON.stringify(body)) drafts.push(body);
  };
  for (const p of presets) {
    if (!on.has(p)) continue;
    const own = found.get(p);
    const leaves = p === 'off' || p === 'normal' || p === 'locked' ? [] : leavesOf(p, states, on, idFor);
    const slot = { kind: 'cursor', id: 'slot', from: 1, to: Math.max(2, states.holds), start: 1, wraps: true };
    const usual = {
      kind: 'mode',
      id: idOf[p],
      family: family.id,
      controller,
      name: presetWords[p].name,
      sort: sorts[p],
      ...(p === 'check' ? { deafForMs: states.checkMs } : {}),
      ...(p === 'stored' ? { variables: [slot] } : {}),
      ...(p === 'stored' && readout
        ? { shows: [{ kind: 'readout', readout: readout.id, of: { kind: 'memory', slot: 'slot' } }] }
        : {}),
      transitions: [
        ...leaves,
        ...(p === 'off' && powers
          ? [{ on: { kind: 'supply', becomes: 'on' }, to: idFor(supplied) }]
          : p !== 'off' && on.has('off') && powers
            ? [{ on: { kind: 'supply', becomes: 'off' }, to: idFor('off') }]
            : []),
      ],
    };
    if (!own) put(usual);
    else
      put({
        ...own,
        ...answered(p, own, states, idFor('normal')),
        ...(p === 'stored' && own.shows.length === 0 && readout ? { shows: usual.shows } : {}),
      });
  }
  for (const route of entriesOf(all, 'route')) put({ ...route, ...joined(route, on, idFor, found.get('stored')) });
  if (readout && on.has('stored') && !readout.modes.includes(idFor('stored')))
    put({
      ...readout,
      modes: [...readout.modes, idFor('stored')],
      slots: readout.slots.count > 1 || readout.slots.next ? readout.slots : slotsOf(all, states),
    });
  return drafts;
}

/** The entries that come of one state more: the mode, and what is known to lead there. Modes that are there stay as they are. */
export function withState(all: All, preset: Preset): Entry[] {
  const modes = entriesOf(all, 'mode');
  const there = modes.flatMap((m) => presetOf(m) ?? []);
  return withStates(all, { ...statesOf(all), on: [...there, preset] }).filter(
    (d) => d.kind !== 'mode' || modes.every((m) => m.id !== d.id),
  );
}

/** How a state is left by itself. */
function leavesOf(
  p: Preset,
  { idleMs, checkMs }: States,
  on: ReadonlySet<Preset>,
  idFor: (p: Preset) => ModeId,
): object[] {
  if (!on.has('normal')) return [];
  if (p === 'check') return [{ on: { kind: 'after', afterMs: checkMs }, to: idFor('normal') }];
  return idleMs === null ? [] : [{ on: { kind: 'idle', afterMs: idleMs }, to: idFor('normal') }];
}

/** A mode that is there, with what was answered anew. */
function answered(p: Preset, own: Mode, { idleMs, holds, checkMs }: States, normal: ModeId): Partial<Mode> {
  if (p === 'off' || p === 'normal' || p === 'locked') return {};
  if (p === 'check') return { deafForMs: checkMs };
  const idle = own.transitions.find((t) => t.on.kind === 'idle');
  const others = own.transitions.filter((t) => t !== idle);
  const kept =
    idleMs === null
      ? others
      : [{ ...(idle ?? { to: normal, effects: [] }), on: { kind: 'idle' as const, afterMs: idleMs } }, ...others];
  return {
    transitions: kept,
    ...(p === 'stored'
      ? {
          variables: own.variables.map((v) =>
            v.kind === 'cursor' && v.id === 'slot' ? { ...v, to: Math.max(2, holds) } : v,
          ),
        }
      : {}),
  };
}

/** Where a way leads from and to, by what it is for; what it does to what is stored. A way that says so itself stays as it is. */
function joined(
  route: Route,
  on: ReadonlySet<Preset>,
  idFor: (p: Preset) => ModeId,
  memory: Mode | undefined,
): Partial<Route> {
  const inStored: Route['from'] = [idFor('stored')];
  const cursor = memory ? memory.variables.find((v) => v.kind === 'cursor')?.id : 'slot';
  const step = cursor === undefined ? [] : [{ kind: 'step' as const, variable: cursor, by: 1 }];
  const from = (own: Route['from']): Route['from'] => (route.from === 'any' ? own : route.from);
  if (route.to !== null) return {};
  switch (route.purpose) {
    case 'enter':
      return on.has('stored') ? { to: idFor('stored') } : {};
    case 'step':
      return on.has('stored')
        ? {
            from: from(inStored),
            to: idFor('stored'),
            effects: route.effects.length > 0 ? route.effects : (step as Route['effects']),
          }
        : {};
    case 'clear':
      return on.has('stored')
        ? {
            from: from(inStored),
            to: idFor('stored'),
            effects: route.effects.length > 0 ? route.effects : [{ kind: 'erase-memory' }],
          }
        : {};
    case 'leave':
      return on.has('stored') && on.has('normal') ? { from: from(inStored), to: idFor('normal') } : {};
    case 'calibrate':
      return on.has('calibration') ? { from: from(on.has('stored') ? inStored : 'any'), to: idFor('calibration') } : {};
    case 'test':
      return on.has('tests') ? { from: from(on.has('stored') ? inStored : 'any'), to: idFor('tests') } : {};
    case 'lock-out':
      return {};
  }
}

/** How one comes to the next stored code: by the way that steps, newest first. */
function slotsOf(all: All, { holds }: States): object {
  const next = entriesOf(all, 'route').find((r) => r.purpose === 'step');
  return { count: Math.max(1, holds), order: 'latest-first', ...(next ? { next: next.id } : {}) };
}
