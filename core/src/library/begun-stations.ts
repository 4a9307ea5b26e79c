import type { Entry } from '../model/entry.ts';
import type { Station } from '../model/walk.ts';

/** What has to be written before a station can be anything: without it nothing is right or wrong there yet. */
const begins: Readonly<Record<Station, (entry: Entry) => boolean>> = {
  unit: (e) => (e.kind === 'family' && e.recognisedBy.length > 0) || (e.kind === 'panel' && e.faces.length > 0),
  safe: (e) => (e.kind === 'code' || e.kind === 'symptom') && (e.hazards.length > 0 || Boolean(e.harmless)),
  enter: (e) => e.kind === 'route' && e.purpose === 'enter',
  read: (e) => e.kind === 'readout' || e.kind === 'code',
  test: (e) => e.kind === 'chart',
  clear: (e) => (e.kind === 'route' && e.purpose === 'clear') || (e.kind === 'code' && e.clear !== null),
  prove: (e) => e.kind === 'code' || e.kind === 'symptom',
};

/** The stations of the trail that a unit's entries say anything for. */
export function begunStations(entries: readonly Entry[]): ReadonlySet<Station> {
  return new Set(
    (Object.keys(begins) as Station[]).filter((station) => entries.some((entry) => begins[station](entry))),
  );
}
