import { meantKey } from '../answers.ts';
import { meantClues } from './meant-clues.ts';
import { bias, weights } from './meant-learnt.ts';
import { oddsBy } from './odds.ts';
import type { Made, Reader } from './reader.ts';
import { saidIn } from './round-about.ts';

/** How much speaks against a step being meant, as the logarithm of the odds. */
const oddsAgainst = oddsBy(bias, weights, 100);

/** From which odds on it is asked whether a step is done, and from how many steps on: a sentence or two say too little. */
const [askedFrom, leastSteps] = [-1.1, 8];
/** What has words of its own for what it is was found by those: codes dialled, entries of menus, rows of keys in so many seconds. */
export const asksOf: ReadonlySet<Made['step']['kind']> = new Set([
  ...(['press', 'hold', 'keep', 'release', 'set', 'rest', 'see'] as const),
  ...(['turn', 'together', 'step-list', 'sweep', 'branch'] as const),
]);

/**
 * `Plus = older, Minus = newer` reads as a key that is pressed: what looks as what was read and not meant looked in earlier
 * tellings is asked about. It stays out of the steps, in its place, until somebody says that it is done.
 */
export function askWhetherMeant(r: Reader, text: string): void {
  if (r.made.length < leastSteps) return;
  const clues = meantClues(r.made, saidIn(text, r.called), r.called, r.holes);
  const seems = new Set(r.made.filter((m, i) => asksOf.has(m.step.kind) && oddsAgainst(clues[i] ?? []) > askedFrom));
  // what is let go of was held: asked only where the hand that comes off is
  const doubted = r.made.filter((m, i) => {
    if (!seems.has(m) || m.step.kind !== 'hold' || m.step.until.kind !== 'release') return seems.has(m);
    const ids = m.step.controls.map((c) => c.control);
    const off = r.made
      .slice(i + 1)
      .find((x) => x.step.kind === 'release' && x.step.controls.some((id) => ids.includes(id)));
    return off === undefined || seems.has(off);
  });
  const open = new Set<Made>();
  for (const m of doubted) {
    const { from, to, step } = m;
    const asked = { is: 'meant', phrase: text.slice(from, to).replace(/\s+/g, ' ').trim(), step } as const;
    if (r.answers.meant?.includes(meantKey(asked))) continue;
    open.add(m);
    r.ask(asked, 'is it done, or only told?', { from, to });
    r.holes.push({ from, to, why: 'not-understood' });
  }
  // asked in its place, and not where it was said once more: so nothing is put there instead
  r.made.splice(0, r.made.length, ...r.made.filter((m) => !open.has(m)));
}
