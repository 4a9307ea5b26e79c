import { formatQuantity } from '../base/quantity.ts';
import { assertNever } from '../base/result.ts';
import type { Bundle } from '../model/bundle.ts';
import { type Expected, Mode, type NumberedTest } from '../model/mode.ts';
import { entryOf } from '../model/select.ts';
import { printDuration, printInLine } from '../script/print.ts';
import { signsWords } from '../words/condition.ts';

/** A numbered test as it is begun in a mode: the next number, and nothing said of it yet. */
export function testBegun(mode: Mode): NumberedTest {
  const most = Math.max(0, ...mode.tests.map((t) => Number(t.number)).filter(Number.isFinite));
  return {
    number: String(most + 1) as NumberedTest['number'],
    name: '',
    starts: 'By itself.',
    expected: '',
    signs: [],
    coldOnly: false,
    followedBy: null,
  };
}

/** What a test should show, as a sentence goes on behind *should show*; a reading in its unit. */
export function expectedWords(expected: Expected, bundle: Bundle): string {
  switch (expected.kind) {
    case 'signs':
      return signsWords(expected.signs, bundle);
    case 'reads':
      return `${entryOf(bundle, 'code', expected.code)?.text ?? expected.code} on ${entryOf(bundle, 'readout', expected.readout)?.name ?? expected.readout}`;
    case 'reading': {
      const { least, most, quantity } = expected;
      const [from, to] = [least, most].map((n) => (n === null ? null : formatQuantity(n, quantity)));
      return from && to ? `${from} to ${to}` : from ? `${from} or more` : to ? `${to} or less` : 'any reading';
    }
    default:
      return assertNever(expected);
  }
}

/** What a numbered test does, each part as a sentence with its stop. */
export function testWords(test: NumberedTest, bundle: Bundle): string[] {
  const steps = (some: NumberedTest['gesture']): string => printInLine(some ?? []);
  const says = (is: unknown, words: string): string[] => (is ? [words] : []);
  return [
    ...says(test.gesture?.length, `Begun by this: ${steps(test.gesture)}.`),
    ...(test.expects ? [`Should show ${expectedWords(test.expects, bundle)}.`] : []),
    ...(test.takes ? [`Takes ${printDuration(test.takes.usualMs)}.`] : []),
    ...says(test.skipBy?.length, `Passed over by this: ${steps(test.skipBy)}.`),
    ...says(test.againBy?.length, `Begun anew by this: ${steps(test.againBy)}.`),
    ...says(test.coldOnly, 'Only when cold.'),
    ...says(test.needsFirst, `Only after test ${test.needsFirst}.`),
    ...says(test.followedBy, `Test ${test.followedBy} follows by itself.`),
  ];
}

/** A mode with one test more, or one in the place of another; what named it by its number before names it by the new one. */
export function withTest(mode: Mode, test: NumberedTest, at: number | null): Mode {
  const before = at === null ? undefined : mode.tests[at]?.number;
  const now = <T extends NumberedTest['followedBy'] | undefined>(named: T): T | NumberedTest['number'] =>
    before !== undefined && named === before ? test.number : named;
  const others = mode.tests.map((t, i) => (i === at ? test : named(t, now)));
  return Mode.parse({ ...mode, tests: at === null ? [...others, test] : others });
}

type Names = <T extends NumberedTest['followedBy'] | undefined>(named: T) => T | NumberedTest['number'] | null;
const named = ({ needsFirst, followedBy, ...test }: NumberedTest, now: Names): NumberedTest => {
  const first = now(needsFirst);
  return { ...test, followedBy: now(followedBy), ...(first ? { needsFirst: first } : {}) };
};

/** A mode without one of its tests; what needed it, or was followed by it, no longer names it. */
export function withoutTest(mode: Mode, at: number): Mode {
  const gone = mode.tests[at]?.number;
  return {
    ...mode,
    tests: mode.tests.filter((_, i) => i !== at).map((t) => named(t, (n) => (n === gone ? null : n))),
  };
}
