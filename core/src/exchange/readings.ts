import type { Bundle } from '../library/bundle.ts';
import { entryOf } from '../library/select.ts';
import type { WalkEvent } from '../walk/model.ts';
import { foldWalk, standingEvents } from '../walk/state.ts';
import type { TakenReading } from '../walk/taken.ts';
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
    return standingEvents(events).flatMap((event) => {
      const taken = readingOf(event);
      if (!taken) return [];
      const { reading: r, chart, node, when } = taken;
      const title = bundle ? entryOf(bundle, 'chart', chart)?.nodes.find((n) => n.id === node)?.title : undefined;
      const cells = [
        event.at,
        walk.id,
        walk.family,
        walk.unit?.serial ?? '',
        walk.code ?? walk.symptom ?? '',
        chart,
        title ?? node,
        when,
      ];
      const values = [r.value, r.quantity, r.as ?? '', r.atCelsius, r.least, r.most, r.verdict, r.instrument ?? ''];
      return [[...cells, r.typed, ...values.map((v) => (v === null ? '' : String(v)))]];
    });
  });
  return writeCsv([header, ...rows]);
}

function readingOf(event: WalkEvent): { reading: TakenReading; chart: string; node: string; when: string } | null {
  switch (event.kind) {
    case 'answered':
      return event.reading && { reading: event.reading, chart: event.chart, node: event.node, when: 'before' };
    case 'reading-after':
      return { reading: event.reading, chart: event.chart, node: event.node, when: 'after' };
    case 'tested':
      return event.reading && { reading: event.reading, chart: event.mode, node: event.number, when: 'test' };
    default:
      return null;
  }
}
