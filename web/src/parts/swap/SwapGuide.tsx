import {
  type Bundle,
  entryOf,
  familyEntry,
  lacking,
  type Part,
  permitFor,
  permitWords,
  rightValues,
  rightWords,
  scopeWords,
  type VariantId,
} from '@wire-trail/core';
import { useActor } from '../../foundation/use-actor.ts';
import { useVerbatim } from '../../foundation/use-own.ts';
import { HazardNote, WaysThere } from '../before/Before.tsx';
import { Fold } from '../fold/Fold.tsx';
import { Picture } from '../picture/Picture.tsx';

type Props = Readonly<{ part: Part; data: Readonly<{ bundle: Bundle; alive: readonly VariantId[] }> }>;

/** How a part is swapped, written once: how to get there, step by step with its cautions, what it has to come to, what is set after. */
export function SwapGuide({ part, data }: Props) {
  const actor = useActor();
  const verbatim = useVerbatim();
  const { swap } = part;
  const settings = (part.setAfter ?? []).flatMap((id) => entryOf(data.bundle, 'setting', id) ?? []);
  if (!swap && settings.length === 0) return null;
  const hazards = (swap?.hazards ?? []).map((id) => entryOf(data.bundle, 'hazard', id) ?? {});
  const needs = swap && lacking(actor, permitFor([...hazards, ...swap.steps]));
  return (
    <Fold title={`How to swap it: ${part.name}`}>
      <div className="stack">
        {needs && (
          <p className="note bad">
            A step of this is for {permitWords(needs)}. Local codes come first; hand it over before that step.
          </p>
        )}
        {swap && <HazardNote ids={swap.hazards} data={data} />}
        {swap && <WaysThere ids={swap.ways} data={data} />}
        <ol className="stack">
          {swap?.steps.map((step) => (
            <li key={step.do}>
              {step.caution && <div className="note bad">{step.caution}</div>}
              {step.do} {step.tool && <span className="tag">{step.tool}</span>}{' '}
              {step.reading && <strong className="mono">{verbatim(step.reading)}</strong>}{' '}
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
            Then set <strong>{s.name}</strong>:{' '}
            {rightWords(
              rightValues(s, data.alive).map((r) => ({ ...r, value: verbatim(r.value, s.unit) })),
              familyEntry(data.bundle),
            )}
          </p>
        ))}
      </div>
    </Fold>
  );
}
