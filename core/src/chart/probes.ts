import type { Path } from '../base/path.ts';
import type { MeasureNode } from '../model/chart.ts';
import type { Finding } from '../model/finding.ts';
import type { Asset } from '../model/source.ts';

const plain = (words: string): string => words.trim().toLowerCase().replace(/\s+/g, ' ');

/** Numbers of the points of a picture a step's probes go to: those that are called as a probe is. */
export function probePoints(picture: Pick<Asset, 'marks'>, probes: readonly string[]): number[] {
  const wanted = new Set(probes.map(plain));
  return picture.marks.flatMap((m) => (wanted.has(plain(m.label)) ? [m.number] : []));
}

/** A picture that shows where some of the probes go, and not the others. */
export function lintProbes(node: MeasureNode, pictures: ReadonlyMap<string, Asset>, at: Path): Finding[] {
  const shown = new Set(node.pictures.flatMap((id) => pictures.get(id)?.marks.map((m) => plain(m.label)) ?? []));
  const missing = node.probes.filter((p) => !shown.has(plain(p)));
  if (missing.length === 0 || missing.length === node.probes.length) return [];
  return [{ code: 'probe-not-marked', severity: 'hint', at: [...at, 'pictures'], node: node.title, probes: missing }];
}
