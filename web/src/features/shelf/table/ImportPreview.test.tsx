import { render, screen } from '@testing-library/react';
import type { ImportRow } from '@wire-trail/core';
import { expect, it } from 'vitest';
import { ImportPreview } from './ImportPreview.tsx';

const body = (text: string) => ({ what: 'new', body: { kind: 'code', id: text.toLowerCase(), text, title: 'Fan' } });
const row = (line: number, ...texts: string[]) =>
  ({ line, taken: true, cells: [], notes: [], bodies: texts.map(body) }) as unknown as ImportRow;

it('several codes of one row stand apart', () => {
  render(<ImportPreview rows={[row(2, 'E1', 'E2', 'E12'), row(3, '7')]} />);
  expect(screen.getByRole('row', { name: /E1 ?, E2 ?, E12/ })).toBeTruthy();
  expect(screen.getAllByRole('row')).toHaveLength(3);
});
