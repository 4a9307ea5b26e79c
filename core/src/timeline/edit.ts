import type { Span } from '../base/text.ts';
import type { Step } from '../model/route.ts';

type Change = (step: Step) => Step | null;

const inside = ['during', 'steps', 'met', 'otherwise'] as const;

/** The steps within a step under a name; a step without such a list has none. */
function listIn(step: Step, key: string): Step[] | undefined {
  const known = inside.find((k) => k === key);
  // which step has which of these lists is the schema's to say; one that lacks it gives undefined
  return known && (step as Partial<Record<(typeof inside)[number], Step[]>>)[known];
}

/** The step at a place of a script, `2.during.0`; null where there is none. */
export function stepAt(steps: readonly Step[], at: string): Step | null {
  const [first, key, ...rest] = at.split('.');
  const step = steps[Number(first)];
  if (!step || key === undefined) return step ?? null;
  const list = listIn(step, key);
  return list ? stepAt(list, rest.join('.')) : null;
}

/** Steps with the one at a place changed, or taken out where the change gives null. Everything else stays as it is. */
export function changeStep(steps: readonly Step[], at: string, change: Change): Step[] {
  const [first, key, ...rest] = at.split('.');
  return steps.flatMap((step, i) => {
    if (i !== Number(first)) return [step];
    if (key === undefined) {
      const changed = change(step);
      return changed ? [changed] : [];
    }
    const list = listIn(step, key);
    if (!list) return [step];
    return [{ ...step, [key]: changeStep(list, rest.join('.'), change) } as Step];
  });
}

/** A span made longer or shorter as a whole; least and most keep their distance in proportion. */
function stretched(span: Span, usualMs: number): Span {
  const to = Math.max(100, Math.round(usualMs / 100) * 100);
  if (span.usualMs <= 0) return { leastMs: to, usualMs: to, mostMs: to };
  const by = to / span.usualMs;
  const tenth = (ms: number): number => Math.round((ms * by) / 100) * 100;
  return { leastMs: Math.min(to, tenth(span.leastMs)), usualMs: to, mostMs: Math.max(to, tenth(span.mostMs)) };
}

/** Steps with a hold, a rest or a keep made to last about so long. */
export function stretchStep(steps: readonly Step[], at: string, usualMs: number): Step[] {
  return changeStep(steps, at, (step) => {
    if (step.kind === 'rest') return { ...step, span: stretched(step.span, usualMs) };
    if (step.kind === 'hold' && step.until.kind === 'span')
      return { ...step, until: { kind: 'span', span: stretched(step.until.span, usualMs) } };
    if (step.kind === 'keep' && step.until?.kind === 'span')
      return { ...step, until: { kind: 'span', span: stretched(step.until.span, usualMs) } };
    return step;
  });
}

/** Steps with a window made so long. */
export function stretchWindow(steps: readonly Step[], at: string, mostMs: number): Step[] {
  const to = Math.max(100, Math.round(mostMs / 100) * 100);
  return changeStep(steps, at, (step) =>
    step.kind === 'group' && step.window ? { ...step, window: { ...step.window, mostMs: to } } : step,
  );
}

/** Steps with another one put in front of the one at a place, in the list that one is in. */
export function insertBefore(steps: readonly Step[], at: string, more: Step): Step[] {
  const [first, key, ...rest] = at.split('.');
  return steps.flatMap((step, i) => {
    if (i !== Number(first)) return [step];
    const list = key === undefined ? undefined : listIn(step, key);
    if (key === undefined || !list) return [more, step];
    return [{ ...step, [key]: insertBefore(list, rest.join('.'), more) } as Step];
  });
}
