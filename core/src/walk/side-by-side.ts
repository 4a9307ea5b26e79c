import type { InstrumentId } from '../base/ids.ts';
import { typedStep } from '../base/quantity.ts';
import { accuracyOf } from '../chart/measure.ts';
import { shared } from '../chart/meter-share.ts';
import type { MeterFacts } from '../chart/shown-value.ts';
import type { Bundle } from '../model/bundle.ts';
import { familyEntry } from '../model/select.ts';
import type { TakenReading } from '../model/taken-reading.ts';
import { stepKey, type Walk } from './state.ts';

/** Two good ones of a kind may differ by so much of what they measure: a judgement of workshops, not a maker's figure. */
export const twinsApartRatio = 0.1;
/** Read at temperatures further apart than this, in kelvin, two parts that depend on it are not held against each other. */
const sameWarmthKelvin = 3;

/** One of several of a kind, and what it is beside the others. */
export type BesideRow = Readonly<{
  one: string;
  isOwn: boolean;
  isGood: boolean | null;
  reading: TakenReading;
  /** Against what it is held, as a share of it; null for what is held against nothing, or is open. */
  offRatio: number | null;
  is: 'reference' | 'alike' | 'apart' | 'other-warmth' | 'cannot-tell';
}>;

/** Readings of one step at several of a kind, laid side by side. */
export type SideBySide = Readonly<{
  rows: readonly BesideRow[];
  /** What they were held against: one that is known to work, most of them, or nothing yet. */
  against: 'good-one' | 'most' | null;
  /** What would settle it, where nothing is settled. */
  wanted: 'another' | 'good-one' | null;
}>;

type Row = Pick<BesideRow, 'one' | 'isOwn' | 'isGood' | 'reading'>;
type MeterOf = (id: InstrumentId) => MeterFacts | undefined;

/** How far a reading may be from what is there: its meter's share and half of the last place that was typed. */
function doubtOf({ value, quantity, instrument, typed, as }: TakenReading, meterOf: MeterOf): number {
  if (value === null) return 0;
  const meter = instrument === undefined ? undefined : meterOf(instrument);
  const step = as === undefined ? (typedStep(typed.split('·').at(-1)?.trim() ?? typed, quantity) ?? 0) : 0;
  return shared(value, quantity) * accuracyOf(meter, quantity) + step / 2;
}

/** Whether two readings are as far apart as two good ones never are, whatever their meters were off by. */
function isApart(a: TakenReading, b: TakenReading, meterOf: MeterOf): boolean {
  if (a.value === null || b.value === null) return a.value !== b.value;
  const allowed = twinsApartRatio * Math.max(shared(a.value, a.quantity), shared(b.value, b.quantity));
  return Math.abs(a.value - b.value) > allowed + doubtOf(a, meterOf) + doubtOf(b, meterOf);
}

const isOtherWarmth = (a: TakenReading, b: TakenReading): boolean =>
  a.atCelsius !== null && b.atCelsius !== null && Math.abs(a.atCelsius - b.atCelsius) > sameWarmthKelvin;

const offRatio = (a: TakenReading, b: TakenReading): number | null =>
  a.value === null || b.value === null || b.value === 0 ? null : (a.value - b.value) / Math.abs(b.value);

/** The one more than half of all agree with; null where no half does. */
function mostAgreeWith(rows: readonly Row[], meterOf: MeterOf): Row | null {
  const agree = (row: Row): number => rows.filter((r) => !isApart(row.reading, r.reading, meterOf)).length;
  const counted = rows.map((row) => ({ row, of: agree(row) })).sort((a, b) => b.of - a.of);
  const [best] = counted;
  return best && best.of * 2 > rows.length ? best.row : null;
}

/**
 * Lays a walk's reading of a step beside the same at others of its kind. One known to work is what they are held against,
 * else what more than half of three or more agree on; of two that differ nobody can tell which is the bad one. Null where
 * there is nothing to lay side by side.
 */
export function sideBySide(
  walk: Pick<Walk, 'answers' | 'beside'>,
  at: Parameters<typeof stepKey>[0],
  meterOf: MeterOf,
): SideBySide | null {
  const key = stepKey(at);
  const own = walk.answers.findLast((a) => stepKey(a) === key && a.reading !== null)?.reading ?? null;
  const rows: Row[] = [
    ...(own ? [{ one: '', isOwn: true, isGood: null, reading: own }] : []),
    ...walk.beside
      .filter((b) => stepKey(b) === key)
      .map(({ one, isGood, reading }) => ({ one, isOwn: false, isGood, reading })),
  ];
  if (rows.length < 2) return null;
  const good = rows.find((r) => r.isGood === true) ?? null;
  const reference = good ?? (rows.length > 2 ? mostAgreeWith(rows, meterOf) : null);
  const [one, other] = rows;
  const twoAlike = !reference && rows.length === 2 && one && other && !isApart(one.reading, other.reading, meterOf);
  const judged = rows.map((row): BesideRow => {
    if (row === good) return { ...row, offRatio: null, is: 'reference' };
    const against = reference ?? (twoAlike ? rows.find((r) => r !== row) : undefined);
    if (!against) return { ...row, offRatio: null, is: 'cannot-tell' };
    const off = row === against ? null : offRatio(row.reading, against.reading);
    if (isOtherWarmth(row.reading, against.reading)) return { ...row, offRatio: off, is: 'other-warmth' };
    return { ...row, offRatio: off, is: isApart(row.reading, against.reading, meterOf) ? 'apart' : 'alike' };
  });
  return {
    rows: judged,
    against: good ? 'good-one' : reference ? 'most' : null,
    wanted: reference || twoAlike ? null : rows.length === 2 ? 'another' : 'good-one',
  };
}

/** Others of its kind that a system holds, by what they are called there: `Pack 1`, `Pack 2`; its controllers of one role. */
export function likeOnes(bundle: Bundle, walk: Pick<Walk, 'unit'>): string[] {
  const attached = (walk.unit?.composition ?? []).flatMap(({ part, count }) =>
    count < 2 ? [] : Array.from({ length: Math.min(count, 12) }, (_, i) => `${part} ${i + 1}`),
  );
  const { controllers } = familyEntry(bundle);
  const parts = controllers.filter(
    (c) => c.role === 'part' || c.role === 'second' || c.role === 'third' || c.role === 'lead',
  );
  return [...attached, ...(parts.length > 1 ? parts.map((c) => c.name) : [])];
}
