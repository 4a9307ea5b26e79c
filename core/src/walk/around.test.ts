import { describe, expect, it } from 'vitest';
import {
  type Actor,
  askedDetails,
  type Bundle,
  type Complaint,
  complaintHints,
  complaintLines,
  contactsFor,
  EventId,
  entryOf,
  familyEntry,
  foldWalk,
  handOnSheet,
  lacking,
  lackingIn,
  orderedBy,
  orderLine,
  orderRows,
  orderText,
  type Part,
  partsToOrder,
  permitFor,
  permitForNode,
  permitWords,
  sheetText,
  type Walk,
  WalkEvent,
  walkChart,
} from '../index.ts';
import { glasswasher } from '../testing/bundles.ts';

type Family = ReturnType<typeof familyEntry>;
/** The glasswasher with its family, and whatever else, changed. */
const withFamily = (
  change: (family: Family) => Partial<Family>,
  also: (e: Bundle['entries'][number]) => object = () => ({}),
): Bundle => {
  const bundle = glasswasher();
  return {
    ...bundle,
    entries: bundle.entries.map((e) => ({ ...e, ...(e.kind === 'family' ? change(e) : also(e)) }) as typeof e),
  };
};
const id = '0b9a7e52-41b3-4c6e-9d55-6a1f8f0c1d11';
const walkOf = (...happened: object[]): Walk =>
  foldWalk(
    [{ kind: 'started', family: 'brindlewick-g4', bundle: 'x', from: { kind: 'code', code: 'k19' } }, ...happened].map(
      (e, seq) =>
        WalkEvent.parse({
          ...e,
          id: EventId.parse(`0b9a7e52-41b3-4c6e-9d55-${String(seq).padStart(12, '0')}`),
          walk: id,
          seq,
          at: new Date(Date.UTC(2026, 4, 3, 8, seq)).toISOString(),
        }),
    ),
  ) as Walk;
const unit = { kind: 'unit', machine: id, serial: 'G4-77', model: 'G4-20B', software: '2.6', variant: 'single-late' };
const part = (more: Partial<Part>): Part => ({ ...(familyEntry(glasswasher()).parts[0] as Part), ...more });
const numbered = (number: string, ...onlyVariants: string[]) => ({
  number,
  onlyVariants: onlyVariants as never[],
  supersedes: [] as string[],
});

const actor = (level: Actor['level'], ...trades: string[]): Actor => ({ level, trades });

