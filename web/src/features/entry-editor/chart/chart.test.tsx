import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { Chart, type Entry, entryOf } from '@wire-trail/core';
import { useState } from 'react';
import { Provider } from 'react-redux';
import { MemoryRouter } from 'react-router';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import ostrel from '../../../../../demo/ostrel-r6.json';
import { draftEdited, draftOpened, redone, undone } from '../../../foundation/entry-draft-slice.ts';
import { makeStore, useAppDispatch, useAppSelector } from '../../../foundation/store.ts';
import { glasswasher, readDemo, serverAnswers } from '../../../testing/trail.tsx';
import type { ChartAt } from './chart-at.ts';
import { NodeForm } from './NodeForm.tsx';
import { Outline } from './Outline.tsx';
import { PrintPane } from './PrintPane.tsx';
import { StartFrom } from './StartFrom.tsx';
import { Touched } from './Touched.tsx';
import { TryPane } from './TryPane.tsx';

const drain = entryOf(glasswasher, 'chart', 'drain') as Chart;

type Shown = (at: ChartAt & { picked: string | null; onPick: (id: string | null) => void }) => React.ReactNode;

/** A chart in its draft, as the studio holds it, without the drawing: that needs a worker and a size. */
function open(first: Chart, what: Shown, entries: readonly Entry[] = glasswasher.entries) {
  const store = makeStore();
  store.dispatch(draftOpened({ address: 'a', basedOn: 1, saved: first, body: first }));
  const now = () => {
    const draft = store.getState().entryDraft;
    return (draft.status === 'open' ? draft.body : first) as Chart;
  };
  function Studio() {
    const draft = useAppSelector((s) => s.entryDraft);
    const dispatch = useAppDispatch();
    const [picked, onPick] = useState<string | null>(null);
    if (draft.status !== 'open') return null;
    const body = draft.body as Chart;
    const bodies = { entries: [...entries.filter((e) => e.kind !== 'chart' || e.id !== first.id), body] };
    const bundle = { ...glasswasher, entries: bodies.entries };
    const onEdit: ChartAt['onEdit'] = (next, about) => void dispatch(draftEdited({ body: next, about }));
    return what({ body, bodies, bundle, onEdit, picked, onPick });
  }
  render(
    <Provider store={store}>
      <MemoryRouter>
        <Studio />
      </MemoryRouter>
    </Provider>,
  );
  return { now, undo: () => store.dispatch(undone()), redo: () => store.dispatch(redone()) };
}
const outline: Shown = ({ body, picked, onPick, onEdit }) => (
  <Outline body={body} picked={picked} findingAt={new Map()} onPick={onPick} onEdit={onEdit} />
);
const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));
const rows = () => screen.getAllByRole('treeitem').map((r) => r.textContent);
const row = (name: RegExp) =>
  screen.getAllByRole('treeitem').find((r) => name.test(r.textContent ?? '')) as HTMLElement;
