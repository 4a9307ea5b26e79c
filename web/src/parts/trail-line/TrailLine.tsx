import type { Station } from '@wire-trail/core';
import { Pressable } from '../field/Pressable.tsx';
import './trail-line.css';

export const stationNames: Record<Station, string> = {
  unit: 'Unit',
  safe: 'Safe',
  enter: 'Enter',
  read: 'Read',
  test: 'Test',
  clear: 'Clear',
  prove: 'Prove',
};

type Props = Readonly<{
  stations: readonly Station[];
  current: Station | null;
  done: ReadonlySet<Station>;
  /** Loose ends by station: an undone knot carries their number. */
  counts?: ReadonlyMap<Station, number>;
  onGo?: (station: Station) => void;
}>;

/** The way through: a line with seven knots. */
export function TrailLine({ stations, current, done, counts, onGo }: Props) {
  return (
    <ol className="trail-line" aria-label="stations">
      {stations.map((station, i) => {
        const state = station === current ? 'current' : done.has(station) ? 'done' : 'ahead';
        const count = counts?.get(station) ?? 0;
        const words = `${i + 1} ${stationNames[station]}${state === 'done' ? ', done' : state === 'current' ? ', now' : ''}${count > 0 ? `, ${count} loose ends` : ''}`;
        const knot = (
          <>
            <span className="knot">{state === 'done' ? <Tick /> : count > 0 ? count : ''}</span>
            <span className="name">{stationNames[station]}</span>
          </>
        );
        return (
          <li key={station} className={state} aria-current={state === 'current' ? 'step' : undefined}>
            {onGo ? (
              <Pressable aria-label={words} onClick={() => onGo(station)}>
                {knot}
              </Pressable>
            ) : (
              <span className="still">{knot}</span>
            )}
          </li>
        );
      })}
    </ol>
  );
}

function Tick() {
  return (
    <svg viewBox="0 0 10 10" width="13" height="13" aria-hidden="true">
      <path d="M1.5 5.2 L4 7.8 L8.5 2.4" fill="none" stroke="currentColor" strokeWidth="1.8" strokeLinecap="round" />
    </svg>
  );
}