describe('who may act', () => {
  it.each([
    [actor('technician'), { scope: 'operator' }, null],
    [actor('technician'), { scope: 'technician' }, null],
    [actor('technician'), { scope: 'licensed' }, 'a licensed person'],
    [actor('licensed'), { scope: 'maker' }, 'the maker’s own support'],
    [actor('maker'), { scope: 'licensed' }, null],
    // a licence of one trade is none of another, and who has a trade's paper needs no other
    [actor('licensed', 'electrical'), { scope: 'licensed', trade: 'gas' }, 'a licensed person (gas)'],
    [actor('technician', 'Gas '), { scope: 'licensed', trade: 'gas' }, null],
    [actor('operator', 'gas'), { scope: 'licensed', trade: 'gas' }, 'a licensed person'],
    [actor('licensed'), { scope: 'technician', trade: 'gas' }, 'a licensed person (gas)'],
    [actor('maker'), { scope: 'licensed', trade: 'gas' }, null],
    // a person without a trade
    [actor('licensed'), { scope: 'licensed', trade: 'gas' }, 'a licensed person (gas)'],
  ] as const)('%j, for %j: %s', (who, asked, lacks) => {
    const needs = lacking(who, permitFor([asked]));
    expect(needs && permitWords(needs)).toBe(lacks);
  });
  it('the strictest of what is said counts and every trade, the widest where nothing is', () => {
    expect([
      permitFor([]),
      permitFor([{}, { scope: 'technician' }]),
      permitFor([{ scope: 'maker' }, { scope: 'licensed' }]),
    ]).toEqual(['operator', 'technician', 'maker'].map((scope) => ({ scope, trades: [] })));
    const both = permitFor([{ scope: 'licensed', trade: 'gas' }, { trade: 'electrical' }, { trade: 'GAS' }]);
    expect(permitWords(both)).toBe('a licensed person (gas and electrical)');
    expect(lacking(actor('licensed', 'gas'), both)?.trades).toEqual(['electrical']);
  });
  it('of a step it is what it says and what can hurt there; of a route the first step that is for others', () => {
    const [hazard] = glasswasher().entries.filter((e) => e.kind === 'hazard' && e.id === 'mains');
    const licensed = withFamily(
      () => ({}),
      (e) => (e === hazard ? { scope: 'licensed', trade: 'electrical' } : {}),
    );
    const node = entryOf(licensed, 'chart', 'rinse-heat')?.nodes.find((n) => n.hazards.includes('mains' as never));
    if (!node) throw new Error('no node');
    const needs = { scope: 'licensed', trades: ['electrical'] };
    expect([permitForNode(glasswasher(), { ...node, scope: 'licensed' }).scope, permitForNode(licensed, node)]).toEqual(
      ['licensed', needs],
    );
    const route = entryOf(glasswasher(), 'route', 'level-zero');
    if (!route) throw new Error('no route');
    const steps = route.steps.map((s, i) => (i === 3 ? { ...s, scope: 'licensed' as const } : s));
    const at = (bundle: Bundle, more: object, who: Actor) => lackingIn(bundle, { ...route, ...more }, who);
    expect(at(glasswasher(), { steps }, actor('technician'))).toEqual({
      at: '3',
      needs: { scope: 'licensed', trades: [] },
    });
    expect(at(glasswasher(), { steps }, actor('licensed'))).toBeNull();
    expect(at(licensed, { hazards: ['mains'] }, actor('licensed', 'gas'))).toEqual({ at: '', needs });
    expect(at(licensed, { hazards: ['mains'] }, actor('technician', 'electrical'))).toBeNull();
  });
  it('what is handed over waits until somebody takes it, or it is taken back', () => {
    const offered = {
      kind: 'offered',
      needs: 'licensed',
      trades: ['gas'],
      chart: null,
      node: null,
      what: 'Measure it',
    };
    expect(walkOf(unit, offered).offered).toMatchObject({
      needs: { scope: 'licensed', trades: ['gas'] },
      what: 'Measure it',
    });
    const taken = walkOf(unit, offered, { kind: 'taken-over', by: 'Ada One' });
    expect([taken.offered, taken.takenOver]).toEqual([null, [{ by: 'Ada One', at: '2026-05-03T08:03:00.000Z' }]]);
    const back = walkOf(unit, offered, { kind: 'taken-back', event: '0b9a7e52-41b3-4c6e-9d55-000000000002' });
    expect(back.offered).toBeNull();
    // whoever took it over does not give it back by an undo
    expect(taken.lastUndoable).toBe('0b9a7e52-41b3-4c6e-9d55-000000000002');
  });
});

