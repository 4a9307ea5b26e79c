import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { type Control, entriesOf, type Face, type PlaceId } from '@wire-trail/core';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { glasswasher, velmarrow } from '../../testing/trail.tsx';
import type { LampShow } from './lamp-show.ts';
import { lampsOfMode } from './lamps-of-mode.ts';
import { PanelDrawing } from './PanelDrawing.tsx';

const face = (bundle = glasswasher) => entriesOf(bundle, 'panel')[0]?.faces[0] as Face;
const names = () => screen.getAllByLabelText(/^lamp/).map((e) => e.getAttribute('aria-label'));
afterEach(cleanup);

describe('PanelDrawing', () => {
  it.each<[LampShow, string]>([
    [{ state: 'lit', colour: 'green' }, 'lamp a: lit, green'],
    [{ state: 'slow', colour: 'amber' }, 'lamp a: slow blinking, amber'],
    [{ state: 'fast' }, 'lamp a: fast blinking, amber'],
    [{ state: 'dark' }, 'lamp a: dark'],
    [{ state: 'unsure' }, 'lamp a: cannot tell'],
    [{ state: 'unseen' }, 'lamp a: not looked at'],
  ])('says %j in words, not by colour alone', (lamp, words) => {
    render(<PanelDrawing face={face()} lamps={new Map([['lamp-a' as never, lamp]])} />);
    expect(names()[0]).toBe(words);
  });

  it('draws every control and sign of any family from its data', () => {
    for (const bundle of [glasswasher, velmarrow]) {
      const { container, unmount } = render(<PanelDrawing face={face(bundle)} />);
      expect(container.querySelectorAll('.control')).toHaveLength(face(bundle).controls.length);
      expect(container.querySelectorAll('.lamp, .sensed, .display')).toHaveLength(face(bundle).signs.length);
      unmount();
    }
  });

  it('takes lamp names from the badge', () => {
    render(<PanelDrawing face={face()} badge="tolverne" />);
    expect(names()).toEqual(['lamp 1: dark', 'lamp 2: dark', 'lamp 3: dark', 'lamp 4: dark', 'lamp 5: dark']);
  });

  it('lamps answer to tap, to Enter, and to their letter while the panel has the focus', () => {
    const onSign = vi.fn();
    render(<PanelDrawing face={face()} onSign={onSign} />);
    const lamp = screen.getByRole('button', { name: 'lamp b: dark' });
    fireEvent.click(lamp);
    fireEvent.keyDown(lamp, { key: 'Enter' });
    fireEvent.keyDown(lamp, { key: 'd' });
    fireEvent.keyDown(lamp, { key: 'x' });
    fireEvent.keyDown(lamp, { key: 'd', ctrlKey: true });
    expect(onSign.mock.calls.map(([sign]) => sign.id)).toEqual(['lamp-b', 'lamp-b', 'lamp-d']);
  });

  it('controls stand where they are put, and say so', () => {
    const onControl = vi.fn<(control: Control, place: PlaceId | null) => void>();
    const { rerender } = render(<PanelDrawing face={face()} onControl={onControl} />);
    const press = (name: string) => fireEvent.pointerDown(screen.getByRole('button', { name }));
    press('breaker: on');
    press('rocker: at rest');
    press('hood: shut');
    expect(onControl.mock.calls.map(([control, place]) => [control.id, place])).toEqual([
      ['breaker', 'off'],
      ['rocker', 'down'],
      ['hood', 'open'],
    ]);
    rerender(
      <PanelDrawing face={face()} onControl={onControl} places={new Map([['breaker' as never, 'off' as never]])} />,
    );
    expect(screen.getByRole('button', { name: 'breaker: off' })).toBeTruthy();
  });

  it('as a thumbnail it is one picture with a name, and nothing to press', () => {
    render(<PanelDrawing face={face()} thumbnail />);
    expect(screen.getByRole('img', { name: 'Front' })).toBeTruthy();
    expect(screen.queryAllByRole('button')).toEqual([]);
  });

  it('a mode’s fixed signs light the panel', () => {
    const standby = entriesOf(glasswasher, 'mode').find((m) => m.sort === 'standby');
    expect(lampsOfMode(standby).get('lamp-a' as never)).toEqual({ state: 'lit', colour: 'green' });
    expect(lampsOfMode(null).size).toBe(0);
  });
});
