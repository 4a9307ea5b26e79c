import { Access } from '../model/access.ts';
import type { Bundle } from '../model/bundle.ts';
import type { Chart } from '../model/chart.ts';
import { Code } from '../model/code.ts';
import type { Entry } from '../model/entry.ts';
import type { FindingCode } from '../model/finding.ts';
import { entryOf } from '../model/select.ts';
import { Asset, Instrument } from '../model/source.ts';
import { glasswasher } from './bundles.ts';
import { chart } from './charts.ts';

const family = 'brindlewick-g4';
const end = { id: 'end', kind: 'verdict', verdict: 'nothing-found', title: 'End' };
const cause = { id: 'cause', kind: 'verdict', verdict: 'cause-found', cause: 'fill-valve', title: 'Valve' };
const measured = (more: object = {}) => ({
  id: 'm',
  kind: 'measure',
  title: 'Coil',
  quantity: 'resistance',
  probes: ['a', 'b'],
  supply: 'dead',
  band: { kind: 'fixed', least: 3200, most: 4100 },
  pass: 'end',
  low: 'end',
  high: 'end',
  ...more,
});
const off = (more: object = {}) => ({ id: 'off', kind: 'act', act: 'isolate', title: 'Off', next: 'm', ...more });
const run = {
  id: 'run',
  kind: 'operate',
  title: 'Run it',
  watchFor: 'It turns.',
  answers: [
    { answer: 'turns', next: 'end' },
    { answer: 'stands', next: 'end' },
  ],
};
const split = (cases: object[], more: object = {}) => [
  measured({ pass: 's' }),
  { id: 's', kind: 'split', title: 'How large', by: { kind: 'reading', node: 'm' }, cases, ...more },
  end,
];
const made = (nodes: readonly object[], more: object = {}): Chart => chart(nodes, { family, ...more });

/** The glasswasher's bundle with these entries besides; what is already there by id is replaced. */
const withEntries = (...entries: Entry[]): Bundle => {
  const bundle = glasswasher();
  const isNew = (e: Entry) => entries.some((x) => x.kind === e.kind && x.id === e.id);
  return { ...bundle, entries: [...bundle.entries.filter((e) => !isNew(e)), ...entries] };
};
/** The code C03 changed, with the chart it uses. */
const used = (of: Chart, change: object = {}, ...more: Entry[]): Bundle =>
  withEntries(of, Code.parse({ ...entryOf(glasswasher(), 'code', 'c03'), chart: of.id, ...change }), ...more);
const withPart = (change: object): Entry => {
  const own = entryOf(glasswasher(), 'family', family);
  return { ...own, parts: own?.parts.map((p) => (p.id === 'fill-valve' ? { ...p, ...change } : p)) } as Entry;
};
const replaced = [{ id: 'a', kind: 'act', act: 'replace', part: 'fill-valve', title: 'New valve', next: 'end' }, end];
const calls = (id: string, to: string) =>
  made([{ id: 'c', kind: 'call', title: 'Ask there', chart: to, nothingFound: 'end' }, end], { id });

