import { cleanup, fireEvent, screen } from '@testing-library/react';
import { entryOf, printSteps, type Route } from '@wire-trail/core';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { glasswasher, serverAnswers, show } from '../../../testing/trail.tsx';
import { AccountsView } from './AccountsView.tsx';
import { performRoute } from './use-performance.ts';

const route = entryOf(glasswasher, 'route', 'enter-memory') as Route;
const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));
const sees = (text: string | RegExp) => expect(screen.getAllByText(text).length).toBeGreaterThan(0);
beforeEach(() => {
  serverAnswers({}, 404);
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

describe('accounts side by side', () => {
  const accounts = () => {
    const onEdit = vi.fn<(change: Partial<Route>, about: string) => void>();
    show(<AccountsView body={route} bundle={glasswasher} onEdit={onEdit} />);
    return onEdit;
  };
  it('a difference is followed only with a reason, and changes the steps', () => {
    const onEdit = accounts();
    press('rest 5 s');
    const follow = screen.getByRole('button', { name: 'Follow this one' }) as HTMLButtonElement;
    expect(follow.disabled).toBe(true);
    fireEvent.change(screen.getByLabelText('why'), { target: { value: 'The board wants to be cold.' } });
    press('Follow this one');
    const change: Partial<Route> = onEdit.mock.lastCall?.[0] ?? {};
    expect(
      printSteps(change.steps ?? [])
        .split('\n')
        .slice(0, 4),
    ).toEqual([
      'set breaker off',
      '  - why The control reads the rocker only while it starts.',
      'rest 5 s',
      'keep rocker down until beeper on #2',
    ]);
    expect(change.settled?.at(-1)).toMatchObject({
      about: 'rest 5 s · —',
      chosen: 'account-ferry',
      open: false,
      why: 'The board wants to be cold.',
    });
  });
  it('one left open changes nothing but the record', () => {
    const onEdit = accounts();
    press('rest 5 s');
    press('Leave open');
    const change: Partial<Route> = onEdit.mock.lastCall?.[0] ?? {};
    expect(change.steps).toEqual(route.steps);
    expect(change.settled?.at(-1)).toMatchObject({ chosen: null, open: true });
  });
  it('says what was settled, and where the route comes from', () => {
    accounts();
    sees('settled');
    sees(/after As the sheet has it, bench-proven/);
  });
  it('is held against another route of the family', () => {
    accounts();
    fireEvent.change(screen.getByRole('combobox'), { target: { value: 'leave-memory' } });
    sees('Out of memory');
    expect(screen.queryByText('Where the route comes from')).toBeNull();
  });
});

describe('performRoute', () => {
  it('shows the unit after every act, and where it ends', () => {
    const { frames, plan } = performRoute(glasswasher, route);
    expect(frames.map((f) => f.at)).toEqual(expect.arrayContaining(['0', '1', '3.steps.0', '3.steps.1']));
    const controllerState = frames.at(-1)?.state.controllers.get('main' as never);
    expect(plan.modes.get(controllerState?.mode as never)?.name).toBe('Memory');
  });
  it('of a route that cannot be played is empty', () => {
    const broken = { ...route, steps: [{ kind: 'press', control: 'hood', times: 1 }] } as Route;
    const bundle = { ...glasswasher, entries: glasswasher.entries.map((e) => (e === route ? broken : e)) };
    expect(performRoute(bundle, broken).frames).toEqual([]);
  });
});
