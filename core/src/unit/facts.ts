import type { ControlId, FamilyId, PlaceId, SignId } from '../base/ids.ts';
import type { Bundle } from '../model/bundle.ts';
import type { Control, Face, Mechanism, Panel, Sign } from '../model/panel.ts';
import { entriesOf } from '../model/select.ts';
import { usualPlace } from './on-off.ts';

/** A control with what the engine asks of it: how it moves, what it springs back to, whether it carries the supply. */
export type ControlFacts = Readonly<{
  control: Control;
  face: Face;
  mechanism: Mechanism;
  start: PlaceId | null;
  springs: ReadonlyMap<PlaceId, PlaceId>;
  powersAt: ReadonlySet<PlaceId>;
}>;

/** What a family's panels say, looked up by id. */
export type UnitFacts = Readonly<{
  controls: ReadonlyMap<ControlId, ControlFacts>;
  signs: ReadonlyMap<SignId, Sign>;
  /** Signs on a side that lies behind a cover. */
  covered: ReadonlySet<SignId>;
  /** Controls that must all stand in one of their `powersAt` places for the unit to have its supply. */
  supply: readonly ControlFacts[];
}>;

/** What carries the supply, by its look. */
export const supplyLooks: ReadonlySet<string> = new Set(['breaker', 'plug', 'key', 'switch', 'rocker']);
const supplyWords: ReadonlySet<string> = new Set([
  'breaker',
  'plug',
  'key',
  'power',
  'mains',
  'main',
  'main power',
  'main rocker',
  'mains switch',
  'main switch',
  'power switch',
  'isolator',
  'supply',
  'battery plug',
]);

/** Where a control says nothing of the supply: a breaker, plug or key, or what is called power, supplies the unit when on or in. */
function supplyPlaces(control: Control): PlaceId[] {
  if (control.powersAt.length > 0) return control.powersAt;
  const { mechanism } = control;
  if (mechanism.kind !== 'places' || !supplyLooks.has(control.look)) return [];
  const carries = !/\b(?:drain|sump|bung|filler|sensor|probe|motor|signal|data)\b/i.test(control.label);
  const plain = control.look === 'breaker' || (control.look === 'plug' && carries) || control.look === 'key';
  if (!plain && !supplyWords.has(control.label.toLowerCase())) return [];
  // a breaker that is down has tripped, or was switched off
  const isLever = control.look === 'breaker' && mechanism.places.some((p) => p.id === 'up');
  const dead = [usualPlace(mechanism.places, 'off'), 'out', 'open', ...(isLever ? ['down'] : [])];
  return mechanism.places.filter((p) => !dead.includes(p.id)).map((p) => p.id);
}

function factsOfControl(control: Control, face: Face): ControlFacts {
  const { mechanism } = control;
  const places = mechanism.kind === 'places' ? mechanism.places : [];
  return {
    control,
    face,
    mechanism,
    start: mechanism.kind === 'places' ? mechanism.start : null,
    springs: new Map(places.flatMap((p) => (p.springsTo ? [[p.id, p.springsTo]] : []))),
    powersAt: new Set(supplyPlaces(control)),
  };
}

/** Gathers what the panels say. A control named on two panels counts once, as on the first. */
export function factsOf(panels: readonly Panel[]): UnitFacts {
  const controls = new Map<ControlId, ControlFacts>();
  const signs = new Map<SignId, Sign>();
  const covered = new Set<SignId>();
  for (const panel of panels)
    for (const face of panel.faces) {
      for (const control of face.controls)
        if (!controls.has(control.id)) controls.set(control.id, factsOfControl(control, face));
      for (const sign of face.signs) {
        if (!signs.has(sign.id) && face.cover) covered.add(sign.id);
        if (!signs.has(sign.id)) signs.set(sign.id, sign);
      }
    }
  return { controls, signs, covered, supply: [...controls.values()].filter((c) => c.powersAt.size > 0) };
}

/** The facts of a bundle's family. */
export function bundleFacts(bundle: Bundle, family: FamilyId = bundle.family): UnitFacts {
  return factsOf(entriesOf(bundle, 'panel').filter((p) => p.family === family));
}

export type Clicks = Extract<Mechanism, { kind: 'clicks' }>;
/** Where a knob stands a click on, counted from its first rest; one that springs back is there again once let go. */
export function clickedTo({ perTurn, springsBack }: Clicks, was: number, way: 'cw' | 'ccw'): number {
  return springsBack ? 0 : (was + (way === 'cw' ? 1 : perTurn - 1)) % perTurn;
}

/** Whether the unit has its supply with its controls in these places. */
export function isSupplied(facts: UnitFacts, placeOf: (control: ControlId) => PlaceId | null): boolean {
  return facts.supply.every((c) => {
    const place = placeOf(c.control.id);
    return place === null || c.powersAt.has(place);
  });
}
