import { type Chart, type ChartUse, type Entry, entriesOf, type ParameterId, type PartId } from '@wire-trail/core';
import { Choice, NumberField } from './inputs.tsx';

type Props = Readonly<{
  chart: Chart | undefined;
  use: ChartUse;
  bodies: { entries: Entry[] };
  onChange: (use: ChartUse) => void;
}>;

/** What a shared chart is told where it is used: a value or a parameter of the family for each of its own, a part for each role. */
export function ChartUseFields({ chart, use, bodies, onChange }: Props) {
  if (!chart || chart.parameters.length + chart.roles.length === 0) return null;
  const families = entriesOf(bodies, 'family');
  const parameters = families.flatMap((f) => f.parameters);
  const parts = families.flatMap((f) => f.parts);
  const setValue = (id: ParameterId, value: ChartUse['values'][ParameterId] | undefined) => {
    const { [id]: _, ...rest } = use.values;
    onChange({ ...use, values: (value === undefined ? rest : { ...rest, [id]: value }) as ChartUse['values'] });
  };
  return (
    <fieldset className="group stack">
      <legend>“{chart.title}” is told</legend>
      {chart.parameters.map((p) => {
        const now = use.values[p.id];
        const isNumber = typeof now === 'number';
        return (
          <div key={p.id} className="two">
            <Choice
              label={p.name}
              value={now === undefined ? '' : isNumber ? '#' : now.parameter}
              options={[
                ['', p.value === null ? 'has to be given' : `as it is: ${p.value}`],
                ['#', 'a number …'],
                ...parameters.filter((q) => q.quantity === p.quantity).map((q) => [q.id as string, q.name] as const),
              ]}
              onChange={(v) =>
                setValue(p.id, v === '' ? undefined : v === '#' ? (p.value ?? 0) : { parameter: v as ParameterId })
              }
            />
            {isNumber && (
              <NumberField
                label={`${p.name}, ${p.quantity}`}
                value={now}
                least={Number.NEGATIVE_INFINITY}
                wrong={null}
                onChange={(n) => setValue(p.id, n ?? 0)}
              />
            )}
          </div>
        );
      })}
      {chart.roles.map((r) => (
        <Choice
          key={r.id}
          label={r.name}
          value={use.parts[r.id] ?? ''}
          options={[['', 'has to be given'], ...parts.map((p) => [p.id as string, p.name] as const)]}
          onChange={(v) => {
            const { [r.id]: _, ...rest } = use.parts;
            onChange({ ...use, parts: (v === '' ? rest : { ...rest, [r.id]: v as PartId }) as ChartUse['parts'] });
          }}
        />
      ))}
    </fieldset>
  );
}
