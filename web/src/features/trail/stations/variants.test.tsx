import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import type { Code } from '@wire-trail/core';
import { afterEach, describe, expect, it } from 'vitest';
import cartJson from '../../../../../demo/corrant-u3.json';
import launchJson from '../../../../../demo/sandrelle-l6.json';
import { readDemo, show, standing, unit } from '../../../testing/trail.tsx';
import { Composition, problemWords } from './Composition.tsx';
import { ReadStation } from './read/ReadStation.tsx';
import { UnitStation } from './UnitStation.tsx';

const [cart, launch] = [readDemo(cartJson), readDemo(launchJson)];
afterEach(cleanup);
const codeOf = (software: string | null, happenings: object[] = []) =>
  standing([unit({ serial: 'U-1', model: 'U3', software, variant: null }), ...happenings], cart);

describe('one code, another entry for each variant', () => {
  it.each<[string | null, string[]]>([
    ['1.4', ['412-7-early']],
    ['2.10', ['412-7-middle']],
    [null, ['412-7-early', '412-7-middle', '412-7-late']],
  ])('software %s leaves %j', (software, expected) => {
    const { data } = codeOf(software);
    expect(data.codes.filter((c: Code) => c.text === '412-7').map((c) => c.id)).toEqual(expected);
  });
  it('a walk that began with an entry of another variant goes on with the one that holds', () => {
    const { data } = codeOf('3.1', [{ kind: 'code-taken', code: '412-7-early', slot: 1 }]);
    expect(data.subject?.id).toBe('412-7-late');
  });
  it('while the plate does not tell, all stay in sight and one is chosen', async () => {
    const { added, ...s } = codeOf(null);
    show(<ReadStation {...s} />);
    fireEvent.change(screen.getByLabelText('What does the display show?'), { target: { value: '412-7' } });
    fireEvent.click(screen.getByRole('button', { name: 'Take 412-7' }));
    fireEvent.click(screen.getByRole('button', { name: /locks out after 40/ }));
    expect(added.at(-1)).toMatchObject({ kind: 'code-taken', code: '412-7-middle' });
  });
});

describe('the unit', () => {
  it('says why a value holds, and what does not go together', async () => {
    const { added, ...s } = standing([], launch);
    show(<UnitStation {...s} />);
    const type = (label: string | RegExp, value: string) =>
      fireEvent.change(screen.getByLabelText(label), { target: { value } });
    type('Serial number', 'SL455');
    expect(screen.getByText('L6 newer generation')).toBeTruthy();
    expect(screen.getByText('95 °C')).toBeTruthy();
    type('battery pack', '4');
    type('generation', 'first, grey lid');
    const alerts = screen.getAllByRole('alert').map((a) => a.textContent);
    expect(alerts).toEqual([
      '4 × battery pack: at most 3 may be attached.',
      'battery pack “first, grey lid” does not go with this variant. The newer boat does not charge it.',
    ]);
    fireEvent.click(screen.getByRole('button', { name: 'This is the unit' }));
    await waitFor(() =>
      expect(added[0]).toMatchObject({
        composition: [{ part: 'battery pack', count: 4, generation: 'first, grey lid' }],
      }),
    );
  });

  it.each<[Parameters<typeof problemWords>[0], string]>([
    [{ kind: 'too-few', part: 'zone', count: 0, least: 1 }, '0 × zone: at least 1 belong to it.'],
    [
      { kind: 'needs-software', part: 'pack', generation: 'red', from: '2.6', below: null },
      'pack “red” needs software 2.6 and up on the unit. Was the board swapped?',
    ],
    [
      { kind: 'software-not-known', part: 'pack', generation: 'red', from: null, below: '3.0' },
      'pack “red” needs software below 3.0: read the unit’s software.',
    ],
  ])('%j in words', (problem, expected) => expect(problemWords(problem)).toBe(expected));

  it('a count that was taken away is not held against anything', () => {
    const changes: unknown[] = [];
    show(
      <Composition
        rules={[{ part: 'pack', least: 1, most: 3, generations: [] }]}
        attached={[{ part: 'pack', count: 2 }]}
        problems={[]}
        onChange={(a) => changes.push(a)}
      />,
    );
    fireEvent.change(screen.getByLabelText('pack'), { target: { value: '' } });
    expect(changes).toEqual([[]]);
  });
});
