import { type Entry, entriesOf, putRight, type Step, type Told } from '@wire-trail/core';

/** What the room was asked for: the steps of a way that is being written, or a telling beside one. */
export type Asked = Readonly<{ into: string | null; beside: string | null; isNew: string | null }>;

/** A place in a draft: a step, or what is still open where a step may belong; its `id` stays when the telling is read anew. */
export type Row =
  | Readonly<{ is: 'step'; key: string; id: string; from: number; step: Step }>
  | Readonly<{ is: 'open'; key: string; id: string; from: number; text: string; doubt: Told['doubts'][number] | null }>;

/** How a difference between steps and summing-up was settled; none where it was not. */
export type Choice = 'steps' | 'summary' | 'open';

type Open = Readonly<{ from: number; to: number; doubt: Told['doubts'][number] | null }>;

/** What is open in a telling, a doubt in place of the hole it leaves. */
function openOf({ holes, doubts }: Told): Open[] {
  const own = doubts.map((doubt): Open => ({ from: doubt.from, to: doubt.to, doubt }));
  const rest = holes
    .filter((h) => h.why === 'not-understood' && !doubts.some((d) => d.from < h.to && d.to > h.from))
    .map((h): Open => ({ from: h.from, to: h.to, doubt: null }));
  return [...own, ...rest].sort((a, b) => a.from - b.from);
}

/** The rows of each draft of a telling, in the order they were said, with what was settled put in. */
export function rowsOf(told: Told, choices: ReadonlyMap<number, Choice>): ReadonlyArray<readonly Row[]> {
  const open = openOf(told);
  const begins = told.routes.map((r) => r.from);
  return told.routes.map((route, i) => {
    const steps = told.contradictions.reduce<readonly Step[]>(
      (all, c) =>
        choices.get(c.from) === 'summary' && c.before && c.instead ? putRight(all, c.before, c.instead) : all,
      route.steps,
    );
    const [from, to] = [i === 0 ? 0 : (begins[i] ?? 0), begins[i + 1] ?? told.text.length];
    const rows: Row[] = [
      ...steps.map((step, k): Row => {
        const at = route.phrases[k]?.from ?? from;
        return { is: 'step', key: `${i}.${k}`, id: `${at} ${step.kind}`, from: at, step };
      }),
      ...open
        .filter((o) => o.from >= from && o.from < to)
        .map(
          (o): Row => ({
            is: 'open',
            key: `open ${o.from}`,
            id: `open ${o.from}`,
            from: o.from,
            text: told.text.slice(o.from, o.to).trim(),
            doubt: o.doubt,
          }),
        ),
    ];
    return rows.sort((a, b) => a.from - b.from);
  });
}

/** What is written in place of what is open. */
const openWords = ({ text, doubt }: Extract<Row, { is: 'open' }>): string =>
  `${doubt?.asked?.is === 'meant' ? 'Done, or only told?' : 'Not understood:'} “${text.slice(0, 160)}”`;

/** The steps of some rows; what is open and was not dropped stays as a line to be seen. */
export const stepsOfRows = (rows: readonly Row[], dropped: ReadonlySet<string>): Step[] =>
  rows
    .filter((r) => !dropped.has(r.id))
    .map((r): Step => (r.is === 'step' ? r.step : { kind: 'say', text: openWords(r) }));

/** The way a draft may tell of once more: the one that is there by its name. */
export const besideOf = (entries: readonly Entry[], id: string): string =>
  entriesOf({ entries: [...entries] }, 'route').find((r) => r.id === id)?.id ?? '';
