import type { Standing } from '../base/text.ts';
import type { ChartEnd } from '../chart/walk.ts';
import type { ChartNode } from '../model/chart.ts';
import type { EntryKind } from '../model/entry.ts';
import type { Severity } from '../model/finding.ts';
import type { Face } from '../model/panel.ts';
import type { Special } from '../model/readout.ts';
import type { Outcome } from '../model/walk.ts';

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
  remedies: 'Try in turn',
  act: 'Do',
  wait: 'Wait',
  set: 'Set',
  split: 'Branch',
  call: 'Sub-chart',
  verdict: 'Result',
};

/** What came of a walk. */
export const outcomeWords: Readonly<Record<Outcome, string>> = {
  fixed: 'fixed',
  'handed-on': 'handed on',
  'nothing-found': 'nothing found',
  'left-limited': 'left running limited',
  'given-up': 'given up',
};

/** What something means that shows and is no code. */
export const specialWords: Readonly<Record<Special['means'], string>> = {
  'nothing-stored': 'nothing stored',
  'end-of-list': 'the end of the list',
  'self-check': 'it checks itself',
  healthy: 'all is well',
  'out-of-service': 'out of service',
  mode: 'the mode it is in',
  'part-good': 'the part is good',
  'part-open': 'the part is open',
  'part-short': 'the part is shorted',
  setting: 'a setting',
};

/** Which side of a unit is drawn. */
export const sideWords: Readonly<Record<Face['side'], string>> = {
  front: 'front',
  'behind-cover': 'behind a cover',
  board: 'on the board',
  remote: 'remote',
  helm: 'helm',
  site: 'on site',
};

/** Why a chart walk ended without a result. */
export const endWords: Readonly<Record<Exclude<ChartEnd['kind'], 'verdict'>, string>> = {
  'went-round': 'You came through here often.',
  'open-end': 'The chart ends here without a result.',
  'chart-missing': 'The chart that comes next is not on this device.',
  'call-circle': 'The chart goes in a circle here.',
};
