import type { ControlId } from '../../base/ids.ts';
import type { Called } from './mentions.ts';
import { bias, weights } from './named-done-learnt.ts';
import { oddsBy } from './odds.ts';
import { roundAbout, type Said, writtenAs } from './round-about.ts';

const farBack = 60;
/** What speaks for or against a control or sign that is named being worked or seen there, and not only spoken of. */
export function namedClues(all: readonly Said[], i: number, called: Called): readonly string[] {
  const w = all[i];
  if (!w) return [];
  const own = new Set([w.id]);
  const { before, behind, clues } = roundAbout(all, i, i + 1, own);
  const is = called.facts.controls.get(w.id as ControlId)?.control.look ?? 'sign';
  const more: string[] = [`k ${is}`, `case ${w.as} ${writtenAs(all, w, own)}`];
  for (const x of new Set([...before, ...behind])) more.push(`${w.as} ${x}`);
  for (const x of behind.slice(0, 2)) more.push(`>${is} ${x}`);
  for (const x of before.slice(-2)) more.push(`<${is} ${x}`);
  more.push(`ab ${w.as} ${before.at(-1) ?? '^'} ${behind[0] ?? '$'}`);
  const lately = all.slice(Math.max(0, i - farBack), i).filter((x) => x.id === w.id);
  more.push(`lately ${w.as} ${Math.min(3, lately.length)}`);
  return [...new Set([...clues, ...more])];
}

/** How much speaks for it, as the logarithm of the odds. */
export const oddsOfDone = oddsBy(bias, weights, 100);
