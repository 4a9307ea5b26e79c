import { type Entry, entrySchemas, problemsOf, type Route } from '@wire-trail/core';
import { useMemo } from 'react';
import { useAppDispatch } from '../../../app/store.ts';
import { SchemaFields } from '../SchemaFields.tsx';
import { shapeOf } from '../schema.ts';
import { draftEdited } from '../slice.ts';

/** Steps have their script; what was settled, the accounts. */
const elsewhere = new Set(['kind', 'id', 'family', 'steps', 'settled']);

/** Everything of a route that is not its steps: preconditions, tools, what to do if it fails, ways that do not work. */
export function RouteForm({ body, bodies }: { body: Route; bodies: { entries: Entry[] } }) {
  const dispatch = useAppDispatch();
  const problems = useMemo(() => {
    const parsed = entrySchemas.route.safeParse(body);
    return new Map(parsed.success ? [] : problemsOf(parsed.error).map((p) => [p.path.join('.'), p.reason]));
  }, [body]);
  const shape = shapeOf(entrySchemas.route);
  if (shape.kind !== 'object') return null;
  return (
    <section className="sheet">
      <SchemaFields
        fields={shape.fields}
        value={body as unknown as Record<string, unknown>}
        path={[]}
        context={{ bodies, problems, hidden: elsewhere }}
        onChange={(next, about) => void dispatch(draftEdited({ body: next as Entry, about }))}
      />
    </section>
  );
}
