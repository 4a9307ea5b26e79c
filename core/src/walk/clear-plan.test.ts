import { describe, expect, it } from 'vitest';
import {
  type Bundle,
  clearingNow,
  clearPlan,
  EventId,
  entriesOf,
  entryOf,
  foldWalk,
  foundWords,
  ledgerOf,
  roundsSeen,
  Setting,
  type Walk,
  WalkEvent,
  walkChart,
} from '../index.ts';
import { glasswasher } from '../testing/bundles.ts';

const id = '0b9a7e52-41b3-4c6e-9d55-6a1f8f0c1d11';
const walkOf = (...happened: object[]): Walk => {
  const from = { kind: 'code', code: 'k19' };
  const events = [{ kind: 'started', family: 'brindlewick-g4', bundle: 'x', from }, ...happened].map((e, seq) =>
    WalkEvent.parse({
      ...e,
      id: EventId.parse(`0b9a7e52-41b3-4c6e-9d55-${String(seq).padStart(12, '0')}`),
      walk: id,
      seq,
      at: new Date(Date.UTC(2026, 4, 3, 8, seq)).toISOString(),
    }),
  );
  return foldWalk(events) as Walk;
};
const entered = { kind: 'tried', route: 'enter-memory', took: true };
const dead = [
  { node: 'look-scale', answer: 'no' },
  { node: 'isolate', answer: 'done' },
  { node: 'sensor', answer: 'pass' },
  { node: 'element', answer: 'high' },
];
type Given = Parameters<typeof walkChart>[1];

/** What Clear is made of after these answers, each thing said in a word or two. */
const planOf = (walk: Walk, answers: readonly object[] = [], bundle: Bundle = glasswasher()) => {
  const chart = entryOf(bundle, 'chart', 'rinse-heat');
  const chartWalk = chart ? walkChart(chart, answers as Given) : null;
  const routes = entriesOf(bundle, 'route');
  const route = (name: string) => routes.find((r) => r.id === name) ?? null;
  return clearPlan({ bundle, walk, chartWalk, routes, clear: route('erase-memory'), leave: route('leave-memory') });
};
const brief = (plan: ReturnType<typeof clearPlan>) =>
  plan.map((s) => ('routes' in s ? `${s.kind}: ${s.routes.map((r) => r.id).join(' ')}` : s.kind));
const change = (bundle: Bundle, kind: string, of: string, more: object): Bundle => ({
  ...bundle,
  entries: bundle.entries.map((e) => (e.kind === kind && e.id === of ? ({ ...e, ...more } as typeof e) : e)),
});