/** For every finding of charts one bundle that shows it. */
export const chartFixtures: Partial<Record<FindingCode, () => Bundle>> = {
  'verdict-unreachable': () =>
    withEntries(
      made([
        {
          id: 'q',
          kind: 'ask',
          title: 'Tap',
          answers: [
            { answer: 'open', next: 's' },
            { answer: 'shut', next: 'end' },
          ],
        },
        {
          id: 's',
          kind: 'split',
          title: 'By the tap',
          by: { kind: 'answer', node: 'q' },
          cases: [{ is: 'shut', next: 'cause' }],
          otherwise: 'end',
        },
        end,
        cause,
      ]),
    ),
  'branch-open': () => withEntries(made([{ id: 'l', kind: 'look', title: 'Clean?', yes: 'end', no: null }, end])),
  'answer-missing': () => withEntries(made([{ id: 'l', kind: 'look', title: 'Clean?', yes: 'end', no: 'end' }, end])),
  'loop-unbounded': () =>
    withEntries(
      made([
        { id: 'l', kind: 'look', title: 'Clean?', yes: 'end', no: 'a', cannotTell: 'end' },
        { id: 'a', kind: 'act', act: 'clean', title: 'Clean it', next: 'l' },
        end,
      ]),
    ),
  'retry-leads-on': () =>
    withEntries(
      made([
        {
          id: 'l',
          kind: 'look',
          title: 'Clean?',
          yes: 'end',
          no: 'a',
          cannotTell: 'end',
          retries: { times: 2, after: 'a' },
        },
        { id: 'a', kind: 'act', act: 'clean', title: 'Clean it', next: 'l' },
        end,
      ]),
    ),
  'bands-overlap': () =>
    withEntries(
      made(
        split([
          { is: 'small', within: { least: null, most: 4 }, next: 'end' },
          { is: 'large', within: { least: 3, most: null }, next: 'end' },
        ]),
      ),
    ),
  'bands-gap': () =>
    withEntries(
      made(
        split([
          { is: 'small', within: { least: null, most: 3 }, next: 'end' },
          { is: 'large', within: { least: 4, most: null }, next: 'end' },
        ]),
      ),
    ),
  'unit-impossible': () =>
    withEntries(made([measured({ band: { kind: 'fixed', least: { parameter: 'rinse-supply' }, most: null } }), end])),
  'band-outside-range': () => {
    const meter = Instrument.parse({
      ...entryOf(glasswasher(), 'instrument', 'meter'),
      ranges: [{ quantity: 'resistance', least: 0, most: 2000 }],
    });
    return withEntries(made([measured({ instrument: 'meter' }), end]), meter);
  },
  'title-differs': () => withEntries(made([measured({ title: 'Element, 27 to 32 Ω?' }), end])),
  'ohms-energised': () => withEntries(made([measured({ supply: 'energised' }), end])),
  'volts-on-dead': () =>
    withEntries(made([measured({ quantity: 'voltage', band: { kind: 'fixed', least: 10, most: 12 } }), end])),
  'dead-not-isolated': () => withEntries(made([measured(), end])),
  'run-while-isolated': () => withEntries(made([off({ next: 'run' }), run, end])),
  'insulation-through-all': () =>
    withEntries(made([measured({ band: { kind: 'insulation', leastOhm: 2_000_000, testVolt: 500 } }), end])),
  'parallel-path': () => withEntries(made([measured(), end])),
  'meter-too-coarse': () =>
    withEntries(made([measured({ instrument: 'meter', band: { kind: 'fixed', least: 3200, most: 3230 } }), end])),
  'measured-nowhere': () => withEntries(made([measured({ probes: [] }), end])),
  'value-not-shown': () =>
    withEntries(made([measured({ probes: [], shownBy: { readout: 'lamps', address: '07' } }), end])),
  'probe-not-marked': () => {
    const picture = Asset.parse({
      kind: 'asset',
      id: 'f'.repeat(64),
      family,
      name: 'Board',
      type: 'image/png',
      bytes: 100,
      mayBeShared: true,
      marks: [{ number: 1, x: 0.5, y: 0.5, label: 'A' }],
    });
    return withEntries(made([measured({ pictures: [picture.id] }), end]), picture);
  },
  'limited-without-return': () =>
    withEntries(made([{ id: 'v', kind: 'verdict', verdict: 'left-limited', title: 'Runs without' }])),
  'hand-on-to-nobody': () => withEntries(made([{ id: 'v', kind: 'verdict', verdict: 'hand-on', title: 'Hand on' }])),
  'cover-left-open': () => {
    const way = Access.parse({
      kind: 'access',
      id: 'one-way',
      family,
      name: 'Side panel',
      isolateFirst: true,
      opens: ['side'],
      steps: [{ do: 'Pull it off.' }],
      source: null,
      standing: 'hearsay',
    });
    return withEntries(made([measured({ ways: ['one-way'] }), end]), way);
  },
  'recalibration-missing': () => withEntries(withPart({ afterReplacing: 'Teach the level.' }), made(replaced)),
  'test-unneeded': () => used(made([measured({ about: ['drain-pump'] }), end])),
  'call-circle': () => withEntries(calls('there', 'back'), calls('back', 'there')),
  'call-never-returns': () => withEntries(calls('there', 'here'), made([cause], { id: 'here' })),
  'call-unpublished': () => ({
    ...withEntries(calls('there', 'here'), made([end], { id: 'here' })),
    pinned: { hash: '0'.repeat(64), publishedAt: '2031-01-01T00:00:00Z', revisions: { 'chart:there': 1 } },
  }),
  'use-incomplete': () =>
    used(made([end], { parameters: [{ id: 'limit', name: 'Limit', quantity: 'pressure' }], roles: [] })),
  'remedy-forgotten': () =>
    used(
      made([
        measured({ low: 'clean', high: 'clean', pass: 'end' }),
        {
          id: 'clean',
          kind: 'act',
          act: 'clean',
          title: 'Clean the plug',
          next: 'm',
          retries: { times: 2, after: 'end' },
        },
        end,
      ]),
    ),
  'chart-without-clear': () => {
    const bundle = used(made([cause]), { clear: null });
    return { ...bundle, entries: bundle.entries.filter((e) => e.kind !== 'route' || e.purpose !== 'clear') };
  },
  'chart-without-prove': () => used(made([cause]), { detection: {} }),
  'chart-outlasts-mode': () => {
    const bundle = glasswasher();
    const enter = bundle.entries.find((e) => e.kind === 'route' && e.purpose === 'enter' && e.to !== null);
    const to = enter?.kind === 'route' ? enter.to : null;
    const mode = bundle.entries.find((e) => e.kind === 'mode' && e.id === to) as Entry;
    const idle = { ...mode, transitions: [{ on: { kind: 'idle', afterMs: 60_000 }, effects: [] }] } as unknown as Entry;
    const long = made([
      measured({ pass: 'o', minutes: 30 }),
      {
        id: 'o',
        kind: 'operate',
        title: 'Run it there',
        watchFor: 'it runs',
        test: { mode: to, number: '1' },
        answers: [
          { answer: 'runs', next: 'end' },
          { answer: 'does not', next: 'end' },
        ],
      },
      end,
    ]);
    return used(long, { enter: enter?.id }, idle);
  },
};
