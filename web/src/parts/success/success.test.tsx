import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import type { HandKind, SuccessRate } from '@wire-trail/core';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { SuccessCard } from './SuccessCard.tsx';

const rates = (share: number, more: Partial<SuccessRate> = {}): SuccessRate => ({
  runs: 1000,
  share,
  low: share - 0.02,
  high: share + 0.02,
  failed: [{ at: '3.steps.1', code: 'after-window', share: 1 - share }],
  worstStep: '3.steps.1',
  pace: 0.8,
  usualMs: 9000,
  errors: [{ kind: 'count', share: 1 - share }],
  helps: [{ aid: 'counter', share: 0.93 }],
  ...more,
});
const noTries = { took: 0, of: 0, wrong: { pace: 0, count: 0 } };
const three = (gloved: number): ReadonlyMap<HandKind, SuccessRate> =>
  new Map([
    ['bare', rates(0.97)],
    ['gloved', rates(gloved)],
    ['first', rates(0.4)],
  ]);
const show = (gloved: number, tries = noTries, onStep = vi.fn()) => {
  render(
    <SuccessCard
      tries={tries}
      shown={{ progress: null, rates: three(gloved), cannotAt: null }}
      lineOf={() => 12}
      onStep={onStep}
    />,
  );
  return onStep;
};
const says = (text: string | RegExp) => expect(screen.getByText(text)).toBeTruthy();
afterEach(cleanup);

describe('SuccessCard', () => {
  it('says what goes wrong most, and what would help; nobody is given 100 %', () => {
    show(1);
    says('99 %');
    cleanup();
    show(0.55);
    says('With gloves it is mostly losing the count (45 %). With a counter: 93 %.');
    says('The first time it is mostly losing the count (60 %). With a counter: 93 %.');
  });
  it('says the share for each kind of hands, the worst line and the pace', () => {
    const onStep = show(0.55);
    for (const share of ['97 %', '55 %', '40 %']) says(share);
    says(/not done in time.*Advise quicker: 0.8 times/);
    fireEvent.click(screen.getByRole('button', { name: 'in line 12' }));
    expect(onStep).toHaveBeenCalledWith('3.steps.1');
  });
  it('under 80 % with gloves is a hint', () => {
    show(0.79);
    says('hint: under 80 % with gloves');
    cleanup();
    show(0.81);
    expect(screen.queryByText(/hint/)).toBeNull();
  });
  it.each([
    [noTries, /^By a model of hands/],
    [{ ...noTries, took: 1, of: 1 }, /A model of hands; 1 try in the log so far, 1 took/],
    [{ ...noTries, took: 10, of: 40 }, /40 tries in the log, 10 took: calibrated to 30 % with gloves/],
  ])('%j', (tries, words) => {
    show(0.5, tries);
    says(words);
  });
  it('says that it is working it out, how far it is, and that it cannot', () => {
    const { rerender } = render(
      <SuccessCard
        tries={noTries}
        shown={{ progress: 0.4, rates: null, cannotAt: null }}
        lineOf={() => null}
        onStep={() => {}}
      />,
    );
    says(/Working it out, 40 %/);
    rerender(
      <SuccessCard
        tries={noTries}
        shown={{ progress: null, rates: null, cannotAt: '2' }}
        lineOf={() => null}
        onStep={() => {}}
      />,
    );
    says('It cannot be played as it stands.');
  });
});
