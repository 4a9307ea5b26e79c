import { describe, expect, it } from 'vitest';
import { type Bundle, findingWords, lint } from '../index.ts';
import { glasswasher } from '../testing/bundles.ts';
import { chart } from '../testing/charts.ts';

/** A chart in few words: `off`, `on`, `run`, `ohm`, `apart` (something off first), `megohm`, `volt` … one after the other. */
const steps: Record<string, object> = {
  off: { kind: 'act', act: 'isolate' },
  on: { kind: 'act', act: 'put-back' },
  clean: { kind: 'act', act: 'clean' },
  run: { kind: 'operate', watchFor: 'It turns.', watch: { kind: 'sound', what: 'a hum' } },
  ohm: { kind: 'measure', quantity: 'resistance', supply: 'dead', band: { kind: 'fixed', least: 10, most: 20 } },
  volt: { kind: 'measure', quantity: 'voltage', supply: 'energised', band: { kind: 'fixed', least: 10, most: 20 } },
  none: { kind: 'measure', quantity: 'voltage', supply: 'energised', band: { kind: 'fixed', least: null, most: 5 } },
  gas: { kind: 'measure', quantity: 'pressure', supply: 'energised', band: { kind: 'fixed', least: 0.01, most: 0.02 } },
  flow: { kind: 'measure', quantity: 'flow', supply: 'dead', band: { kind: 'fixed', least: 1, most: 2 } },
  megohm: {
    kind: 'measure',
    quantity: 'resistance',
    supply: 'dead',
    band: { kind: 'insulation', leastOhm: 2e6, testVolt: 500 },
  },
};
const more: Record<string, object> = {
  mains: { hazards: ['mains'] },
  cover: { ways: ['lower-cover'] },
  apart: { disconnect: ['The plug'] },
  told: { isolation: 'Key out.' },
  dead: { supply: 'dead' },
  guarded: { protection: 'Gloves.', hazards: ['mains'], isolation: 'Key out.' },
  gloves: { protection: 'Gloves.' },
};
const after = ['volts-on-dead', 'dead-not-isolated', 'run-while-isolated', 'insulation-through-all', 'parallel-path'];
const findingsOf = (words: string) => {
  const row = words.split(' ');
  const nodes = row.map((word, i) => {
    const [kind = '', ...with_] = word.split('+');
    const next = i + 1 < row.length ? `s${i + 1}` : 'end';
    const own = steps[kind] ?? {};
    const ways =
      kind in { ohm: 1, volt: 1, none: 1, gas: 1, flow: 1, megohm: 1 }
        ? { probes: ['a', 'b'], pass: next, low: next, high: next }
        : {};
    const on = kind === 'run' ? { pass: next, fail: next } : 'probes' in ways ? {} : { next };
    return { id: `s${i}`, title: `s${i}`, ...own, ...ways, ...on, ...Object.assign({}, ...with_.map((w) => more[w])) };
  });
  const made = chart([...nodes, { id: 'end', kind: 'verdict', verdict: 'nothing-found', title: 'End' }], {
    family: 'brindlewick-g4',
  });
  const bundle = glasswasher();
  const own: Bundle = { ...bundle, entries: [...bundle.entries, made] };
  const here = own.entries.length - 1;
  return lint(own).filter((f) => f.at[1] === here);
};
const found = (words: string): string[] =>
  findingsOf(words).flatMap((f) => (after.includes(f.code) ? [`${'node' in f ? f.node : ''} ${f.code}`] : []));

describe('what is live on the way', () => {
  it.each<[string, string[]]>([
    ['ohm+apart', ['s0 dead-not-isolated']],
    ['off ohm+apart', []],
    // a danger that is named takes nothing off
    ['ohm+apart+mains', ['s0 dead-not-isolated']],
    ['off none ohm+apart', []],
    ['off volt ohm+apart', ['s2 dead-not-isolated']],
    ['none', []],
    ['none+dead', []],
    ['off none+dead ohm+apart', []],
    ['off gas ohm+apart', ['s2 dead-not-isolated']],
    ['ohm+apart+cover', []],
    ['ohm+apart+told', []],
    ['off clean ohm+apart', []],
    ['off run ohm+apart', ['s2 dead-not-isolated', 's1 run-while-isolated']],
    ['off on run off ohm+apart', []],
    ['off volt ohm+apart', ['s2 dead-not-isolated']],
    ['off on ohm+apart', ['s2 dead-not-isolated']],
    ['clean+cover run', ['s1 run-while-isolated']],
    ['run', []],
    ['flow', []],
    ['off ohm', ['s1 parallel-path']],
    ['off ohm+apart ohm', []],
    ['off ohm+apart on off ohm', ['s4 parallel-path']],
    ['off megohm', ['s1 insulation-through-all']],
    ['off ohm+apart megohm', []],
  ])('%s', (words, expected) => expect(found(words)).toEqual(expected));

  it.each<[string, string[]]>([
    ['volt', ['hazard', 'protection', 'isolation']],
    ['volt+gloves', ['hazard', 'isolation']],
    ['volt+gloves+told', ['hazard']],
    // the danger says itself how it is isolated
    ['volt+mains', ['protection']],
    ['volt+guarded', []],
    ['none', ['hazard', 'protection', 'isolation']],
    // a gas tap and a bucket are no live work
    ['gas', []],
    ['flow', []],
    ['ohm', []],
  ])('what is missing where %s is measured energised', (words, missing) => {
    expect(findingsOf(words).flatMap((f) => (f.code === 'energised-unprotected' ? f.missing : []))).toEqual(missing);
  });

  it('of two ways to a step the one that leaves the supply on counts for a reading, and both must have it off for a run', () => {
    const ask = (to: string) => ({
      id: 'ask',
      kind: 'ask',
      title: 'ask',
      answers: [
        { answer: 'yes', next: 'off' },
        { answer: 'no', next: to },
      ],
    });
    const end = { id: 'end', kind: 'verdict', verdict: 'nothing-found', title: 'End' };
    const codes = (last: object) => {
      const nodes = [
        ask('last'),
        { id: 'off', title: 'off', ...steps.off, next: 'last' },
        { id: 'last', title: 'last', ...last },
        end,
      ];
      const bundle = glasswasher();
      return lint({ ...bundle, entries: [...bundle.entries, chart(nodes, { family: 'brindlewick-g4' })] })
        .filter((f) => f.at[1] === bundle.entries.length)
        .map((f) => f.code);
    };
    const ways = { probes: ['a', 'b'], pass: 'end', low: 'end', high: 'end' };
    expect(codes({ ...steps.ohm, ...ways })).toContain('dead-not-isolated');
    expect(codes({ ...steps.run, pass: 'end', fail: 'end' })).not.toContain('run-while-isolated');
  });

  it('volts on what is called dead are no matter of the way there', () => {
    const dead = { ...steps.volt, supply: 'dead' };
    const words = lint({
      ...glasswasher(),
      entries: [
        ...glasswasher().entries,
        chart(
          [
            { id: 'v', title: 'At the plug', ...dead, probes: ['a', 'b'], pass: 'end', low: 'end', high: 'end' },
            { id: 'end', kind: 'verdict', verdict: 'nothing-found', title: 'End' },
          ],
          { family: 'brindlewick-g4' },
        ),
      ],
    }).map(findingWords);
    expect(words).toContain(
      '“At the plug” measures voltage and is called dead: what has that is live, and is measured as such.',
    );
  });
});