describe('what a part is ordered by', () => {
  const all = ['single-early', 'single-late', 'three-phase'] as never[];
  it.each<[string, Part['numbers'], string[], string[]]>([
    ['nobody has said it', undefined, ['single-late'], []],
    ['one for all', [numbered('A1')], all, ['A1']],
    ['one of its own before the one for all', [numbered('A1'), numbered('B2', 'three-phase')], ['three-phase'], ['B2']],
    ['the plate has to tell', [numbered('A1', 'single-late'), numbered('B2', 'three-phase')], all, ['A1', 'B2']],
    ['another variant’s is none', [numbered('B2', 'three-phase')], ['single-late'], []],
  ])('%s', (_, numbers, alive, is) => {
    expect(orderedBy(part({ numbers }), alive as never).numbers).toEqual(is);
  });
  it('a line says everything a counter asks for, and what is still open', () => {
    const own = part({ name: 'Element, 3 kW', numbers: [{ ...numbered('A1'), supersedes: ['A0'] }] });
    const line = orderLine(glasswasher(), walkOf(unit), own, { alive: all, quantity: 2 });
    expect(line).toMatchObject({
      model: 'G4-20B',
      serial: 'G4-77',
      software: '2.6',
      number: 'A1',
      quantity: 2,
      open: null,
    });
    expect(orderText(line)).toBe(
      '2 × Element, 3 kW, A1 (in place of A0)\nfor Brindlewick G4, model G4-20B, serial G4-77, software 2.6',
    );
    expect(orderRows([line])[1]).toEqual([
      'Brindlewick G4',
      'G4-20B',
      'G4-77',
      '2.6',
      'Element, 3 kW',
      'A1',
      '2',
      'in place of A0',
    ]);
    const unread = walkOf({ ...unit, serial: 'NOT-READ-1', serialUnread: true, model: '', software: null });
    const open = orderLine(
      glasswasher(),
      unread,
      part({ numbers: [numbered('A1', 'single-late'), numbered('B2', 'three-phase')] }),
      { alive: all },
    );
    expect([open.open, open.number, open.maybe, open.serial]).toEqual(['needs-plate', '', ['A1', 'B2'], '']);
    expect(orderText(open)).toMatch(/model not read, serial not read, software not read/);
    expect(orderLine(glasswasher(), walkOf(unit), part({}), { alive: all }).open).toBe('no-number');
  });
  it('what a chart came to is to be ordered, once, as long as it is not', () => {
    const bundle = withFamily((f) => ({
      parts: f.parts.map((p) => (p.id === 'rinse-element' ? { ...p, numbers: [numbered('A1')] } : p)),
    }));
    const chart = entryOf(bundle, 'chart', 'rinse-heat');
    const verdict = chart?.nodes.find((n) => n.kind === 'verdict' && n.cause === 'rinse-element');
    if (!chart || !verdict) throw new Error('no chart');
    const walked = walkChart(chart, []);
    const ended = { ...walked, ended: true, end: { kind: 'verdict', verdict } } as unknown as typeof walked;
    expect(partsToOrder(bundle, walkOf(unit), ended).map((p) => p.id)).toEqual(['rinse-element']);
    const had = walkOf(unit, { kind: 'ordered', part: 'rinse-element', number: 'A1', quantity: 1 });
    expect(partsToOrder(bundle, had, ended)).toEqual([]);
    expect(had.ordered).toMatchObject([{ part: 'rinse-element', number: 'A1', quantity: 1 }]);
    expect(partsToOrder(bundle, walkOf(unit), null)).toEqual([]);
    // what nothing is known of to order it by is not asked for
    expect(partsToOrder(glasswasher(), walkOf(unit), ended)).toEqual([]);
  });
});

