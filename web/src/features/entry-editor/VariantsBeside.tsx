import {
  type Family,
  findingWords,
  lintFamily,
  plateAsTyped,
  reasonWords,
  resolveParameters,
  resolvePlate,
  variantName,
} from '@wire-trail/core';
import { useState } from 'react';
import { useAmounts } from '../../foundation/use-own.ts';
import { Input } from '../../parts/field/Input.tsx';

const blank = { model: '', serial: '', software: '' };

/** Try a plate on the variants as they stand in the draft: which fits, why, and which values follow. */
export function VariantsBeside({ family }: { family: Family }) {
  const amounts = useAmounts();
  const [typed, setTyped] = useState(blank);
  const plate = plateAsTyped(typed);
  const resolved = resolvePlate(family, plate);
  const findings = lintFamily(family, []);
  const nameOf = (id: string) => variantName(family, id);
  return (
    <aside className="stack sticks">
      <div className="sheet stack">
        <h2>Try a plate</h2>
        {(['model', 'serial', 'software'] as const).map((field) => (
          <label key={field} className="field">
            {field}
            <Input
              fullWidth
              className="mono"
              value={typed[field]}
              onChange={(e) => setTyped({ ...typed, [field]: e.target.value })}
            />
          </label>
        ))}
        <div role="status">
          {family.variants.length === 0 ? (
            <p className="soft small">There are no variants yet.</p>
          ) : resolved.variant ? (
            <p>
              <strong>{nameOf(resolved.variant)}</strong>: {resolved.why.map(reasonWords).join(', ')}
            </p>
          ) : (
            <p>
              {resolved.alive.length === 0 ? 'No variant fits.' : `Alive: ${resolved.alive.map(nameOf).join(' · ')}`}
            </p>
          )}
          {resolveParameters(family, plate).map(({ id, cases }) => {
            const parameter = family.parameters.find((p) => p.id === id);
            if (!parameter) return null;
            return (
              <p key={id} className="small">
                {parameter.name}:{' '}
                {cases
                  .map(
                    (c) =>
                      `${parameter.quantity === 'ratio' ? `${c.value * 100} %` : amounts.say(c.value, parameter.quantity)}${cases.length > 1 ? ` (${c.variants.map(nameOf).join(', ')})` : ''}`,
                  )
                  .join(' or ')}
              </p>
            );
          })}
        </div>
      </div>
      {findings.length > 0 && (
        <div className="sheet small">
          <h2>To fix in the variants</h2>
          {findings.map((f) => (
            <p key={findingWords(f)}>
              <span className={`says ${f.severity}`}>{f.severity}</span> {findingWords(f)}
            </p>
          ))}
        </div>
      )}
    </aside>
  );
}
