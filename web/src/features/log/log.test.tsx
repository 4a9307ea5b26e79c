import 'fake-indexeddb/auto';
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { EventId, FamilyId, WalkEvent, type WalkId, type WalkLine } from '@wire-trail/core';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { allEvents, clearStore, type KeptEvent, keepEvents } from '../../foundation/device/database.ts';
import { queueCounted } from '../../foundation/device/sync-slice.ts';
import { openPage, person } from '../../testing/page.tsx';
import { type Script, standInServer } from '../../testing/server.ts';
import { glasswasher } from '../../testing/trail.tsx';
import LoggedWalkPage from './LoggedWalkPage.tsx';
import LogPage from './LogPage.tsx';

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const walk = '0b9a7e52-41b3-4c6e-9d55-6a1f8f0c1d11' as WalkId;
const line = (more: Partial<WalkLine> = {}): WalkLine => ({
  id: walk,
  family: FamilyId.parse('brindlewick-g4'),
  serial: 'G4-1',
  model: 'G4-20B',
  software: '2.6',
  by: 'A technician',
  state: 'open',
  code: 'd09',
  station: 'test',
  outcome: null,
  fixedBy: null,
  startedAt: '2031-01-01T08:00:00.000Z',
  lastAt: '2031-01-01T09:00:00.000Z',
  waitingUntil: null,
  ...more,
});

