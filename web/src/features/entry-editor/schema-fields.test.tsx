import { cleanup, configure, fireEvent, screen } from '@testing-library/react';
import { type Entry, entrySchemas, type Family, problemsIn } from '@wire-trail/core';
import { useState } from 'react';
import { afterEach, describe, expect, it } from 'vitest';
import { glasswasher, show } from '../../testing/trail.tsx';
import { newEntry } from './new-entry.ts';
import { SchemaFields } from './SchemaFields.tsx';
import { shapeOf } from './schema.ts';

// whether something is in sight is not what these are about, and takes long to work out for a form as large as this
configure({ defaultHidden: true });
afterEach(cleanup);
let now: Record<string, unknown> = {};

function Form({ body }: { body: Entry }) {
  const [value, setValue] = useState(body as unknown as Record<string, unknown>);
  now = value;
  const schema = entrySchemas[body.kind];
  const shape = shapeOf(schema);
  const member = shape.kind === 'one-of' ? shape.options.get(String(value[shape.by])) : schema;
  const own = member ? shapeOf(member) : null;
  const problems = problemsIn(value as unknown as Entry, glasswasher.entries);
  return own?.kind === 'object' ? (
    <SchemaFields
      fields={own.fields}
      value={value}
      path={[]}
      context={{ bodies: glasswasher, root: { schema, value }, problems }}
      onChange={(v) => setValue(v as typeof value)}
    />
  ) : null;
}
const open = (kind: 'setting' | 'access' | 'family') => {
  const body = newEntry({ family: 'brindlewick-g4', kind, id: 'new' }, 'New', glasswasher);
  if (!body) throw new Error(kind);
  show(<Form body={body} />);
};
const type = (label: string, text: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value: text } });
const press = (name: string) => fireEvent.click(screen.getByRole('button', { name }));

describe('a form read off a schema', () => {
  it('adds, fills, moves and removes items of a list', () => {
    open('setting');
    for (const value of ['1', '2', '3']) {
      press('Add allowed');
      type(`allowed ${value}`, value);
    }
    press('allowed 3 up');
    expect(now.allowed).toEqual(['1', '3', '2']);
    press('remove allowed 1');
    expect(now.allowed).toEqual(['3', '2']);
  });

  it('ids are chosen from what there is: variants of the family, sources of the library', () => {
    open('setting');
    press('Add right');
    fireEvent.change(screen.getByLabelText('variant'), { target: { value: 'three-phase' } });
    fireEvent.change(screen.getByLabelText('source'), { target: { value: 'sheet-g4' } });
    expect([now.right, now.source]).toEqual([[{ variant: 'three-phase', value: '' }], 'sheet-g4']);
    fireEvent.change(screen.getByLabelText('source'), { target: { value: '' } });
    expect(now.source).toBeNull();
  });

  it('says beside a field what is wrong, and keeps what was typed', () => {
    open('access');
    type('name', 'x'.repeat(10_000));
    expect(screen.getByText(/120/)).toBeTruthy();
    expect(String(now.name)).toHaveLength(10_000);
    type('name', 'Panel off');
    expect(screen.queryByText(/120/)).toBeNull();
  });

  it('what may be left out is left out again when it is emptied', () => {
    open('access');
    press('Add steps');
    type('do', 'Two screws out');
    type('back', 'Two screws in');
    expect(now.steps).toEqual([{ do: 'Two screws out', back: 'Two screws in' }]);
    type('back', '');
    expect(now.steps).toEqual([{ do: 'Two screws out' }]);
  });

  it('a record of names is kept by its names', () => {
    open('family');
    press('Add more to recognise it by');
    type('more to recognise it by 1 name', 'board colour');
    type('more to recognise it by 1', 'green');
    expect((now as unknown as Family).traits).toEqual({ 'board colour': 'green' });
    press('remove more to recognise it by 1');
    expect((now as unknown as Family).traits).toEqual({});
  });
});

describe('what a form offers', () => {
  it('what is named and is not there is said at its place, stays as it is, and can be put right', () => {
    const body = newEntry({ family: 'brindlewick-g4', kind: 'setting', id: 'new' }, 'New', glasswasher);
    show(<Form body={{ ...body, parameter: 'gone', source: 'gone' } as unknown as Entry} />);
    expect([now.parameter, now.source]).toEqual(['gone', 'gone']);
    const field = screen.getByLabelText<HTMLSelectElement>('rating');
    expect(field.selectedOptions[0]?.textContent).toBe('gone (not there)');
    expect(field.getAttribute('aria-invalid')).toBe('true');
    expect(screen.getByText('There is no rating “gone” on this unit.')).toBeTruthy();
    expect(screen.getByText('Names the source “gone”, which does not exist.')).toBeTruthy();
    fireEvent.change(field, { target: { value: 'rinse-power' } });
    expect(screen.queryByText('There is no rating “gone” on this unit.')).toBeNull();
  });

  it('amounts as people write them, with their unit, under a name without one', () => {
    const memory = glasswasher.entries.find((e) => e.kind === 'mode' && e.id === 'memory') as Entry;
    show(<Form body={memory} />);
    const [after] = screen.getAllByLabelText<HTMLInputElement>('after');
    expect(after?.value).toBe('4 min');
    const says = (text: string) => fireEvent.change(after as Element, { target: { value: text } });
    const kept = () => (now.transitions as Array<{ on: { afterMs?: number } }>)[0]?.on.afterMs;
    says('1h10');
    expect(kept()).toBe(4_200_000);
    says('soon');
    expect(kept()).toBe(4_200_000);
    expect(screen.getByText(/“soon” is not a number/)).toBeTruthy();
    says('2 min 30 s');
    expect(kept()).toBe(150_000);
    expect(screen.queryByText(/afterMs/)).toBeNull();
  });

  it('a value where a value is wanted and a controller where a controller is', () => {
    const route = glasswasher.entries.find((e) => e.kind === 'mode' && e.id === 'memory') as Entry;
    const sends = {
      ...route,
      transitions: [
        {
          on: { kind: 'idle', afterMs: 1000 },
          effects: [
            { kind: 'send', to: '', message: 'm' },
            { kind: 'assign', variable: 'slot', to: 1 },
          ],
        },
      ],
    };
    show(<Form body={sends as unknown as Entry} />);
    const offered = screen
      .getAllByLabelText<HTMLElement>('leads to')
      .flatMap((e) => (e instanceof HTMLSelectElement ? [[...e.options].map((o) => o.value)] : []));
    // the controller it is sent to, and the mode it leads to
    expect(offered).toEqual([
      expect.arrayContaining(['main', 'hood-board']),
      expect.arrayContaining(['standby', 'memory']),
    ]);
    expect(offered[0]).not.toContain('memory');
  });
});
