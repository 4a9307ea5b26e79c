import { describe, expect, it } from 'vitest';
import { fieldWords, placeWords, valueWords } from './change.ts';

describe('what changed, in words', () => {
  it.each<[string, string]>([
    ['afterReplacing', 'after replacing'],
    ['waitMs', 'wait'],
    ['inARow', 'times in a row'],
    ['comes', 'when it shows'],
    ['bench-proven', 'bench proven'],
  ])('the field %s is “%s”', (name, words) => expect(fieldWords(name)).toBe(words));
  it.each<[Array<string | number>, string]>([
    [['suspects', 1, 'weight'], 'suspects › 2 › weight'],
    [['suspects', '0', 'label'], 'suspects › 1 › label'],
    [[], ''],
  ])('the place %j is “%s”', (path, words) => expect(placeWords(path)).toBe(words));
  it.each<[unknown, string, string]>([
    [480_000, 'waitMs', '8 min'],
    [12, 'minutes', '12'],
    [true, 'decoy', 'yes'],
    [null, 'chart', '—'],
    ['', 'note', '(empty)'],
    [[], 'hazards', '(none)'],
    [['meter', 'lamp'], 'tools', 'meter, lamp'],
    [{ label: 'Belt', weight: 2 }, 'suspects', 'Belt'],
    [{ id: 'a', name: 'Main board' }, 'controllers', 'Main board'],
    [{ leastMs: 2000, mostMs: 90_000, note: null }, 'span', 'at least 2 s, at most 1 min 30 s'],
  ])('%j in %s reads %s', (value, field, words) => expect(valueWords(value, field)).toBe(words));
});
