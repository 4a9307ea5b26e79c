import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readTruthTable, truthProblemWords } from '../index.ts';

const three = { onIs: 'lit', offIs: 'dark', lamps: [1, 2, 3] } as const;
const one = { ...three, lamps: [1] } as const;

describe('a pasted truth table', () => {
  it.each([
    [
      'words',
      '100 P\n010 M',
      [
        ['100', 'P'],
        ['010', 'M'],
      ],
    ],
    [
      'commas',
      '100,P\n010,M',
      [
        ['100', 'P'],
        ['010', 'M'],
      ],
    ],
    [
      'a cell for each lamp',
      '1\t0\t0\tP\n0\t1\t0\tM',
      [
        ['100', 'P'],
        ['010', 'M'],
      ],
    ],
    ['on and off', 'on;off;off;P', [['100', 'P']]],
    ['a heading', 'lamps\tmeans\n100\tP', [['100', 'P']]],
    ['bars around it', '| 1 | 0 | - | W |', [['10-', 'W']]],
    [
      'colours and rates',
      'R0s A\nG-f B',
      [
        ['R0s', 'A'],
        ['G-f', 'B'],
      ],
    ],
    ['the same line twice', '100 P\n100 P', [['100', 'P']]],
    ['blank lines', '\n100 P\n\n', [['100', 'P']]],
  ])('%s', (_, text, rows) => {
    const read = readTruthTable(text, three);
    expect([read.rows.map((r) => [r.pattern, r.value]), read.problems]).toEqual([rows, []]);
  });
  it('one lamp, in words', () => {
    expect(readTruthTable('red fault\nslow charging', one).rows).toEqual([
      { pattern: 'R', value: 'fault' },
      { pattern: 's', value: 'charging' },
    ]);
  });
  it.each([
    ['10 P', 'line 1: 2 signs for 3 lamps'],
    ['100 P\n010', 'line 2: nothing stands behind the pattern'],
    ['100 P\n1z0 M', 'line 2: “z” is no sign for a lamp (1 0 - d l s f R G A W B Y)'],
    ['100 P\n010 M\n100 W', 'line 3: the same pattern stands in line 1 for something else'],
  ])('%j: told at its line, and the others are kept', (text, words) => {
    const { rows, problems } = readTruthTable(text, three);
    expect(problems.map(truthProblemWords)).toEqual([words]);
    expect(rows.length).toBe(text.split('\n').length - 1);
  });
  it('never reads a line as longer or shorter than the lamps, whatever is pasted', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 200 }), (text) => {
        for (const row of readTruthTable(text, three).rows) expect(row.pattern).toHaveLength(3);
      }),
    );
  });
});
