import { cleanup, fireEvent, screen } from '@testing-library/react';
import type { Detection } from '@wire-trail/core';
import { afterEach, describe, expect, it } from 'vitest';
import { show } from '../../testing/trail.tsx';
import { Attempts, spanWords } from './Attempts.tsx';

afterEach(cleanup);
const min = 60_000;
const detection: Detection = {
  stored: true,
  notWatchedCycles: 0,
  inARow: 1,
  erasedAfterCleanCycles: null,
  cycle: 'prime',
  locksOutAfter: 40,
  attempt: { runMs: 2 * min, restMs: 13 * min },
};

describe('a counter of attempts', () => {
  it.each([
    [900, '1 s'],
    [40_000, '1 min'],
    [90 * min, '90 min'],
    [587 * min, '9 h 47 min'],
    [600 * min, '10 h'],
  ])('%d ms is %s', (ms, words) => expect(spanWords(ms)).toBe(words));
  it('says how long it has been going on, and what is left', () => {
    show(<Attempts detection={detection} />);
    expect(screen.getByRole('status').textContent).toBe(
      'It has been going on for 9 h 47 min at the least: it has locked out.',
    );
    const count = screen.getByLabelText('the counter stands at');
    fireEvent.change(count, { target: { value: '13' } });
    expect(screen.getByRole('status').textContent).toBe(
      'It has been going on for 3 h 2 min at the least; 27 more, 6 h 45 min, until it locks out.',
    );
    fireEvent.change(count, { target: { value: 'x' } });
    expect(screen.getByRole('status').textContent).toBe('“x” is no count.');
  });
  it('without a run and a rest there is nothing to say', () => {
    const { attempt: _, ...bare } = detection;
    show(<Attempts detection={bare} />);
    expect(screen.queryByRole('status')).toBeNull();
  });
});
