import CloseIcon from '@mui/icons-material/Close';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import { fieldWords, type Quantity, quantities, storedAs } from '@wire-trail/core';
import type { z } from 'zod';
import { Fold } from '../../parts/fold/Fold.tsx';
import { AddButton } from './AddButton.tsx';
import { type AmountOf, choicesFor, nameAt, type Path, type SchemaContext } from './choices.ts';
import { AmountField, Choice, NumberField, Text } from './inputs.tsx';
import { withMadeId } from './made-id.ts';
import { ListField, RecordField } from './SchemaLists.tsx';
import { changedTo, emptyOf, shapeOf, unwrap } from './schema.ts';
import type { FieldProps } from './schema-props.ts';

/** What a thing is called by, wherever its schema has it. */
const namings: ReadonlySet<string> = new Set(['name', 'label', 'title']);
/** Fields that are a number of whatever quantity stands beside them. */
const inOwnQuantity: ReadonlySet<string> = new Set(['value', 'least', 'most', 'start']);
/** How the numbers of an object are stored: what their names say, what it is a quantity of, a share, or what is over and under. */
const storedIn =
  ({ by, toldIn }: Record<string, unknown>, quantity: Quantity | null) =>
  (name: string): AmountOf | null => {
    const byName = storedAs(name);
    if (byName) return byName;
    const isTolerance = name === 'plus' || name === 'minus';
    if (isTolerance && by === 'share') return { quantity: 'share', perBase: 0.01 };
    if (quantity === null) return null;
    if (isTolerance && by === 'amount')
      return { quantity, perBase: 1, difference: true, ...(typeof toldIn === 'string' && { unit: toldIn }) };
    return inOwnQuantity.has(name) ? { quantity, perBase: 1 } : null;
  };
/** What the numbers of an object are of: as it says, else as what it belongs to says; a ratio is of nothing. */
const quantityOf = ({ kind, as, ...object }: Record<string, unknown>, outer: Quantity | null): Quantity | null => {
  const { quantity } = object;
  if (kind === 'ratio' || as === 'ratio') return null;
  return 'quantity' in object ? (quantities.find((q) => q === quantity) ?? null) : outer;
};

