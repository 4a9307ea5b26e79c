import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readSeries } from '../index.ts';

describe('columns of numbers', () => {
  it.each([
    [
      'with a header',
      'time,a\n0,10\n33,20',
      ['time', 'a'],
      [
        [0, 10],
        [33, 20],
      ],
    ],
    [
      'without one',
      '0,10\n33,20',
      ['time', 'lamp 1'],
      [
        [0, 10],
        [33, 20],
      ],
    ],
    [
      'with semicolons and decimal commas',
      't;a\n0,5;10\n33;20',
      ['t', 'a'],
      [
        [0.5, 10],
        [33, 20],
      ],
    ],
    ['several lamps, tabs, a byte order mark', '\uFEFFt\ta\tb\n0\t1\t2\n', ['t', 'a', 'b'], [[0, 1, 2]]],
  ])('%s', (_, text, names, rows) => expect(readSeries(text)).toEqual({ ok: true, value: { names, rows } }));

  it.each([
    ['nothing', '', { code: 'empty' }],
    ['one column', '1\n2', { code: 'one-column' }],
    ['a word', 't,a\n0,1\n33,dark', { code: 'not-a-number', line: 3, column: 2, text: 'dark' }],
    ['an empty cell', 't,a\n0,', { code: 'not-a-number', line: 2, column: 2, text: '' }],
    ['beyond all numbers', 't,a\n0,1e400', { code: 'not-a-number', line: 2, column: 2, text: '1e400' }],
  ])('%s is refused at its place', (_, text, error) => expect(readSeries(text)).toEqual({ ok: false, error }));

  it('gives back what was written', () => {
    const row = fc.tuple(
      fc.integer(),
      fc.double({ noNaN: true, noDefaultInfinity: true }).map((x) => x + 0),
    );
    fc.assert(
      fc.property(fc.array(row, { minLength: 1, maxLength: 30 }), (rows) => {
        const read = readSeries(`t,a\n${rows.map((r) => r.join(',')).join('\n')}`);
        expect(read).toEqual({ ok: true, value: { names: ['t', 'a'], rows } });
      }),
    );
  });
});
