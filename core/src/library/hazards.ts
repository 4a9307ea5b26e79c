import type { Path } from '../base/path.ts';
import { chartsCalled } from '../chart/calls.ts';
import type { Bundle } from '../model/bundle.ts';
import type { Finding } from '../model/finding.ts';
import { entriesOf, entryOf } from '../model/select.ts';
import { needsOf } from '../walk/needs.ts';

/** Codes and symptoms whose walk would show nothing that can hurt, and say no reason why. */
export function lintHazards(bundle: Bundle): Finding[] {
  const charts = new Map(entriesOf(bundle, 'chart').map((c) => [c.id, c]));
  return bundle.entries.flatMap((entry, i): Finding[] => {
    if ((entry.kind !== 'code' && entry.kind !== 'symptom') || entry.hazards.length > 0 || entry.harmless) return [];
    const chart = entry.chart ? charts.get(entry.chart) : undefined;
    const along = {
      subjects: [entry],
      routes: [entry.enter, entry.clear].flatMap((id) => entryOf(bundle, 'route', id) ?? []),
      charts: chart ? chartsCalled(chart, charts) : [],
    };
    if (needsOf(bundle, along).hazards.length > 0) return [];
    const at: Path = ['entries', i, 'hazards'];
    return [{ code: 'hazards-missing', severity: 'error', at, text: entry.kind === 'code' ? entry.text : entry.title }];
  });
}
