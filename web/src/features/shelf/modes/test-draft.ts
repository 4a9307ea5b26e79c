import { baseUnit, type Mode, parseReading, printSteps, type Quantity, type Shown } from '@wire-trail/core';
import { type Around, sayStepsWords, shownFirst, stepsTyped, whole } from './way-draft.ts';

export type NumberedTest = Mode['tests'][number];
type Expected = NonNullable<NumberedTest['expects']>;

/** A numbered test, as it is typed. */
export type TestDraft = Readonly<{
  number: string;
  name: string;
  starts: string;
  expected: string;
  begins: 'itself' | 'steps';
  gesture: string;
  expects: 'words' | Expected['kind'];
  signs: readonly Shown[];
  readout: string;
  code: string;
  quantity: Quantity;
  least: string;
  most: string;
  takes: Readonly<{ least: string; usual: string; most: string }>;
  skipBy: string;
  againBy: string;
  looksAt: readonly string[];
  coldOnly: boolean;
  needsFirst: string;
  followedBy: string;
  onlyVariants: readonly string[];
  stops: string;
  repeatWhen: string;
}>;

const inBase = (value: number | null, quantity: Quantity): string =>
  value === null ? '' : `${value} ${baseUnit(quantity)}`;
const stepsText = (steps: NumberedTest['gesture']): string => (steps?.length ? printSteps(steps).trimEnd() : '');
const secondsText = (ms: number | undefined): string => (ms === undefined ? '' : String(ms / 1000));

export function testDraftOf(test: NumberedTest, around: Around): TestDraft {
  const { expects } = test;
  const first = shownFirst(around.everySign[0]);
  const reading = expects?.kind === 'reading' ? expects : null;
  return {
    number: test.number,
    name: test.name,
    starts: test.starts,
    expected: test.expected,
    begins: test.gesture ? 'steps' : 'itself',
    gesture: stepsText(test.gesture),
    expects: expects?.kind ?? 'words',
    signs: expects?.kind === 'signs' ? expects.signs : first ? [first] : [],
    readout: expects?.kind === 'reads' ? expects.readout : (around.readouts[0]?.id ?? ''),
    code: expects?.kind === 'reads' ? expects.code : (around.codes[0]?.id ?? ''),
    quantity: reading?.quantity ?? 'resistance',
    least: reading ? inBase(reading.least, reading.quantity) : '',
    most: reading ? inBase(reading.most, reading.quantity) : '',
    takes: {
      least: secondsText(test.takes?.leastMs),
      usual: secondsText(test.takes?.usualMs),
      most: secondsText(test.takes?.mostMs),
    },
    skipBy: stepsText(test.skipBy),
    againBy: stepsText(test.againBy),
    looksAt: test.signs,
    coldOnly: test.coldOnly,
    needsFirst: test.needsFirst ?? '',
    followedBy: test.followedBy ?? '',
    onlyVariants: test.onlyVariants ?? [],
    stops: test.stops ?? '',
    repeatWhen: test.repeatWhen ?? '',
  };
}

/** A value as it was typed, in its base unit; nothing where nothing was typed, undefined where it is none. */
function readingTyped(text: string, quantity: Quantity): number | null | undefined {
  if (text.trim() === '') return null;
  const read = parseReading(text, quantity);
  return read.ok && read.value.kind === 'value' ? read.value.value : undefined;
}

function expectedTyped(draft: TestDraft, around: Around): Expected | undefined | string {
  switch (draft.expects) {
    case 'words':
      return undefined;
    case 'signs':
      return draft.signs.length === 0 ? 'Say which signs it should show.' : { kind: 'signs', signs: [...draft.signs] };
    case 'reads': {
      const readout = around.readouts.find((r) => r.id === draft.readout)?.id;
      const code = around.codes.find((c) => c.id === draft.code)?.id;
      return readout && code ? { kind: 'reads', readout, code } : 'Say which code it should show.';
    }
    case 'reading': {
      const { quantity } = draft;
      const [least, most] = [readingTyped(draft.least, quantity), readingTyped(draft.most, quantity)];
      if (least === undefined || most === undefined) return 'Say from which reading to which.';
      return least !== null && most !== null && least > most
        ? 'The least reading is more than the most.'
        : { kind: 'reading', quantity, least, most };
    }
  }
}

/** How long it takes, as it was typed in seconds; the usual alone is the least and the most as well. */
function takesTyped({ least, usual, most }: TestDraft['takes']): NumberedTest['takes'] | string {
  if (`${least}${usual}${most}`.trim() === '') return undefined;
  const often = whole(usual);
  const [from, to] = [least, most].map((t) => (t.trim() === '' ? often : whole(t)));
  if (often === null || from == null || to == null) return 'Say how long it takes, in seconds.';
  return from <= often && often <= to
    ? { leastMs: from * 1000, usualMs: often * 1000, mostMs: to * 1000 }
    : 'How long it takes has to be between the least and the most.';
}

/** The test that was typed; a word where something of it is missing. `before` is what it was, so that it may keep its number. */
export function testTyped(
  draft: TestDraft,
  mode: Mode,
  around: Around,
  before: NumberedTest | null,
): NumberedTest | string {
  const number = draft.number.trim();
  if (!/^[\p{L}\d][\p{L}\d-]{0,30}$/u.test(number)) return 'Say which number it has.';
  if (mode.tests.some((t) => t !== before && t.number === number)) return `There is a test ${number} already.`;
  if (draft.name.trim() === '') return 'Say what it tests.';
  if (draft.starts.trim() === '') return 'Say how it starts.';
  if (draft.expected.trim() === '') return 'Say what should happen.';
  const gesture = draft.begins === 'steps' ? stepsTyped(draft.gesture) : undefined;
  const [skipBy, againBy] = [draft.skipBy, draft.againBy].map((t) => (t.trim() === '' ? undefined : stepsTyped(t)));
  if (gesture === null || skipBy === null || againBy === null) return sayStepsWords;
  const expects = expectedTyped(draft, around);
  if (typeof expects === 'string') return expects;
  const takes = takesTyped(draft.takes);
  if (typeof takes === 'string') return takes;
  const other = (named: string) => mode.tests.find((t) => t.number === named)?.number;
  const [needsFirst, followedBy] = [other(draft.needsFirst), other(draft.followedBy)];
  const variants = around.variants.filter((v) => draft.onlyVariants.includes(v.id)).map((v) => v.id);
  return {
    number: number as NumberedTest['number'],
    name: draft.name.trim(),
    starts: draft.starts.trim(),
    expected: draft.expected.trim(),
    ...(expects ? { expects } : {}),
    ...(takes ? { takes } : {}),
    signs: around.everySign
      .filter((s) => draft.looksAt.includes(s.id))
      .map((s) => s.id as NumberedTest['signs'][number]),
    coldOnly: draft.coldOnly,
    ...(needsFirst ? { needsFirst } : {}),
    ...(gesture ? { gesture: [...gesture] } : {}),
    ...(skipBy ? { skipBy: [...skipBy] } : {}),
    ...(againBy ? { againBy: [...againBy] } : {}),
    ...(variants.length > 0 ? { onlyVariants: variants } : {}),
    ...(draft.stops.trim() ? { stops: draft.stops.trim() } : {}),
    ...(draft.repeatWhen.trim() ? { repeatWhen: draft.repeatWhen.trim() } : {}),
    followedBy: followedBy ?? null,
  };
}