describe('whom to ring', () => {
  const contact = (name: string, scope: string, more: object = {}) => ({
    name,
    sort: 'trade',
    for: scope,
    reach: 'ring 1',
    asks: [],
    ...more,
  });
  const bundle = withFamily(() => ({
    contacts: [
      contact('maker', 'maker', { asks: ['model', 'serial', 'software', 'code', 'readings', 'bought'] }),
      contact('far', 'licensed', { country: 'Isle B' }),
      contact('near', 'licensed', { country: 'Isle A' }),
      contact('counter', 'technician'),
    ] as never,
  }));
  it('the nearest whose work it is, in the country where one is said', () => {
    const names = (scope: 'licensed' | 'technician' | 'maker', country?: string) =>
      contactsFor(bundle, permitFor([{ scope }]), { country }).map((c) => c.name);
    expect(names('licensed', 'Isle A')).toEqual(['near', 'maker']);
    expect(names('technician')).toEqual(['counter', 'far', 'near', 'maker']);
    expect(names('maker')).toEqual(['maker']);
    expect(contactsFor(glasswasher(), permitFor([{ scope: 'licensed' }]))).toEqual([]);
  });
  it('with what they ask for, and what of it is still to be found out', () => {
    const [maker] = contactsFor(bundle, permitFor([{ scope: 'maker' }]));
    if (!maker) throw new Error('nobody');
    const known = askedDetails(maker, walkOf({ ...unit, software: null }), ['K19', 'K17'], 2);
    expect(known.map((d) => d.known)).toEqual(['G4-20B', 'G4-77', null, 'K19, K17', '2, below', null]);
    const aged = walkOf(unit, { kind: 'complaint', says: '', age: '7 years' });
    expect(askedDetails(maker, aged, [], 0).map((d) => d.known)).toEqual([
      'G4-20B',
      'G4-77',
      '2.6',
      null,
      null,
      '7 years',
    ]);
  });
  it('the sheet for whoever goes on names them, what the customer said, and what is still to be found out', () => {
    const walk = walkOf(
      unit,
      { kind: 'complaint', says: 'Glasses come out cold', happens: ['when-others-run'], tried: ['reset'] },
      { kind: 'offered', needs: 'licensed', trades: ['gas'], chart: null, node: null, what: 'Measure the element' },
    );
    const text = sheetText(handOnSheet({ bundle, walk, chartWalk: null, subject: null }));
    expect(text).toMatch(/Measure the element is for a licensed person \(gas\)\. Local codes come first\./);
    expect(text).toMatch(/near · ring 1, hours not known, Isle A/);
    expect(text).toMatch(/WHAT THE CUSTOMER SAYS\n- Glasses come out cold\n- when other things run\n- it was reset/);
  });
});

describe('what the customer says', () => {
  const said = (more: Partial<Complaint>): Complaint => ({
    says: '',
    happens: [],
    tried: [],
    partsChanged: [],
    ...more,
  });
  const k19 = entryOf(glasswasher(), 'code', 'k19') ?? null;
  const hints = (more: Partial<Complaint>, subject = k19) => complaintHints(glasswasher(), said(more), subject);
  it('is told a line for each matter, nothing for what was not asked', () => {
    expect(complaintLines(said({}))).toEqual([]);
    expect(
      complaintLines(
        said({
          says: 'It hums',
          since: 'May',
          happens: ['cold', 'at-start'],
          usedBy: 'night shift',
          tried: ['unplugged'],
          partsChanged: ['board' as never],
          age: '2019',
          counter: '4100 h',
        }),
        (p) => `the ${p}`,
      ),
    ).toEqual([
      'It hums',
      'since May',
      'when cold, at the start',
      'used by night shift',
      'it was unplugged',
      'put in new by others: the board',
      'age: 2019',
      'counter: 4100 h',
    ]);
  });
  it('sounds like a symptom where two of its words are in it, not where one is', () => {
    expect(hints({ says: 'the glasses are coming out cold all day' }).symptoms.map((s) => s.id)).toContain(
      'cold-glasses',
    );
    expect(hints({ says: 'glasses' }).symptoms).toEqual([]);
    expect(hints({ says: 'it will not move' }).symptoms).toEqual([]);
  });
  it('points at circumstances that speak of when it happens', () => {
    const subject = k19 && { ...k19, circumstances: ['Low supply while the oven runs as well.', 'Interference.'] };
    expect(hints({ happens: ['when-others-run'] }, subject).circumstances).toEqual([
      'Low supply while the oven runs as well.',
    ]);
  });
  it('a part others put in new is looked at, more so where it is a suspect; a tripped breaker is not just switched on', () => {
    const [first, ...more] = hints({
      tried: ['breaker-tripped', 'reset'],
      partsChanged: ['rinse-element' as never],
    }).lookAt;
    expect(first?.why).toMatch(/a suspect here/);
    expect(more.map((m) => m.what)).toEqual(['Supply and insulation', 'Memory']);
    expect(hints({ partsChanged: ['wash-pump' as never] }).lookAt[0]?.why).toMatch(/^put in new by others/);
  });
});
