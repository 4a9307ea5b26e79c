import type { Path } from '../base/path.ts';
import type { Finding } from '../model/finding.ts';
import type { Mode } from '../model/mode.ts';
import type { Route } from '../model/route.ts';
import { eachStep } from '../model/steps.ts';
import { stepsSpan } from './timing.ts';

/** Less of a window than this left over is called tight. */
const tightRatio = 0.2;

// words that, close together, describe defeating an interlock; the reviewer decides
const defeating =
  /\b(bridg|bypass|defeat|jumper|overrid|tap(e|ing)|wedg|block|hold)\w*\b[^.]{0,40}\b(interlock|(hood|lid|door|seat) (switch|lock))/i;

/** The words in a text that sound like defeating an interlock; null where there are none. */
export function interlockWords(text: string): string | null {
  return defeating.exec(text)?.[0] ?? null;
}

/** Findings of one route on its own: windows, and interlocks held false. */
export function lintRoute(route: Route, at: Path): Finding[] {
  return eachStep(route.steps, [...at, 'steps']).flatMap(({ step, at: here }): Finding[] => {
    const texts = [step.why, step.caution, step.ifItFails, step.feelsLike, step.kind === 'say' ? step.text : undefined];
    const spoken = texts.flatMap((text): Finding[] => {
      const words = text === undefined ? null : interlockWords(text);
      return words === null ? [] : [{ code: 'interlock-words', severity: 'warning', at: here, words }];
    });
    if (step.kind === 'bypass')
      return [...spoken, { code: 'interlock-defeated', severity: 'error', at: here, what: step.what }];
    if (step.kind !== 'group' || !step.window) return spoken;
    const span = stepsSpan(Array.from({ length: step.times }, () => step.steps).flat());
    const { mostMs } = step.window;
    if (span.leastMs > mostMs)
      return [
        ...spoken,
        { code: 'window-too-short', severity: 'error', at: here, windowMs: mostMs, leastMs: span.leastMs },
      ];
    const slackRatio = (mostMs - span.usualMs) / mostMs;
    return slackRatio < tightRatio
      ? [
          ...spoken,
          { code: 'window-tight', severity: 'warning', at: here, windowMs: mostMs, usualMs: span.usualMs, slackRatio },
        ]
      : spoken;
  });
}

/** Findings of modes and routes together: what cannot be reached, and what cannot be left. */
export function lintModes(modes: ReadonlyArray<{ mode: Mode; at: Path }>, routes: readonly Route[]): Finding[] {
  return modes.flatMap(({ mode, at }): Finding[] => {
    if (mode.sort === 'standby' || mode.sort === 'running' || mode.sort === 'off') return [];
    // a controller begins somewhere, and a lock-out comes by itself
    const begins = !modes.some((m) => m.mode.controller === mode.controller && m.mode.sort === 'standby');
    const first = modes.find((m) => m.mode.controller === mode.controller)?.mode.id === mode.id;
    const byItself = mode.sort === 'locked-out' || (begins && first);
    const reached =
      byItself ||
      routes.some((r) => r.to === mode.id) ||
      modes.some((m) => m.mode.id !== mode.id && m.mode.transitions.some((t) => t.to === mode.id));
    const leaves = routes.some(
      (r) => r.to !== mode.id && r.to !== null && (r.from === 'any' ? r.purpose === 'leave' : r.from.includes(mode.id)),
    );
    const endsItself = mode.transitions.some((t) => t.to !== undefined && t.to !== mode.id);
    return [
      ...(reached ? [] : [{ code: 'mode-unreachable', severity: 'warning', at, mode: mode.name } as const]),
      ...(leaves || endsItself ? [] : [{ code: 'no-way-out', severity: 'warning', at, mode: mode.name } as const]),
    ];
  });
}
