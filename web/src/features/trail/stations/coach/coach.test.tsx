import { act, cleanup, fireEvent, screen } from '@testing-library/react';
import { type CoachCard, entryOf, type Route } from '@wire-trail/core';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { show, standing, unit } from '../../../../testing/trail.tsx';
import { AfterTry } from './AfterTry.tsx';
import { Coach } from './Coach.tsx';

const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));
const sees = (text: string | RegExp) => expect(screen.getAllByText(text).length).toBeGreaterThan(0);
const { data } = standing([unit()]);
const route = data.enter as Route;

beforeEach(() => {
  vi.stubGlobal('scrollTo', () => {});
  vi.useFakeTimers({
    toFake: ['setTimeout', 'clearTimeout', 'requestAnimationFrame', 'cancelAnimationFrame', 'performance', 'Date'],
  });
});
afterEach(() => {
  cleanup();
  vi.useRealTimers();
  vi.unstubAllGlobals();
  localStorage.clear();
});
const pass = (ms: number) => act(() => void vi.advanceTimersByTime(ms));
const coach = (pace = 1, of: Route = route) => {
  const onEnd = vi.fn<(took: boolean, card: CoachCard | null) => void>();
  show(<Coach route={of} data={data} title="Front" failed={0} pace={pace} onEnd={onEnd} />);
  return onEnd;
};

describe('hands free', () => {
  it('goes through the route by itself, to its end', () => {
    const onEnd = coach();
    press('Begin, hands free');
    pass(100);
    sees('step 1 of 7');
    pass(1800);
    sees('step 2 of 7');
    pass(60_000);
    sees('step 7 of 7');
    sees('That was all of it. Did it work?');
    press('It worked');
    expect(onEnd.mock.lastCall?.[0]).toBe(true);
  });
  it('beats both strokes twice while the window runs', () => {
    coach();
    press('Begin, hands free');
    for (let n = 0; n < 100 && !screen.queryByText('open · shut'); n += 1) pass(200);
    expect(screen.getByRole('img', { name: '0 of 4' })).toBeTruthy();
    pass(3000);
    expect(screen.getByRole('img', { name: /[23] of 4/ })).toBeTruthy();
    sees(/[1-5]\.\d s left/);
  });
  it('a hand that is ahead touches the words; the beat starts again; it can be stopped', () => {
    coach();
    press('Begin, hands free');
    pass(100);
    press(/^This is done, go on/);
    pass(50);
    sees('step 2 of 7');
    press('Start the beat again');
    pass(50);
    sees('step 1 of 7');
    press('Stop the beat');
    sees('Begin, tapping along');
  });
  it('says where it went wrong', () => {
    const onEnd = coach();
    press('Begin, hands free');
    pass(1800);
    press('It did not');
    expect(onEnd.mock.lastCall).toEqual([false, expect.objectContaining({ path: '1' })]);
  });
  it('stands the caution at its step, before the act', () => {
    coach();
    press('Begin, hands free');
    for (let n = 0; n < 100 && !screen.queryByText('open · shut'); n += 1) pass(200);
    sees(/Steam and hot drops fall/);
  });
  it('each sense can be off, and stays so', () => {
    coach();
    press('beeps');
    expect(screen.getByRole('button', { name: 'beeps' }).getAttribute('aria-pressed')).toBe('false');
    cleanup();
    coach();
    expect(screen.getByRole('button', { name: 'beeps' }).getAttribute('aria-pressed')).toBe('false');
    expect(screen.getByRole('button', { name: 'voice' }).getAttribute('aria-pressed')).toBe('true');
  });
  it('says at which pace it will beat', () => {
    coach(0.8);
    sees(/quicker than usual \(80 %\)/);
  });
});

describe('tapping along', () => {
  it('a hold is timed from touch to lift, and judged', () => {
    coach(1, entryOf(data.bundle, 'route', 'erase-memory') as Route);
    press('Begin, tapping along');
    const pad = screen.getByRole('button', { name: /touch here as you hold/ });
    fireEvent.pointerDown(pad);
    pass(3000);
    fireEvent.pointerUp(pad);
    sees(/3\.0 s, too short/);
    fireEvent.pointerDown(pad);
    pass(7000);
    fireEvent.pointerUp(pad);
    sees(/7\.0 s, long enough/);
    fireEvent.pointerDown(pad);
    pass(11_000);
    fireEvent.pointerUp(pad);
    sees(/11\.0 s, too long/);
  });
  it('can go wrong at any step', () => {
    const onEnd = coach();
    press('Begin, tapping along');
    press('Done');
    press('It went wrong here');
    expect(onEnd.mock.lastCall?.[0]).toBe(false);
  });
  it('shows the ways known not to work on this unit, and not those of another variant', () => {
    const early = standing([unit({ software: '2.1', variant: 'single-early' })]).data;
    show(<Coach route={route} data={early} title="Front" failed={0} onEnd={() => {}} />);
    sees(/Four hood strokes instead of two/);
    cleanup();
    coach();
    expect(screen.queryByText(/Four hood strokes/)).toBeNull();
  });
});

describe('after a try', () => {
  const after = (failed: number, said: 'too-slow' | null = null, others: readonly Route[] = []) => {
    const on = { onSaid: vi.fn(), onAgain: vi.fn(), onOther: vi.fn(), onLeave: vi.fn() };
    show(
      <AfterTry
        route={route}
        others={others}
        data={data}
        failed={failed}
        pace={0.7}
        lastPace={1}
        said={said}
        {...on}
      />,
    );
    return on;
  };
  it('asks what happened, and says the one thing to do now', () => {
    const on = after(1);
    press('I was too slow');
    expect(on.onSaid).toHaveBeenCalledWith('too-slow');
    sees('Again, quicker');
    sees('The beat goes quicker: 70 % of the usual time.');
    press('Another try');
    expect(on.onAgain).toHaveBeenCalledWith(0.7);
  });
  it('what was said before is not asked again, and can be said anew', () => {
    after(1, 'too-slow');
    sees('Again, quicker');
    press('Something else happened');
    sees('What happened?');
  });
  it('after everything, what to suspect', () => {
    const on = after(9);
    press('nothing happened');
    sees('Suspect the board');
    press('Go on without the mode');
    expect(on.onLeave.mock.lastCall?.[0]).toMatch(/9 tries; the board is suspected/);
  });
  it('offers the other way in', () => {
    const other = { ...route, id: 'other', name: 'By the remote' } as Route;
    const on = after(4, null, [other]);
    press('nothing happened');
    press('The other way in: By the remote');
    expect(on.onOther).toHaveBeenCalledWith(other);
  });
});
