import type { Attached, AttachmentRule, CompositionProblem } from '@wire-trail/core';
import { Input } from '../../../parts/field/Input.tsx';
import { Select } from '../../../parts/field/Select.tsx';

type Props = Readonly<{
  rules: readonly AttachmentRule[];
  attached: readonly Attached[];
  problems: readonly CompositionProblem[];
  onChange: (attached: readonly Attached[]) => void;
}>;

const bounds = ({ from, below }: { from: string | null; below: string | null }) =>
  [from && `${from} and up`, below && `below ${below}`].filter(Boolean).join(', ');

export function problemWords(p: CompositionProblem): string {
  switch (p.kind) {
    case 'too-many':
      return `${p.count} × ${p.part}: at most ${p.most} may be attached.`;
    case 'too-few':
      return `${p.count} × ${p.part}: at least ${p.least} belong to it.`;
    case 'not-listed':
      return `Nothing is known of “${p.part}” on this unit.`;
    case 'generation-not-listed':
      return `Nothing is known of “${p.generation}” of ${p.part}.`;
    case 'not-with-variant':
      return `${p.part} “${p.generation}” does not go with this variant.${p.note ? ` ${p.note}` : ''}`;
    case 'maybe-not-with-variant':
      return `${p.part} “${p.generation}” goes with some variants only: find out which this is.${p.note ? ` ${p.note}` : ''}`;
    case 'needs-software':
      return `${p.part} “${p.generation}” needs software ${bounds(p)} on the unit. Was the board swapped?`;
    case 'software-not-known':
      return `${p.part} “${p.generation}” needs software ${bounds(p)}: read the unit’s software.`;
  }
}

/** What is attached to the unit, held against what may be. */
export function Composition({ rules, attached, problems, onChange }: Props) {
  const own = (part: string) => attached.find((a) => a.part === part);
  const set = (part: string, change: Partial<Attached>) => {
    const before = own(part) ?? { part, count: 1 };
    const next = { ...before, ...change };
    onChange([...attached.filter((a) => a.part !== part), next]);
  };
  return (
    <fieldset className="sheet composition">
      <legend>What is attached</legend>
      {rules.map((rule) => (
        <div key={rule.part} className="row">
          <label className="field narrow">
            {rule.part}
            <Input
              fullWidth
              className="mono"
              value={own(rule.part)?.count ?? ''}
              onChange={(e) => {
                const count = Number.parseInt(e.target.value, 10);
                if (Number.isNaN(count)) onChange(attached.filter((a) => a.part !== rule.part));
                else set(rule.part, { count: Math.min(1000, Math.max(0, count)) });
              }}
              slotProps={{ input: { inputMode: 'numeric' } }}
            />
          </label>
          {rule.generations.length > 0 && (
            <label className="field">
              generation
              <Select
                native
                fullWidth
                value={own(rule.part)?.generation ?? ''}
                onChange={(e) => {
                  const { generation: _, ...rest } = own(rule.part) ?? { part: rule.part, count: 1 };
                  onChange([
                    ...attached.filter((a) => a.part !== rule.part),
                    e.target.value === '' ? rest : { ...rest, generation: e.target.value },
                  ]);
                }}
              >
                <option value="">cannot tell</option>
                {rule.generations.map((g) => (
                  <option key={g.name}>{g.name}</option>
                ))}
              </Select>
            </label>
          )}
          {rule.note && <span className="soft small">{rule.note}</span>}
        </div>
      ))}
      {problems.map((p) => (
        <p key={problemWords(p)} className="wrong" role="alert">
          {problemWords(p)}
        </p>
      ))}
    </fieldset>
  );
}
