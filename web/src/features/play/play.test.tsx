import { act, cleanup, fireEvent, screen } from '@testing-library/react';
import { type Bundle, readBundle } from '@wire-trail/core';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import corrant from '../../../../demo/corrant-u3.json';
import quorrin from '../../../../demo/quorrin-b2.json';
import { glasswasher, show } from '../../testing/trail.tsx';
import { PlayedUnit } from './PlayedUnit.tsx';

const read = (json: unknown): Bundle => {
  const bundle = readBundle(json);
  if (!bundle.ok) throw new Error(JSON.stringify(bundle.error));
  return bundle.value;
};
beforeEach(() => vi.useFakeTimers());
afterEach(() => {
  cleanup();
  vi.useRealTimers();
});
const pass = (ms: number) => act(() => void vi.advanceTimersByTime(ms));
const control = (id: string) => screen.getByTestId(`control-${id}`);
const mode = (id = 'main') => screen.getByTestId(`mode-${id}`).textContent;
const sees = (text: string | RegExp) => expect(screen.getAllByText(text).length).toBeGreaterThan(0);
const key = (id: string, name: string) => {
  fireEvent.keyDown(control(id), { key: name });
  pass(120);
  fireEvent.keyUp(control(id), { key: name });
  pass(120);
};
const bench = (bundle: Bundle) => show(<PlayedUnit bundle={bundle} goal={null} drafts={false} />);

describe('the unit, played on screen', () => {
  it('goes with its supply, and shows what its mode shows', () => {
    bench(glasswasher);
    expect(mode()).toBe('Standby');
    key('breaker', 'ArrowRight');
    expect(mode()).toBe('Off');
    sees('no supply');
    key('breaker', 'ArrowRight');
    expect(mode()).toBe('Standby');
    expect(screen.getByTestId('lamp-lamp-a').getAttribute('aria-label')).toBe('lamp a: lit, green');
  });
  it('says by how much a try missed', () => {
    bench(glasswasher);
    key('breaker', 'ArrowRight');
    fireEvent.keyDown(control('rocker'), { key: 'ArrowDown' });
    pass(200);
    key('breaker', 'ArrowRight');
    pass(1000);
    fireEvent.keyUp(control('rocker'), { key: 'ArrowDown' });
    pass(200);
    sees(/Nearest was “Into memory”: “rocker hold down” let go 1\.\d s too early/);
  });
  it('holding where pressing was meant goes where the unit goes', () => {
    bench(read(quorrin));
    fireEvent.pointerDown(control('left-pad'));
    pass(5000);
    fireEvent.pointerUp(control('left-pad'));
    pass(1000);
    expect(mode()).toBe('Rinse');
    // a page is drawn between two things that happen by themselves
    for (let n = 0; n < 35; n += 1) pass(1000);
    expect(mode()).not.toBe('Rinse');
  });
  it('keeps several down for one hand, until touched again', () => {
    bench(read(quorrin));
    fireEvent.click(screen.getByRole('checkbox'));
    for (const id of ['left-pad', 'right-pad']) {
      fireEvent.pointerDown(control(id));
      fireEvent.pointerUp(control(id));
    }
    expect(control('left-pad').classList.contains('down')).toBe(true);
    expect(control('right-pad').classList.contains('down')).toBe(true);
    fireEvent.pointerDown(control('left-pad'));
    fireEvent.pointerUp(control('left-pad'));
    expect(control('left-pad').classList.contains('down')).toBe(false);
  });
  it('moves a quantity by its slider', () => {
    bench(glasswasher);
    fireEvent.change(screen.getByRole('slider', { name: /Rinse tank temperature/ }), { target: { value: '60' } });
    sees('60.0 °C');
  });
  it('chooses on a simulated instrument', () => {
    bench(read(corrant));
    sees(/Link box, simulated/);
    key('key', 'ArrowRight');
    for (const words of ['Carts', 'U3', 'Read pairs', 'LINK?']) {
      pass(800);
      fireEvent.click(screen.getByRole('button', { name: words }));
    }
    pass(100);
    sees(/^done: /);
  });
  it('begins again', () => {
    bench(glasswasher);
    key('breaker', 'ArrowRight');
    fireEvent.click(screen.getByRole('button', { name: 'Begin again' }));
    expect(mode()).toBe('Standby');
    sees(/Nothing yet/);
  });
});
