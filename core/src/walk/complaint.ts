import type { Bundle } from '../model/bundle.ts';
import type { Code, Symptom } from '../model/code.ts';
import { entriesOf, familyEntry } from '../model/select.ts';
import type { Complaint } from './state.ts';

/** What a complaint points at: symptoms it sounds like, circumstances it fits, and what to look at because of what was done. */
export type ComplaintHints = Readonly<{
  symptoms: readonly Symptom[];
  circumstances: readonly string[];
  /** Suspects that somebody changed, or that what was tried speaks of. */
  lookAt: ReadonlyArray<Readonly<{ what: string; why: string }>>;
}>;

const small = new Set(
  'a an and are as at be but by do does for from has have in is it its no not of off on only or out so that the then there they this to too was when where while with'.split(
    ' ',
  ),
);
/** The words of a text that say something, without their endings. */
const stems = (text: string): Set<string> =>
  new Set(
    text
      .toLowerCase()
      .split(/[^a-z0-9]+/)
      .filter((w) => w.length > 2 && !small.has(w))
      .map((w) => w.replace(/(?<=...)(ing|ed|es|s|ly)$/, '')),
  );
const shared = (a: ReadonlySet<string>, b: ReadonlySet<string>): number => [...a].filter((w) => b.has(w)).length;

/**
 * Holds what was said against the family: symptoms that share at least two of its words, the likeliest first; circumstances of
 * the subject that speak of when it happens or what was tried; parts others changed that are suspects.
 */
export function complaintHints(bundle: Bundle, said: Complaint, subject: Code | Symptom | null): ComplaintHints {
  const told = stems([said.says, ...said.happens].join(' '));
  const symptoms = entriesOf(bundle, 'symptom')
    .map((s) => [s, shared(told, stems(`${s.title} ${s.saw}`))] as const)
    .filter(([, n]) => n >= 2)
    .sort((a, b) => b[1] - a[1])
    .slice(0, 3)
    .map(([s]) => s);
  const when = stems([...said.happens, ...said.tried].join(' '));
  const circumstances = (subject?.circumstances ?? []).filter(
    (c) => shared(when, stems(c)) > 0 || shared(told, stems(c)) >= 2,
  );
  const { parts } = familyEntry(bundle);
  const suspected = new Set((subject?.suspects ?? []).flatMap((s) => s.part ?? []));
  const changed = parts
    .filter((p) => said.partsChanged.includes(p.id))
    .map((p) => ({
      what: p.name,
      why: suspected.has(p.id)
        ? 'a suspect here, and put in new by others: is it the right one, plugged in and set?'
        : 'put in new by others: is it plugged in and set?',
    }));
  const done = [
    ...(said.tried.includes('breaker-tripped')
      ? [
          {
            what: 'Supply and insulation',
            why: 'the breaker tripped: prove dead and measure before it is switched on again',
          },
        ]
      : []),
    ...(said.tried.includes('reset') ? [{ what: 'Memory', why: 'it was reset: older codes may be gone' }] : []),
  ];
  return { symptoms, circumstances, lookAt: [...changed, ...done] };
}
