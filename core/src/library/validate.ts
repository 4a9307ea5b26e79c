import type { Finding, Path } from '../base/finding.ts';
import { namedNodes } from '../chart/choices.ts';
import type { Bundle } from '../model/bundle.ts';
import type { Entry } from '../model/entry.ts';
import { keyText } from '../model/key.ts';
import { linksOf } from '../model/links.ts';
import type { Step } from '../model/route.ts';
import type { Shown } from '../model/shown.ts';
import { eachStep } from '../model/steps.ts';

/** The things on a unit that steps, readouts and charts name: controls with their places, signs, parts, and so on. */
type Names = {
  controls: Map<string, ReadonlySet<string> | null>;
  signs: Set<string>;
  controllers: Set<string>;
  parts: Set<string>;
  parameters: Set<string>;
  variants: Set<string>;
};

function namesOf(bundle: Bundle): Names {
  const names: Names = {
    controls: new Map(),
    signs: new Set(),
    controllers: new Set(),
    parts: new Set(),
    parameters: new Set(),
    variants: new Set(),
  };
  for (const entry of bundle.entries) {
    if (entry.kind === 'panel')
      for (const face of entry.faces) {
        for (const control of face.controls) {
          const { mechanism } = control;
          const places =
            mechanism.kind === 'places'
              ? mechanism.places.map((p) => p.id)
              : mechanism.kind === 'clicks'
                ? mechanism.rests.map((r) => r.id)
                : null;
          names.controls.set(control.id, places && new Set<string>(places));
        }
        for (const sign of face.signs) names.signs.add(sign.id);
      }
    if (entry.kind === 'family') {
      for (const c of entry.controllers) names.controllers.add(c.id);
      for (const p of entry.parts) names.parts.add(p.id);
      for (const p of entry.parameters) names.parameters.add(p.id);
      for (const v of entry.variants) names.variants.add(v.id);
    }
  }
  return names;
}

type Use = Readonly<{
  what: 'control' | 'place' | 'sign' | 'controller' | 'part' | 'parameter' | 'variant' | 'node' | 'stage';
  id: string;
  at: Path;
  of?: string;
}>;

const shownUses = (shown: readonly Shown[], at: Path): Use[] =>
  shown.map((s, i) => ({ what: 'sign', id: s.sign, at: [...at, i, 'sign'] }));

/** The sign a hold is kept until. */
function untilUses(until: Extract<Step, { kind: 'hold' | 'keep' }>['until'], at: Path): Use[] {
  if (until?.kind !== 'moment' || until.moment.kind !== 'sign') return [];
  return [{ what: 'sign', id: until.moment.shown.sign, at: [...at, 'until', 'moment', 'shown', 'sign'] }];
}

function stepUses(steps: readonly Step[], under: Path): Use[] {
  return eachStep(steps, under).flatMap(({ step, at }): Use[] => {
    const control = (id: string, key: Path): Use => ({ what: 'control', id, at: [...at, ...key] });
    switch (step.kind) {
      case 'press':
        return step.control === 'any' ? [] : [control(step.control, ['control'])];
      case 'hold':
      case 'keep':
        return [
          ...untilUses(step.until, at),
          ...step.controls.flatMap((held, i): Use[] => [
            control(held.control, ['controls', i, 'control']),
            ...(held.place
              ? [{ what: 'place', id: held.place, of: held.control, at: [...at, 'controls', i, 'place'] } as const]
              : []),
          ]),
        ];
      case 'turn':
      case 'step-list':
        return [control(step.control, ['control'])];
      case 'sweep':
        return [
          control(step.control, ['control']),
          ...(step.stopAt
            ? [{ what: 'place', id: step.stopAt, of: step.control, at: [...at, 'stopAt'] } as const]
            : []),
        ];
      case 'set':
        return [
          control(step.control, ['control']),
          { what: 'place', id: step.to, of: step.control, at: [...at, 'to'] },
        ];
      case 'release':
        return [
          ...step.controls.map((id, i) => control(id, ['controls', i])),
          ...(step.at?.kind === 'sign' ? shownUses([step.at.shown], [...at, 'at', 'shown']) : []),
        ];
      case 'dial':
        return step.by.kind === 'each'
          ? [
              ...step.by.up.map((id, i) => control(id, ['by', 'up', i])),
              ...step.by.down.map((id, i) => control(id, ['by', 'down', i])),
            ]
          : [
              control(step.by.up, ['by', 'up']),
              control(step.by.next, ['by', 'next']),
              ...(step.by.down ? [control(step.by.down, ['by', 'down'])] : []),
            ];
      case 'see':
        return shownUses(step.signs, [...at, 'signs']);
      case 'group':
        return step.window?.from.kind === 'sign'
          ? [{ what: 'sign', id: step.window.from.shown.sign, at: [...at, 'window', 'from', 'shown', 'sign'] }]
          : [];
      case 'branch':
        return step.on.kind === 'sign'
          ? [{ what: 'sign', id: step.on.shown.sign, at: [...at, 'on', 'shown', 'sign'] }]
          : [];
      default:
        return [];
    }
  });
}

