import { exactly, type Span } from '../base/text.ts';
import { dialPresses } from '../gesture/dial.ts';
import { handSpans, rampMs, stepSpan } from '../gesture/timing.ts';
import type { Step } from '../model/route.ts';
import { addCounted, addHold, addMark, type Drawing, endHold, laneOf, momentAt, mostDrawn } from './drawing.ts';
import { later, plus, share, zero } from './spans.ts';

/** Once so many steps and marks are drawn, a group is drawn once only: groups in groups multiply. */
const mostInAll = 2000;

export function drawSteps(drawing: Drawing, steps: readonly Step[], begin: Span, under = ''): Span {
  let t = begin;
  steps.forEach((step, i) => {
    drawing.walked += 1;
    t = drawStep(drawing, step, `${under}${i}`, t);
  });
  return t;
}

function drawStep(drawing: Drawing, step: Step, at: string, t: Span): Span {
  const each = (n: number, usual: Span): Span => (step.takes ? share(step.takes, n) : usual);
  switch (step.kind) {
    case 'press':
      return addCounted(drawing, at, step.control, step.times, t, each(step.times, handSpans.press), 'press');
    case 'turn':
      return addCounted(
        drawing,
        at,
        step.control,
        step.clicks,
        t,
        each(step.clicks, handSpans.click),
        'click',
        step.way,
      );
    case 'sweep': {
      const takes = each(1, {
        leastMs: handSpans.turn.leastMs * step.turns,
        usualMs: handSpans.turn.usualMs * step.turns,
        mostMs: handSpans.turn.mostMs * step.turns,
      });
      addMark(drawing, at, laneOf(drawing, 'control', step.control), 'set', t, takes, {
        says: `${step.way === 'cw' ? 'right' : 'left'} ×${step.turns}${step.stopAt ? ` ${step.stopAt}` : ''}`,
      });
      drawing.lastAct = plus(t, takes);
      return drawing.lastAct;
    }
    case 'set': {
      const takes = each(1, handSpans.set);
      const done = plus(t, takes);
      addMark(drawing, at, laneOf(drawing, 'control', step.control), 'set', t, takes, { says: step.to });
      if (step.to === 'on' || step.to === 'in') drawing.power = done;
      endHold(drawing, step.control, done);
      drawing.lastAct = done;
      return done;
    }
    case 'hold': {
      if (step.until.kind === 'release') {
        addHold(drawing, at, step.controls, t, null, false);
        drawing.lastAct = t;
        return plus(t, exactly(200));
      }
      if (step.until.kind === 'span') {
        addHold(drawing, at, step.controls, t, step.until.span, true);
        drawing.lastAct = plus(t, step.until.span);
        return drawing.lastAct;
      }
      drawing.lastAct = t;
      const end = later(t, momentAt(drawing, at, step.until.moment, t));
      const takes = {
        leastMs: end.leastMs - t.leastMs,
        usualMs: end.usualMs - t.usualMs,
        mostMs: end.mostMs - t.mostMs,
      };
      addHold(drawing, at, step.controls, t, takes, false);
      drawing.lastAct = end;
      return end;
    }
    case 'keep': {
      const until = step.until;
      addHold(drawing, at, step.controls, t, null, until?.kind === 'span');
      let end = drawSteps(drawing, step.during, plus(t, exactly(200)), `${at}.during.`);
      if (until?.kind === 'moment') end = later(end, momentAt(drawing, at, until.moment, end));
      if (until?.kind === 'span') end = later(end, plus(t, until.span));
      for (const { control } of step.controls) endHold(drawing, control, end);
      drawing.lastAct = end;
      return end;
    }
    case 'release': {
      const end = step.at ? later(t, momentAt(drawing, at, step.at, t)) : plus(t, exactly(200));
      for (const control of step.controls.length > 0 ? step.controls : [...drawing.open.keys()])
        endHold(drawing, control, end);
      drawing.lastAct = end;
      return end;
    }
    case 'rest':
      addMark(drawing, at, laneOf(drawing, 'other', 'rest'), 'rest', t, step.span, { drags: true });
      return plus(t, step.span);
    case 'step-list': {
      const n = Math.abs(step.to - step.start);
      if (step.by === 'press') return addCounted(drawing, at, step.control, n, t, each(n, handSpans.press), 'press');
      const takes = exactly((step.takes?.usualMs ?? (step.repeats ? stepSpan(step).usualMs : n * rampMs)) || 1);
      addHold(drawing, at, [{ control: step.control }], t, takes, false);
      drawing.lastAct = plus(t, takes);
      return drawing.lastAct;
    }
    case 'together': {
      const one = each(step.times, handSpans.press);
      let end = t;
      for (const control of step.controls) end = addCounted(drawing, at, control, step.times, t, one, 'press');
      return end;
    }
    case 'do': {
      let now = t;
      for (let n = 0; n < step.times; n += 1) {
        if (n > 0 && (n >= mostDrawn || drawing.walked + drawing.marks.length > mostInAll)) {
          drawing.cut = true;
          break;
        }
        if (!step.steps)
          addMark(drawing, at, laneOf(drawing, 'other', 'way'), 'say', now, exactly(300), { says: step.route });
        now = step.steps ? drawSteps(drawing, step.steps, now, `${at}.steps.`) : plus(now, exactly(300));
      }
      return now;
    }
    case 'dial': {
      const presses = dialPresses(step);
      if (!presses.ok) return t;
      const n = presses.value.reduce((sum, p) => sum + p.times, 0);
      return presses.value.reduce(
        (now, { control, times, way }) =>
          way === undefined
            ? addCounted(drawing, at, control, times, now, each(Math.max(1, n), handSpans.press), 'press')
            : addCounted(drawing, at, control, times, now, each(Math.max(1, n), handSpans.click), 'click', way),
        t,
      );
    }
    case 'choose': {
      const words = [...step.path, step.confirm, step.value].filter((w) => w !== undefined);
      const takes = each(1, exactly(words.length * 900));
      addMark(drawing, at, laneOf(drawing, 'other', step.on === 'unit' ? 'screen' : step.on), 'choose', t, takes, {
        says: words.join(' › '),
      });
      drawing.lastAct = plus(t, takes);
      return drawing.lastAct;
    }
    case 'see': {
      const within = step.within ?? zero;
      for (const shown of step.signs)
        addMark(drawing, at, laneOf(drawing, 'sign', shown.sign), 'see', plus(t, within), exactly(400), {
          earliestMs: t.leastMs + within.leastMs,
          latestMs: t.mostMs + within.mostMs,
          shown,
          must: step.must,
        });
      const come = plus(t, within);
      for (const shown of step.signs) drawing.seen.push({ shown, t: come });
      return step.must === 'must' ? come : t;
    }
    case 'group':
      return drawGroup(drawing, step, at, t);
    case 'branch': {
      addMark(drawing, at, laneOf(drawing, 'other', 'choice'), 'say', t, exactly(300), { says: step.on.kind });
      return drawSteps(
        drawing,
        step.otherwise.length > 0 ? step.otherwise : step.met,
        plus(t, exactly(300)),
        step.otherwise.length > 0 ? `${at}.otherwise.` : `${at}.met.`,
      );
    }
    case 'at-place':
      addMark(drawing, at, laneOf(drawing, 'other', 'place'), 'say', t, exactly(300), { says: step.place });
      return plus(t, exactly(300));
    case 'say':
      addMark(drawing, at, laneOf(drawing, 'other', 'say'), 'say', t, exactly(300), { says: step.text });
      return plus(t, exactly(300));
    case 'bypass':
      return t;
  }
}

function drawGroup(drawing: Drawing, step: Extract<Step, { kind: 'group' }>, at: string, t: Span): Span {
  const window = step.window;
  const since = window ? momentAt(drawing, at, window.from, t) : t;
  const waits = window?.from.kind === 'sign' && since.usualMs > t.usualMs;
  const begin = waits ? since : t;
  let now = begin;
  for (let n = 0; n < step.times; n += 1) {
    if (n > 0 && (n >= mostDrawn || drawing.walked + drawing.marks.length > mostInAll)) {
      drawing.cut = true;
      break;
    }
    now = drawSteps(drawing, step.steps, now, `${at}.steps.`);
  }
  if (window) {
    const usedMs = now.usualMs - since.usualMs;
    const slackMs = window.mostMs - usedMs;
    drawing.brackets.push({
      at,
      fromMs: since.usualMs,
      toMs: since.usualMs + window.mostMs,
      usedMs,
      slackMs,
      slackRatio: slackMs / window.mostMs,
      since: window.from,
    });
  }
  return now;
}
