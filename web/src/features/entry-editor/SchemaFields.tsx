import ArrowUpwardIcon from '@mui/icons-material/ArrowUpward';
import CloseIcon from '@mui/icons-material/Close';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import { type Quantity, quantities, storedAs } from '@wire-trail/core';
import { useEffect, useRef } from 'react';
import type { z } from 'zod';
import { Input } from '../../parts/field/Input.tsx';
import { Fold } from '../../parts/fold/Fold.tsx';
import { choicesFor, keysFor, nameAt, type Path, type SchemaContext } from './choices.ts';
import { AmountField, Choice, NumberField, Text } from './inputs.tsx';
import { changedTo, emptyOf, fieldWords, shapeOf, unwrap } from './schema.ts';

type FieldProps = Readonly<{
  schema: z.ZodType;
  value: unknown;
  path: Path;
  label: string;
  context: SchemaContext;
  /** `about` names the place typed into, so that a word is one step to undo; empty for adding, removing, choosing. */
  onChange: (value: unknown, about: string) => void;
}>;

/** Fields that are a number of whatever quantity stands beside them. */
const inOwnQuantity: ReadonlySet<string> = new Set(['value', 'least', 'most', 'start']);
const storedIn = (name: string, quantity: Quantity | null) =>
  storedAs(name) ?? (quantity !== null && inOwnQuantity.has(name) ? { quantity, perBase: 1 } : null);
const quantityOf = ({ quantity }: Record<string, unknown>): Quantity | null =>
  quantities.find((q) => q === quantity) ?? null;

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
      const stored = storedIn(nameAt(path), context.quantity ?? null);
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
      return <ListField {...props} of={shape.of} />;
    case 'record':
      return <RecordField {...props} of={shape.of} keys={shape.keys} />;
    case 'either': {
      const option = shape.options.find((o) => o.safeParse(value).success) ?? shape.options[0];
      return option ? <SchemaField {...props} schema={option} /> : null;
    }
    case 'fixed':
    case 'other':
      return null;
  }
}

function AddButton({ label, onClick }: { label: string; onClick: () => void }) {
  return (
    <Button variant="text" onClick={onClick}>
      Add {label}
    </Button>
  );
}

type ObjectProps = Readonly<{
  fields: ReadonlyArray<readonly [string, z.ZodType]>;
  value: Record<string, unknown>;
  path: Path;
  context: SchemaContext;
  onChange: FieldProps['onChange'];
}>;

/** The fields of an object, in the order the schema names them. */
export function SchemaFields({ fields, value, path, context, onChange }: ObjectProps) {
  const quantity = quantityOf(value);
  return (
    <div className="stack schema-fields">
      {fields
        .filter(([name]) => !(path.length === 0 && context.hidden?.has(name)))
        .map(([name, schema]) => (
          <SchemaField
            key={name}
            schema={schema}
            value={value[name]}
            path={[...path, name]}
            label={fieldWords(storedAs(name)?.name ?? name)}
            context={{ ...context, quantity }}
            onChange={(next, about) => {
              const { [name]: _, ...rest } = value;
              onChange(next === undefined ? rest : { ...value, [name]: next }, about);
            }}
          />
        ))}
    </div>
  );
}

const itemName = (item: unknown, i: number): string => {
  if (typeof item !== 'object' || item === null) return String(i + 1);
  const { label, name, title, id, kind, do: act } = item as Record<string, unknown>;
  return String(label ?? name ?? title ?? act ?? id ?? kind ?? i + 1) || String(i + 1);
};

