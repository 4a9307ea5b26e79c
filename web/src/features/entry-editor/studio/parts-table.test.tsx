import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { entriesOf, type Panel } from '@wire-trail/core';
import { afterEach, expect, it, vi } from 'vitest';
import { glasswasher } from '../../../testing/trail.tsx';
import { PartsTable } from './PartsTable.tsx';

afterEach(cleanup);
const [panel] = entriesOf(glasswasher, 'panel');
const badges = [{ id: 'marrick' as never, name: 'Marrick' }];
const open = () => {
  const onEdit = vi.fn<(panel: Panel, about?: string) => void>();
  if (!panel) throw new Error('no panel');
  render(<PartsTable panel={panel} faceIndex={0} badges={badges} onEdit={onEdit} />);
  return onEdit;
};
const last = (onEdit: ReturnType<typeof open>) => onEdit.mock.calls.at(-1)?.[0].faces[0];
const type = (label: string, value: string) => fireEvent.change(screen.getByLabelText(label), { target: { value } });

it('order, names, what a lamp counts and names by the badge are set in one table', () => {
  const onEdit = open();
  fireEvent.click(screen.getByRole('button', { name: 'a later' }));
  expect(
    last(onEdit)
      ?.signs.map((s) => s.label)
      .slice(0, 2),
  ).toEqual(['b', 'a']);
  type('name of b', 'second');
  expect(last(onEdit)?.signs[1]?.label).toBe('second');
  type('what c counts', '4');
  expect(last(onEdit)?.signs[2]).toMatchObject({ kind: 'lamp', weight: 4 });
  type('what c counts', 'many');
  expect(last(onEdit)?.signs[2]).not.toHaveProperty('weight');
  type('d by Marrick', 'fourth');
  expect(last(onEdit)?.signs[3]?.labelByBadge).toMatchObject({ marrick: 'fourth' });
});
