import type { Path } from '../base/finding.ts';
import { assertNever } from '../base/result.ts';
import type { Entry, EntryKind } from './entry.ts';
import type { Step } from './route.ts';
import { eachStep } from './steps.ts';

/** One entry naming another, and where it does so (from the entry's root). */
export type Link = Readonly<{ to: Readonly<{ kind: EntryKind; id: string }>; at: Path }>;

function stepLinks(steps: readonly Step[], at: Path): Link[] {
  return eachStep(steps, at).flatMap(({ step, at: here }) => [
    ...one('source', step.source, [...here, 'source']),
    ...(step.kind === 'branch' && step.on.kind === 'reads'
      ? [
          ...one('readout', step.on.readout, [...here, 'on', 'readout']),
          ...one('code', step.on.code, [...here, 'on', 'code']),
        ]
      : []),
    ...(step.kind === 'choose' && step.on !== 'unit' ? one('instrument', step.on, [...here, 'on']) : []),
  ]);
}

const one = (kind: EntryKind, id: string | null | undefined, at: Path): Link[] =>
  id ? [{ to: { kind, id }, at }] : [];
const many = (kind: EntryKind, ids: readonly string[], at: Path): Link[] =>
  ids.map((id, i) => ({ to: { kind, id }, at: [...at, i] }));
const each = <T>(list: readonly T[], at: string, links: (item: T, here: Path) => Link[]): Link[] =>
  list.flatMap((item, i) => links(item, [at, i]));

/** Every other entry that this one names. The one list of references: validation, indexes and impact all use it. */
export function linksOf(entry: Entry): Link[] {
  switch (entry.kind) {
    case 'family':
      return [
        ...each(entry.parameters, 'parameters', (p, at) => one('source', p.source, [...at, 'source'])),
        ...each(entry.parts, 'parts', (p, at) => one('route', p.recalibrateBy, [...at, 'recalibrateBy'])),
        ...many('asset', entry.pictures, ['pictures']),
        ...each(entry.controllers, 'controllers', (c, at) => one('route', c.toldBy?.route, [...at, 'toldBy', 'route'])),
      ];
    case 'panel':
      return one('family', entry.family, ['family']);
    case 'mode':
      return [
        ...one('family', entry.family, ['family']),
        ...each(entry.shows, 'shows', (s, at) =>
          s.kind === 'readout' ? one('readout', s.readout, [...at, 'readout']) : [],
        ),
        ...each(entry.transitions, 'transitions', (t, at) => [
          ...one('mode', t.to, [...at, 'to']),
          ...(t.on.kind === 'gesture' ? stepLinks(t.on.steps, [...at, 'on', 'steps']) : []),
        ]),
      ];
    case 'route':
      return [
        ...one('family', entry.family, ['family']),
        ...(entry.from === 'any' ? [] : many('mode', entry.from, ['from'])),
        ...one('mode', entry.to, ['to']),
        ...many('code', entry.onlyFor, ['onlyFor']),
        ...many('hazard', entry.hazards, ['hazards']),
        ...many('access', entry.ways, ['ways']),
        ...one('chart', entry.chart, ['chart']),
        ...one('source', entry.source, ['source']),
        ...each(entry.settled, 'settled', (s, at) => [
          ...many('account', s.accounts, [...at, 'accounts']),
          ...one('account', s.chosen, [...at, 'chosen']),
        ]),
        ...each(entry.knownNotToWork, 'knownNotToWork', (k, at) => stepLinks(k.steps ?? [], [...at, 'steps'])),
        ...stepLinks(entry.steps, ['steps']),
      ];
    case 'account':
      return [
        ...one('family', entry.family, ['family']),
        ...one('route', entry.route, ['route']),
        ...one('source', entry.source, ['source']),
        ...stepLinks(entry.steps, ['steps']),
      ];
    case 'readout':
      return [
        ...one('family', entry.family, ['family']),
        ...many('mode', entry.modes, ['modes']),
        ...one('readout', entry.codesOf, ['codesOf']),
        ...one('route', entry.slots.next, ['slots', 'next']),
        ...one('source', entry.source, ['source']),
        ...each(entry.stages, 'stages', (s, at) =>
          s.comes.kind === 'route' ? one('route', s.comes.route, [...at, 'comes', 'route']) : [],
        ),
        ...each(entry.alsoFor, 'alsoFor', (a, at) => one('route', a.route, [...at, 'route'])),
        ...each(entry.specials, 'specials', (s, at) => [
          ...one('mode', s.mode, [...at, 'mode']),
          ...one('setting', s.setting, [...at, 'setting']),
        ]),
        ...each(entry.accounts, 'accounts', (a, at) => one('source', a.source, [...at, 'source'])),
      ];
    case 'code':
    case 'symptom':
      return [
        ...one('family', entry.family, ['family']),
        ...(entry.kind === 'code' ? one('readout', entry.readout, ['readout']) : []),
        ...one('chart', entry.chart, ['chart']),
        ...one('route', entry.enter, ['enter']),
        ...one('route', entry.clear, ['clear']),
        ...one('source', entry.source, ['source']),
        ...many('hazard', entry.hazards, ['hazards']),
        ...many('asset', entry.pictures, ['pictures']),
        ...each(entry.seeAlso, 'seeAlso', (s, at) => one('code', s.code, [...at, 'code'])),
        ...each(entry.claims, 'claims', (c, at) => one('source', c.source, [...at, 'source'])),
        ...each(entry.suspects, 'suspects', (s, at) => one('source', s.source, [...at, 'source'])),
      ];
    case 'setting':
      return [
        ...one('family', entry.family, ['family']),
        ...one('route', entry.route, ['route']),
        ...one('source', entry.source, ['source']),
      ];
    case 'chart':
      return [
        ...one('family', entry.family, ['family']),
        ...one('source', entry.source, ['source']),
        ...each(entry.nodes, 'nodes', (n, at) => [
          ...many('hazard', n.hazards, [...at, 'hazards']),
          ...many('access', n.ways, [...at, 'ways']),
          ...many('asset', n.pictures, [...at, 'pictures']),
          ...one('source', n.source, [...at, 'source']),
          ...(n.kind === 'measure' ? one('instrument', n.instrument, [...at, 'instrument']) : []),
          ...(n.kind === 'operate'
            ? [...one('route', n.route, [...at, 'route']), ...one('mode', n.test?.mode, [...at, 'test', 'mode'])]
            : []),
          ...(n.kind === 'act' ? one('route', n.recalibrate, [...at, 'recalibrate']) : []),
          ...(n.kind === 'set' ? one('setting', n.setting, [...at, 'setting']) : []),
          ...(n.kind === 'call' ? one('chart', n.chart, [...at, 'chart']) : []),
          ...(n.kind === 'compare' && n.against.kind === 'setting'
            ? one('setting', n.against.setting, [...at, 'against', 'setting'])
            : []),
          ...(n.kind === 'measure' && n.band.kind === 'of-setting'
            ? one('setting', n.band.setting, [...at, 'band', 'setting'])
            : []),
        ]),
      ];
    case 'source':
      return [
        ...one('family', entry.family, ['family']),
        ...(entry.sort === 'bench' ? many('asset', entry.pictures, ['pictures']) : []),
      ];
    case 'asset':
      return one('family', entry.family, ['family']);
    case 'access':
      return [
        ...one('family', entry.family, ['family']),
        ...many('hazard', entry.hazards, ['hazards']),
        ...one('source', entry.source, ['source']),
      ];
    case 'meaning':
      return one('source', entry.source, ['source']);
    case 'hazard':
    case 'instrument':
      return [];
    default:
      return assertNever(entry);
  }
}