function ListField({ value, path, label, context, onChange, of }: FieldProps & { of: z.ZodType }) {
  const list = Array.isArray(value) ? (value as unknown[]) : [];
  const item = shapeOf(of);
  const small = item.kind === 'text' || item.kind === 'number';
  const box = useRef<HTMLDivElement>(null);
  const isNew = useRef(false);
  useEffect(() => {
    if (!isNew.current) return;
    isNew.current = false;
    // what was added is typed into at once
    const last = [...(box.current?.querySelectorAll(':scope > .with-button, :scope > .item') ?? [])].at(-1);
    if (last instanceof HTMLDetailsElement) last.open = true;
    last?.querySelector<HTMLElement>('input, textarea, select')?.focus();
  });
  const move = (i: number, by: number) => {
    const next = [...list];
    const [moved] = next.splice(i, 1);
    next.splice(i + by, 0, moved);
    onChange(next, '');
  };
  const named = choicesFor(unwrap(of).schema, [...path, 0], context);
  if (item.kind === 'choice' || named) {
    const known = item.kind === 'choice' ? item.of.map((o) => [o, fieldWords(o)] as const) : (named ?? []);
    // what is listed and is not there can be taken out
    const gone = list.filter((id) => !known.some(([k]) => k === id)).map(String);
    const options = [...known, ...gone.map((id) => [id, `${id} (not there)`] as const)];
    return (
      <fieldset className="group three">
        <legend>{label}</legend>
        {options.length === 0 && <span className="soft small">there are none yet</span>}
        {options.map(([id, name]) => (
          <label key={id}>
            <Checkbox
              checked={list.includes(id)}
              onChange={(e) => onChange(e.target.checked ? [...list, id] : list.filter((x) => x !== id), '')}
            />{' '}
            {name}
          </label>
        ))}
      </fieldset>
    );
  }
  const moves = (i: number) => (
    <span className="row item-moves">
      <Button disabled={i === 0} aria-label={`${label} ${i + 1} up`} onClick={() => move(i, -1)}>
        <ArrowUpwardIcon fontSize="small" />
      </Button>
      <Button aria-label={`remove ${label} ${i + 1}`} onClick={() => onChange(list.toSpliced(i, 1), '')}>
        <CloseIcon fontSize="small" />
      </Button>
    </span>
  );
  return (
    <div className="field-of list-field" ref={box}>
      <span className="field-label">{label}</span>
      {list.map((one, i) => {
        const inner = (
          <SchemaField
            key={String(i)}
            schema={of}
            value={one}
            path={[...path, i]}
            label={small ? `${label} ${i + 1}` : itemName(one, i)}
            context={context}
            onChange={(next, about) => onChange(list.with(i, next), about)}
          />
        );
        return small ? (
          // biome-ignore lint/suspicious/noArrayIndexKey: items have no identity but their place
          <div key={i} className="with-button bare">
            {inner}
            {moves(i)}
          </div>
        ) : (
          // biome-ignore lint/suspicious/noArrayIndexKey: items have no identity but their place
          <div key={i} className="with-button item">
            <Fold title={itemName(one, i)} open={list.length < 3}>
              {inner}
            </Fold>
            {moves(i)}
          </div>
        );
      })}
      <AddButton
        label={label}
        onClick={() => {
          isNew.current = true;
          onChange([...list, emptyOf(of)], '');
        }}
      />
    </div>
  );
}

function RecordField({
  value,
  path,
  label,
  context,
  onChange,
  of,
  keys: keySchema,
}: FieldProps & { of: z.ZodType; keys: z.ZodType }) {
  const record = (value ?? {}) as Record<string, unknown>;
  const keys = keysFor(keySchema, path, context);
  const set = (key: string, next: unknown, about: string) => {
    const { [key]: _, ...rest } = record;
    onChange(next === undefined || next === '' ? rest : { ...record, [key]: next }, about);
  };
  // what was filled in for something that is not there can be taken out
  const gone = keys ? Object.keys(record).filter((key) => !keys.some(([known]) => known === key)) : [];
  const all = [...(keys ?? []), ...gone.map((key) => [key, `${key} (not there)`] as const)];
  if (keys)
    return (
      <fieldset className="group">
        <legend>{label}</legend>
        {all.length === 0 && <span className="soft small">there are none yet</span>}
        {all.map(([key, name]) => (
          <SchemaField
            key={key}
            schema={of.optional()}
            value={record[key]}
            path={[...path, key]}
            label={name}
            context={context}
            onChange={(next, about) => set(key, next, about)}
          />
        ))}
      </fieldset>
    );
  return (
    <div className="field-of">
      <span className="field-label">{label}</span>
      {Object.entries(record).map(([key, item], i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a key that is being typed is no identity
        <div key={i} className="three record-row">
          <Input
            fullWidth
            value={key}
            onChange={(e) =>
              onChange(
                Object.fromEntries(Object.entries(record).map(([k, v], n) => [n === i ? e.target.value : k, v])),
                `${path.join('.')}.key${i}`,
              )
            }
            slotProps={{ input: { 'aria-label': `${label} ${i + 1} name` } }}
          />
          <Input
            fullWidth
            value={String(item ?? '')}
            onChange={(e) =>
              onChange(
                { ...record, [key]: shapeOf(of).kind === 'number' ? Number(e.target.value) : e.target.value },
                `${path.join('.')}.${i}`,
              )
            }
            slotProps={{ input: { 'aria-label': `${label} ${i + 1}` } }}
          />
          <Button aria-label={`remove ${label} ${i + 1}`} onClick={() => set(key, undefined, '')}>
            <CloseIcon fontSize="small" />
          </Button>
        </div>
      ))}
      <Button
        variant="text"
        onClick={() => onChange({ ...record, [`${label} ${Object.keys(record).length + 1}`]: emptyOf(of) }, '')}
      >
        Add {label}
      </Button>
    </div>
  );
}
