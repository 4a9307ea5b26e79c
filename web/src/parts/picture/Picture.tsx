import Button from '@mui/material/Button';
import type { EntryOf } from '@wire-trail/core';
import { type CSSProperties, useState } from 'react';
import { closeUp } from './close-up.ts';
import './picture.css';

/**
 * A picture with its numbered points and what they are; says so where it is not on this device and there is no signal.
 * Where some points are `meant`, the others stand back, and a small screen looks closer at these.
 */
export function Picture({ asset, meant = [] }: { asset: EntryOf<'asset'>; meant?: readonly number[] }) {
  const [missing, setMissing] = useState(false);
  const [isWhole, setIsWhole] = useState(false);
  const isMeant = (number: number): boolean => meant.includes(number);
  const look = (number: number): string => (meant.length === 0 ? '' : isMeant(number) ? ' meant' : ' aside');
  const closer = closeUp(asset.marks.filter((m) => isMeant(m.number)));
  const view = closer && { '--x': -closer.x, '--y': -closer.y, '--zoom': closer.zoom };
  return (
    <figure style={{ margin: 0 }}>
      {missing ? (
        <p className="soft">“{asset.name}” is not on this device yet. It comes with the next connection.</p>
      ) : (
        <div className={closer && !isWhole ? 'close-up' : undefined} style={(view ?? undefined) as CSSProperties}>
          <div className="picture-all">
            <img src={`/api/v1/assets/${asset.id}`} alt={asset.name} loading="lazy" onError={() => setMissing(true)} />
            {asset.marks.map((m) => (
              <span
                key={m.number}
                className={`point${look(m.number)}`}
                style={{ left: `${m.x * 100}%`, top: `${m.y * 100}%` }}
              >
                {m.number}
              </span>
            ))}
          </div>
        </div>
      )}
      <figcaption className="small">
        <span className="row">
          <span className={closer ? 'hide-narrow' : undefined}>{asset.name}</span>
          {asset.marks.map((m) => (
            <span key={m.number} className={isMeant(m.number) ? undefined : 'soft'}>
              {m.number} {m.label}
            </span>
          ))}
        </span>
        {closer && !missing && (
          <Button variant="text" className="only-narrow" onClick={() => setIsWhole(!isWhole)}>
            {isWhole ? 'Closer' : 'Whole picture'}
          </Button>
        )}
      </figcaption>
    </figure>
  );
}
