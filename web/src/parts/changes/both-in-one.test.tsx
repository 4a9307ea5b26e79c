import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import type { Code, Entry, Stale } from '@wire-trail/core';
import { entriesOf } from '@wire-trail/core';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { glasswasher } from '../../testing/trail.tsx';
import { BothInOne } from './BothInOne.tsx';

const [code] = entriesOf(glasswasher, 'code');
if (!code) throw new Error('no code');
const before: Code = { ...code, saw: 'as it was', does: 'stops' };
const stale = (theirs: Partial<Code>): Stale => ({
  number: 7,
  body: { ...before, ...theirs },
  author: 'Demo reviewer',
  savedAt: '2026-11-29T08:00:00Z',
  changes: [],
});
const shown = (mine: Partial<Code>, theirs: Partial<Code>) => {
  const took = vi.fn<(both: Entry) => void>();
  render(
    <BothInOne
      stale={stale(theirs)}
      before={before}
      mine={{ ...before, ...mine }}
      onClose={() => {}}
      actions={(both) => (
        <button type="button" onClick={() => took(both)}>
          Both
        </button>
      )}
    />,
  );
  return () => {
    fireEvent.click(screen.getByRole('button', { name: 'Both' }));
    return took.mock.calls.at(-1)?.[0] as Code;
  };
};
afterEach(cleanup);

describe('what two saved of one entry', () => {
  it('says who saved and what that changed; where nothing clashes both are in it', () => {
    const both = shown({ saw: 'seen anew' }, { does: 'stops, and says so' });
    expect(screen.getByText(/Demo reviewer saved revision 7/)).toBeTruthy();
    expect(screen.getByText('stops, and says so')).toBeTruthy();
    expect(screen.getByText(/both go together/)).toBeTruthy();
    expect(both()).toMatchObject({ saw: 'seen anew', does: 'stops, and says so' });
  });

  it('asks which shall stand of what both changed: mine until theirs is chosen, one by one', () => {
    const both = shown({ saw: 'mine', does: 'mine too' }, { saw: 'theirs', does: 'theirs too' });
    expect(screen.getByText('2 things you both changed: which shall stand?')).toBeTruthy();
    expect(both()).toMatchObject({ saw: 'mine', does: 'mine too' });
    fireEvent.click(screen.getByRole('button', { name: 'Theirs: theirs too' }));
    expect(both()).toMatchObject({ saw: 'mine', does: 'theirs too' });
    fireEvent.click(screen.getByRole('button', { name: 'Mine: mine too' }));
    expect(both()).toMatchObject({ saw: 'mine', does: 'mine too' });
  });

  it('says where one of them took something out', () => {
    const both = shown({ suspects: [] }, { suspects: [{ ...before.suspects[0], what: 'changed' } as never] });
    expect(screen.getByText(/which shall stand/)).toBeTruthy();
    expect(both().suspects).toEqual([]);
  });
});
