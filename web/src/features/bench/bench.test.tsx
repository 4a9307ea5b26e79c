import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { type Answer, type ChangeSetState, entriesOf, FamilyId, keyOf, type Question, titleOf } from '@wire-trail/core';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { openPage, person } from '../../testing/page.tsx';
import { standInServer } from '../../testing/server.ts';
import { glasswasher } from '../../testing/trail.tsx';
import BenchPage from './BenchPage.tsx';
import ChangeSetPage from './ChangeSetPage.tsx';

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const family = FamilyId.parse('brindlewick-g4');
const code = glasswasher.entries.find((e) => e.kind === 'code');
if (!code) throw new Error('the demo has no code');
const set = (id: number, state: ChangeSetState, more: object = {}) => ({
  id,
  title: `Set ${id}`,
  state,
  author: 'A trainer',
  authorId: 3,
  submittedAt: '2031-01-01T08:00:00.000Z',
  reviewer: null,
  reviewedAt: null,
  ownReview: false,
  note: '',
  ...more,
});
const question = (id: string, text: string, words = ''): Question => ({
  id: `0b9a7e52-41b3-4c6e-9d55-00000000000${id}`,
  walk: '0b9a7e52-41b3-4c6e-9d55-6a1f8f0c1d11',
  family,
  text,
  words,
  by: 'A technician',
  askedAt: '2031-01-01T08:00:00.000Z',
});

describe('the bench', () => {
  const bench = () => openPage(<BenchPage />, { path: '/bench', user: person('trainer') });
  const headings = () => screen.getAllByRole('heading', { level: 2 }).map((h) => h.textContent);

  it('says so where nothing waits and nobody asks', async () => {
    standInServer({ changeSets: [], questions: [], proposals: [] });
    bench();
    expect(await screen.findByText('Nothing waits')).toBeTruthy();
    expect(screen.getByText('No open question')).toBeTruthy();
    expect(headings()).toEqual(['Waiting for review', 'What the field asks', 'What the field offers', 'Lately']);
  });

  it('takes what the field offers into drafts, and declines only with a word', async () => {
    const asked = standInServer({
      changeSets: [],
      questions: [],
      proposals: [
        {
          id: '0b9a7e52-41b3-4c6e-9d55-000000000007',
          walk: '0b9a7e52-41b3-4c6e-9d55-6a1f8f0c1d11',
          family,
          offer: { kind: 'fix', code: 'k17' as never, symptom: null, part: null },
          words: 'Twice now.',
          by: 'A technician',
          at: '2031-01-01T08:00:00.000Z',
          serial: 'G4-1',
          model: null,
          software: null,
          settled: null,
        },
      ],
      settleProposal: { drafts: [{ family, kind: 'code', id: 'k17' }] },
    });
    bench();
    expect(await screen.findByText(/Twice now/)).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Decline' })).toHaveProperty('disabled', true);
    fireEvent.click(screen.getByRole('button', { name: 'Take it into a draft' }));
    expect(await screen.findByText(/Taken into drafts/)).toBeTruthy();
    expect(JSON.stringify(asked)).toContain('taken');
  });

  it('lists what waits apart from what was decided, with who reviewed his own', async () => {
    standInServer({
      changeSets: [
        set(3, 'in-review'),
        set(2, 'published', { ownReview: true, reviewer: 'A trainer' }),
        set(1, 'returned', { note: 'not proved' }),
      ],
      questions: [],
    });
    bench();
    const waiting = (await screen.findByText('Waiting for review')).closest('section') as HTMLElement;
    expect(within(waiting).getByRole('link').textContent).toContain('Set 3');
    const lately = screen.getByText('Lately').closest('section') as HTMLElement;
    expect(within(lately).getByText('published, by its own author')).toBeTruthy();
    expect(within(lately).getByText('not proved')).toBeTruthy();
  });

  it('puts what is asked most often first, and settles all of it with one answer', async () => {
    const calls = standInServer({
      changeSets: [],
      questions: [question('1', 'E7', 'once only'), question('2', 'E9', 'first'), question('3', 'E9', 'second')],
      settle: undefined,
    });
    bench();
    const asked = (await screen.findByText('asked 2 times')).closest('.asked') as HTMLElement;
    expect(asked.previousElementSibling?.tagName).toBe('H2');
    expect(within(asked).getByText(/first/)).toBeTruthy();
    expect(within(asked).getByText('Write an entry').getAttribute('href')).toBe('/shelf/brindlewick-g4/code/e9?new=E9');
    fireEvent.click(within(asked).getByText('Answer …'));
    const settle = within(asked).getByRole('button', { name: 'Answer' });
    expect(settle).toHaveProperty('disabled', true);
    fireEvent.change(within(asked).getByLabelText('What it turned out to be'), { target: { value: ' a sticky pad ' } });
    fireEvent.click(settle);
    await waitFor(() => expect(calls.filter((c) => c.route === 'settle')).toHaveLength(2));
    expect(calls.filter((c) => c.route === 'settle').map((c) => c.body)).toEqual([
      { answer: 'a sticky pad' },
      { answer: 'a sticky pad' },
    ]);
  });

  it('whichever of the two cannot be had is told, and asked for again', async () => {
    let refuses = true;
    standInServer({ changeSets: [], questions: () => (refuses ? { refuses: 'internal' as const } : []) });
    bench();
    expect((await screen.findByRole('alert')).textContent).toContain('Something broke on the server');
    refuses = false;
    fireEvent.click(screen.getByText('Try again'));
    expect(await screen.findByText('No open question')).toBeTruthy();
  });
});

