import { identify, seeded, type TraitSubject } from '@wire-trail/core';
import type { Row } from './row.ts';

/** A made-up shelf: every family has each of 24 traits, with two to five answers that are not equally common. */
function madeUpShelf(families: number, random: () => number): TraitSubject[] {
  const traits = Array.from({ length: 24 }, (_, t) => {
    const answers = 2 + (t % 4);
    return { name: `trait ${t}`, weights: Array.from({ length: answers }, () => 0.6 + random()) };
  });
  return Array.from({ length: families }, (_, f) => ({
    id: `family ${f}`,
    traits: new Map(
      traits.map(({ name, weights }) => {
        let at = random() * weights.reduce((a, b) => a + b, 0);
        const answer = weights.findIndex((w) => {
          at -= w;
          return at <= 0;
        });
        return [name, String(Math.max(0, answer))] as const;
      }),
    ),
  }));
}

/** Asks until one family is left; how many questions, and how many bits their answers could have carried at the most. */
function askThrough(subjects: readonly TraitSubject[], truth: TraitSubject, cannotTell: () => boolean) {
  const seen: Record<string, string | null> = {};
  let questions = 0;
  let bits = 0;
  for (;;) {
    const { left, ask } = identify(subjects, seen);
    if (left.length === 1 || !ask) return { questions, bits };
    questions++;
    const mute = cannotTell();
    bits += Math.log2(ask.answers.length);
    seen[ask.trait] = mute ? null : (truth.traits.get(ask.trait) ?? null);
  }
}

export function benchUnit(): Row[] {
  const random = seeded(11);
  const subjects = madeUpShelf(1000, random);
  const sample = subjects.filter((_, i) => i % 4 === 0);
  const mean = (of: (s: TraitSubject) => number) => sample.reduce((sum, s) => sum + of(s), 0) / sample.length;
  const all = new Map(sample.map((s) => [s.id, askThrough(subjects, s, () => false)]));
  const questions = mean((s) => all.get(s.id)?.questions ?? 0);
  const answered = mean((s) => all.get(s.id)?.bits ?? 0);
  // as few questions as answers of the sizes that were asked could do with: entropy of the shelf over bits of an answer
  const overLimit = answered / Math.log2(subjects.length);
  const muted = mean((s) => askThrough(subjects, s, () => random() < 0.2).questions);
  return [
    { name: 'unit.questionsMean', value: questions, unit: 'questions', aim: null, met: null },
    { name: 'unit.overLimit', value: overLimit, unit: '×', aim: '≤ 1.3', met: overLimit <= 1.3 },
    { name: 'unit.questionsMuted', value: muted, unit: 'questions', aim: null, met: null },
  ];
}
