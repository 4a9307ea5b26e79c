import type { Step } from '../model/route.ts';
import { withInner } from '../model/steps.ts';
import type { Row } from './align.ts';
import type { Atom } from './atoms.ts';

/** Which telling is followed in which row. */
export type Choice = Readonly<{ row: number; telling: number }>;

type Edit =
  | Readonly<{ at: string; change: (step: Step) => Step | null }>
  | Readonly<{ after: string | null; insert: Step }>;

/** A step that stands for an atom alone, with what is inside it left out. */
function alone(atom: Atom): Step | null {
  const { step } = atom;
  if (step.kind === 'keep')
    return atom.act === 'take'
      ? { kind: 'hold', controls: step.controls, until: { kind: 'release' } }
      : { kind: 'release', controls: step.controls.map((c) => c.control) };
  if (step.kind === 'group' || step.kind === 'branch') return null;
  return step;
}

/** The base's own step as another telling has it: its count, time, control and place, with what is inside kept. */
function merged(step: Step, base: Atom, chosen: Atom): Step | null {
  if (step.kind === 'group') {
    if (base.act === 'window' && chosen.step.kind === 'group' && chosen.step.window)
      return { ...step, window: chosen.step.window };
    if (base.act === 'repeat') return { ...step, times: chosen.count ?? step.times };
    return null;
  }
  if (step.kind === 'keep') {
    if (base.act === 'take' && (chosen.step.kind === 'keep' || chosen.step.kind === 'hold'))
      return { ...step, controls: chosen.step.controls };
    if (chosen.step.kind === 'keep') {
      const { until: _, ...rest } = step;
      return chosen.step.until ? { ...rest, until: chosen.step.until } : rest;
    }
    if (chosen.step.kind === 'release' && chosen.step.at)
      return { ...step, until: { kind: 'moment', moment: chosen.step.at } };
    return null;
  }
  const other = alone(chosen);
  if (!other) return null;
  // notes of the base stay where the other says nothing of its own
  const { why, caution, tool, feelsLike, ifItFails, retry } = step;
  const notes = Object.fromEntries(
    Object.entries({ why, caution, tool, feelsLike, ifItFails, retry }).filter(([, v]) => v !== undefined),
  );
  return { ...notes, ...other } as Step;
}

/**
 * The base telling's steps with each choice followed: changed as the chosen telling has it, put in where the base leaves
 * it out, taken out where the chosen one does. What cannot be put in alone (a group) is left as the base has it.
 */
export function settleSteps(
  base: readonly Step[],
  rows: readonly Row[],
  choices: readonly Choice[],
  baseTelling = 0,
): Step[] {
  const edits: Edit[] = [];
  for (const { row: index, telling } of choices) {
    const row = rows[index];
    if (!row || telling === baseTelling) continue;
    const mine = row.cells[baseTelling] ?? null;
    const theirs = row.cells[telling] ?? null;
    if (mine && theirs) {
      edits.push({ at: mine.at, change: (step) => merged(step, mine, theirs) ?? step });
    } else if (mine && mine.step.kind !== 'group' && mine.step.kind !== 'keep')
      edits.push({ at: mine.at, change: () => null });
    else if (theirs) {
      const insert = alone(theirs);
      const before = rows.slice(0, index).findLast((r) => r.cells[baseTelling])?.cells[baseTelling];
      if (insert) edits.push({ after: before?.at ?? null, insert });
    }
  }
  return applyEdits(base, edits, '');
}

function applyEdits(steps: readonly Step[], edits: readonly Edit[], under: string): Step[] {
  const inserted = (after: string | null): Step[] =>
    edits.flatMap((e) => ('insert' in e && e.after === after ? [e.insert] : []));
  const out: Step[] = under === '' ? inserted(null) : [];
  steps.forEach((step, i) => {
    const at = `${under}${i}`;
    const kept = edits.reduce<Step | null>(
      (now, e) => ('change' in e && e.at === at && now ? e.change(now) : now),
      step,
    );
    if (kept) out.push(withInner(kept, (steps, list) => applyEdits(steps, edits, `${at}.${list}.`)));
    out.push(...inserted(at));
  });
  return out;
}
