import { mostLearned, type Readout, type SignId } from '@wire-trail/core';

/** A code as it is typed, and for each of its parts the lamps that were lit. */
export type Row = Readonly<{ text: string; looks: ReadonlyArray<readonly SignId[]> }>;

export const noExamples = (parts: number): SignId[][] => Array.from({ length: parts }, () => []);

/** The lamps a readout is read from so far; all of them where it is read from none. */
export function rowOf(body: Readout, every: readonly SignId[]): readonly SignId[] {
  const own = body.stages.flatMap((s) => (s.reads.kind === 'lamps' ? s.reads.lamps.map((l) => l.sign) : []));
  const marks = body.stages.flatMap((s) => (s.comes.kind === 'sign' ? [s.comes.shown.sign] : []));
  const row = every.filter((sign) => own.includes(sign) || marks.includes(sign));
  return (row.length > 0 ? row : every).slice(0, mostLearned);
}

/** What was kept of a readout as tests, as examples; three empty ones where nothing was. */
export function examplesOf(body: Readout): Row[] {
  const kept = body.vectors.flatMap((v): Row[] => {
    const looks = v.looks.flatMap((l): SignId[][] =>
      l.kind === 'lamps'
        ? [Object.entries(l.lamps).flatMap(([sign, seen]) => (seen === 'lit' ? [sign as SignId] : []))]
        : [],
    );
    return v.expect !== null && looks.length === v.looks.length && looks.length <= 2 ? [{ text: v.expect, looks }] : [];
  });
  const parts = kept[0]?.looks.length ?? 1;
  const alike = kept.filter((r) => r.looks.length === parts).slice(0, 12);
  return [
    ...alike,
    ...Array.from({ length: Math.max(0, 3 - alike.length) }, () => ({ text: '', looks: noExamples(parts) })),
  ];
}

/** The same examples shown in so many parts: what was marked stays with the parts that are left. */
export const addLooks = (rows: readonly Row[], parts: number): Row[] =>
  rows.map((r) => ({ ...r, looks: noExamples(parts).map((none, i) => r.looks[i] ?? none) }));

/** One lamp of one look, marked or no longer. */
export const withLamp = (rows: readonly Row[], [example, part]: readonly [number, number], sign: SignId): Row[] =>
  rows.map((r, i) =>
    i !== example
      ? r
      : {
          ...r,
          looks: r.looks.map((look, k) =>
            k !== part ? look : look.includes(sign) ? look.filter((s) => s !== sign) : [...look, sign],
          ),
        },
  );

/** Why two examples cannot both be so. */
export function clashWords([one, other]: readonly Row[]): string {
  if (!one || !other) return 'Two of these cannot both be so.';
  return one.text.trim() === other.text.trim()
    ? `${one.text} is here twice, with other lamps each time. Which was it?`
    : `${one.text} and ${other.text} have the same lamps marked; one look cannot be two codes. Look at them again.`;
}
