import type { Standing } from '../base/text.ts';
import type { ChartNode } from '../model/chart.ts';
import type { EntryKind } from '../model/entry.ts';
import type { Severity } from '../model/finding.ts';

/** What one of each kind of entry is called by people. One place: a rename is one edit. */
export const kindWords: Readonly<Record<EntryKind, string>> = {
  access: 'access note',
  account: 'description',
  asset: 'picture',
  chart: 'chart',
  code: 'code',
  family: 'unit',
  hazard: 'hazard',
  instrument: 'instrument',
  meaning: 'common meaning',
  mode: 'mode',
  panel: 'panel',
  readout: 'readout',
  route: 'route',
  setting: 'setting',
  source: 'source',
  symptom: 'symptom',
};

/** How sure something is, in words. */
export const standingWords: Readonly<Record<Standing, string>> = {
  'bench-proven': 'bench-proven',
  'field-report': 'field report',
  document: 'from a document',
  hearsay: 'hearsay',
  experimental: 'experimental',
};

/** How grave a finding is, in words. */
export const severityWords: Readonly<Record<Severity, string>> = {
  error: 'must be fixed',
  warning: 'look at it',
  hint: 'hint',
};

/** What a step of a chart is called by what it asks for; the words of the script stay as they are. */
export const nodeKindWords: Readonly<Record<ChartNode['kind'], string>> = {
  look: 'Check',
  ask: 'Ask',
  measure: 'Measure',
  compare: 'Compare',
  operate: 'Run',
  act: 'Do',
  wait: 'Wait',
  set: 'Set',
  split: 'Branch',
  call: 'Sub-chart',
  verdict: 'Result',
};
