import { type Bundle, type Route, type UnitEvent, type UnitPlan, type UnitState } from '../index.ts';
/** What people do wrong, by how often it is told. */
export declare const missKinds: readonly [
  'hold let go early',
  'press held',
  'one too many',
  'one too few',
  'did not wait',
  'another mode',
  'no supply',
  'one place short',
  'during the self-check',
  'overshot a list',
  'key that looks alike',
  'the other way',
  'step left out',
  'two swapped',
  'too slow for the window',
];
export type MissKind = (typeof missKinds)[number];
/** A slip at one step, as it is looked for in what the unit answers. */
type Expected = Readonly<{
  codes: readonly string[];
  at: readonly string[];
  byMs: number | null;
  did: number | null;
}>;
export type MadeMiss = Readonly<{
  seed: number;
  kind: MissKind;
  bundle: Bundle;
  plan: UnitPlan;
  route: Route;
  begin: UnitState;
  events: readonly UnitEvent[];
  expected: Expected;
}>;
/** One made-up try that fails, with what it should be called; null where the draw gives none. */
export declare function madeMiss(seed: number, kind: MissKind): MadeMiss | null;
/** Whether the unit named what was done: the way that was meant, the step, and by how much. */
export declare function judged({ plan, begin, events, route, expected }: MadeMiss): {
  named: boolean;
  said: string;
};
/** A performance whose every time lies within what its route declares; null where the draw gives none. */
export declare function madeTake(seed: number): Readonly<{
  seed: number;
  plan: UnitPlan;
  route: Route;
  begin: UnitState;
  events: UnitEvent[];
}> | null;
export declare const taken: (made: NonNullable<ReturnType<typeof madeTake>>) => boolean;
