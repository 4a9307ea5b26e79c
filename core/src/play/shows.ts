import type { SignId } from '../base/ids.ts';
import { entryOf } from '../library/select.ts';
import { encode } from '../readout/encode.ts';
import type { Condition, Showing } from '../unit/mode.ts';
import { type Shown, sameShown } from '../unit/signal.ts';
import type { UnitPlan } from './gestures.ts';
import type { Mind, UnitState } from './state.ts';

/** Which code a readout shows now: that of the memory's slot a cursor stands on. */
function memoryText(state: UnitState, mind: Mind, slot: string | undefined): string | null {
  const cursor = slot === undefined ? 1 : mind.variables.get(slot as never);
  return state.memory[typeof cursor === 'number' ? cursor - 1 : 0] ?? null;
}

function readoutShows(plan: UnitPlan, state: UnitState, mind: Mind, showing: Extract<Showing, { kind: 'readout' }>) {
  const readout = entryOf(plan.bundle, 'readout', showing.readout);
  if (!readout) return [];
  const { of } = showing;
  const text =
    of.kind === 'memory'
      ? memoryText(state, mind, of.slot)
      : of.kind === 'variable'
        ? String(mind.variables.get(of.variable) ?? '')
        : String(Math.round(state.inputs.get(of.input) ?? 0));
  if (text === null) return readout.specials.find((s) => s.means === 'nothing-stored')?.signs ?? [];
  const shows = encode(readout, text);
  if (!shows.ok) return readout.stages[0]?.reads.kind === 'text' ? plainText(readout.stages[0].reads.sign, text) : [];
  return shows.value[Math.min(mind.stage, shows.value.length - 1)]?.shown ?? [];
}
const plainText = (sign: SignId, text: string): Shown[] => [{ kind: 'text', sign, text }];

/** Whether a condition holds; `shows` says what a sign shows at this moment. */
export function holds(plan: UnitPlan, state: UnitState, mind: Mind, condition: Condition): boolean {
  switch (condition.kind) {
    case 'variable':
      return mind.variables.get(condition.variable) === condition.is;
    case 'input': {
      const value = state.inputs.get(condition.input) ?? 0;
      return condition.compare === 'above' ? value > condition.value : value < condition.value;
    }
    case 'reads':
      return state.memory[0] !== undefined && state.memory[0] === entryOf(plan.bundle, 'code', condition.code)?.text;
    case 'sign': {
      const over = state.over.get(condition.shown.sign);
      return over !== undefined && sameShown(over.shown, condition.shown);
    }
    case 'all':
      return condition.of.every((c) => holds(plan, state, mind, c));
    case 'any':
      return condition.of.some((c) => holds(plan, state, mind, c));
    case 'not':
      return !holds(plan, state, mind, condition.of);
  }
}

const isDark = (shown: Shown): boolean =>
  shown.kind === 'lamp' ? shown.state === 'dark' : shown.kind === 'text' ? shown.text === '' : shown.state === 'off';

/**
 * What every sign of the unit shows now, one entry a sign: what its modes say, and over that what an attempt under way
 * has brought on. Without supply nothing is lit.
 */
export function showsNow(plan: UnitPlan, state: UnitState): ReadonlyMap<SignId, Shown> {
  const signs = new Map<SignId, Shown>();
  if (state.poweredAt === null) return signs;
  for (const mind of state.minds.values())
    for (const showing of plan.modes.get(mind.mode)?.shows ?? []) {
      if (showing.when && !holds(plan, state, mind, showing.when)) continue;
      const shown = showing.kind === 'fixed' ? showing.signs : readoutShows(plan, state, mind, showing);
      for (const s of shown) signs.set(s.sign, s);
    }
  for (const [sign, { shown }] of state.over) signs.set(sign, shown);
  for (const [sign, shown] of signs) if (isDark(shown)) signs.delete(sign);
  return signs;
}
