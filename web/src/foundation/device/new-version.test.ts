import { cleanup, renderHook } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { useHoldsVersion, type Version, watchVersions } from './new-version.ts';

/** Locks of one browser: many may share one, one alone may have it, whoever will not wait is told. */
function locks() {
  let shared = 0;
  let alone = false;
  const request = async (_: string, how: LockOptions, run: (lock: Lock | null) => Promise<unknown>) => {
    if (how.mode === 'shared') {
      shared++;
      return Promise.resolve(run({} as Lock)).finally(() => shared--);
    }
    if (shared > 0 || alone) return run(null);
    alone = true;
    return Promise.resolve(run({} as Lock)).finally(() => {
      alone = false;
    });
  };
  return { request } as unknown as LockManager;
}

function watched() {
  const said: Version[] = [];
  let [came, taken, newer] = [() => {}, () => {}, () => {}];
  let looked = 0;
  const take = vi.fn(() => taken());
  const reload = vi.fn();
  const worker = {
    onWaiting: (then: () => void) => {
      came = then;
    },
    onTaken: (then: () => void) => {
      taken = then;
    },
    register: async () => {
      throw new TypeError('not allowed here');
    },
    onNewer: (then: () => void) => {
      newer = then;
    },
    look: async () => {
      looked++;
      throw new TypeError('no connection');
    },
    take,
  };
  void watchVersions(worker, (v) => said.push(v), reload);
  return { said, take, reload, comes: () => came(), meetsNewer: () => newer(), looked: () => looked };
}
const pass = (ms: number) => vi.advanceTimersByTimeAsync(ms);

beforeEach(() => {
  vi.useFakeTimers();
  vi.stubGlobal('navigator', Object.assign(Object.create(navigator), { locks: locks() }));
});
afterEach(() => {
  cleanup();
  document.body.innerHTML = '';
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe('a new version', () => {
  it('is looked for at once when the server sent what only a newer one can read', async () => {
    const { meetsNewer, looked } = watched();
    await pass(0);
    expect(looked()).toBe(0);
    meetsNewer();
    expect(looked()).toBe(1);
  });

  it('is said, time enough to read it, and loaded once', async () => {
    const { said, take, reload, comes } = watched();
    await pass(60_000);
    expect(said).toEqual([]);
    comes();
    await pass(1000);
    expect([said, take.mock.calls.length]).toEqual([['waiting', 'loading'], 0]);
    await pass(60_000);
    expect([take.mock.calls.length, reload.mock.calls.length]).toEqual([1, 1]);
  });
  it('waits while a walk is open, in whatever tab, and comes soon after the last one', async () => {
    const walks = [renderHook(() => useHoldsVersion(true)), renderHook(() => useHoldsVersion(true))];
    renderHook(() => useHoldsVersion(false));
    const { said, take, comes } = watched();
    comes();
    await pass(3_600_000);
    walks[0]?.unmount();
    await pass(60_000);
    expect([said, take.mock.calls.length]).toEqual([['waiting'], 0]);
    walks[1]?.unmount();
    await pass(8_000);
    expect([said, take.mock.calls.length]).toEqual([['waiting', 'loading'], 1]);
  });
  it.each(['<input>', '<textarea></textarea>', '<div role="dialog"></div>'])('not over %s in use', async (html) => {
    document.body.innerHTML = html;
    const part = document.body.firstElementChild as HTMLElement;
    part.focus();
    const { take, comes } = watched();
    comes();
    await pass(60_000);
    expect(take).not.toHaveBeenCalled();
    part.remove();
    await pass(8_000);
    expect(take).toHaveBeenCalledOnce();
  });
  it('where the browser has no locks, it is left to the browser', async () => {
    vi.stubGlobal('navigator', {});
    renderHook(() => useHoldsVersion(true));
    const { said, take, comes } = watched();
    comes();
    await pass(60_000);
    expect([said, take.mock.calls.length]).toEqual([['waiting'], 0]);
  });
});