const variantUses = (ids: readonly string[], at: Path): Use[] =>
  ids.map((id, i) => ({ what: 'variant', id, at: [...at, i] }));

function usesOf(entry: Entry): Use[] {
  switch (entry.kind) {
    case 'panel':
      return [{ what: 'controller', id: entry.controller, at: ['controller'] }];
    case 'family':
      return [
        ...entry.variants.flatMap((v, i) =>
          Object.keys(v.values).map((id): Use => ({ what: 'parameter', id, at: ['variants', i, 'values', id] })),
        ),
        ...entry.attachments.flatMap((a, i) =>
          a.generations.flatMap((g, k) => variantUses(g.variants, ['attachments', i, 'generations', k, 'variants'])),
        ),
        ...entry.controllers.flatMap((c, i): Use[] =>
          c.toldBy?.sign ? [{ what: 'sign', id: c.toldBy.sign, at: ['controllers', i, 'toldBy', 'sign'] }] : [],
        ),
      ];
    case 'setting':
      return [
        ...entry.right.flatMap((r, i): Use[] =>
          r.variant ? [{ what: 'variant', id: r.variant, at: ['right', i, 'variant'] }] : [],
        ),
        ...(entry.parameter ? [{ what: 'parameter', id: entry.parameter, at: ['parameter'] } as const] : []),
      ];
    case 'mode':
      return [
        { what: 'controller', id: entry.controller, at: ['controller'] },
        ...entry.shows.flatMap((s, i) => (s.kind === 'fixed' ? shownUses(s.signs, ['shows', i, 'signs']) : [])),
        ...entry.transitions.flatMap((t, i) =>
          t.on.kind === 'gesture' ? stepUses(t.on.steps, ['transitions', i, 'on', 'steps']) : [],
        ),
      ];
    case 'route':
      return [
        ...variantUses(entry.onlyVariants, ['onlyVariants']),
        ...entry.knownNotToWork.flatMap((k, i) => [
          ...(k.variant ? variantUses([k.variant], ['knownNotToWork', i, 'variant']) : []),
          ...stepUses(k.steps ?? [], ['knownNotToWork', i, 'steps']),
        ]),
        ...stepUses(entry.steps, ['steps']),
      ];
    case 'account':
      return stepUses(entry.steps, ['steps']);
    case 'readout':
      return [
        ...variantUses(entry.onlyVariants, ['onlyVariants']),
        { what: 'controller', id: entry.controller, at: ['controller'] },
        ...entry.stages.flatMap((stage, i): Use[] => {
          const at = ['stages', i, 'reads'];
          const { reads } = stage;
          return 'lamps' in reads
            ? reads.lamps.map((lamp, k) => ({ what: 'sign', id: lamp.sign, at: [...at, 'lamps', k, 'sign'] }))
            : [{ what: 'sign', id: reads.sign, at: [...at, 'sign'] }];
        }),
        ...entry.specials.flatMap((s, i) => shownUses(s.signs, ['specials', i, 'signs'])),
        ...entry.compose.flatMap((piece, i): Use[] =>
          piece.kind === 'stage' && !entry.stages.some((s) => s.id === piece.stage)
            ? [{ what: 'stage', id: piece.stage, at: ['compose', i, 'stage'] }]
            : [],
        ),
        ...entry.alsoFor.map(
          (a, i): Use => ({ what: 'controller', id: a.controller, at: ['alsoFor', i, 'controller'] }),
        ),
        ...entry.marks.flatMap((m, i) => shownUses(m.signs, ['marks', i, 'signs'])),
        ...(entry.sub && !entry.stages.some((s) => s.id === entry.sub?.stage)
          ? [{ what: 'stage', id: entry.sub.stage, at: ['sub', 'stage'] } as const]
          : []),
      ];
    case 'code':
    case 'symptom':
      return [
        ...(entry.kind === 'code' ? [{ what: 'controller', id: entry.controller, at: ['controller'] } as const] : []),
        ...variantUses(entry.onlyVariants, ['onlyVariants']),
        ...entry.suspects.flatMap((s, i): Use[] =>
          s.part ? [{ what: 'part', id: s.part, at: ['suspects', i, 'part'] }] : [],
        ),
        ...Object.entries(entry.chartUse.parts).map(
          ([role, id]): Use => ({ what: 'part', id, at: ['chartUse', 'parts', role] }),
        ),
        ...parameterUses(entry.chartUse.values, ['chartUse', 'values']),
      ];
    case 'chart':
      return [...variantUses(entry.onlyVariants, ['onlyVariants']), ...chartUses(entry)];
    default:
      return [];
  }
}

