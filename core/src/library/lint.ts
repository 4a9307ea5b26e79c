import type { Path } from '../base/path.ts';
import { assertNever } from '../base/result.ts';
import { lintCharts } from '../chart/lint-uses.ts';
import { lintCircles, lintCode, lintCodeTable, lintSetting } from '../code/lint.ts';
import { showsCode } from '../decode/controllers.ts';
import { canShow, lintReadout } from '../decode/lint.ts';
import { interlockWords, lintModes, lintRoute } from '../gesture/lint.ts';
import type { Accepted } from '../model/accepted.ts';
import type { Access } from '../model/access.ts';
import type { Bundle } from '../model/bundle.ts';
import type { EntryKind, EntryOf } from '../model/entry.ts';
import type { Finding } from '../model/finding.ts';
import { entriesOf } from '../model/select.ts';
import { lintRoutes } from '../route-lint/family.ts';
import { lintFamily } from '../unit/lint.ts';
import { lintReach, lintTrade } from '../unit/lint-around.ts';
import { acceptanceOf } from './accepted.ts';
import { lintCarried } from './copy-unit.ts';
import { lintHazards } from './hazards.ts';
import { lintEditions } from './look-again.ts';
import { validate } from './validate.ts';

const rank = { error: 0, warning: 1, hint: 2 } as const;

/** An interlock trick that is written into a way of getting at something. */
function lintAccess(access: Access, at: Path): Finding[] {
  return access.steps.flatMap((step, i): Finding[] => {
    const words = interlockWords(step.do);
    return words === null ? [] : [{ code: 'interlock-words', severity: 'warning', at: [...at, 'steps', i], words }];
  });
}

/** Every loose end of a bundle nobody has accepted, gravest first. All are collected; none stops another from being found. */
export function lint(bundle: Bundle): Finding[] {
  return lintAll(bundle).flatMap(({ finding, accepted }) => (accepted ? [] : [finding]));
}

/** A loose end, and how it was accepted; null where it is open. */
type Looked = Readonly<{ finding: Finding; accepted: Accepted | null }>;

/** Every loose end, also those that were accepted, gravest first. */
export function lintAll(bundle: Bundle): Looked[] {
  return looseEnds(bundle).map((finding) => ({ finding, accepted: acceptanceOf(bundle, finding) }));
}

function looseEnds(bundle: Bundle): Finding[] {
  const findings = [...validate(bundle)];
  const placed = <K extends EntryKind>(kind: K): Array<{ entry: EntryOf<K>; at: Path }> =>
    bundle.entries.flatMap((entry, i) =>
      entry.kind === kind ? [{ entry: entry as EntryOf<K>, at: ['entries', i] }] : [],
    );
  const codes = placed('code').map(({ entry, at }) => ({ code: entry, at }));

  for (const { entry, at } of placed('route')) findings.push(...lintRoute(entry, at));
  findings.push(...lintRoutes(bundle));
  findings.push(
    ...lintModes(
      placed('mode').map(({ entry, at }) => ({ mode: entry, at })),
      entriesOf(bundle, 'route'),
    ),
  );
  const signs = new Map(
    entriesOf(bundle, 'panel').flatMap((p) => p.faces.flatMap((f) => f.signs.map((s) => [s.id as string, s] as const))),
  );
  const hazardNames = new Map(entriesOf(bundle, 'hazard').map((h) => [h.id as string, h.title] as const));
  for (const { entry, at } of placed('readout'))
    findings.push(
      ...lintReadout(
        entry,
        codes.filter((c) => showsCode(entry, c.code) && (entry.codesOf === undefined || canShow(entry, c.code.text))),
        at,
        signs,
        hazardNames,
      ),
    );
  const families = placed('family');
  for (const { entry, at } of families) findings.push(...lintFamily(entry, at));
  for (const { entry, at } of placed('hazard')) findings.push(...lintTrade(entry, at));
  bundle.entries.forEach((entry, i) => {
    findings.push(...lintReach(bundle, entry, ['entries', i]));
  });
  findings.push(...lintCodeTable(codes, families[0]?.entry), ...lintCircles(codes));
  for (const { entry, at } of placed('setting')) findings.push(...lintSetting(entry, at));
  findings.push(...lintEditions(bundle), ...lintCarried(bundle));
  for (const { entry, at } of placed('access')) findings.push(...lintAccess(entry, at));
  for (const { entry, at } of [...placed('code'), ...placed('symptom')]) {
    findings.push(...lintCode(entry, at));
  }
  findings.push(...lintCharts(bundle), ...lintHazards(bundle));
  return findings.sort((a, b) => rank[a.severity] - rank[b.severity]);
}

/** The findings of one route within its bundle: for the room it is written in, where the others would only be in the way. */
export function findingsOfRoute(bundle: Bundle, id: string): Finding[] {
  const index = bundle.entries.findIndex((e) => e.kind === 'route' && e.id === id);
  const route = bundle.entries[index];
  if (route?.kind !== 'route') return [];
  const all = [...validate(bundle), ...lintRoute(route, ['entries', index]), ...lintRoutes(bundle)];
  return all
    .filter((f) => f.at[1] === index && !acceptanceOf(bundle, f))
    .sort((a, b) => rank[a.severity] - rank[b.severity]);
}

/** The findings of one chart within its bundle, and of the codes that use it: for the room it is drawn in. */
export function findingsOfChart(bundle: Bundle, id: string): Finding[] {
  const index = bundle.entries.findIndex((e) => e.kind === 'chart' && e.id === id);
  const users = new Set(
    bundle.entries.flatMap((e, i) => ((e.kind === 'code' || e.kind === 'symptom') && e.chart === id ? [i] : [])),
  );
  return [...validate(bundle).filter((f) => f.at[1] === index), ...lintCharts(bundle)]
    .filter((f) => !acceptanceOf(bundle, f))
    .filter((f) => f.at[1] === index || (typeof f.at[1] === 'number' && users.has(f.at[1])))
    .sort((a, b) => rank[a.severity] - rank[b.severity]);
}

/** Findings that keep an entry from being published, whatever a reviewer thinks. */
export function blocksPublishing(finding: Finding): boolean {
  return finding.severity === 'error';
}

/** The station of the trail a finding belongs to, so that a knot can carry its loose ends. */
export function stationOf(finding: Finding, bundle: Bundle): 'unit' | 'enter' | 'read' | 'test' | 'clear' | 'prove' {
  const index = finding.at[1];
  const entry = typeof index === 'number' ? bundle.entries[index] : undefined;
  switch (entry?.kind) {
    case 'route':
      return entry.purpose === 'clear' || entry.purpose === 'leave' || entry.purpose === 'calibrate'
        ? 'clear'
        : 'enter';
    case 'mode':
      return 'enter';
    case 'readout':
      return 'read';
    case 'code':
    case 'symptom':
      return finding.code === 'look-alike-danger' ||
        finding.code === 'duplicate-code' ||
        finding.code === 'code-without-pattern'
        ? 'read'
        : 'test';
    case 'chart':
      return 'test';
    case 'access':
    case 'account':
    case 'asset':
    case 'family':
    case 'hazard':
    case 'instrument':
    case 'meaning':
    case 'panel':
    case 'setting':
    case 'source':
    case undefined:
      return 'unit';
    default:
      return assertNever(entry);
  }
}
