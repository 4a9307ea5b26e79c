import type { ControlId, PlaceId } from '../../base/ids.ts';
import type { Step } from '../../model/route.ts';
import { controlsOf } from '../../model/steps.ts';
import { isSupplied } from '../../unit/facts.ts';
import type { Called } from './mentions.ts';
import { bucket } from './odds.ts';
import type { Made } from './reader.ts';

/** What was made, without its sentence. */
export type MadeOf = Omit<Made, 'sentence'>;

const isOneOf = (some: readonly ControlId[], step: Step): boolean => controlsOf(step).some((id) => some.includes(id));
/** How far ahead the hand is looked for that comes off. */
const offWithin = 8;

/**
 * What speaks for or against each step by how all stands there with the steps before and behind it: whether there is a supply,
 * what is held, whether something is put where it stands already, whether it comes back to where it began.
 */
export function standingClues(made: readonly MadeOf[], called: Called): ReadonlyArray<readonly string[]> {
  const { controls } = called.facts;
  const stands = new Map<ControlId, PlaceId | null>([...controls].map(([id, own]) => [id, own.start]));
  const held = new Map<ControlId, number>();
  const puts = new Map<ControlId, number[]>();
  for (const [i, { step }] of made.entries())
    if (step.kind === 'set') puts.set(step.control, [...(puts.get(step.control) ?? []), i]);
  const toAt = (i: number | undefined): PlaceId | null => {
    const step = made[i ?? -1]?.step;
    return step?.kind === 'set' ? step.to : null;
  };
  const isSupply = (id: ControlId): boolean => (controls.get(id)?.powersAt.size ?? 0) > 0;
  let rows = 0;
  let supplyAt = -1;
  return made.map(({ step }, i) => {
    const { kind } = step;
    const ids = controlsOf(step);
    const isOn = isSupplied(called.facts, (id) => stands.get(id) ?? null);
    const clues = [`on ${kind} ${isOn}`, `held ${kind} ${Math.min(2, held.size)}`, `rows ${kind} ${Math.min(rows, 2)}`];
    clues.push(`since ${kind} ${supplyAt < 0 ? '' : bucket(i - supplyAt, 2, 3, 5, 8, 14)}`);
    if (kind === 'set') {
      const own = controls.get(step.control);
      const all = puts.get(step.control) ?? [];
      const nth = all.indexOf(i);
      const isBack = toAt(all.at(-1)) === own?.start;
      const as = isSupply(step.control) ? 'supply' : 'other';
      const was = nth > 0 ? '' : 'first ';
      const from = `${was}${(nth > 0 ? toAt(all[nth - 1]) : own?.start) === step.to}`;
      const next = nth + 1 < all.length ? String(toAt(all[nth + 1]) === step.to) : 'last';
      clues.push(`puts ${Math.min(5, all.length)}`, `put ${Math.min(nth, 3)} ${Math.min(all.length, 4)}`);
      clues.push(`from ${from}`, `next ${next}`, `from ${from} ${next}`, `back ${isBack}`, `back ${isBack} ${next}`);
      clues.push(`${as} ${from} ${next} ${isBack}`, `stands ${(stands.get(step.control) ?? '') === step.to}`);
      if (nth > 0) clues.push(`last ${as} ${bucket(i - (all[nth - 1] ?? 0), 2, 3, 5, 9, 15)}`);
      if (nth + 1 < all.length) clues.push(`soon ${as} ${bucket((all[nth + 1] ?? 0) - i, 2, 3, 5, 9, 15)}`);
      stands.set(step.control, step.to);
      if (as === 'supply') supplyAt = i;
    }
    if (kind === 'hold') {
      clues.push(`hold again ${ids.some((id) => held.has(id))}`);
      if (step.until.kind === 'release') {
        for (const id of ids) held.set(id, i);
        const ahead = made.slice(i + 1, i + 1 + offWithin);
        const off = ahead.findIndex((m) => m.step.kind === 'release' && isOneOf(ids, m.step));
        clues.push(`off ${off < 0 ? '' : bucket(off + 1, 2, 3, 4, 6)}`);
      }
    }
    if (kind === 'release') {
      const since = ids.flatMap((id) => held.get(id) ?? [])[0];
      clues.push(`off of ${since === undefined ? '' : bucket(i - since, 2, 3, 5, 8)}`, `off at ${step.at?.kind ?? ''}`);
      for (const id of ids) held.delete(id);
    }
    if (kind === 'see') {
      const shown = JSON.stringify(step.signs);
      const as = `see ${step.signs[0]?.kind} ${held.size > 0}`;
      const isAnew = made.slice(0, i).every((m) => m.step.kind !== 'see' || JSON.stringify(m.step.signs) !== shown);
      const offSoon = made.slice(i + 1, i + 3).some((m) => m.step.kind === 'release' && m.step.at?.kind === 'sign');
      clues.push(as, `${as} ${made[i + 1]?.step.kind ?? ''}`, `see ${step.signs[0]?.kind} ${isOn} on`);
      clues.push(`see anew ${isAnew}`, `see off ${offSoon}`);
    }
    if (kind === 'group' || kind === 'choose' || kind === 'dial') rows += 1;
    return clues;
  });
}
