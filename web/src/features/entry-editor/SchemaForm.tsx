import { type Entry, entrySchemas, problemsIn } from '@wire-trail/core';
import { useMemo } from 'react';
import { draftEdited } from '../../foundation/entry-draft-slice.ts';
import { useAppDispatch, useAppSelector } from '../../foundation/store.ts';
import { idsIn } from './made-id.ts';
import { SchemaFields } from './SchemaFields.tsx';
import { shapeOf } from './schema.ts';

// what is let stand is said where it is found
const fixed = ['kind', 'id', 'family', 'accepted', 'follows', 'generationOf'] as const;
const none: readonly string[] = [];

type Props = Readonly<{
  body: Entry;
  bodies: { entries: Entry[] };
  /** Fields that are worked on elsewhere. */
  elsewhere?: readonly string[];
}>;

/** The form of an entry of any kind, read off its schema. What is wrong is said beside it; nothing typed is dropped. */
export function SchemaForm({ body, bodies, elsewhere = none }: Props) {
  const hidden = useMemo(() => new Set<string>([...fixed, ...elsewhere]), [elsewhere]);
  const dispatch = useAppDispatch();
  const saved = useAppSelector(({ entryDraft }) => (entryDraft.status === 'open' ? entryDraft.saved : null));
  const settled = useMemo(() => idsIn(saved), [saved]);
  const schema = entrySchemas[body.kind];
  const problems = useMemo(() => problemsIn(body, bodies.entries), [body, bodies]);
  const shape = shapeOf(schema);
  const value: Record<string, unknown> = body;
  const member = shape.kind === 'one-of' ? shape.options.get(String(value[shape.by])) : schema;
  const own = member ? shapeOf(member) : null;
  if (own?.kind !== 'object') return null;
  return (
    <section className="sheet">
      <SchemaFields
        fields={own.fields}
        value={value}
        path={[]}
        context={{ bodies, root: { schema, value: body }, problems, hidden, settled }}
        onChange={(next, about) => void dispatch(draftEdited({ body: next as Entry, about }))}
      />
    </section>
  );
}
