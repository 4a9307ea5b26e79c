import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { type Answers, bundleFacts, meantKey, noAnswers, printStep, readBundle, type Step } from '../../index.ts';
import { boardBundle } from '../../testing/unit.ts';
import { meantClues } from './meant-clues.ts';
import { calledOf } from './mentions.ts';
import { readTold } from './read.ts';
import { saidIn } from './round-about.ts';
import { stretchesOf } from './stretches.ts';

const folder = new URL('../../../../tellings/blind/', import.meta.url);
function blind(name: string) {
  const bundle = readBundle(JSON.parse(readFileSync(new URL(`${name}/unit.json`, folder), 'utf8')));
  if (!bundle.ok) throw new Error(`${name} does not read`);
  const file = existsSync(new URL(`${name}/telling.vtt`, folder)) ? 'telling.vtt' : 'telling.txt';
  const text = readFileSync(new URL(`${name}/${file}`, folder), 'utf8');
  const facts = bundleFacts(bundle.value);
  return { text, facts, told: readTold(text, facts) };
}
const all = new Map<string, ReturnType<typeof blind>>();
function blindOf(name: string): ReturnType<typeof blind> {
  const known = all.get(name) ?? blind(name);
  all.set(name, known);
  return known;
}
const names = readdirSync(folder).filter((name) => /^r7[0-6]-0[25]-/.test(name));
const asked = ({ doubts }: ReturnType<typeof readTold>) =>
  doubts.flatMap((d) => (d.asked?.is === 'meant' ? [{ ...d.asked, from: d.from, to: d.to }] : []));
const linesOf = ({ routes }: ReturnType<typeof readTold>): string[] => routes.flatMap((r) => r.steps.map(printStep));
const isWithin = (some: readonly string[], all: readonly string[]): boolean => {
  let at = 0;
  for (const line of all) if (line === some[at]) at += 1;
  return at === some.length;
};

describe('what may only be told is asked, and nothing of it is lost', () => {
  it.each(names)('%s', (name) => {
    const { text, facts, told } = blindOf(name);
    const open = asked(told);
    const answers: Answers = { ...noAnswers, meant: open.map(meantKey) };
    const whole = readTold(text, facts, undefined, answers);
    // answered, all of it stands in the steps, in order, and nothing is asked any more
    expect(asked(whole)).toEqual([]);
    expect(isWithin(linesOf(told), linesOf(whole))).toBe(true);
    expect(linesOf(whole)).toHaveLength(linesOf(told).length + open.length);
    // until then each is a stretch of its own that waits, in its place
    const waits = stretchesOf(told).filter((s) => s.is === 'not-understood');
    for (const o of open) expect(waits.some((s) => s.from < o.to && s.to > o.from)).toBe(true);
  });

  it('something is asked in some of them, and little of all', () => {
    const counts = names.map((name) => {
      const { told } = blindOf(name);
      return { asked: asked(told).length, made: linesOf(told).length };
    });
    const sum = (of: 'asked' | 'made'): number => counts.reduce((n, a) => n + a[of], 0);
    expect(sum('asked')).toBeGreaterThan(0);
    expect(sum('asked')).toBeLessThan(sum('made') * 0.1);
  });

  it('is not asked of a sentence or two', () => {
    const facts = bundleFacts(boardBundle([]));
    expect(asked(readTold('So power off. A = older, B = newer, okay?', facts))).toEqual([]);
  });
});

describe('what speaks for or against a step', () => {
  const facts = bundleFacts(boardBundle([]));
  const called = calledOf(facts);
  const press = (control: string): Step => ({ kind: 'press', control, times: 1 }) as Step;
  const cluesIn = (text: string, word: string, control: string): readonly string[] => {
    const from = text.indexOf(word);
    const made = [{ step: press(control), from, to: from + word.length }];
    return meantClues(made, saidIn(text, called), called, [])[0] ?? [];
  };
  it('names of the unit are told apart and not by what they are', () => {
    expect(cluesIn('Now the knob, then button A, and B.', 'button A', 'a')).toEqual(
      expect.arrayContaining(['k press', 's OWN', 'w CONTROL', 'b3 , then', 'a3 , and']),
    );
    const swapped = (text: string): string => text.replace(/\b[AB]\b/g, (x) => (x === 'A' ? 'B' : 'A'));
    const text = 'Now press button A twice, and B.';
    expect(cluesIn(swapped(text), 'button B', 'b')).toEqual(cluesIn(text, 'button A', 'a'));
  });
  it('nothing beyond the sentence', () => {
    const text = 'Press button A now.';
    expect(cluesIn(`Such weather. ${text} Anyway, it rains.`, 'button A', 'a')).toEqual(
      cluesIn(`What a week. ${text} So long.`, 'button A', 'a'),
    );
  });
});
