import { assertNever } from '../base/result.ts';
import { idWords } from '../base/slug.ts';
import type { Bundle } from '../model/bundle.ts';
import { Mode, type Showing } from '../model/mode.ts';
import { entryOf, familyEntry } from '../model/select.ts';
import { conditionText, signsWords } from '../words/condition.ts';

/** What a readout shows in a mode: a stored code, something it remembers, or what it measures. */
export type ReadoutOf = Extract<Showing, { kind: 'readout' }>['of'];

/** What a readout can show in a mode, the stored code first, each as a sentence goes on behind *of*. */
export function readoutSources(mode: Mode, bundle: Bundle): ReadonlyArray<readonly [ReadoutOf, string]> {
  const all: ReadoutOf[] = [
    { kind: 'memory' },
    ...mode.variables.filter((v) => v.kind === 'cursor').map((v): ReadoutOf => ({ kind: 'memory', slot: v.id })),
    ...mode.variables.map((v): ReadoutOf => ({ kind: 'variable', variable: v.id })),
    ...familyEntry(bundle).inputs.map((i): ReadoutOf => ({ kind: 'input', input: i.id })),
  ];
  return all.map((of) => [of, sourceWords(of, mode, bundle)]);
}

function sourceWords(of: ReadoutOf, mode: Mode, bundle: Bundle): string {
  switch (of.kind) {
    case 'memory':
      return of.slot ? `the stored code at ${idWords(of.slot)}` : 'the newest stored code';
    case 'variable':
      return mode.variables.find((v) => v.id === of.variable)?.kind === 'characters'
        ? `what was put in as ${idWords(of.variable)}`
        : `${idWords(of.variable)}, the entry it stands at`;
    case 'input':
      return `what ${familyEntry(bundle).inputs.find((i) => i.id === of.input)?.name ?? of.input} is now`;
    default:
      return assertNever(of);
  }
}

/** One thing a mode shows, as a sentence without its stop: `Run lit, while the door is open`. */
export function showingWords(showing: Showing, mode: Mode, bundle: Bundle): string {
  const what =
    showing.kind === 'fixed'
      ? showing.signs.length === 0
        ? 'nothing'
        : signsWords(showing.signs, bundle)
      : `${entryOf(bundle, 'readout', showing.readout)?.name ?? showing.readout} of ${sourceWords(showing.of, mode, bundle)}`;
  return `${what}${showing.when ? `, while ${conditionText(showing.when, bundle)}` : ''}`;
}

/** A mode that shows one thing more, or one in the place of another. */
export const withShowing = (mode: Mode, showing: Showing, at: number | null): Mode =>
  Mode.parse({
    ...mode,
    shows: at === null ? [...mode.shows, showing] : mode.shows.map((s, i) => (i === at ? showing : s)),
  });

/** A mode without one of the things it shows. */
export const withoutShowing = (mode: Mode, at: number): Mode => ({
  ...mode,
  shows: mode.shows.filter((_, i) => i !== at),
});