const here = () => screen.getByRole('tree').querySelector<HTMLElement>('[aria-current="true"]') as HTMLElement;
const keys = (...all: string[]) => {
  for (const key of all) {
    const [name = key, alt] = key.startsWith('Alt+') ? [key.slice(4), true] : [key];
    fireEvent.keyDown(here(), { key: name, altKey: Boolean(alt) });
  }
};
const enters = (label: string, text: string) => {
  const box = screen.getByLabelText(label);
  fireEvent.change(box, { target: { value: text } });
  fireEvent.submit(box);
};
beforeEach(() => {
  serverAnswers([]);
  sessionStorage.clear();
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

describe('the outline by keyboard', () => {
  it('goes up and down past what stands elsewhere, and never gets stuck', () => {
    open(drain, outline);
    const count = rows().length;
    keys('Home');
    for (let i = 1; i < count; i++) keys('ArrowDown');
    expect(here().textContent).toBe(rows().at(-1));
    keys('ArrowDown');
    expect(here().textContent).toBe(rows().at(-1));
  });

  it('puts a step after another, takes its kind from the words, and goes on from there', () => {
    const { now, undo, redo } = open(drain, outline);
    fireEvent.click(row(/Clean the filter/));
    keys('Enter');
    enters('new step', 'Let it drain for 30 s');
    expect(rows()).toContain('Run Let it drain for 30 s');
    expect(here().textContent).toBe('Run Let it drain for 30 s');
    keys('Enter');
    enters('new answer', 'gurgles');
    const made = now().nodes.find((n) => n.title === 'Let it drain for 30 s');
    expect(made).toMatchObject({ kind: 'operate', answers: [{ answer: 'gurgles', next: null }] });
    undo();
    undo();
    expect(now()).toEqual(drain);
    redo();
    expect(now().nodes).toHaveLength(drain.nodes.length + 1);
  });

  it('edits words, changes a kind, links to a step that is there, and takes away', () => {
    const { now } = open(drain, outline);
    fireEvent.click(row(/Clean the filter/));
    keys('e');
    enters('words of the step', 'Wash the filter');
    keys('k');
    enters('kind of step', 'act replace');
    expect(now().nodes.find((n) => n.id === 'clean-filter')).toMatchObject({
      title: 'Wash the filter',
      act: 'replace',
    });
    fireEvent.click(row(/^too slow/));
    keys('Delete');
    expect(row(/^too slow/).textContent).toContain('leads nowhere yet');
    fireEvent.click(row(/^too slow/));
    keys('l');
    enters('leads to', 'Isolate and prove dead');
    expect(row(/^too slow/).textContent).toContain('leads to “Isolate and prove dead”');
    keys('e');
    enters('words of the answer', 'far too slow');
    expect(row(/^far too slow/)).toBeTruthy();
    fireEvent.click(row(/Wash the filter/));
    keys('Delete');
    expect(now().nodes.some((n) => n.id === 'clean-filter')).toBe(false);
  });

  it('moves and indents with Alt and the arrows', () => {
    const two = Chart.parse({
      ...drain,
      start: 'a',
      cannotTell: undefined,
      nodes: [
        { id: 'a', kind: 'act', act: 'clean', title: 'First', next: 'b' },
        { id: 'b', kind: 'act', act: 'clean', title: 'Second', next: 'c' },
        { id: 'c', kind: 'verdict', verdict: 'nothing-found', title: 'End' },
      ],
    });
    open(two, outline);
    fireEvent.click(row(/Second/));
    keys('Alt+ArrowUp');
    expect(rows().slice(0, 2)).toEqual(['Do: clean Secondbegin', 'Do: clean First']);
    fireEvent.click(row(/First/));
    keys('Alt+ArrowRight');
    expect(rows()[0]).toBe('Check Secondbegin');
    keys('Alt+ArrowLeft');
    expect(rows()[0]).toBe('Do: adjust Secondbegin');
  });

  it('says where “cannot tell” ends, and what has gone round too often', () => {
    const { now } = open(drain, outline);
    fireEvent.click(row(/^Nothing found/));
    keys('c', 'r');
    const end = drain.nodes.find((n) => n.kind === 'verdict' && n.verdict === 'nothing-found')?.id;
    expect(now()).toMatchObject({ cannotTell: end, afterRetries: end });
  });

  it('Escape leaves everything as it was', () => {
    const { now } = open(drain, outline);
    keys('Enter', 'ArrowDown');
    fireEvent.click(row(/Clean the filter/));
    keys('e');
    fireEvent.keyDown(screen.getByLabelText('words of the step'), { key: 'Escape' });
    expect(screen.queryByLabelText('words of the step')).toBeNull();
    expect(now()).toBe(drain);
  });
});

describe('beginning from text or from a chart', () => {
  const empty = Chart.parse({
    ...drain,
    id: 'new',
    start: 'end',
    cannotTell: undefined,
    nodes: [{ id: 'end', kind: 'verdict', verdict: 'nothing-found', title: 'End' }],
  });
  const start = () => {
    const done = vi.fn();
    return { done, ...open(empty, (at) => <StartFrom {...at} onDone={done} />) };
  };
  const paste = (text: string) =>
    fireEvent.change(screen.getByLabelText(/Paste a numbered list/), { target: { value: text } });

  it('a list is shown as it is taken, and becomes the chart', () => {
    const { now, done } = start();
    paste('1. Is it clean? If not, clean it and go to 7.\n2. Hand it on.');
    expect(screen.getByText(/goes to “7”, which is not there/)).toBeTruthy();
    press('Make it the chart');
    expect(now().nodes.map((n) => n.kind)).toEqual(['look', 'act', 'verdict']);
    expect(done).toHaveBeenCalled();
  });
  it.each([
    ['sequenceDiagram\n A->>B: hi', /this is a sequenceDiagram; only flowcharts can be read/],
    [
      Array.from({ length: 2005 }, (_, i) => `${i + 1}. Look at ${i}.`).join('\n'),
      /2000 is the most one chart can hold/,
    ],
  ])('a wrong paste %# is refused in plain words, and stays in the box', (text, words) => {
    const { now } = start();
    paste(text);
    expect(screen.getAllByText(words).length).toBeGreaterThan(0);
    expect((screen.getByRole('button', { name: 'Make it the chart' }) as HTMLButtonElement).disabled).toBe(true);
    expect((screen.getByLabelText(/Paste a numbered list/) as HTMLTextAreaElement).value).toBe(text);
    expect(now()).toBe(empty);
    cleanup();
    start();
    expect((screen.getByLabelText(/Paste a numbered list/) as HTMLTextAreaElement).value).toBe(text);
  });
  it('one of one’s own is taken over whole', () => {
    const { now } = start();
    const own = screen.getByLabelText('Or begin from one of your own');
    const option = [...own.querySelectorAll('option')].find((o) => o.textContent === 'Sump does not drain');
    fireEvent.change(own, { target: { value: option?.value } });
    expect(now().nodes).toEqual(drain.nodes);
    expect(now()).toMatchObject({ id: 'new', start: drain.start, cannotTell: drain.cannotTell });
  });
});

describe('the form of a step', () => {
  const form =
    (id: string): Shown =>
    (at) => {
      const node = at.body.nodes.find((n) => n.id === id);
      return node ? <NodeForm {...at} node={node} onGone={() => {}} /> : <p>gone</p>;
    };
  it('has what belongs to its kind, chosen from what there is', () => {
    const { now } = open(drain, form('coil'));
    fireEvent.change(screen.getByLabelText('open leads to'), { target: { value: 'hose-bad' } });
    fireEvent.change(screen.getByLabelText('minutes'), { target: { value: '7' } });
    fireEvent.click(screen.getByLabelText('Drain hose'));
    expect(now().nodes.find((n) => n.id === 'coil')).toMatchObject({
      open: 'hose-bad',
      minutes: 7,
      about: ['drain-pump', 'drain-hose'],
    });
    press('Take this step out');
    expect(screen.getByText('gone')).toBeTruthy();
  });
  it('probes are offered the points of the pictures of the step', () => {
    open(drain, form('coil'));
    const list = screen.getByLabelText('measuring points 1').getAttribute('list') ?? '';
    const offered = [...(document.getElementById(list)?.children ?? [])].map((o) => o.getAttribute('value'));
    expect(offered).toEqual(['S7 pin 1', 'S7 pin 2', 'M3 pin 1', 'M3 pin 2', 'C4 pin 3', 'C4 pin 4']);
  });
  it('a chart that is called is told what it asks for', () => {
    const launch = readDemo(ostrel);
    const shared = entryOf(launch, 'chart', 'supply-check') as Chart;
    const caller = Chart.parse({
      ...drain,
      id: 'calls',
      start: 'c',
      cannotTell: undefined,
      nodes: [
        { id: 'c', kind: 'call', title: 'Supply?', chart: shared.id, nothingFound: 'e' },
        { id: 'e', kind: 'verdict', verdict: 'nothing-found', title: 'End' },
      ],
    });
    const { now } = open(caller, form('c'), [...glasswasher.entries.filter((e) => e.id !== shared.id), shared]);
    fireEvent.change(screen.getByLabelText('the supply'), { target: { value: 'supply' } });
    fireEvent.change(screen.getByLabelText('Least supply'), { target: { value: '#' } });
    fireEvent.change(screen.getByLabelText('Least supply, voltage'), { target: { value: '210' } });
    fireEvent.change(screen.getByLabelText('Most supply'), { target: { value: 'rinse-supply' } });
    expect(now().nodes[0]).toMatchObject({
      use: { parts: { feed: 'supply' }, values: { 'volt-least': 210, 'volt-most': { parameter: 'rinse-supply' } } },
    });
  });
});

describe('trying, printing, and what is touched', () => {
  it('a chart is tried answer by answer, and back', () => {
    open(drain, (at) => <TryPane {...at} />);
    press('no');
    press('done');
    press('falls in time');
    expect(screen.getByText(/9 min so far/)).toBeTruthy();
    press('One answer back');
    expect(screen.getByRole('heading', { name: 'Let it drain once' })).toBeTruthy();
    press('From the beginning');
    expect(screen.getByText(/0 min so far/)).toBeTruthy();
  });
  it('is printed as page, card, outline and Mermaid', () => {
    open(drain, (at) => <PrintPane {...at} />);
    expect(screen.getByRole('region', { name: 'Brindlewick G4: Sump does not drain' })).toBeTruthy();
    press('Card for the pocket');
    expect(screen.getByText(/^Care:/)).toBeTruthy();
    press('Mermaid');
    expect((screen.getByLabelText('text of the chart') as HTMLTextAreaElement).value).toMatch(/^flowchart TD/);
    press('Outline');
    expect((screen.getByLabelText('text of the chart') as HTMLTextAreaElement).value).toMatch(
      /^filter look: Is the drain filter clean\?/,
    );
  });
  it('names the codes a change touches', () => {
    open(drain, (at) => <Touched {...at} />);
    expect(screen.getByRole('link', { name: /^D09/ })).toBeTruthy();
  });
});
