import Button from '@mui/material/Button';
import { type Entry, entriesOf, entrySchemas, type Family, type FamilyId, sameJson } from '@wire-trail/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { Field } from '../../../parts/field/Field.tsx';
import { Select } from '../../../parts/field/Select.tsx';
import type { Shelved } from '../tab-props.ts';
import { useKeep, useOnTop } from './use-keep.tsx';

type Props = Readonly<{ family: string; name: string; entries: readonly Shelved[]; isNew: boolean }>;

const sorts = { appliance: 'an appliance', machine: 'a machine', vehicle: 'a vehicle' } as const;

/** The least a unit can be. */
const begun = (id: string, name: string): Family =>
  entrySchemas.family.parse({
    kind: 'family',
    id: id as FamilyId,
    name,
    sort: 'appliance',
    summary: '',
    controllers: [{ id: 'main', name: 'Main control', role: 'lead', authoritative: true }],
  });

/** What a unit is, in a few boxes: what is typed is kept as a draft. */
export function WhatForm({ family, name, entries, isNew }: Props) {
  const own = entriesOf({ entries: entries.map((e) => e.body) }, 'family').find((f) => f.id === family);
  const [body, setBody] = useState<Family>(() => own ?? begun(family, name));
  const [known, setKnown] = useState(() => body.recognisedBy.join('\n'));
  const { keep, isKeeping, said } = useKeep(family, entries);
  const next: Family = {
    ...body,
    recognisedBy: known
      .split('\n')
      .map((l) => l.trim())
      .filter(Boolean)
      .slice(0, 20),
  };
  useOnTop(own, next, false, (both) => {
    setBody(both);
    setKnown(both.recognisedBy.join('\n'));
  });
  const isDirty = own === undefined || !sameJson(next, own);
  const wrong = next.name.trim() === '' ? 'Give it a name.' : next.name.length > 120 ? 'At most 120 letters.' : null;
  return (
    <form
      className="sheet stack"
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        if (!wrong && isDirty) void keep([next as Entry], isNew ? 'begun' : 'what it is');
      }}
    >
      <div className="two">
        <Field
          label="Its name"
          value={body.name}
          wrong={wrong}
          maxLength={120}
          onChange={(e) => setBody({ ...body, name: e.target.value })}
        />
        <label className="field">
          It is
          <Select
            native
            fullWidth
            value={body.sort}
            onChange={(e) => setBody({ ...body, sort: e.target.value as Family['sort'] })}
          >
            {Object.entries(sorts).map(([sort, words]) => (
              <option key={sort} value={sort}>
                {words}
              </option>
            ))}
          </Select>
        </label>
      </div>
      <Field
        label="How one knows it"
        hint="one thing a line: what sets it apart from what looks like it"
        multiline
        rows={3}
        value={known}
        onChange={(e) => setKnown(e.target.value)}
      />
      <Field
        label="Where its plate is"
        value={body.plate ?? ''}
        onChange={(e) => setBody({ ...body, plate: e.target.value || undefined })}
      />
      <Field
        label="In a sentence"
        hint="what it does, for whom"
        value={body.summary}
        onChange={(e) => setBody({ ...body, summary: e.target.value })}
      />
      {said}
      <div className="row">
        <Button type="submit" variant="contained" color="primary" disabled={!isDirty || isKeeping}>
          {isNew ? 'Begin this unit' : 'Keep'}
        </Button>
        {!isDirty && (
          <span className="soft small" role="status">
            kept
          </span>
        )}
        <Button
          component={Link}
          to={`/shelf/${family}/family/${family}${isNew ? `?new=${encodeURIComponent(name)}` : ''}`}
        >
          Variants, parts, ratings
        </Button>
      </div>
    </form>
  );
}