describe('clearPlan', () => {
  it('what is not kept in memory leaves nothing to erase', () => {
    const walk = walkOf(entered, { kind: 'code-taken', code: 'k19', slot: 1 });
    const erases = (bundle?: Bundle) => brief(planOf(walk, [], bundle)).some((step) => step.startsWith('erase'));
    expect(erases()).toBe(true);
    const code = entryOf(glasswasher(), 'code', 'k19');
    expect(erases(change(glasswasher(), 'code', 'k19', { detection: { ...code?.detection, stored: false } }))).toBe(
      false,
    );
    expect(erases(change(glasswasher(), 'readout', code?.readout ?? '', { tells: 'result' }))).toBe(false);
    expect(erases(change(glasswasher(), 'readout', code?.readout ?? '', { tells: 'codes' }))).toBe(true);
  });
  it('a unit that was isolated is closed up first, then brought into its mode again, erased and left', () => {
    const plan = planOf(walkOf(entered), dead);
    expect(brief(plan)).toEqual(['close-up', 'erase: enter-memory erase-memory', 'leave: leave-memory']);
    expect(plan[0]).toMatchObject({
      isDead: true,
      back: [
        'Plug S7, back on the board',
        'Both leads, back on E2',
        'Hang the lower front cover on its hooks.',
        'Turn the four screws of the lower front cover in.',
      ],
    });
  });
  it('one that stayed in its mode is erased from there', () => {
    const plan = planOf(walkOf(entered), [{ node: 'look-scale', answer: 'no' }]);
    expect(brief(plan)).toEqual(['close-up', 'erase: erase-memory', 'leave: leave-memory']);
    expect(plan[0]).toMatchObject({ isDead: false, back: [] });
  });
  it('one whose way in was left out is brought into the mode first', () =>
    expect(brief(planOf(walkOf()))).toEqual(['close-up', 'erase: enter-memory erase-memory', 'leave: leave-memory']));
  it('a symptom without a code has nothing to erase', () => {
    const symptom = { ...walkOf(), code: null, symptom: 'cold-glasses' } as Walk;
    expect(brief(planOf(symptom))).toEqual(['close-up']);
    expect(brief(planOf({ ...symptom, ...pick(walkOf(entered)) }))).toEqual(['close-up', 'leave: leave-memory']);
  });
  it('what was passed over was not taken off', () => {
    const skipped = dead.map((a) => ({ ...a, skipped: 'no tool' }));
    expect(planOf(walkOf(entered), skipped)[0]).toMatchObject({ isDead: false, back: [] });
  });
  it('a new part that wants to be calibrated is, once the unit has its supply, before anything is erased', () => {
    const bundle = glasswasher();
    const family = entryOf(bundle, 'family', 'brindlewick-g4');
    const parts = family?.parts.map((p) =>
      p.id === 'rinse-element' ? { ...p, afterReplacing: 'Set the level to zero.', recalibrateBy: 'level-zero' } : p,
    );
    const wants = change(bundle, 'family', 'brindlewick-g4', { parts });
    const plan = planOf(walkOf(entered), dead, wants);
    expect(brief(plan)).toEqual([
      'close-up',
      'recalibrate: enter-memory level-zero',
      'erase: enter-memory erase-memory',
      'leave: leave-memory',
    ]);
    expect(plan[1]).toMatchObject({ part: 'Rinse heating element', demands: 'Set the level to zero.' });
    const other = [...dead.slice(0, 2), { node: 'sensor', answer: 'low' }];
    expect(brief(planOf(walkOf(entered), other, wants))).not.toContain('recalibrate: enter-memory level-zero');
  });
  it('a new part that comes without its settings is led to them, by the route that opens them', () => {
    const setting = (more: object = {}) => ({
      kind: 'setting',
      id: 'heat-limit',
      family: 'brindlewick-g4',
      name: 'Heat limit',
      shownAs: 'As a number of lamps.',
      allowed: ['1 lamp', '2 lamps'],
      right: [{ variant: null, value: '2 lamps' }],
      source: null,
      standing: 'document',
      ...more,
    });
    const wants = (more: object) => {
      const bundle = glasswasher();
      const parts = entryOf(bundle, 'family', 'brindlewick-g4')?.parts.map((p) =>
        p.id === 'rinse-element' ? { ...p, setAfter: ['heat-limit'] } : p,
      );
      const changed = change(bundle, 'family', 'brindlewick-g4', { parts });
      return { ...changed, entries: [...changed.entries, Setting.parse(setting(more))] };
    };
    const led = planOf(walkOf(entered), dead, wants({ route: 'level-zero' }));
    expect(brief(led)[1]).toBe('recalibrate: enter-memory level-zero');
    expect(led[1]).toMatchObject({ part: 'Rinse heating element', settings: [{ id: 'heat-limit' }] });
    expect(brief(planOf(walkOf(entered), dead, wants({})))[1]).toBe('recalibrate: ');
    // the cleaned or passed one is not new
    expect(brief(planOf(walkOf(entered), [{ node: 'look-scale', answer: 'no' }], wants({})))).toEqual([
      'close-up',
      'erase: erase-memory',
      'leave: leave-memory',
    ]);
  });
  it('a cover that is in the way of the erasing itself comes on last', () => {
    const through = change(glasswasher(), 'route', 'erase-memory', { ways: ['lower-cover'] });
    const plan = planOf(walkOf(entered), dead, through);
    expect(brief(plan).at(-1)).toBe('close-last');
    expect(plan[0]).not.toMatchObject({ back: expect.arrayContaining(['Hang the lower front cover on its hooks.']) });
    expect(plan.at(-1)).toMatchObject({
      isDead: true,
      back: expect.arrayContaining([expect.stringMatching(/screws/)]),
    });
  });
  it('goes on where it was left, until all is done', () => {
    const plan = planOf(walkOf(entered), dead);
    const kinds = [];
    const done = new Set<(typeof plan)[number]['kind']>();
    for (let step = clearingNow(plan, done); step; step = clearingNow(plan, done)) {
      kinds.push(step.kind);
      done.add(step.kind);
    }
    expect(kinds).toEqual(['close-up', 'erase', 'leave']);
  });
});
const pick = ({ tries }: Walk) => ({ tries });

