import Button from '@mui/material/Button';
import {
  Control,
  changePart,
  type Entry,
  entriesOf,
  Face,
  type FacePart,
  Panel,
  partsOf,
  problemsOf,
  Sign,
} from '@wire-trail/core';
import type { z } from 'zod';
import { SchemaFields } from '../SchemaFields.tsx';
import { shapeOf } from '../schema.ts';
import { PartsTable } from './PartsTable.tsx';

type Props = Readonly<{
  panel: Panel;
  faceIndex: number;
  picked: ReadonlySet<string>;
  bodies: { entries: Entry[] };
  onEdit: (panel: Panel, about?: string) => void;
  onRemoveFace: () => void;
}>;

function fieldsOf(schema: z.ZodType, value: object): ReadonlyArray<readonly [string, z.ZodType]> {
  const shape = shapeOf(schema);
  const member =
    shape.kind === 'one-of' ? shape.options.get(String((value as Record<string, unknown>)[shape.by])) : schema;
  const own = member ? shapeOf(member) : null;
  return own?.kind === 'object' ? own.fields : [];
}

function problemsWith(schema: z.ZodType, value: unknown): ReadonlyMap<string, string> {
  const parsed = schema.safeParse(value);
  return new Map(parsed.success ? [] : problemsOf(parsed.error).map((p) => [p.path.join('.'), p.reason]));
}

/** What can be said of the picked part; of the face and the panel while none is picked. */
export function Inspector({ panel, faceIndex, picked, bodies, onEdit, onRemoveFace }: Props) {
  const face = panel.faces[faceIndex];
  if (!face) return null;
  const badges = entriesOf(bodies, 'family').find((f) => f.id === panel.family)?.badges ?? [];
  const parts = partsOf(face).filter((p) => picked.has(p.id));
  const [part] = parts;
  if (parts.length > 1) return <aside className="sheet scrolls inspector soft">{parts.length} parts are picked.</aside>;
  if (part) {
    const schema: z.ZodType = 'look' in part ? Control : Sign;
    const hidden = new Set(['at', 'kind', 'id']);
    return (
      <aside className="sheet scrolls inspector" aria-label="the picked part">
        <h2>{part.label}</h2>
        <SchemaFields
          fields={fieldsOf(schema, part)}
          value={part}
          path={[]}
          context={{ bodies, root: { schema, value: part }, problems: problemsWith(schema, part), hidden }}
          onChange={(next, about) =>
            onEdit(changePart(panel, faceIndex, part.id, next as FacePart), about && `${part.id}.${about}`)
          }
        />
        {'interlock' in part && part.interlock && (
          <p className="small note">An interlock: no step that holds it false can be published.</p>
        )}
      </aside>
    );
  }
  return (
    <aside className="sheet scrolls inspector" aria-label="the face">
      <h2>{face.label}</h2>
      <PartsTable panel={panel} faceIndex={faceIndex} badges={badges} onEdit={onEdit} />
      <SchemaFields
        fields={fieldsOf(Face, face)}
        value={face}
        path={[]}
        context={{
          bodies,
          root: { schema: Face, value: face },
          problems: problemsWith(Face, face),
          hidden: new Set(['id', 'controls', 'signs']),
        }}
        onChange={(next, about) =>
          onEdit({ ...panel, faces: panel.faces.with(faceIndex, next as Face) }, about && `face.${about}`)
        }
      />
      {panel.faces.length > 1 && <Button onClick={onRemoveFace}>Remove this face</Button>}
      <h2>The panel</h2>
      <SchemaFields
        fields={fieldsOf(Panel, panel).filter(([n]) => ['name', 'controller', 'copies', 'note'].includes(n))}
        value={panel}
        path={[]}
        context={{ bodies, root: { schema: Panel, value: panel }, problems: problemsWith(Panel, panel) }}
        onChange={(next, about) => onEdit(next as Panel, about && `panel.${about}`)}
      />
    </aside>
  );
}
