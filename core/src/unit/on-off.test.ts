import { expect, it } from 'vitest';
import type { PlaceId } from '../base/ids.ts';
import { usualPlace } from './on-off.ts';

const places = (...ids: string[]) => ids.map((id) => ({ id: id as PlaceId, label: id.toUpperCase() }));

it.each([
  [['off', 'on'], 'off', 'off'],
  [['0', '1'], 'off', '0'],
  [['0', '1', '2'], 'on', '1'],
  [['o', 'i'], 'off', 'o'],
  [['o', 'i'], 'on', 'i'],
  // one mark alone says nothing: a dial from 1 to 3
  [['1', '2', '3'], 'on', null],
  [['a', '0'], 'off', null],
  [['0', '1'], 'open', null],
])('of %j %s is %s', (ids, word, place) => {
  expect(usualPlace(places(...ids), word)).toBe(place);
});

it('takes what is written on it, whatever its id', () => {
  const own = [
    { id: 'dead' as PlaceId, label: '○' },
    { id: 'live' as PlaceId, label: '|' },
  ];
  expect([usualPlace(own, 'off'), usualPlace(own, 'on')]).toEqual(['dead', 'live']);
});
