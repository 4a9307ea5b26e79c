import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { readBundle } from '../index.ts';
import { sessionOf } from '../testing/made-sessions.ts';
import { twoBoards } from '../testing/two-boards.ts';
import { planUnit, type UnitPlan } from './gestures.ts';

const demo = new URL('../../../demo/', import.meta.url);
const families = readdirSync(demo).filter((f) => f.endsWith('.json'));
const played = (plan: UnitPlan, sessions: number): string =>
  `${Array.from({ length: sessions }, (_, i) => sessionOf(plan, 300 + i).join('\n')).join('\n')}\n`;

/**
 * What each demo unit does under hands that work it for a while, to the letter: whatever changes a line of it is looked
 * at. `vitest -u` writes it anew.
 */
describe('every line of what a unit does', () => {
  it.each(families)('%s', async (file) => {
    const read = readBundle(JSON.parse(readFileSync(new URL(file, demo), 'utf8')));
    if (!read.ok) throw new Error(file);
    const plan = planUnit(read.value);
    await expect(played(plan, 10)).toMatchFileSnapshot(`played-as/${file.replace('.json', '.txt')}`);
  });
  it('two boards with the same keys', async () => {
    await expect(played(planUnit(twoBoards()), 40)).toMatchFileSnapshot('played-as/two-boards.txt');
  });
});