describe('the log', () => {
  const open = (script: Script) => {
    const calls = standInServer(script);
    const store = openPage(<LogPage />, { path: '/log', user: person('technician') });
    return { calls, store };
  };

  const page = (...walks: WalkLine[]) => ({ walks, next: null });

  it.each<[string, Partial<WalkLine>, string]>([
    ['an open one, where it stands', {}, 'at Test'],
    ['a waiting one, until when', { state: 'waiting', waitingUntil: '2031-02-01' }, 'waits until 1 Feb 2031'],
    ['a closed one, what fixed it', { state: 'closed', outcome: 'fixed', fixedBy: 'the float' }, 'fixed: the float'],
    ['a closed one, how it ended', { state: 'closed', outcome: 'handed-on', fixedBy: '' }, 'handed on'],
  ])('tells of %s', async (_, more, words) => {
    open({ walks: page(line(more)) });
    const link = await screen.findByRole('link');
    expect(link.textContent).toContain(words);
    expect(link.getAttribute('href')).toBe(`/log/${walk}`);
  });

  it('asks for those of one state only', async () => {
    const { calls } = open({ walks: ({ query }) => (query ? page() : page(line())) });
    await screen.findByRole('link');
    fireEvent.click(screen.getByRole('button', { name: 'waiting' }));
    expect(await screen.findByText('No walk here yet')).toBeTruthy();
    expect(calls.filter((c) => c.route === 'walks').map((c) => c.query)).toEqual(['', '?state=waiting']);
  });

  it('pages back through the years, and finds by what is typed', async () => {
    const before = `2031-01-01T08:00:00.000Z_${walk}`;
    const { calls } = open({
      walks: ({ query }) => {
        const asked = new URLSearchParams(query);
        if (asked.get('find')) return page(line({ serial: `G4-${asked.get('find')}` }));
        return asked.get('before')
          ? page(line({ id: '0b9a7e52-41b3-4c6e-9d55-6a1f8f0c1d12', serial: 'G4-2' }))
          : { ...page(line({ serial: 'G4-1' })), next: before };
      },
    });
    await screen.findByText('G4-1');
    fireEvent.click(screen.getByRole('button', { name: 'Show earlier ones' }));
    await screen.findByText('G4-2');
    expect(screen.getAllByRole('link')).toHaveLength(2);
    expect(screen.queryByRole('button', { name: 'Show earlier ones' })).toBeNull();
    fireEvent.change(screen.getByLabelText('Find in the log'), { target: { value: ' 77 ' } });
    await screen.findByText('G4-77');
    expect(calls.filter((c) => c.route === 'walks').map((c) => decodeURIComponent(c.query))).toEqual([
      '',
      `?before=${before}`,
      '?find=77',
    ]);
  });

  it('a walk without a serial number, or without a code, says so', async () => {
    open({ walks: page(line({ serial: null, code: null })) });
    expect((await screen.findByRole('link')).textContent).toMatch(/—.*no serial yet/);
  });

  it('without a connection says that walks go on', async () => {
    open({});
    expect((await screen.findByRole('alert')).textContent).toMatch(/Walks go on without a connection/);
  });

  describe('what the server would not take', () => {
    const id = (n: number) => EventId.parse(`0b9a7e52-41b3-4c6e-9d55-0000000000a${n}`);
    const refusedEvent = (n: number, more: object, why: Pick<KeptEvent, 'reason' | 'place'>): KeptEvent => ({
      id: id(n),
      walk,
      by: 7,
      event: { id: id(n), walk, seq: n, at: '2031-01-01T08:00:00.000Z', kind: 'noted', text: 'x', ...more } as never,
      state: 'refused',
      ...why,
    });
    const show = async (...events: KeptEvent[]) => {
      await clearStore();
      await keepEvents(events);
      const { store } = open({ walks: page() });
      store.dispatch(queueCounted({ waiting: 0, refused: 1 }));
      return screen.findByRole('alert');
    };
    const kept = async () => (await allEvents()).map((e) => ({ ...e.event, state: e.state }));

    it('is named with its reason, and sent once more', async () => {
      const alert = await show(refusedEvent(1, {}, { reason: 'too late' }));
      expect(alert.textContent).toMatch(/One step was not taken.*A note.*too late/);
      fireEvent.click(screen.getByText('Send once more'));
      await waitFor(async () =>
        expect((await allEvents())[0]).toMatchObject({ id: id(1), state: 'waiting', reason: null }),
      );
    });

    it('can be written anew where a text of it is wrong', async () => {
      await show(refusedEvent(1, {}, { reason: 'too long', place: ['text'] }));
      fireEvent.change(screen.getByLabelText('A note, as it should be'), { target: { value: 'short' } });
      fireEvent.click(screen.getByText('Send once more'));
      await waitFor(async () => expect(await kept()).toMatchObject([{ id: id(1), text: 'short', state: 'waiting' }]));
    });

    it('goes under another number where its own stands for something else', async () => {
      await show(refusedEvent(1, {}, { reason: 'stands for something', place: ['id'] }));
      fireEvent.click(screen.getByText('Send once more'));
      await waitFor(async () => expect(await kept()).toMatchObject([{ text: 'x', state: 'waiting' }]));
      const [now] = await allEvents();
      expect(now?.id).not.toBe(id(1));
      expect(now?.event.id).toBe(now?.id);
    });

    it('into somebody else’s walk is kept as a walk of one’s own, from its beginning', async () => {
      const beginning = {
        kind: 'started',
        family: 'brindlewick-g4',
        bundle: 'h',
        from: { kind: 'panel' },
        text: undefined,
      };
      const started: KeptEvent = { ...refusedEvent(0, beginning, { reason: null }), by: 3, state: 'sent' };
      const others = { reason: 'belongs to somebody else', place: ['walk'] };
      await show(started, refusedEvent(1, {}, others), refusedEvent(2, { text: 'y' }, others));
      expect(screen.queryByText('Send once more')).toBeNull();
      fireEvent.click(screen.getByText('Keep these 2 steps as a walk of your own'));
      await waitFor(async () => expect((await allEvents()).filter((e) => e.state === 'refused')).toEqual([]));
      const own = (await allEvents()).filter((e) => e.walk !== walk);
      expect(own.map((e) => [e.event.seq, e.event.kind, e.by, e.state])).toEqual([
        [0, 'started', 7, 'waiting'],
        [1, 'noted', 7, 'waiting'],
        [2, 'noted', 7, 'waiting'],
      ]);
      expect((await allEvents()).filter((e) => e.walk === walk)).toHaveLength(1);
    });
  });
});

