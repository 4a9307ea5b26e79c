import { cleanup, render, screen } from '@testing-library/react';
import { diff } from '@wire-trail/core';
import { afterEach, expect, it } from 'vitest';
import { ChangeList } from './ChangeList.tsx';

afterEach(cleanup);
const show = (before: object, after: object) => {
  const { container } = render(<ChangeList changes={diff(before, after)} />);
  return [...container.querySelectorAll('li')].map((li) => li.textContent);
};

it.each<[string, object, object, string[]]>([
  ['a changed text', { title: 'Cold' }, { title: 'Warm' }, ['titleColdWarm']],
  ['something new', {}, { note: 'x' }, ['notex']],
  ['something gone', { note: 'x' }, {}, ['notex']],
  ['an empty text', { note: 'x' }, { note: '' }, ['notex(empty)']],
  ['nothing instead of something', { chart: 'a' }, { chart: null }, ['charta—']],
  [
    'a number in a list',
    { suspects: [{ label: 'A', weight: 1 }] },
    { suspects: [{ label: 'A', weight: 2 }] },
    ['suspects › 1 › weight12'],
  ],
  [
    'a field of two words',
    { detection: { inARow: 1 } },
    { detection: { inARow: 2 } },
    ['detection › times in a row12'],
  ],
  ['a named element that came', { suspects: [] }, { suspects: [{ label: 'Belt' }] }, ['suspects › 1Belt']],
  ['an emptied list', { hazards: ['a', 'b'] }, { hazards: [] }, ['hazards › 2b', 'hazards › 1a']],
  [
    'a move',
    { s: [{ label: 'A' }, { label: 'B' }] },
    { s: [{ label: 'B' }, { label: 'A' }] },
    ['sB moved from place 2 to 1'],
  ],
])('%s', (_, before, after, lines) => expect(show(before, after)).toEqual(lines));

it('says so when nothing differs', () => {
  render(<ChangeList changes={[]} />);
  expect(screen.getByText('Nothing differs.')).toBeTruthy();
});
