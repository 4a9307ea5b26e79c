import { afterEach, expect, test, vi } from 'vitest';
import { whenQuiet } from './when-quiet.ts';

afterEach(() => {
  vi.unstubAllGlobals();
  vi.useRealTimers();
});

test('what can wait is done when the browser says it has time, and not before', () => {
  let tell: () => void = () => {};
  vi.stubGlobal('requestIdleCallback', (work: () => void) => {
    tell = work;
    return 1;
  });
  const work = vi.fn();
  whenQuiet(work);
  expect(work).not.toHaveBeenCalled();
  tell();
  expect(work).toHaveBeenCalledOnce();
});

test('a browser that does not tell does it a little later, unless it was called off', () => {
  vi.useFakeTimers();
  vi.stubGlobal('requestIdleCallback', undefined);
  const [kept, dropped] = [vi.fn(), vi.fn()];
  whenQuiet(kept);
  whenQuiet(dropped)();
  expect(kept).not.toHaveBeenCalled();
  vi.runAllTimers();
  expect(kept).toHaveBeenCalledOnce();
  expect(dropped).not.toHaveBeenCalled();
});
