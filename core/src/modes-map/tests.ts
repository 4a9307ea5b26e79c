import type { Mode, NumberedTest } from '../model/mode.ts';

/** A test that runs by itself, with when it begins and ends after the first one began. */
export type Running = Readonly<{ test: NumberedTest; fromMs: number; toMs: number }>;

/** How long a test that says nothing is taken to run. */
const usualTestMs = 10_000;

/** The tests that follow each other by themselves, beginning with this one. A chain that comes back on itself ends there. */
export function runOf(mode: Mode, first: string): Running[] {
  const out: Running[] = [];
  let next: string | null = first;
  let at = 0;
  while (next !== null && !out.some((r) => r.test.number === next)) {
    const test: NumberedTest | undefined = mode.tests.find((t) => t.number === next);
    if (!test) break;
    const toMs = at + (test.takes?.usualMs ?? usualTestMs);
    out.push({ test, fromMs: at, toMs });
    at = toMs;
    next = test.followedBy;
  }
  return out;
}

/** Where a run stands after so long: what runs now, how long yet, and what comes next. */
export function runAt(
  run: readonly Running[],
  elapsedMs: number,
): Readonly<{ now: Running | null; leftMs: number; next: Running | null; over: boolean }> {
  const index = run.findIndex((r) => elapsedMs < r.toMs);
  const now = run[index] ?? null;
  return {
    now,
    leftMs: now ? now.toMs - elapsedMs : 0,
    next: index < 0 ? null : (run[index + 1] ?? null),
    over: index < 0,
  };
}

/** Tests to step through one by one, each after the one it needs; those nobody can get to stand last, as they are. */
export function orderOfTests(mode: Mode): NumberedTest[] {
  const done = new Set<string>();
  const out: NumberedTest[] = [];
  let left = [...mode.tests];
  while (left.length > 0) {
    const ready = left.filter((t) => t.needsFirst === undefined || done.has(t.needsFirst));
    if (ready.length === 0) return [...out, ...left];
    const [first] = ready;
    if (!first) break;
    out.push(first);
    done.add(first.number);
    left = left.filter((t) => t !== first);
  }
  return out;
}