describe('a change set', () => {
  type Detail = Answer<'changeSet'>;
  const item = (more: Partial<Detail['items'][number]> = {}) => ({
    key: keyOf(code),
    number: 2,
    published: 1,
    before: 1,
    body: code,
    changes: [{ kind: 'changed' as const, at: ['title'], from: 'Old title', to: 'New title' }],
    ...more,
  });
  const open = (detail: object, user = person('reviewer'), more: Parameters<typeof standInServer>[0] = {}) => {
    const calls = standInServer({
      changeSet: { ...set(5, 'in-review'), items: [item()], ...detail } as Detail,
      settings: { schoolName: 'S', ownReview: false, firstDo: 'test' },
      ...more,
    });
    openPage(<ChangeSetPage />, { path: '/bench/:set', at: '/bench/5', user });
    return calls;
  };
  const button = (name: string) => screen.queryByRole('button', { name });
  /** Presses it once what is to fix has been looked for. */
  const press = async (name: string) => {
    await waitFor(() => expect(button(name)).toHaveProperty('disabled', false));
    fireEvent.click(button(name) as HTMLElement);
  };

  it('nobody decides before what is to fix in it stands there', async () => {
    open({}, person('reviewer'), { findings: [], working: [] });
    const answered = fetch;
    let come: () => void = () => undefined;
    const held = new Promise<void>((resolve) => {
      come = resolve;
    });
    vi.stubGlobal('fetch', async (address: string, init?: RequestInit) => {
      if (address.includes('findings')) await held;
      return answered(address, init);
    });
    expect(await screen.findByText('Looking for what is to fix in it …')).toBeTruthy();
    expect(button('Publish')).toHaveProperty('disabled', true);
    come();
    expect(await screen.findByText('Nothing to fix in it.')).toBeTruthy();
    await waitFor(() => expect(button('Publish')).toHaveProperty('disabled', false));
    expect(screen.queryByText('Looking for what is to fix in it …')).toBeNull();
  });

  it('shows what it changes, and a reviewer publishes it with a word', async () => {
    const calls = open({}, person('reviewer'), { publish: { families: [family], ownReview: false } });
    expect(await screen.findByText(titleOf(code))).toBeTruthy();
    expect([screen.getByText('Old title').tagName, screen.getByText('New title').tagName]).toEqual(['DEL', 'INS']);
    expect(screen.getByText(/rev 2 against rev 1/)).toBeTruthy();
    fireEvent.change(screen.getByLabelText('Comment'), { target: { value: 'proved on unit 12' } });
    await press('Publish');
    await waitFor(() => expect(calls.find((c) => c.route === 'publish')).toBeTruthy());
    expect(calls.find((c) => c.route === 'publish')).toMatchObject({
      params: { id: '5' },
      body: { note: 'proved on unit 12' },
    });
  });

  it('a change is asked for at its place, and stands there for whoever submitted it', async () => {
    const calls = open({}, person('reviewer'), { giveBack: undefined as never });
    fireEvent.click(await screen.findByRole('button', { name: 'Ask for a change …' }));
    fireEvent.change(screen.getByLabelText('What should be otherwise here'), {
      target: { value: 'which lamp is dead then?' },
    });
    fireEvent.change(screen.getByLabelText('Comment'), { target: { value: 'nearly there' } });
    await press('Ask for the change');
    await waitFor(() => expect(calls.find((c) => c.route === 'giveBack')).toBeTruthy());
    const note = `nearly there\n[code:${code.id}] which lamp is dead then?`;
    expect(calls.find((c) => c.route === 'giveBack')).toMatchObject({ params: { id: '5' }, body: { note } });
    cleanup();
    open({ state: 'returned', note }, person('trainer'));
    const own = within(await screen.findByRole('region', { name: titleOf(code) }));
    expect(own.getByText(/which lamp is dead then\?/)).toBeTruthy();
    expect(screen.getByText('nearly there')).toBeTruthy();
    expect(button('Ask for a change …')).toBeNull();
  });

  it('what is changed is shown as it will be, with what is to fix in it and what else leans on it', async () => {
    const [way] = entriesOf(glasswasher, 'route');
    if (!way) throw new Error('no route');
    const leaning = { ...way, name: 'Reset for one code', onlyFor: [code.id] };
    open({}, person('reviewer'), {
      findings: [],
      working: [{ ...keyOf(leaning), title: '', number: 1, state: 'published', published: 1, body: leaning }],
    });
    expect(await screen.findByText('Nothing to fix in it.')).toBeTruthy();
    expect(screen.getByText(/Reset for one code/)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'As it will be' }));
    expect(await screen.findByText(code.saw)).toBeTruthy();
  });

  it.each<[string, Parameters<typeof open>, { publish: boolean | null; back: string | null }]>([
    ['a reviewer, of another’s', [{}], { publish: true, back: 'Give it back' }],
    ['a reviewer, of his own', [{ authorId: 7 }], { publish: false, back: 'Withdraw' }],
    ['a trainer, of his own', [{ authorId: 7 }, person('trainer')], { publish: null, back: 'Withdraw' }],
    ['a trainer, of another’s', [{}, person('trainer')], { publish: null, back: null }],
    [
      'a reviewer, of one that is overtaken',
      [{ items: [item({ published: 3 })] }],
      { publish: false, back: 'Give it back' },
    ],
    ['a reviewer, of one that is published', [{ state: 'published' }], { publish: null, back: null }],
  ])('%s', async (_, [detail, user], may) => {
    open(detail, user);
    await screen.findByText(titleOf(code));
    // what the school allows comes after the set
    await waitFor(() =>
      expect(button('Publish') ? !button('Publish')?.hasAttribute('disabled') : null).toBe(may.publish),
    );
    expect((button('Give it back') ?? button('Withdraw'))?.textContent ?? null).toBe(may.back);
  });

  it('in a school of one its author publishes', async () => {
    open({ authorId: 7 }, person('reviewer'), { settings: { schoolName: 'S', ownReview: true, firstDo: 'test' } });
    await waitFor(() => expect(button('Publish')?.hasAttribute('disabled')).toBe(false));
  });

  it('something new is shown as it will be: what it leads to, what is to fix, and every field', async () => {
    open({ items: [item({ published: null, before: null, changes: [] })] }, person('reviewer'), {
      findings: [
        {
          code: 'code-without-chart',
          severity: 'hint',
          words: `${code.text} has no chart.`,
          station: 'test',
          entry: keyOf(code),
          at: [],
          facts: '{}',
          accepted: null,
          mends: [],
        },
      ],
      working: [],
    });
    expect(await screen.findByText('New: nothing of it is published yet.')).toBeTruthy();
    expect(await screen.findByText(new RegExp(`${code.text} has no chart`))).toBeTruthy();
    expect(screen.getAllByText(code.saw)[0]).toBeTruthy();
    expect(screen.getByText(/^readout: /)).toBeTruthy();
    expect(screen.queryByText('Nothing differs.')).toBeNull();
    expect(screen.queryByText('All of it is new.')).toBeNull();
  });

  it('says of which revision it would take back the work', async () => {
    open({ items: [item({ published: 3 })] });
    expect((await screen.findByText(/Revision 3 has been published since/)).textContent).toMatch(
      /publishing revision 2 would take it back/,
    );
  });

  it('shows why it was refused, at its places', async () => {
    open({}, person('reviewer'), {
      publish: { refuses: 'publish-blocked', fields: [{ path: ['code:e1', 'chart'], reason: 'names no chart' }] },
    });
    await screen.findByText(titleOf(code));
    await press('Publish');
    const alert = await screen.findByRole('alert');
    expect(alert.textContent).toContain('It cannot be published yet.');
    expect(alert.textContent).toContain('code:e1.chart: names no chart');
  });

  it('a large one is shown in pieces', async () => {
    const many = Array.from({ length: 201 }, (_, i) => item({ key: { ...keyOf(code), id: `c${i}` } }));
    open({ items: many });
    await screen.findAllByText(titleOf(code));
    expect(screen.getAllByText(titleOf(code))).toHaveLength(200);
    fireEvent.click(screen.getByText('Show more of the 201'));
    expect(screen.getAllByText(titleOf(code))).toHaveLength(201);
  });
});
