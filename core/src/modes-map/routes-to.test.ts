import { describe, expect, it } from 'vitest';
import { entriesOf } from '../index.ts';
import { type BoardRoute, boardBundle } from '../testing/unit.ts';
import { routesUpTo, withFirst } from './routes-to.ts';

const way = (id: string, from: string, to: string, needsFirst: string[] = []): BoardRoute => ({
  id,
  script: `from ${from}\npress a\nreach ${to}`,
  rest: { purpose: 'step', needsFirst },
});
const rowOf = (goal: string, ...ways: BoardRoute[]): string => {
  const routes = entriesOf(boardBundle(ways), 'route');
  const found = routes.find((r) => r.id === goal);
  return found
    ? routesUpTo(found, routes, ['idle' as never])
        .map((r) => r.id)
        .join(' ')
    : '';
};
const into = way('in', 'idle', 'service');

describe('what has to be gone first', () => {
  it.each<[string, string, BoardRoute[]]>([
    [
      'within the mode it begins in, right before it',
      'in drain level',
      [into, way('drain', 'service', 'service'), way('level', 'service', 'service', ['drain'])],
    ],
    [
      'from anywhere, right before it',
      'in drain level',
      [into, way('drain', 'any', 'service'), way('level', 'service', 'service', ['drain'])],
    ],
    [
      'in another mode, before the whole row',
      'drain in level',
      [into, way('drain', 'idle', 'idle'), way('level', 'service', 'service', ['drain'])],
    ],
    [
      'what that needs as well',
      'in open drain level',
      [
        into,
        way('open', 'service', 'service'),
        way('drain', 'service', 'service', ['open']),
        way('level', 'service', 'service', ['drain']),
      ],
    ],
    [
      'each once',
      'in open drain level',
      [
        into,
        way('open', 'service', 'service'),
        way('drain', 'service', 'service', ['open']),
        way('level', 'service', 'service', ['open', 'drain']),
      ],
    ],
  ])('%s', (_, row, ways) => expect(rowOf('level', ...ways)).toBe(row));

  it('is nowhere: then nothing', () => {
    const routes = entriesOf(boardBundle([way('level', 'service', 'service')]), 'route');
    const lost = routes.map((r) => ({ ...r, needsFirst: ['nowhere' as never] }));
    expect(withFirst(lost, lost)).toEqual(lost);
  });
  it('is in a row already: nothing is gone twice', () => {
    const routes = entriesOf(
      boardBundle([way('drain', 'service', 'service'), way('level', 'service', 'service', ['drain'])]),
      'route',
    );
    expect(withFirst(routes, routes).map((r) => r.id)).toEqual(['drain', 'level']);
  });
});
