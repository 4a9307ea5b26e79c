import { cleanup, fireEvent, screen, within } from '@testing-library/react';
import {
  type Bundle,
  bundleFacts,
  bundleFormat,
  bundleVersion,
  type ControlId,
  type Entry,
  meantKey,
  noAnswers,
} from '@wire-trail/core';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Told } from '../../parts/undo/Told.tsx';
import { glasswasher, serverAnswers, show } from '../../testing/trail.tsx';
import { keptTellings, whoOf } from './kept.ts';
import { answered, Picks } from './Questions.tsx';
import { Reading } from './Reading.tsx';

const family = glasswasher.family;
const bundle: Bundle = {
  format: bundleFormat,
  version: bundleVersion,
  family,
  entries: glasswasher.entries.filter((e) => e.kind === 'family' || e.kind === 'panel'),
};
const ways: readonly Entry[] = [...bundle.entries];
const room = (entries: readonly Entry[] = ways, asked = { into: null, beside: null, isNew: null }) =>
  show(
    <Told>
      <Reading family={family} working={[]} entries={entries} bundle={bundle} asked={asked} />
    </Told>,
  );
const tell = (text: string) => fireEvent.change(screen.getByLabelText(/^In their words/), { target: { value: text } });
const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));
const drafts = () => screen.getByRole('region', { name: 'drafts' });

beforeEach(() => {
  localStorage.clear();
  serverAnswers({}, 404);
  // read at once, without a worker
  vi.stubGlobal('Worker', undefined);
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const spoken =
  'Okay, so breaker off, right. Then hold the banana down for five seconds. And breaker on, yeah. Hold the banana again for two seconds.';

describe('a telling in its room', () => {
  it('becomes drafts in words, and what is open stands at its place with what it may be', () => {
    room();
    tell(spoken);
    press('Read it');
    const own = within(drafts());
    expect(own.getAllByRole('listitem').map((li) => li.textContent?.replace(/Drop$/, ''))).toEqual([
      expect.stringMatching(/breaker off/i),
      expect.stringMatching(/“hold the banana down for five seconds”: which control “banana” is/),
      expect.stringMatching(/breaker on/i),
      expect.stringMatching(/which control “banana” is/),
    ]);
    expect(own.getByText('2 questions')).toBeTruthy();
  });
  it('one answer settles all alike', () => {
    room();
    tell(spoken);
    press('Read it');
    fireEvent.click(within(drafts()).getAllByRole('button', { name: /^rocker$/i })[0] as HTMLElement);
    const rows = within(drafts())
      .getAllByRole('listitem')
      .map((li) => li.textContent ?? '');
    expect(rows.filter((r) => /hold/i.test(r)).length).toBe(2);
    expect(rows.some((r) => r.includes('which control'))).toBe(false);
    expect(within(drafts()).getByText('clear')).toBeTruthy();
    expect(keptTellings(family).answers.names).toEqual({ banana: 'rocker' });
  });
  it('clicks or whole turns is a pick of two', () => {
    const asked = { is: 'unit', control: 'hood' as ControlId } as const;
    const given: string[] = [];
    show(<Picks asked={asked} facts={bundleFacts(bundle)} panel={undefined} onAnswer={(_, to) => given.push(to)} />);
    for (const name of ['clicks', 'whole turns']) press(name);
    expect(given.map((to) => answered(noAnswers, asked, to).units)).toEqual([{ hood: 'clicks' }, { hood: 'turns' }]);
  });
  it('what may only be told is put among the steps by one press, in the words of the step', () => {
    const step = { kind: 'press', control: 'rocker' as ControlId, times: 2 } as const;
    const asked = { is: 'meant', phrase: 'Rocker = older', step } as const;
    const given: string[] = [];
    show(<Picks asked={asked} facts={bundleFacts(bundle)} panel={undefined} onAnswer={(_, to) => given.push(to)} />);
    press(/^A step: press rocker/);
    expect(given.map((to) => answered(noAnswers, asked, to).meant)).toEqual([[meantKey(asked)]]);
  });
  it('a step is dropped and a difference settled', () => {
    room();
    tell(
      'So breaker off, right. Hold the rocker down for five seconds, um. Then breaker on, and open the hood. So in short: breaker off, rocker for six seconds, breaker on, hood open.',
    );
    press('Read it');
    const twice = within(drafts()).getByRole('region', { name: 'said twice, differently' });
    expect(twice.textContent).toContain('(time)');
    expect(within(drafts()).getByText('said differently')).toBeTruthy();
    fireEvent.click(within(twice).getByRole('button', { name: 'As summed up' }));
    expect(drafts().textContent).toContain('for 6 s');
    press(/^drop .*hood/i);
    expect(drafts().querySelectorAll('li.gone').length).toBe(1);
  });
  it('two tellers are read side by side, and where they differ is said', () => {
    room();
    tell('So breaker off, right, and hold the rocker down for five seconds. Breaker on, okay.');
    press('Another telling');
    tell('Well, breaker off, you know, and hold the rocker down for eight seconds. Breaker on, okay.');
    press('Read it');
    const other = screen.getByRole('region', { name: 'Telling 1 tells it otherwise' });
    expect(other.textContent).toContain('another time');
    fireEvent.click(screen.getByRole('tab', { name: 'Telling 1' }));
    expect(screen.getByRole('region', { name: 'Telling 2 tells it otherwise' })).toBeTruthy();
  });
  it('of talk nothing is made, and so it says', () => {
    room();
    tell('Good morning everybody.');
    press('Read it');
    expect(drafts().textContent).toContain('Nothing in it is an instruction');
  });
  it('is there again after the page is left, and put away with a way back', () => {
    room();
    tell('So breaker off, right.');
    cleanup();
    room();
    expect(screen.getByRole('region', { name: 'what was said' }).textContent).toContain('So breaker off');
    press('Change the words');
    press('Put it away');
    expect(keptTellings(family).tellings.map((t) => t.text)).toEqual(['']);
    fireEvent.click(screen.getByRole('button', { name: 'Undo' }));
    expect(keptTellings(family).tellings.map((t) => t.text)).toEqual(['So breaker off, right.']);
  });
  it.each([
    ['clip of the S5.vtt', 'clip of the S5'],
    ['chat', 'chat'],
  ])('a file %s is called %s', (file, who) => expect(whoOf(file)).toBe(who));
});
