import type { Span } from '../base/text.ts';
import type { Step } from '../model/route.ts';

/** Two waits in a row are one wait. */
function joined(a: Span, b: Span): Span {
  return { leastMs: a.leastMs + b.leastMs, usualMs: a.usualMs + b.usualMs, mostMs: a.mostMs + b.mostMs };
}

/** One step for two in a row that a unit cannot tell from one; null where it can. */
function together(last: Step, step: Step): Step | null {
  if (step.kind === 'rest' && last.kind === 'rest') return { ...last, span: joined(last.span, step.span) };
  if (step.kind === 'press' && last.kind === 'press' && last.control === step.control)
    return { ...last, times: last.times + step.times };
  if (step.kind === 'turn' && last.kind === 'turn' && last.control === step.control && last.way === step.way)
    return { ...last, clicks: last.clicks + step.clicks };
  return null;
}

/** A step with where it stands in the script: the first of those it was joined of. */
export type PlacedStep = Readonly<{ step: Step; at: string }>;

/**
 * Steps as a unit takes them: waits in a row are one, and so are presses and clicks of one control in a row. What is only
 * said, or tells where to go, is left out.
 */
export function joinSteps(steps: readonly Step[], under: string): PlacedStep[] {
  const out: PlacedStep[] = [];
  steps.forEach((step, i) => {
    if (step.kind === 'say' || step.kind === 'at-place') return;
    const last = out.at(-1);
    const one = last ? together(last.step, step) : null;
    if (last && one) out[out.length - 1] = { step: one, at: last.at };
    else out.push({ step, at: `${under}${i}` });
  });
  return out;
}
