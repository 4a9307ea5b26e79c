import type { ModeId } from '../base/ids.ts';
import type { Path } from '../base/path.ts';
import { stepSpan } from '../gesture/timing.ts';
import type { Finding } from '../model/finding.ts';
import type { Mode } from '../model/mode.ts';
import type { Route, Step } from '../model/route.ts';
import { eachStep, stepTraits } from '../model/steps.ts';

/** The shortest idle time-out of a mode; null where it has none. */
export function idleMs(mode: Mode): number | null {
  const all = mode.transitions.flatMap((t) => (t.on.kind === 'idle' ? [t.on.afterMs] : []));
  return all.length > 0 ? Math.min(...all) : null;
}

const fromModes = (route: Route, modes: ReadonlyMap<ModeId, Mode>): Mode[] =>
  route.from === 'any' ? [] : route.from.flatMap((id) => modes.get(id) ?? []);

/** Whether a step makes sure by a sign that it took. */
const confirms = (step: Step): boolean =>
  (step.kind === 'see' && step.must === 'must') ||
  ((step.kind === 'hold' || step.kind === 'keep') && step.until?.kind === 'moment') ||
  (step.kind === 'release' && step.at?.kind === 'sign');

/** Findings of a route as a whole, held against the modes it begins in and reaches. */
export function lintWhole(route: Route, modes: ReadonlyMap<ModeId, Mode>, at: Path): Finding[] {
  const findings: Finding[] = [];
  const steps = eachStep(route.steps, [...at, 'steps']);
  const target = route.to === null ? undefined : modes.get(route.to);
  const enters = route.purpose === 'enter' && route.to !== null;
  if (enters && target) {
    const lastAct = steps.findLastIndex(({ step }) => stepTraits[step.kind].works);
    const last = steps.slice(Math.max(0, lastAct)).some(({ step }) => confirms(step));
    if (!last && target.shows.length === 0)
      findings.push({ code: 'no-confirming-sign', severity: 'warning', at, route: route.name, mode: target.name });
    const advised =
      route.retry.length > 0 || route.ifItFails.length > 0 || steps.some(({ step }) => step.retry || step.ifItFails);
    if (!advised) findings.push({ code: 'retry-missing', severity: 'hint', at, route: route.name });
  }
  for (const mode of fromModes(route, modes)) {
    const idle = idleMs(mode);
    if (idle === null) continue;
    const slow = steps.find(({ step }) => stepTraits[step.kind].waits && stepSpan(step).usualMs > idle);
    if (slow)
      findings.push({
        code: 'times-out-inside',
        severity: 'warning',
        at: slow.at,
        mode: mode.name,
        idleMs: idle,
        takesMs: stepSpan(slow.step).usualMs,
      });
  }
  findings.push(...beyondList(route, modes, at), ...leftChanged(route, steps));
  return findings;
}

/** Entries of a list that the mode's cursor does not reach. */
function beyondList(route: Route, modes: ReadonlyMap<ModeId, Mode>, at: Path): Finding[] {
  const near = [...fromModes(route, modes), ...(route.to === null ? [] : [modes.get(route.to)])];
  const cursors = near.flatMap((m) => m?.variables ?? []).filter((v) => v.kind === 'cursor');
  const [cursor] = cursors;
  if (!cursor) return [];
  return eachStep(route.steps, [...at, 'steps']).flatMap(({ step, at: here }): Finding[] =>
    step.kind === 'step-list' && !cursors.some((c) => step.to >= c.from && step.to <= c.to)
      ? [{ code: 'list-entry-beyond', severity: 'error', at: here, entry: step.to, from: cursor.from, to: cursor.to }]
      : [],
  );
}

/** Values set along the way, of which nothing says that the old one is put back. */
function leftChanged(route: Route, steps: ReturnType<typeof eachStep>): Finding[] {
  if (route.purpose === 'calibrate' || route.purpose === 'lock-out') return [];
  const chosen = steps.flatMap(({ step, at }) =>
    step.kind === 'choose' && step.value !== undefined ? [{ step, at }] : [],
  );
  return chosen.flatMap(({ step, at }, i): Finding[] => {
    const path = step.path.join(' › ');
    const again = chosen.slice(i + 1).some((c) => c.step.path.join(' › ') === path);
    const first = chosen.findIndex((c) => c.step.path.join(' › ') === path) === i;
    return again || !first
      ? []
      : [{ code: 'setting-left-changed', severity: 'warning', at, setting: path, value: step.value ?? '' }];
  });
}

/** Numbered tests that cannot be done inside their mode: longer than its idle time-out, or a good reading upside down. */
export function lintTests(mode: Mode, at: Path): Finding[] {
  const idle = idleMs(mode);
  return mode.tests.flatMap((test, i): Finding[] => {
    const here = [...at, 'tests', i];
    const { expects } = test;
    const long = idle !== null && test.takes !== undefined && test.takes.usualMs > idle && test.gesture !== undefined;
    return [
      ...(long && test.takes && idle !== null
        ? [
            {
              code: 'times-out-inside',
              severity: 'warning',
              at: here,
              mode: mode.name,
              idleMs: idle,
              takesMs: test.takes.usualMs,
            } as const,
          ]
        : []),
      ...(expects?.kind === 'reading' && expects.least !== null && expects.most !== null && expects.least > expects.most
        ? [
            {
              code: 'least-over-most',
              severity: 'error',
              at: [...here, 'expects'],
              least: expects.least,
              most: expects.most,
            } as const,
          ]
        : []),
    ];
  });
}
