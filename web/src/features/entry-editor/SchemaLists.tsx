import ArrowUpwardIcon from '@mui/icons-material/ArrowUpward';
import CloseIcon from '@mui/icons-material/Close';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import { fieldWords } from '@wire-trail/core';
import { type ComponentType, useEffect, useRef } from 'react';
import type { z } from 'zod';
import { Input } from '../../parts/field/Input.tsx';
import { Fold } from '../../parts/fold/Fold.tsx';
import { AddButton } from './AddButton.tsx';
import { choicesFor, keysFor } from './choices.ts';
import { emptyOf, shapeOf, unwrap } from './schema.ts';
import type { FieldProps } from './schema-props.ts';

type Several = FieldProps &
  Readonly<{
    of: z.ZodType;
    /** One of them, whatever its schema. */
    Inner: ComponentType<FieldProps>;
  }>;

const itemName = (item: unknown, i: number): string => {
  if (typeof item !== 'object' || item === null) return String(i + 1);
  const { label, name, title, id, kind, do: act } = item as Record<string, unknown>;
  return String(label ?? name ?? title ?? act ?? id ?? kind ?? i + 1) || String(i + 1);
};

/** Several of one kind: added, moved, folded and taken out; or ticked where there is a list to choose from. */
export function ListField({ value, path, label, context, onChange, of, Inner }: Several) {
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
          <Inner
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

/** A value for each of what is known by name, or for names that are typed. */
export function RecordField({
  value,
  path,
  label,
  context,
  onChange,
  of,
  keys: keySchema,
  Inner,
}: Several & { keys: z.ZodType }) {
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
          <Inner
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
      <AddButton
        label={label}
        onClick={() => onChange({ ...record, [`${label} ${Object.keys(record).length + 1}`]: emptyOf(of) }, '')}
      />
    </div>
  );
}
