import type { ModeId } from '../base/ids.ts';
import type { Path } from '../base/path.ts';
import { stepSpan } from '../gesture/timing.ts';
import type { Effect } from '../model/effect.ts';
import type { Finding } from '../model/finding.ts';
import type { Mode, NumberedTest, Variable } from '../model/mode.ts';
import type { Route, Step } from '../model/route.ts';
import { eachStep, stepTraits } from '../model/steps.ts';
import { firstTest } from '../play/transitions.ts';

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
export function lintWhole(
  route: Route,
  modes: ReadonlyMap<ModeId, Mode>,
  routes: readonly Route[],
  at: Path,
): Finding[] {
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
  findings.push(...beyondList(route, modes, routes, at), ...leftChanged(route, steps));
  return findings;
}

type Cursor = Extract<Variable, { kind: 'cursor' }>;
const pressed = (steps: readonly Step[]): string | null => {
  const [only, ...more] = steps.filter((s) => s.kind !== 'see' && s.kind !== 'say');
  return only?.kind === 'press' && more.length === 0 ? only.control : null;
};

/** The control that steps a mode's cursor, as far as its transitions and the routes within it say; null where nothing does. */
function stepperOf(mode: Mode, cursor: Cursor, routes: readonly Route[]): string | null {
  const steps = (effects: readonly Effect[]): boolean =>
    effects.some((e) => e.kind === 'step' && e.variable === cursor.id);
  const own = [
    ...mode.transitions.flatMap((t) => (t.on.kind === 'gesture' && steps(t.effects) ? [pressed(t.on.steps)] : [])),
    ...routes.flatMap((r) =>
      r.from !== 'any' && r.from.includes(mode.id) && steps(r.effects) ? [pressed(r.steps)] : [],
    ),
  ];
  return own.find((control) => control !== null) ?? null;
}

/** Entries of a list that the mode's cursor does not reach. A list that is only passed on the way somewhere else is another. */
function beyondList(route: Route, modes: ReadonlyMap<ModeId, Mode>, routes: readonly Route[], at: Path): Finding[] {
  const from = fromModes(route, modes);
  const to = route.to === null ? undefined : modes.get(route.to);
  const stays = route.to === null || from.some((m) => m.id === route.to);
  const near = stays ? from : [...from, ...(to ? [to] : [])];
  const lists = near.flatMap((mode) =>
    mode.variables.flatMap((v) => (v.kind === 'cursor' ? [{ cursor: v, by: stepperOf(mode, v, routes) }] : [])),
  );
  return eachStep(route.steps, [...at, 'steps']).flatMap(({ step, at: here }): Finding[] => {
    // behind a part the unit stands where that part leads, and what a part does is told of it
    const before = route.steps.slice(0, Number(here[at.length + 1]) + 1);
    if (step.kind !== 'step-list' || before.some((s) => s.kind === 'do')) return [];
    const own = lists.filter(({ by }) => (by === null ? stays : by === step.control));
    const [first] = own;
    return first && !own.some(({ cursor: c }) => step.to >= c.from && step.to <= c.to)
      ? [
          {
            code: 'list-entry-beyond',
            severity: 'error',
            at: here,
            entry: step.to,
            from: first.cursor.from,
            to: first.cursor.to,
          },
        ]
      : [];
  });
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
  return [
    ...lintNumbers(mode, at),
    ...lintOrder(mode, at),
    ...lintWholeRun(mode, at),
    ...mode.tests.flatMap((test, i): Finding[] => {
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
        ...(expects?.kind === 'reading' &&
        expects.least !== null &&
        expects.most !== null &&
        expects.least > expects.most
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
    }),
  ];
}

/** Tests that run by themselves one after the other and take longer, in all, than their mode lasts by itself. */
function lintWholeRun(mode: Mode, at: Path): Finding[] {
  const ends = mode.transitions.flatMap((t) =>
    t.on.kind === 'after' && t.to !== undefined && t.to !== mode.id ? [t.on.afterMs] : [],
  );
  const lastsMs = Math.min(...ends);
  let test = firstTest(mode);
  let takesMs = 0;
  for (const seen = new Set<string>(); test?.takes && !seen.has(test.number); ) {
    seen.add(test.number);
    takesMs += test.takes.leastMs;
    const next: string | null = test.followedBy;
    test = mode.tests.find((t) => t.number === next);
  }
  return takesMs > lastsMs
    ? [{ code: 'tests-outlast-mode', severity: 'warning', at: [...at, 'tests'], mode: mode.name, lastsMs, takesMs }]
    : [];
}

/** Numbers that are missing among the tests of a mode, where those are numbered. */
function lintNumbers(mode: Mode, at: Path): Finding[] {
  const numbers = mode.tests.map((t) => /^(\D*)(\d+)$/.exec(t.number));
  const heads = new Set(numbers.map((n) => n?.[1]));
  if (numbers.length < 3 || heads.size !== 1 || numbers.some((n) => n === null)) return [];
  const all = new Set(numbers.map((n) => Number(n?.[2])));
  const [least, most] = [Math.min(...all), Math.max(...all)];
  const missing = Array.from({ length: most - least + 1 }, (_, i) => least + i).filter((n) => !all.has(n));
  // numbers that only come now and then are no row with gaps
  if (missing.length === 0 || missing.length > all.size / 2) return [];
  const head = [...heads][0] ?? '';
  const named = missing.map((n) => `${head}${n}`);
  return [{ code: 'test-number-gap', severity: 'hint', at: [...at, 'tests'], mode: mode.name, missing: named }];
}

/** Whether a test warms something, by what it is called and what it should do. */
const warms = ({ name, expected, expects }: NumberedTest): boolean =>
  (expects?.kind === 'reading' && expects.quantity === 'temperature') ||
  /\b(heats?|heating|heater|warm\w*|boil\w*|hot)\b/i.test(`${name} ${expected}`);

/** Tests that run by themselves where they do not count: a cold one after another that ran, or one before what it needs. */
function lintOrder(mode: Mode, at: Path): Finding[] {
  const byNumber = new Map(mode.tests.map((t) => [t.number as string, t] as const));
  const before = (test: NumberedTest): NumberedTest[] => {
    const chain: NumberedTest[] = [];
    let now: NumberedTest | undefined = test;
    while (now && chain.length <= mode.tests.length) {
      const last: NumberedTest = now;
      now = mode.tests.find((t) => t.followedBy === last.number && t !== test && !chain.includes(t));
      if (now) chain.push(now);
    }
    return chain;
  };
  return mode.tests.flatMap((test, i): Finding[] => {
    const chain = before(test);
    const here = [...at, 'tests', i];
    // what ran before it has warmed the unit, as far as it says so
    const warm = chain.find(warms);
    const cold: Finding[] =
      test.coldOnly && warm
        ? [{ code: 'test-order', severity: 'warning', at: here, test: test.name, after: warm.name, why: 'cold-only' }]
        : [];
    const needs = test.needsFirst === undefined ? undefined : byNumber.get(test.needsFirst);
    // one that somebody starts can be started after the other
    const alone = needs !== undefined && chain.length > 0 && !chain.includes(needs);
    return alone
      ? [
          ...cold,
          { code: 'test-order', severity: 'warning', at: here, test: test.name, after: needs.name, why: 'needs-first' },
        ]
      : cold;
  });
}
