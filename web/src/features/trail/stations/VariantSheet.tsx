import {
  type Family,
  type Plate,
  type Resolved,
  reasonWords,
  resolveParameters,
  type VariantId,
  variantName,
} from '@wire-trail/core';
import { useAmounts } from '../../../foundation/use-own.ts';

type Props = Readonly<{ family: Family; plate: Plate; resolved: Resolved }>;

/** Which variant the plate means and why, and the values that follow; several side by side where it is not settled. */
export function VariantSheet({ family, plate, resolved }: Props) {
  const amounts = useAmounts();
  const nameOf = (id: VariantId) => variantName(family, id);
  const differing = resolveParameters(family, plate).filter(
    ({ id, cases }) => cases.length > 1 || family.variants.some((v) => v.values[id] !== undefined),
  );
  return (
    <div className="sheet" role="status">
      {resolved.variant && (
        <>
          <strong>{nameOf(resolved.variant)}</strong>
          <p className="small soft">because {resolved.why.map(reasonWords).join(', ')}</p>
        </>
      )}
      {!resolved.variant && resolved.alive.length > 1 && (
        <>
          <strong>Could be any of {resolved.alive.length}</strong>
          <p className="small soft">{resolved.alive.map(nameOf).join(' · ')}. All stay in sight until it is known.</p>
        </>
      )}
      {resolved.alive.length === 0 && (
        <>
          <strong className="wrong">No variant fits this plate.</strong>
          <p className="small soft">
            Look once more. You can go on; the family’s own values are used, and the walk keeps what you typed.
          </p>
        </>
      )}
      {resolved.alive.length > 0 &&
        differing.map(({ id, cases }) => {
          const parameter = family.parameters.find((p) => p.id === id);
          if (!parameter) return null;
          return (
            <p key={id} className="small">
              {parameter.name}:{' '}
              {cases.map((c, i) => (
                <span key={c.value}>
                  {i > 0 && ' or '}
                  <strong className="mono">
                    {parameter.quantity === 'ratio' ? `${c.value * 100} %` : amounts.say(c.value, parameter.quantity)}
                  </strong>
                  {cases.length > 1 && <span className="soft"> ({c.variants.map(nameOf).join(', ')})</span>}
                </span>
              ))}
            </p>
          );
        })}
    </div>
  );
}
