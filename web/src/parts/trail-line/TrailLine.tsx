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
  /** How much is to fix by station: an undone knot carries the number. */
  counts?: ReadonlyMap<Station, number>;
  /** Stations there is anything for; the others are grey. */
  begun?: ReadonlySet<Station>;
  onGo?: (station: Station) => void;
}>;

/** The way through: a line with seven knots. */
export function TrailLine({ stations, current, done, counts, begun, onGo }: Props) {
  return (
    <ol className="plain trail-line" aria-label="stations">
      {stations.map((station, i) => {
        const state = station === current ? 'current' : done.has(station) ? 'done' : 'ahead';
        const isEmpty = begun !== undefined && !begun.has(station);
        const count = counts?.get(station) ?? 0;
        const words = `${i + 1} ${stationNames[station]}${state === 'done' ? ', done' : state === 'current' ? ', now' : ''}`;
        const knot = (
          <>
            <span className="knot">{state === 'done' ? <Tick /> : count > 0 ? count : ''}</span>
            <span className="name small soft">
              {stationNames[station]}
              {isEmpty && <br />}
              {isEmpty && 'nothing yet'}
            </span>
          </>
        );
        return (
          <li key={station} className={state} aria-current={state === 'current' ? 'step' : undefined}>
            {onGo ? (
              <Pressable aria-label={counts ? undefined : words} onClick={() => onGo(station)}>
                {knot}
                {counts && (
                  <span className="visually-hidden">{count > 0 ? 'to fix' : isEmpty ? '' : ', nothing to fix'}</span>
                )}
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
