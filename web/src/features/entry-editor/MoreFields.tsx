import { type Code, type Entry, entrySchemas, problemsIn, type Symptom } from '@wire-trail/core';
import { draftEdited } from '../../foundation/entry-draft-slice.ts';
import { useAppDispatch } from '../../foundation/store.ts';
import { Fold } from '../../parts/fold/Fold.tsx';
import { SchemaFields } from './SchemaFields.tsx';
import { shapeOf } from './schema.ts';

const here = [
  'group',
  'decoy',
  'onlyVariants',
  'seeAlso',
  'signStages',
  'goodReadings',
  'enter',
  'clear',
  'pictures',
  'frequency',
];
const counters = ['warnsAfter', 'locksOutAfter', 'attempt'];

/** The rest of a code: its group, links, counters, readings, what it holds for. */
export function MoreFields({ body, bodies }: { body: Code | Symptom; bodies: { entries: Entry[] } }) {
  const dispatch = useAppDispatch();
  const schema = entrySchemas[body.kind];
  const shape = shapeOf(schema);
  if (shape.kind !== 'object') return null;
  const context = { bodies, root: { schema, value: body }, problems: problemsIn(body, bodies.entries) };
  const detection = shape.fields.find(([n]) => n === 'detection')?.[1];
  const inner = detection ? shapeOf(detection) : null;
  const value: Record<string, unknown> = body;
  const onChange = (next: unknown, about: string) => void dispatch(draftEdited({ body: next as Entry, about }));
  return (
    <Fold title="Group, links, counters, readings, variants">
      <SchemaFields
        fields={shape.fields.filter(([n]) => here.includes(n))}
        value={value}
        path={[]}
        context={context}
        onChange={onChange}
      />
      {inner?.kind === 'object' && (
        <SchemaFields
          fields={inner.fields.filter(([n]) => counters.includes(n))}
          value={value.detection as Record<string, unknown>}
          path={['detection']}
          context={context}
          onChange={(d, about) => onChange({ ...value, detection: d }, about)}
        />
      )}
    </Fold>
  );
}
