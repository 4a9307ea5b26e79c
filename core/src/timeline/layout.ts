import { exactly, type Span } from '../base/text.ts';
import type { Step } from '../model/route.ts';
import { drawSteps } from './draw-steps.ts';
import { beginDrawing, type Drawing, endHold } from './drawing.ts';
import { plus, zero } from './spans.ts';
import type { Lane, Mark, Timeline } from './timeline.ts';

function finish(drawing: Drawing, t: Span): Timeline {
  for (const control of [...drawing.open.keys()]) endHold(drawing, control, plus(t, exactly(1000)));
  const lengthMs = Math.max(
    1000,
    t.usualMs,
    ...drawing.marks.map((m) => m.toMs),
    ...drawing.brackets.map((b) => b.toMs),
  );
  const order = { control: 0, sign: 1, other: 2 } as const;
  const lanes = [...drawing.lanes].sort((a, b) => order[a.kind] - order[b.kind]);
  return { ...together(lanes, drawing.marks), brackets: drawing.brackets, lengthMs, cut: drawing.cut };
}

/** Puts signs that show the same at the same times into one lane. */
function together(lanes: readonly Lane[], marks: readonly Mark[]): Pick<Timeline, 'lanes' | 'marks'> {
  const told = (lane: Lane): string =>
    JSON.stringify(
      marks
        .filter((m) => m.lane === `sign:${lane.id}`)
        .map(({ lane: _, shown, ...m }) => ({ ...m, shown: shown && { ...shown, sign: '' } })),
    );
  const first = new Map<string, string>();
  const others = new Map<string, string[]>();
  for (const lane of lanes) {
    if (lane.kind !== 'sign') continue;
    const key = told(lane);
    const owner = first.get(key);
    if (owner === undefined) first.set(key, lane.id);
    else others.set(owner, [...(others.get(owner) ?? []), lane.id]);
  }
  const dropped = new Set([...others.values()].flat());
  return {
    lanes: lanes
      .filter((l) => l.kind !== 'sign' || !dropped.has(l.id))
      .map((l) => (l.kind === 'sign' ? { ...l, alike: others.get(l.id) ?? [] } : l)),
    marks: marks.filter((m) => !m.lane.startsWith('sign:') || !dropped.has(m.lane.slice(5))),
  };
}

/** Draws steps as a timeline: a lane for every control and sign in the order they come, marks in them, brackets over windows. */
export function layoutTimeline(steps: readonly Step[]): Timeline {
  const drawing = beginDrawing();
  return finish(drawing, drawSteps(drawing, steps, zero));
}
