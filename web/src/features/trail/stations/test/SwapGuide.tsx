import { entryOf, familyEntry, isBeyond, type Part, rightValues, rightWords, scopeWords } from '@wire-trail/core';
import { Fold } from '../../../../parts/fold/Fold.tsx';
import { Picture } from '../../../../parts/picture/Picture.tsx';
import type { TrailData } from '../../trail-data.ts';
import { HazardNote, WaysThere } from '../Before.tsx';
import { useLevel } from '../Beyond.tsx';

/** How a part is swapped, written once: how to get there, step by step with its cautions, what it has to come to, what is set after. */
export function SwapGuide({ part, data }: { part: Part; data: TrailData }) {
  const level = useLevel();
  const { swap } = part;
  const settings = (part.setAfter ?? []).flatMap((id) => entryOf(data.bundle, 'setting', id) ?? []);
  if (!swap && settings.length === 0) return null;
  const beyond = swap?.steps.find((s) => s.scope !== undefined && isBeyond(level, s.scope));
  return (
    <Fold title={`How to swap it: ${part.name}`}>
      <div className="stack">
        {beyond?.scope && (
          <p className="note bad">
            A step of this is for {scopeWords[beyond.scope]}. Local codes come first; hand it over before that step.
          </p>
        )}
        {swap && <HazardNote ids={swap.hazards} data={data} />}
        {swap && <WaysThere ids={swap.ways} data={data} />}
        <ol className="stack">
          {swap?.steps.map((step) => (
            <li key={step.do}>
              {step.caution && <div className="note bad">{step.caution}</div>}
              {step.do} {step.tool && <span className="tag">{step.tool}</span>}{' '}
              {step.reading && <strong className="mono">{step.reading}</strong>}{' '}
              {step.scope && <span className="tag">for {scopeWords[step.scope]}</span>}{' '}
              {step.cites && (
                <span className="soft small">
                  {entryOf(data.bundle, 'source', step.cites.source)?.title ?? step.cites.source}, {step.cites.at}
                </span>
              )}
              {step.pictures.map((id) => {
                const asset = entryOf(data.bundle, 'asset', id);
                return asset && <Picture key={id} asset={asset} />;
              })}
            </li>
          ))}
        </ol>
        {settings.map((s) => (
          <p key={s.id}>
            Then set <strong>{s.name}</strong>: {rightWords(rightValues(s, data.alive), familyEntry(data.bundle))}
          </p>
        ))}
      </div>
    </Fold>
  );
}
