import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { bundleFacts, layoutTimeline, parseScript } from '@wire-trail/core';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { glasswasher } from '../../testing/trail.tsx';
import { TimelineDrawing } from './TimelineDrawing.tsx';

const facts = bundleFacts(glasswasher);
const controls = new Map([...facts.controls].map(([id, c]) => [id as string, c.control]));
const draw = (
  script: string,
  picked: string | null = null,
  more: Partial<Parameters<typeof TimelineDrawing>[0]> = {},
) => {
  const on = { onPick: vi.fn(), onStretch: vi.fn(), onStretchWindow: vi.fn() };
  const steps = parseScript(script).steps;
  render(
    <TimelineDrawing
      timeline={layoutTimeline(steps)}
      controls={controls}
      nameOf={(id) => id}
      picked={picked}
      {...on}
      {...more}
    />,
  );
  return on;
};
const button = (name: string | RegExp) => screen.getByRole('button', { name });
afterEach(cleanup);

describe('TimelineDrawing', () => {
  it.each([
    ['within 6 s of power-on\n  set hood open\n  set hood shut', /6 s window · slack 3\.6 s/],
    ['within 2 s of power-on\n  set hood open\n  set hood shut', /2 s window · 0\.4 s too short/],
  ])('%s says what is left of the window', (script, words) => {
    draw(script);
    expect(button(words)).toBeTruthy();
  });

  it('names each mark by what is done with which control', () => {
    draw('set breaker off\nhold rocker down for 5 s\nsee lamp-a lit green, beeper on\nrest 2 s');
    for (const name of ['set breaker off', 'hold rocker down', 'see lamp-a green', 'see beeper', 'rest rest'])
      expect(button(name)).toBeTruthy();
  });

  it('picks a step by a click and by the keyboard', () => {
    const { onPick } = draw('set breaker off\nhold rocker down for 5 s');
    fireEvent.click(button('hold rocker down'));
    fireEvent.focus(button('set breaker off'));
    expect(onPick.mock.calls).toEqual([['1'], ['0']]);
  });

  it('brackets make what is picked shorter and longer', () => {
    const held = draw('hold rocker down for 5 s', '0');
    fireEvent.keyDown(screen.getByRole('group', { name: 'timeline' }), { key: ']' });
    expect(held.onStretch).toHaveBeenCalledWith('0', 5500);
    cleanup();
    const window = draw('within 6 s of power-on\n  set hood open', '0');
    fireEvent.keyDown(screen.getByRole('group', { name: 'timeline' }), { key: '[' });
    expect(window.onStretchWindow).toHaveBeenCalledWith('0', 5500);
  });

  it('an end that is dragged follows the hand', () => {
    Element.prototype.setPointerCapture = () => {};
    const { onStretch } = draw('hold rocker down for 5 s');
    const end = screen.getByTestId(/^drag-length/);
    fireEvent.pointerDown(end, { clientX: 100, pointerId: 1 });
    fireEvent.pointerMove(end, { clientX: 160, pointerId: 1 });
    const [at, ms] = onStretch.mock.lastCall ?? [];
    expect(at).toBe('0');
    expect(ms).toBeGreaterThan(5000);
    fireEvent.pointerUp(end, { pointerId: 1 });
    fireEvent.pointerMove(end, { clientX: 300, pointerId: 1 });
    expect(onStretch.mock.lastCall?.[1]).toBe(ms);
  });

  it('shows where a loose end stands', () => {
    draw('set breaker off\nrest 2 s', null, { findingAt: new Map([['1', 'error']]) });
    expect(document.querySelectorAll('.timeline-trouble.error')).toHaveLength(1);
  });

  it('puts lamps that show the same under one name', () => {
    draw('see lamp-a lit green, lamp-b lit green', null, { nameOf: (id) => id.replace('-', ' ') });
    expect(screen.getByText('lamps a b')).toBeTruthy();
  });
});
