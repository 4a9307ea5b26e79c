import type { ControllerId } from '../base/ids.ts';
import type { Bundle } from '../model/bundle.ts';
import type { Code } from '../model/code.ts';
import type { Controller } from '../model/family.ts';
import type { Readout } from '../model/readout.ts';
import { entriesOf, familyEntry } from '../model/select.ts';
import { holdsFor } from '../unit/plate.ts';
import type { Listed } from './table.ts';

/** Whether a code is read on this readout: its own, or those of the readout it shows in another way. */
export const showsCode = (readout: Readout, code: Pick<Code, 'readout'>): boolean =>
  code.readout !== null && (code.readout === readout.id || code.readout === readout.codesOf);

/** Each text once, as frequent as all its entries together. */
export function listedOf(codes: ReadonlyArray<Pick<Code, 'text' | 'frequency'>>): Listed[] {
  const byText = new Map<string, number>();
  for (const { text, frequency } of codes) byText.set(text, (byText.get(text) ?? 0) + frequency);
  return [...byText].map(([text, frequency]) => ({ text, frequency }));
}

/** One controller to ask for its codes: where they show, and how one gets there. */
export type SweepItem = Readonly<{
  controller: Controller;
  readout: Readout;
  how: string | null;
  slots: number;
}>;

/**
 * Every controller that can be asked for its codes, in the order the unit gives them: the controllers of the family, each
 * on the first readout that shows it and holds for the variants that are left.
 */
export function sweepPlan(bundle: Bundle, alive: ReadonlyArray<Readout['onlyVariants'][number]>): SweepItem[] {
  const readouts = entriesOf(bundle, 'readout').filter((r) => holdsFor(r.onlyVariants, alive) !== 'no');
  return familyEntry(bundle).controllers.flatMap((controller): SweepItem[] => {
    const own = readouts.find((r) => r.controller === controller.id);
    if (own) return [{ controller, readout: own, how: controller.howToTell ?? null, slots: own.slots.count }];
    for (const readout of readouts) {
      const also = readout.alsoFor.find((a) => a.controller === controller.id);
      if (also) return [{ controller, readout, how: also.how, slots: readout.slots.count }];
    }
    return [];
  });
}

/**
 * The controller whose word counts, where it has to say the same before testing starts: the readout asks for it, the code
 * was read elsewhere, and the authoritative controller can be asked. Else null.
 */
export function confirmAt(
  bundle: Bundle,
  plan: readonly SweepItem[],
  at: Pick<SweepItem, 'controller' | 'readout'>,
): ControllerId | null {
  const authoritative = familyEntry(bundle).controllers.find((c) => c.authoritative);
  if (!at.readout.confirmAtLead || !authoritative || authoritative.id === at.controller.id) return null;
  return plan.some((item) => item.controller.id === authoritative.id) ? authoritative.id : null;
}
