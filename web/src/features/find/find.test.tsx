import 'fake-indexeddb/auto';
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { allEvents, keepBundle, readEvents } from '../../foundation/device/database.ts';
import { openPage, person } from '../../testing/page.tsx';
import { standInServer } from '../../testing/server.ts';
import { glasswasher, velmarrow } from '../../testing/trail.tsx';

/** The worker of the page, run beside the test: what is posted to it is answered by the module itself. */
class WorkerHere {
  onmessage: ((event: { data: unknown }) => void) | null = null;
  constructor() {
    here = this;
  }
  postMessage(data: unknown): void {
    void worker().then((answers) => answers({ data }));
  }
}
// the page keeps one for as long as it lives
let here: WorkerHere | null = null;
let answering: Promise<(event: { data: unknown }) => void> | null = null;
const worker = () => {
  answering ??= (async () => {
    await import('../../foundation/device/find.worker.ts');
    const own = globalThis.onmessage as unknown as (event: { data: unknown }) => void;
    globalThis.onmessage = null;
    return own;
  })();
  return answering;
};
let people = 70;

beforeEach(async () => {
  vi.stubGlobal('Worker', WorkerHere);
  vi.stubGlobal('postMessage', (data: unknown) => here?.onmessage?.({ data }));
  for (const bundle of [glasswasher, velmarrow])
    await keepBundle({ family: bundle.family, hash: 'h', bundle, keptAt: '2031-01-01T08:00:00.000Z' });
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

describe('finding', () => {
  const open = async (role: 'technician' | 'trainer') => {
    standInServer({});
    const { default: FindBox } = await import('./FindBox.tsx');
    const onClose = vi.fn();
    openPage(<FindBox onClose={onClose} />, { path: '/here', user: person(role, people++) });
    const box = await screen.findByLabelText(/Find a code/);
    return { onClose, box, type: (text: string) => fireEvent.change(box, { target: { value: text } }) };
  };
  const hits = () => screen.queryAllByRole('button').map((b) => b.textContent ?? '');

  it('shows what is on this device as it is typed, and a trainer opens the entry with Enter', async () => {
    const { box, type, onClose } = await open('trainer');
    type('d09');
    await waitFor(() => expect(hits().length).toBeGreaterThan(0));
    expect(hits()[0]).toContain('Brindlewick');
    fireEvent.keyDown(box, { key: 'Enter' });
    expect((await screen.findByTestId('elsewhere')).textContent).toBe('/shelf/brindlewick-g4/code/d09');
    expect(onClose).toHaveBeenCalledOnce();
  });

  it('the arrows go through what was found and stay within it', async () => {
    const { box, type } = await open('trainer');
    type('pump');
    await waitFor(() => expect(hits().length).toBeGreaterThan(2));
    const current = () => screen.queryAllByRole('button').findIndex((b) => b.getAttribute('aria-current') === 'true');
    const press = (key: string) => fireEvent.keyDown(box, { key });
    press('ArrowUp');
    expect(current()).toBe(0);
    press('ArrowDown');
    expect(current()).toBe(1);
    for (let n = 0; n < 40; n++) press('ArrowDown');
    expect(current()).toBe(hits().length - 1);
    type('pumps');
    await waitFor(() => expect(current()).toBe(0));
  });

  it('a technician begins a walk with the code that was found, without a connection', async () => {
    const { type } = await open('technician');
    type('d09');
    await waitFor(() => expect(hits().length).toBeGreaterThan(0));
    fireEvent.click(screen.getAllByRole('button')[0] as HTMLElement);
    const at = (await screen.findByTestId('elsewhere')).textContent ?? '';
    const begun = (await allEvents()).filter((e) => at === `/trail/${e.walk}`);
    expect(readEvents(begun)).toMatchObject([
      { kind: 'started', family: 'brindlewick-g4', from: { kind: 'code', code: 'd09' } },
    ]);
  });

  it('nothing alike is said in so many words', async () => {
    const { type } = await open('technician');
    type('qqxxzzww');
    expect(await screen.findByText(/Nothing on this device is like “qqxxzzww”/)).toBeTruthy();
  });
});