describe('what the tests came to', () => {
  const ended = (cause: string | null, verdict: string) =>
    walkOf({ kind: 'chart-ended', chart: 'rinse-heat', node: 'element-bad', verdict, cause });
  it('ends the test station and keeps the cause', () => {
    const walk = ended('rinse-element', 'cause-found');
    expect([walk.done.has('test'), walk.skipped.size]).toEqual([true, 0]);
    expect(foundWords(glasswasher(), walk.found)).toEqual({
      cause: 'Rinse heating element',
      title: 'Rinse element out of its good range',
    });
  });
  it('a verdict without a part is told by its own words, and only a found cause is one', () => {
    expect(foundWords(glasswasher(), ended(null, 'cause-found').found).cause).toBe(
      'Rinse element out of its good range',
    );
    expect(foundWords(glasswasher(), ended(null, 'nothing-found').found).cause).toBeNull();
    expect(foundWords(glasswasher(), null)).toEqual({ cause: null, title: null });
  });
});

it('a code that was looked at once in each of its stages was seen once', () => {
  const look = (stage: string) => ({ kind: 'blinks', stage, count: 1 }) as never;
  expect(roundsSeen([])).toBe(0);
  expect(roundsSeen([look('letter'), look('number')])).toBe(1);
  expect(roundsSeen([look('letter'), look('number'), look('number')])).toBe(2);
});

it('a try that does not bring the unit all the way leaves Enter open', () => {
  expect(walkOf({ ...entered, more: true }).done.has('enter')).toBe(false);
  expect(walkOf(entered).done.has('enter')).toBe(true);
});

it('what passed by itself is not what is taken back', () => {
  const walk = walkOf({ kind: 'safe', hazards: [] }, { kind: 'passed', station: 'enter', why: 'no-mode' });
  expect(walk.done.has('enter')).toBe(true);
  expect(walk.lastUndoable).toBe(EventId.parse('0b9a7e52-41b3-4c6e-9d55-000000000001'));
});

describe('what was changed by hand', () => {
  const declared = (bundle: Bundle): Bundle => ({
    ...bundle,
    entries: bundle.entries.map((e) => {
      if (e.kind === 'route' && e.id === 'enter-memory') return { ...e, changes: ['Hood propped up'] };
      if (e.kind !== 'chart' || e.id !== 'rinse-heat') return e;
      return {
        ...e,
        nodes: e.nodes.map((n) => (n.id === 'isolate' ? { ...n, changes: ['Own lock on the isolator'] } : n)),
      };
    }),
  });
  const said = { kind: 'changed', what: 'Inlet tap shut' };
  const listed = (walk: Walk, answers: readonly object[] = dead) => {
    const [first] = planOf(walk, answers, declared(glasswasher()));
    return first?.kind === 'put-back' ? first.changes.map((c) => `${c.what}: ${c.is}`) : [];
  };
  it('enters the list by itself where a step or route says so, and by a word where not', () => {
    expect(listed(walkOf(entered, said))).toEqual([
      'Own lock on the isolator: open',
      'Hood propped up: open',
      'Inlet tap shut: open',
    ]);
    expect(listed(walkOf(said), [])).toEqual(['Inlet tap shut: open']);
    expect(listed(walkOf(entered), [])).toEqual(['Hood propped up: open']);
    expect(listed(walkOf({ ...entered, took: false }), [])).toEqual([]);
    expect(brief(planOf(walkOf(), [])).includes('put-back')).toBe(false);
  });
  it('a step that was passed over changed nothing', () => {
    const passed = dead.map((d) => (d.node === 'isolate' ? { ...d, skipped: 'isolated already' } : d));
    expect(listed(walkOf(), passed)).toEqual([]);
  });
  it('is back, or left so for somebody, whose it is on the ledger of the machine', () => {
    const begun = walkOf(entered, said);
    const [tap] = [...begun.changed.keys()];
    const key = 'step:rinse-heat/isolate/0';
    const done = walkOf(
      entered,
      said,
      { kind: 'put-back', of: id, what: key },
      { kind: 'owed', what: 'Inlet tap shut', by: '2031-02-01', who: 'Ada', left: tap },
    );
    expect(listed(done)).toEqual(['Own lock on the isolator: back', 'Hood propped up: open', 'Inlet tap shut: left']);
    expect(ledgerOf([begun])).toMatchObject([{ key: tap, what: 'Inlet tap shut' }]);
    expect(ledgerOf([done])).toMatchObject([{ what: 'Inlet tap shut', by: '2031-02-01', who: 'Ada' }]);
    const back = walkOf(entered, said, { kind: 'put-back', of: id, what: tap });
    expect(ledgerOf([back])).toEqual([]);
  });
});
