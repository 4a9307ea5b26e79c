import { describe, expect, it } from 'vitest';
import { idsIn, withMadeId } from './made-id.ts';

describe('what a thing is filed under', () => {
  const settled = new Set(['board', 'dip-limit']);
  it.each<[string, Record<string, unknown>, string, string]>([
    ['follows a new name as it is typed', { id: 'dip', name: 'Dip' }, 'Dip height', 'dip-height'],
    ['is made where there is none', { id: '', name: '' }, 'Main board', 'main-board'],
    ['stays once it was saved, though it is of its name', { id: 'board', name: 'Board' }, 'Main board', 'board'],
    ['stays where it was given by hand', { id: 'mb', name: 'Main board' }, 'Second board', 'mb'],
  ])('%s', (_, before, name, id) => {
    expect(withMadeId(before, { ...before, name }, 'name', { settled })).toMatchObject({ name, id });
  });
  it('is left alone where nobody knows what was saved', () => {
    const before = { id: 'dip', name: 'Dip' };
    expect(withMadeId(before, { ...before, name: 'Dip height' }, 'name', {})).toMatchObject({ id: 'dip' });
  });
  it('is found however deep it stands', () => {
    expect([...idsIn({ id: 'a', parts: [{ id: 'b', of: { id: 'c' } }], note: 'd' })]).toEqual(['a', 'b', 'c']);
  });
});
