import type { Bundle } from '../model/bundle.ts';
import { entryOf } from '../model/select.ts';
import type { WalkEvent } from '../model/walk.ts';
import { readingsTaken } from '../walk/past.ts';
import { foldWalk } from '../walk/state.ts';
import { writeCsv } from './table.ts';

const header = [
  'at',
  'walk',
  'family',
  'serial',
  'code',
  'chart',
  'step',
  'when',
  'typed',
  'value',
  'unit of',
  'as',
  'at °C',
  'good from',
  'good to',
  'verdict',
  'instrument',
];

/** Readings of walks as CSV, one row each in the order they were taken; values in base units, times as ISO 8601. */
export function writeReadings(walks: ReadonlyArray<readonly WalkEvent[]>, bundle?: Pick<Bundle, 'entries'>): string {
  const rows = walks.flatMap((events) => {
    const walk = foldWalk(events);
    if (!walk) return [];
    return readingsTaken(events).map(({ at, reading: r, of, step, when }) => {
      const title = bundle ? entryOf(bundle, 'chart', of)?.nodes.find((n) => n.id === step)?.title : undefined;
      const cells = [
        at,
        walk.id,
        walk.family,
        walk.unit?.serial ?? '',
        walk.code ?? walk.symptom ?? '',
        of,
        title ?? step,
        when,
      ];
      const values = [r.value, r.quantity, r.as ?? '', r.atCelsius, r.least, r.most, r.verdict, r.instrument ?? ''];
      return [...cells, r.typed, ...values.map((v) => (v === null ? '' : String(v)))];
    });
  });
  return writeCsv([header, ...rows]);
}
