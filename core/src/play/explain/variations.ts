import type { ControlId } from '../../base/ids.ts';
import type { UnitFacts } from '../../unit/facts.ts';
import type { MissFacts } from '../attempt-state.ts';
import { otherActs } from './other-acts.ts';
import { otherTimes } from './other-times.ts';
import type { Death, Variation } from './variation.ts';

/** A control that carries the supply and does not stand where it would. */
function withoutSupply(facts: UnitFacts, placeOf: (c: ControlId) => string | undefined): MissFacts {
  const dead = facts.supply.find((c) => ![...c.powersAt].some((p) => p === placeOf(c.control.id)));
  return dead ? { control: dead.control.id } : {};
}

/** Everything that one thing otherwise could make of a program that came to nothing. */
export function variations(death: Death, placeOf: (c: ControlId) => string | undefined): Variation[] {
  const { miss, program, facts } = death;
  if (miss.code === 'no-power')
    return [
      {
        program,
        skips: [],
        powered: true,
        edit: { code: 'no-power', at: miss.at, byMs: null, facts: withoutSupply(facts, placeOf), cost: 0.9 },
      },
    ];
  return [...otherTimes(death), ...otherActs(death)];
}
