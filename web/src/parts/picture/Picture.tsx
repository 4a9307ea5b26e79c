import type { EntryOf } from '@wire-trail/core';
import { useState } from 'react';
import './picture.css';

/**
 * A picture with its numbered points and what they are; says so where it is not on this device and there is no signal.
 * Where some points are `meant`, the others stand back.
 */
export function Picture({ asset, meant = [] }: { asset: EntryOf<'asset'>; meant?: readonly number[] }) {
  const [missing, setMissing] = useState(false);
  const look = (number: number): string => (meant.length === 0 ? '' : meant.includes(number) ? ' meant' : ' aside');
  return (
    <figure className="picture">
      {missing ? (
        <p className="soft">“{asset.name}” is not on this device yet. It comes with the next connection.</p>
      ) : (
        <div className="picture-frame">
          <img src={`/api/v1/assets/${asset.id}`} alt={asset.name} loading="lazy" onError={() => setMissing(true)} />
          {asset.marks.map((m) => (
            <span
              key={m.number}
              className={`picture-point${look(m.number)}`}
              style={{ left: `${m.x * 100}%`, top: `${m.y * 100}%` }}
            >
              {m.number}
            </span>
          ))}
        </div>
      )}
      <figcaption className="small">
        {asset.name}
        {asset.marks.map((m) => (
          <span key={m.number} className={meant.includes(m.number) ? undefined : 'soft'}>
            {' '}
            · {meant.includes(m.number) ? <strong>{`${m.number} ${m.label}`}</strong> : `${m.number} ${m.label}`}
          </span>
        ))}
      </figcaption>
    </figure>
  );
}