describe('a walk in the log', () => {
  const happened = (bodies: readonly object[]): WalkEvent[] =>
    bodies.map((body, seq) =>
      WalkEvent.parse({
        ...body,
        id: `0b9a7e52-41b3-4c6e-9d55-${String(seq).padStart(12, '0')}`,
        walk,
        seq,
        at: new Date(Date.UTC(2031, 0, 1, 8, seq)).toISOString(),
      }),
    );
  const began = { kind: 'started', family: 'brindlewick-g4', bundle: 'x', from: { kind: 'panel' } };
  const open = (events: WalkEvent[], script: Script = {}) => {
    standInServer({ walk: { id: walk, mine: true, events }, bundle: glasswasher, ...script });
    openPage(<LoggedWalkPage />, { path: '/log/:walk', at: `/log/${walk}`, user: person('technician') });
  };
  const told = () => [...document.querySelectorAll('.events li')].map((li) => li.lastElementChild?.textContent);

  it('is told event by event, in the names of its family', async () => {
    open(
      happened([
        began,
        { kind: 'skipped', station: 'safe', why: 'done before' },
        { kind: 'locked-out', route: 'x', part: 'Cord winder', count: 2 },
        { kind: 'locked-out', route: 'x', part: 'Cord winder', count: 0 },
        { kind: 'swept', controller: 'main', result: 'nothing-stored' },
        { kind: 'timer', of: { kind: 'prove' }, ms: 600_000 },
        { kind: 'owed', what: 'door switch bridged', by: '2031-02-01' },
        { kind: 'unlisted', text: 'E77', words: 'blinks', ask: true },
        { kind: 'proved', returned: false, cycles: 3 },
        { kind: 'waits', until: '2031-02-01', why: 'a part' },
        { kind: 'closed', outcome: 'handed-on', fixedBy: '' },
      ]),
    );
    await screen.findByText('Began at the panel');
    const main = glasswasher.entries.find((e) => e.kind === 'family')?.controllers.find((c) => c.id === 'main');
    await screen.findByText(new RegExp(`^${main?.name}: `));
    expect(told().slice(1)).toEqual([
      expect.stringMatching(/^\S+ left out: done before$/),
      'Locked out: 2 × Cord winder',
      'Cord winder let in again',
      expect.stringContaining(`${main?.name}: `),
      'The run began, 10 min at the least',
      'Left: door switch bridged, to be put back by 1 Feb 2031',
      'E77 is unlisted, trainer asked. blinks',
      'Did not return in 3',
      'Waits until 1 Feb 2031: a part',
      'Closed: handed on',
    ]);
  });

  it('says where a device’s clock was wrong', async () => {
    open(happened([began, { kind: 'noted', text: 'as it was', saidAt: '2035-05-05T08:00:00.000Z' }]));
    await screen.findByText('Began at the panel');
    expect(told()[1]).toMatch(/as it was · by a clock that said 5 May 2035/);
  });

  it('tells what the tests found, what passed by itself and what was put back, not what was left out', async () => {
    const look = (stage: string) => ({ kind: 'lamps', stage, lamps: {} });
    open(
      happened([
        { ...began, from: { kind: 'symptom', symptom: 'cold-glasses' } },
        { kind: 'passed', station: 'enter', why: 'symptom-leads' },
        {
          kind: 'seen',
          readout: 'lamps',
          seen: { slot: 1, looks: [look('letter'), look('number')] },
          made: [{ code: 'K19', certainty: 0.9 }],
        },
        {
          kind: 'chart-ended',
          chart: 'rinse-heat',
          node: 'element-bad',
          verdict: 'cause-found',
          cause: 'rinse-element',
        },
        { kind: 'chart-ended', chart: 'rinse-heat', node: null, verdict: null, cause: null },
        { kind: 'clear-step', did: 'close-up' },
      ]),
    );
    await screen.findByText(/Rinse heating element/);
    expect(told()).toEqual([
      'Began with the symptom Glasses come out cold, no code',
      'Enter: nothing to do, there is no code and the symptom leads',
      'Stored code 1 seen once: K19 90 %',
      'Tests ended: Cause found, Rinse heating element, Rinse element out of its good range',
      'Tests ended: without a result',
      'What was taken off is back on',
    ]);
  });

  it('what was taken back stays to be seen, struck through', async () => {
    const events = happened([began, { kind: 'noted', text: 'wrong one' }]);
    const [, wrong] = events;
    open([...events, ...happened([began, began, { kind: 'taken-back', event: wrong?.id }]).slice(2)]);
    const struck = (await screen.findByText('wrong one')).closest('li');
    expect(struck?.classList).toContain('taken-back');
    expect(screen.getByText('Began at the panel').closest('li')?.classList).not.toContain('taken-back');
  });

  it.each<[string, boolean, object[], boolean]>([
    ['one’s own, open', true, [], true],
    ['somebody else’s', false, [], false],
    ['one that is closed', true, [{ kind: 'closed', outcome: 'fixed', fixedBy: 'x' }], false],
  ])('%s goes on here: %#', async (_, mine, more, goes) => {
    const events = happened([began, ...more]);
    open(events, { walk: { id: walk, mine, events } });
    await screen.findByText('Began at the panel');
    expect(screen.queryByText('Go on with it here') !== null).toBe(goes);
  });

  it.each<[string, Script, RegExp]>([
    ['one that was never sent', { walk: { refuses: 'not-found' } }, /No such walk in the log/],
    [
      'one whose beginning is missing',
      { walk: { id: walk, mine: true, events: [] } },
      /beginning of this walk has not arrived/,
    ],
    ['one that cannot be had', { walk: { refuses: 'internal' } }, /Something broke/],
  ])('%s says so', async (_, script, words) => {
    open([], script);
    expect(await screen.findByText(words)).toBeTruthy();
  });
});
