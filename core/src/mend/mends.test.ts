import { describe, expect, it } from 'vitest';
import {
  type Bundle,
  Chart,
  type ControlId,
  type Entry,
  type Finding,
  type FindingCode,
  findingWords,
  lint,
  mendsOf,
  type PlaceId,
  tryMend,
  withMend,
} from '../index.ts';
import { demoBundles, glasswasher } from '../testing/bundles.ts';
import { chartFixtures } from '../testing/chart-fixtures.ts';
import { chart } from '../testing/charts.ts';
import { madeUnit } from '../testing/made-units.ts';
import { fixtureBundle, routeFixtures } from '../testing/route-fixtures.ts';
import { boardBundle } from '../testing/unit.ts';

const washer = (change: (entry: Entry) => Entry): Bundle => {
  const bundle = glasswasher();
  return { ...bundle, entries: bundle.entries.map(change) };
};
const end = { id: 'end', kind: 'verdict', verdict: 'nothing-found', title: 'End' };
const withChart = (nodes: readonly object[]): Bundle => {
  const bundle = glasswasher();
  return { ...bundle, entries: [...bundle.entries, Chart.parse(chart(nodes, { family: bundle.family }))] };
};
/** For every finding one bundle that shows it. */
const fixtures: Partial<Record<FindingCode, () => Bundle>> = {
  ...chartFixtures,
  ...Object.fromEntries(Object.entries(routeFixtures).map(([code, f]) => [code, () => fixtureBundle(f)])),
  'node-unreachable': () => withChart([end, { id: 'lost', kind: 'act', act: 'clean', title: 'Lost', next: 'end' }]),
  'bounds-upside-down': () =>
    washer((e) =>
      e.kind === 'family'
        ? { ...e, variants: e.variants.map((v, i) => (i === 0 ? { ...v, serials: [{ from: '900', to: '100' }] } : v)) }
        : e,
    ),
  'no-way-out': () => boardBundle([{ id: 'in', script: 'from idle\npress a 3 times\nsee l2 lit\nreach service' }]),
  'part-unknown': () =>
    washer((e) =>
      e.kind === 'route' && e.id === 'enter-memory'
        ? { ...e, steps: [...e.steps, { kind: 'set', control: 'braeker' as ControlId, to: 'on' as PlaceId }] }
        : e,
    ),
  'carried-over': () =>
    washer((e) => (e.kind === 'mode' && e.id === 'memory' ? { ...e, carriedFrom: 'Another unit' } : e)),
  'dangling-id': () =>
    washer((e) => (e.kind === 'code' && e.id === 'k19' ? { ...e, chart: 'no-such-chart' as Chart['id'] } : e)),
};
const found = (code: FindingCode): { bundle: Bundle; finding: Finding } => {
  const bundle = fixtures[code]?.();
  const finding = bundle && lint(bundle).find((f) => f.code === code);
  if (!bundle || !finding) throw new Error(`nothing shows ${code}`);
  return { bundle, finding };
};
const graver = (findings: readonly Finding[]): string[] =>
  findings.filter((f) => f.severity === 'error').map(findingWords);

describe('what is found is gone after any of its mends, and nothing wrong comes of it', () => {
  it.each<[FindingCode, string]>([
    ['never-let-go', 'Let go of “a” at the end'],
    ['let-go-not-held', 'Take out letting go of “b”'],
    ['pressed-without-power', 'Put “power” to on before it'],
    ['not-put-back', 'Put “lid” back to shut'],
    ['window-too-short', 'Give 3.5 s for it instead of 1 s, where the unit does'],
    ['window-tight', 'Give 3.5 s for it instead of 2.5 s, where the unit does'],
    ['retry-missing', 'Say what to try: do it again, reset first'],
    ['no-confirming-sign', '“l1” lights then'],
    ['summary-differs', 'Leave the summary out'],
    ['cover-not-opened', 'Write down how “four screws” is opened, and get there so'],
    ['cover-without-isolation', '“Front off” takes the supply off first'],
    ['no-way-out', 'It ends when “power” is put to off and back to on'],
    ['node-unreachable', 'Take “Lost” out'],
    ['test-unneeded', 'Take “Coil” out'],
    ['branch-open', 'Lead “no” to a new result that hands on'],
    ['answer-missing', 'Where nobody can tell, a new result that hands on: for the whole chart'],
    ['loop-unbounded', 'After the third time, a new result that hands on'],
    ['hand-on-to-nobody', 'To a licensed person'],
    ['run-while-isolated', 'Put the supply back before it'],
    ['cover-left-open', 'Put it back before the result behind it'],
    ['recalibration-missing', 'Recalibrate after it by “Set the fill level to zero”'],
    ['dangling-id', 'Take “no-such-chart” out there'],
    ['part-unknown', '“breaker” is meant'],
    ['carried-over', 'It is so here too'],
    ['least-over-most', 'Change the two round'],
    ['bounds-upside-down', 'Change the two round'],
  ])('%s: %s', (code, words) => {
    const { bundle, finding } = found(code);
    const mends = mendsOf(finding, bundle);
    expect(mends.map((m) => m.words)).toContain(words);
    for (const mend of mends) {
      const { isGone, brings } = tryMend(finding, bundle, mend);
      expect([mend.words, isGone, graver(brings)]).toEqual([mend.words, true, []]);
    }
  });
});

it('a result that an answer still names is not taken out from under it', () => {
  const { bundle, finding } = found('verdict-unreachable');
  expect(mendsOf(finding, bundle)).toEqual([]);
});

it('nothing that sounds like defeating an interlock is mended, nor what only somebody at the unit can know', () => {
  for (const code of [
    'interlock-defeated',
    'interlock-words',
    'bands-gap',
    'control-cannot',
    'title-differs',
  ] as const) {
    const { bundle, finding } = found(code);
    expect([code, mendsOf(finding, bundle)]).toEqual([code, []]);
  }
});

it('a mend changes the entries it names and no others, in demo units and in made ones', () => {
  const made = Array.from({ length: 30 }, (_, seed) => madeUnit(seed)).filter((b) => b !== null);
  let tried = 0;
  for (const bundle of [...demoBundles().map(([, b]) => b), ...made])
    for (const finding of lint(bundle))
      for (const mend of mendsOf(finding, bundle)) {
        tried += 1;
        const after = withMend(bundle, mend);
        const changed = after.entries.filter((e) => !bundle.entries.includes(e));
        expect(changed.map((e) => `${e.kind} ${e.id}`).sort()).toEqual(
          mend.entries.map((e) => `${e.kind} ${e.id}`).sort(),
        );
      }
  expect(tried).toBeGreaterThan(20);
});