/** Amounts anywhere in a node that name a parameter, with where they stand. */
function parameterUses(value: unknown, at: Path): Use[] {
  if (typeof value !== 'object' || value === null) return [];
  if (Array.isArray(value)) return value.flatMap((item, i) => parameterUses(item, [...at, i]));
  const { parameter } = value as { parameter?: unknown };
  if (typeof parameter === 'string' && Object.keys(value).length === 1)
    return [{ what: 'parameter', id: parameter, at }];
  return Object.entries(value).flatMap(([key, item]) => parameterUses(item, [...at, key]));
}

function chartUses(chart: Extract<Entry, { kind: 'chart' }>): Use[] {
  const ids = new Set<string>(chart.nodes.map((n) => n.id));
  const own = {
    parameters: new Set<string>(chart.parameters.map((p) => p.id)),
    roles: new Set<string>(chart.roles.map((r) => r.id)),
  };
  const node = (id: string, at: Path): Use[] => (ids.has(id) ? [] : [{ what: 'node', id, at }]);
  const part = (id: string, at: Path): Use[] => (own.roles.has(id) ? [] : [{ what: 'part', id, at }]);
  return [
    ...(chart.cannotTell ? node(chart.cannotTell, ['cannotTell']) : []),
    ...(chart.afterRetries ? node(chart.afterRetries, ['afterRetries']) : []),
    ...chart.nodes.flatMap((n, i): Use[] => {
      const at = ['nodes', i];
      return [
        ...n.about.flatMap((id, k) => part(id, [...at, 'about', k])),
        ...(n.kind === 'act' && n.part ? part(n.part, [...at, 'part']) : []),
        ...(n.kind === 'verdict' && n.cause ? part(n.cause, [...at, 'cause']) : []),
        ...(n.kind === 'call'
          ? Object.entries(n.use.parts).flatMap(([role, id]) => part(id, [...at, 'use', 'parts', role]))
          : []),
        ...namedNodes(n).flatMap(([id, where]) => node(id, [...at, ...where])),
        ...parameterUses(n, at).filter((use) => !own.parameters.has(use.id)),
      ];
    }),
  ];
}

function isKnown(names: Names, use: Use): boolean {
  switch (use.what) {
    case 'control':
      return names.controls.has(use.id);
    case 'place':
      // an unknown control is a finding of its own
      return !names.controls.has(use.of ?? '') || (names.controls.get(use.of ?? '')?.has(use.id) ?? false);
    case 'sign':
      return names.signs.has(use.id);
    case 'controller':
      return names.controllers.has(use.id);
    case 'part':
      return names.parts.has(use.id);
    case 'parameter':
      return names.parameters.has(use.id);
    case 'variant':
      return names.variants.has(use.id);
    case 'node':
    case 'stage':
      return false;
  }
}

/** What makes a bundle unusable as a whole: ids that stand twice, and ids of nothing. Errors only. */
export function validate(bundle: Bundle): Finding[] {
  const findings: Finding[] = [];
  const keys = new Set<string>();
  bundle.entries.forEach((entry, i) => {
    const key = keyText(entry);
    if (keys.has(key))
      findings.push({
        code: 'duplicate-id',
        severity: 'error',
        at: ['entries', i, 'id'],
        twice: { kind: entry.kind, id: entry.id },
      });
    keys.add(key);
    if (entry.kind === 'chart') {
      const nodes = new Set<string>();
      entry.nodes.forEach((node, k) => {
        if (nodes.has(node.id))
          findings.push({
            code: 'duplicate-id',
            severity: 'error',
            at: ['entries', i, 'nodes', k, 'id'],
            twice: { kind: 'node', id: node.id },
          });
        nodes.add(node.id);
      });
    }
  });
  if (!keys.has(keyText({ kind: 'family', id: bundle.family })))
    findings.push({
      code: 'dangling-id',
      severity: 'error',
      at: ['family'],
      wanted: { kind: 'family', id: bundle.family },
    });
  const names = namesOf(bundle);
  bundle.entries.forEach((entry, i) => {
    for (const link of linksOf(entry))
      if (!keys.has(keyText(link.to)))
        findings.push({ code: 'dangling-id', severity: 'error', at: ['entries', i, ...link.at], wanted: link.to });
    for (const use of usesOf(entry))
      if (!isKnown(names, use))
        findings.push({
          code: 'part-unknown',
          severity: 'error',
          at: ['entries', i, ...use.at],
          what: use.what,
          id: use.id,
        });
  });
  return findings;
}
