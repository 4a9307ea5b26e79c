import type { ControlId } from '../base/ids.ts';
import type { UnitFacts } from './facts.ts';

const wordsOf = (facts: UnitFacts, control: ControlId): readonly string[] =>
  `${facts.controls.get(control)?.control.label ?? ''} ${control}`
    .toLowerCase()
    .split(/[^a-z0-9]+/)
    .filter((w) => w !== '');

/** Whether two controls are called alike: a word in common, as “temp up” and “temp down”. */
export function calledAlike(facts: UnitFacts, a: ControlId, b: ControlId): boolean {
  const other = new Set(wordsOf(facts, b));
  return wordsOf(facts, a).some((w) => other.has(w));
}

const known = new WeakMap<UnitFacts, Map<ControlId, readonly ControlId[]>>();

/**
 * The controls somebody may take for another: of the same look, worked the same way, and called alike or standing right
 * beside it on the same face.
 */
export function lookAlikeControls(facts: UnitFacts, id: ControlId): readonly ControlId[] {
  const all = known.get(facts) ?? new Map<ControlId, readonly ControlId[]>();
  known.set(facts, all);
  const had = all.get(id);
  if (had) return had;
  const own = facts.controls.get(id);
  const made = [...facts.controls.values()].flatMap((c): ControlId[] => {
    const other = c.control.id;
    if (!own || other === id || c.mechanism.kind !== own.mechanism.kind || c.control.look !== own.control.look)
      return [];
    const { at: a } = own.control;
    const { at: b } = c.control;
    const gapX = Math.max(a.x, b.x) - Math.min(a.x + a.w, b.x + b.w);
    const gapY = Math.max(a.y, b.y) - Math.min(a.y + a.h, b.y + b.h);
    const beside = c.face.id === own.face.id && gapX <= a.w * 0.6 && gapY <= a.h * 0.6;
    return beside || calledAlike(facts, id, other) ? [other] : [];
  });
  all.set(id, made);
  return made;
}
