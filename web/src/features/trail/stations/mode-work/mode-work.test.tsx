import { act, cleanup, fireEvent, screen } from '@testing-library/react';
import { type Bundle, readBundle } from '@wire-trail/core';
import { afterEach, describe, expect, it, vi } from 'vitest';
import ostrel from '../../../../../../demo/ostrel-r6.json';
import wexmorl from '../../../../../../demo/wexmorl-s5.json';
import { show, standing, unit } from '../../../../testing/trail.tsx';
import { ModeWork } from './ModeWork.tsx';

const read = (json: unknown): Bundle => {
  const bundle = readBundle(json);
  if (!bundle.ok) throw new Error(JSON.stringify(bundle.error));
  return bundle.value;
};
const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));
const sees = (text: string | RegExp) => expect(screen.getAllByText(text).length).toBeGreaterThan(0);
const scrubber = (more: object[] = []) =>
  standing([unit({ serial: 'S5-1', model: 'S5-50', variant: 'pad-50' }), ...more], read(wexmorl));
afterEach(() => {
  cleanup();
  vi.useRealTimers();
});

describe('numbered tests', () => {
  it('are recorded one by one, with a reading held against its bounds', () => {
    const s = scrubber();
    show(<ModeWork {...s} />);
    press('Numbered tests');
    sees('Solution valve');
    const reading = screen.getByLabelText('reading of test 2');
    fireEvent.change(reading, { target: { value: '16 A' } });
    sees('too high');
    fireEvent.change(reading, { target: { value: 'twelve' } });
    sees('cannot be read as a number with its unit');
    fireEvent.change(reading, { target: { value: 'OL' } });
    sees('too high');
    fireEvent.change(reading, { target: { value: '12 A' } });
    sees('within its bounds');
    fireEvent.click(screen.getAllByRole('button', { name: 'Good' })[1] as Element);
    expect(s.added).toMatchObject([
      { kind: 'tested', mode: 'tests', number: '2', result: 'pass', reading: { value: 12, verdict: 'pass' } },
    ]);
  });
  it('say which needs another one first, until that was good', () => {
    show(<ModeWork {...scrubber()} />);
    press('Numbered tests');
    sees('after test 2');
    cleanup();
    show(<ModeWork {...scrubber([{ kind: 'tested', mode: 'tests', number: '2', result: 'pass' }])} />);
    press('Numbered tests');
    expect(screen.queryByText('after test 2')).toBeNull();
  });
  it('that run by themselves are followed: what runs now, how long yet, one tap for what is wrong', () => {
    vi.useFakeTimers();
    const s = scrubber();
    show(<ModeWork {...s} />);
    press('Numbered tests');
    press(/follow along$/);
    press('Test 1 begins now');
    act(() => void vi.advanceTimersByTime(7000));
    sees('Pad motor');
    sees('9 s yet');
    sees('then: Suction');
    press('This is wrong');
    act(() => void vi.advanceTimersByTime(60_000));
    sees('They are through.');
    press('Keep what I saw');
    expect(s.added.map((e) => e.kind === 'tested' && [e.number, e.result])).toEqual([
      ['2', 'fail'],
      ['1', 'pass'],
      ['3', 'pass'],
    ]);
    expect(s.added[0]).toMatchObject({ afterMs: expect.any(Number) });
  });
});

describe('settings', () => {
  const value = (v: string) =>
    fireEvent.change(screen.getByLabelText('value of Pad pressure'), { target: { value: v } });
  it('the old value is noted before anything is set; the right one for this variant is told', () => {
    const s = scrubber();
    show(<ModeWork {...s} />);
    press('Settings');
    expect(screen.getByText(/right here/).textContent).toContain('2');
    expect(screen.queryByRole('button', { name: 'I set it' })).toBeNull();
    value('1');
    press('Note the old value');
    expect(s.added).toMatchObject([{ kind: 'setting', setting: 'pad-pressure', did: 'noted', value: '1' }]);
  });
  it('then set, verified, put back', () => {
    const setting = (did: string, v: string) => ({ kind: 'setting', setting: 'pad-pressure', did, value: v });
    const s = scrubber([setting('noted', '1'), setting('set', '2')]);
    show(<ModeWork {...s} />);
    press('Settings');
    sees(/was 1/);
    press('It shows so');
    press('Put back to 1');
    expect(s.added).toMatchObject([
      { did: 'verified', value: '2' },
      { did: 'put-back', value: '1' },
    ]);
  });
});

describe('locking out', () => {
  const four = [{ part: 'zone control', count: 4 }];
  it('says what will be left, and what is', () => {
    const at = unit({ serial: 'R6-1', model: 'R6-4A', variant: 'four', composition: four });
    const s = standing([at], read(ostrel));
    show(<ModeWork {...s} />);
    press('Lock out and run on');
    sees('3 of 4');
    press('It is locked out');
    expect(s.added).toMatchObject([{ kind: 'locked-out', part: 'zone control', count: 1 }]);
    cleanup();
    show(
      <ModeWork
        {...standing([at, { kind: 'locked-out', route: 'lock-left', part: 'zone control', count: 1 }], read(ostrel))}
      />,
    );
    press('Lock out and run on');
    sees('All are in again');
  });
  it('says that nobody counted', () => {
    show(<ModeWork {...standing([unit({ serial: 'R6-1', model: 'R6-4A', variant: 'four' })], read(ostrel))} />);
    press('Lock out and run on');
    sees(/was not counted at Unit/);
  });
});