/** One field of any schema. The form is read off the same schema that checks what was typed. */
export function SchemaField(props: FieldProps) {
  const { schema, value, path, label, context, onChange } = props;
  const { schema: inner, optional, nullable } = unwrap(schema);
  const shape = shapeOf(schema);
  const wrong = context.problems.get(path.join('.')) ?? null;
  const about = path.join('.');
  const choices = choicesFor(inner, path, context);
  if (choices)
    return (
      <Choice
        label={label}
        value={String(value ?? '')}
        options={[['', optional || nullable ? 'none' : 'choose …'], ...choices]}
        wrong={wrong}
        onChange={(id) => onChange(id === '' ? (nullable ? null : optional ? undefined : '') : id, '')}
      />
    );
  switch (shape.kind) {
    case 'text':
      return (
        <Text
          label={label}
          long={shape.long}
          suggestions={context.likely?.(nameAt(path)) ?? []}
          value={String(value ?? '')}
          wrong={wrong}
          onChange={(text) =>
            onChange(text === '' && optional ? undefined : text === '' && nullable ? null : text, about)
          }
        />
      );
    case 'number': {
      const stored = context.stored?.(nameAt(path)) ?? null;
      const number = {
        label,
        value: typeof value === 'number' ? value : null,
        wrong,
        onChange: (n: number | null) => onChange(n === null ? (optional ? undefined : nullable ? null : 0) : n, about),
      };
      return stored ? (
        <AmountField {...number} of={stored} />
      ) : (
        <NumberField {...number} least={Number.NEGATIVE_INFINITY} />
      );
    }
    case 'yes-no':
      return (
        <label className="row">
          <Checkbox checked={value === true} onChange={(e) => onChange(e.target.checked, '')} /> {label}
        </label>
      );
    case 'choice':
      return (
        <Choice
          label={label}
          value={String(value ?? '')}
          options={[
            ...(optional || nullable ? [['', 'none'] as const] : []),
            ...shape.of.map((o) => [o, fieldWords(o)] as const),
          ]}
          onChange={(v) => onChange(v === '' ? (nullable ? null : undefined) : v, '')}
        />
      );
    case 'object':
      if (value === undefined || value === null)
        return <AddButton label={label} onClick={() => onChange(emptyOf(inner), '')} />;
      return (
        <fieldset className="group">
          <legend>
            {label}
            {(optional || nullable) && (
              <Button
                variant="text"
                aria-label={`remove ${label}`}
                onClick={() => onChange(nullable ? null : undefined, '')}
              >
                <CloseIcon fontSize="small" />
              </Button>
            )}
          </legend>
          <SchemaFields
            fields={shape.fields}
            value={value as Record<string, unknown>}
            path={path}
            context={context}
            onChange={onChange}
          />
        </fieldset>
      );
    case 'one-of': {
      if (value === undefined || value === null)
        return <AddButton label={label} onClick={() => onChange(emptyOf(inner), '')} />;
      const now = value as Record<string, unknown>;
      const member = shape.options.get(String(now[shape.by]));
      const own = member ? shapeOf(member) : null;
      return (
        <fieldset className="group">
          <legend>{label}</legend>
          <Choice
            label={fieldWords(shape.by)}
            value={String(now[shape.by])}
            options={[...shape.options.keys()].map((k) => [k, fieldWords(k)] as const)}
            onChange={(k) => {
              const next = shape.options.get(k);
              if (next) onChange(changedTo(next, now, shape.by), '');
            }}
          />
          {own?.kind === 'object' && (
            <SchemaFields
              fields={own.fields.filter(([n]) => n !== shape.by)}
              value={now}
              path={path}
              context={context}
              onChange={onChange}
            />
          )}
        </fieldset>
      );
    }
    case 'list':
      return <ListField {...props} of={shape.of} Inner={SchemaField} />;
    case 'record':
      return <RecordField {...props} of={shape.of} keys={shape.keys} Inner={SchemaField} />;
    case 'either': {
      const option = shape.options.find((o) => o.safeParse(value).success) ?? shape.options[0];
      return option ? <SchemaField {...props} schema={option} /> : null;
    }
    case 'fixed':
    case 'other':
      return null;
  }
}

type ObjectProps = Readonly<{
  fields: ReadonlyArray<readonly [string, z.ZodType]>;
  value: Record<string, unknown>;
  path: Path;
  context: SchemaContext;
  onChange: FieldProps['onChange'];
}>;

/** The fields of an object, in the order the schema names them. What it is filed under comes of its name, and last. */
export function SchemaFields({ fields, value, path, context, onChange }: ObjectProps) {
  const quantity = quantityOf(value, context.quantity ?? null);
  const stored = storedIn(value, quantity);
  const asked = fields.filter(([name]) => !(path.length === 0 && context.hidden?.has(name)));
  // an entry itself was filed when it was begun
  const isFiled = asked.some(([name]) => name === 'id') && asked.some(([name]) => namings.has(name));
  const field = ([name, schema]: (typeof fields)[number]) => (
    <SchemaField
      key={name}
      schema={schema}
      value={value[name]}
      path={[...path, name]}
      label={fieldWords(storedAs(name)?.name ?? name)}
      context={{ ...context, quantity, stored }}
      onChange={(next, about) => {
        const { [name]: _, ...rest } = value;
        const changed = next === undefined ? rest : { ...value, [name]: next };
        onChange(isFiled && namings.has(name) ? withMadeId(value, changed, name, context) : changed, about);
      }}
    />
  );
  return (
    <div className="stack schema-fields">
      {asked.filter(([name]) => name !== 'id' || !isFiled).map(field)}
      {isFiled && <Fold title="Advanced">{asked.filter(([name]) => name === 'id').map(field)}</Fold>}
    </div>
  );
}
