import { isAct, type Made, type Reader } from './reader.ts';

/** Several presses told in one sentence and the same in the next: told twice, done once. */
export function dropToldTwice(r: Reader): void {
  const rows = new Map<number, string[]>();
  for (const { step, sentence } of r.made) {
    const row = rows.get(sentence) ?? [];
    const inside = step.kind === 'group' && step.times === 1 ? step.steps : [step];
    for (const one of inside)
      if (one.kind === 'press') row.push(...Array.from({ length: one.times }, () => one.control));
      else if (isAct(one)) row.push('else');
    rows.set(sentence, row);
  }
  let before: string | null = null;
  const twice = new Set<number>();
  for (const [sentence, row] of rows) {
    const key = row.join();
    if (row.length > 2 && !row.includes('else') && key === before) twice.add(sentence);
    else if (row.length > 0) before = key;
  }
  if (twice.size > 0)
    r.made.splice(0, r.made.length, ...r.made.filter((m) => !(twice.has(m.sentence) && m.step.kind === 'press')));
}

/** What was said to be done so often and is then told out once more is told once. */
export function dropToldOut(r: Reader): void {
  for (let i = 0; i < r.made.length; i += 1) {
    const step = r.made[i]?.step;
    const inner = step?.kind === 'group' && step.window ? step.steps.at(-1) : step;
    // told once more, as somebody asks whether it was heard
    const areSets = step?.kind === 'group' && step.steps.length > 1 && step.steps.every((s) => s.kind === 'set');
    if (step?.kind === 'group' && step.window && (step.steps.length > 2 || areSets)) {
      const key = step.steps.map((s) => JSON.stringify(s));
      if (key.every((k, j) => JSON.stringify(r.made[i + 1 + j]?.step) === k)) r.made.splice(i + 1, key.length);
    }
    if (inner?.kind !== 'group' || inner.times < 2) continue;
    const key = inner.steps.map((s) => JSON.stringify(s));
    let n = 0;
    while (key.every((k, j) => JSON.stringify(r.made[i + 1 + n * key.length + j]?.step) === k)) n += 1;
    if (n > 0) r.made.splice(i + 1, n * key.length);
  }
}

/** `minus minus plus enter minus minus plus enter good`: a row told out once more as it is shown. */
export function dropRowsTwice(r: Reader, text: string): void {
  for (let i = 0; i < r.made.length; i += 1) {
    const group = r.made[i];
    if (group?.step.kind === 'group' && group.step.times === 1 && group.step.window) {
      const { steps } = group.step;
      const told = toldTwice(steps, text.slice(group.to, group.to + 30));
      if (told !== null) {
        // what is pressed behind it, told without stops, is not of the row
        const from = text.lastIndexOf(' ', group.to - 1) + 1;
        const behind = steps.slice(told.twice).map((step) => ({ ...group, from, step }));
        r.made.splice(i, 1, { ...group, step: { ...group.step, steps: steps.slice(0, told.once) } }, ...behind);
      }
      // as it is shown, a part of it is told again
      const keys = keysOf(steps);
      // told first, and then how long one has for it: `it's A, A, B and you've six seconds, A, A, B`
      const earlier = r.made.slice(Math.max(0, i - keys.length), i).map((m) => m.step);
      if (keys.length > 3 && !keys.includes('') && keysOf(earlier).join() === keys.join()) {
        r.made.splice(i - keys.length, keys.length);
        i -= keys.length;
        continue;
      }
      let n = 0;
      while (
        keysOf(r.made.slice(i + 1, i + 2 + n).map((m) => m.step)).every((k, j) => k !== '' && k === keys[j]) &&
        r.made[i + 1 + n]
      )
        n += 1;
      const isPart = n > 1 && n < keys.length && r.made[i + 1 + n]?.step.kind !== 'press';
      if (keys.length > 3 && (n === keys.length || isPart)) r.made.splice(i + 1, n);
      continue;
    }
    let end = i;
    while (r.made[end]?.step.kind === 'press') end += 1;
    const row = r.made.slice(i, end);
    const to = row.at(-1)?.to ?? 0;
    const told = toldTwice(
      row.map((m) => m.step),
      text.slice(to, to + 30),
    );
    if (told !== null) r.made.splice(i + told.once, told.twice - told.once);
  }
}

const saysTwice = /\b(?:twice|two times|again|both times)\b/i;
/** The keys of a row one by one; empty where something else is done. */
const keysOf = (steps: readonly Made['step'][]): string[] =>
  steps.flatMap((s) => (s.kind === 'press' ? Array<string>(s.times).fill(s.control) : ['']));

/** How many steps of a row tell it once and how many twice, where it is told twice over, four presses or more each, and one or two behind it. */
function toldTwice(
  steps: readonly Made['step'][],
  saidBehind: string,
): Readonly<{ once: number; twice: number }> | null {
  const keys = keysOf(steps);
  const half = [0, 1, 2]
    .map((behind) => (keys.length - behind) / 2)
    .find((n) => {
      const rest = new Set(keys.slice(n * 2));
      // `again`, and nothing behind it: of the row
      if (!Number.isInteger(n) || n < 4 || rest.size > 1 || (rest.size === 0 && saysTwice.test(saidBehind)))
        return false;
      return keys.slice(0, n).every((k, i) => k !== '' && k === keys[i + n]);
    });
  if (half === undefined) return null;
  /** How many steps come to so many presses; none where one goes on beyond them. */
  const stepsTo = (presses: number): number =>
    steps.findIndex((_, n) => keysOf(steps.slice(0, n + 1)).length === presses) + 1;
  const [once, twice] = [stepsTo(half), stepsTo(half * 2)];
  return once > 0 && twice > 0 ? { once, twice } : null;
}

const isRetried =
  /\b(?:repeat\w*|again|start(?:s|ed)? over|once more|too (?:slow|late|early|soon)|wasn't|weren't|not (?:quick|fast)|wrong|from the (?:start|beginning|top)|anew|missed it|didn't (?:take|work))\b/i;

/** `should the fault lamp light, Q1 is to be opened and the procedure repeated`: done anew, and no way of its own. */
export function dropRetries(r: Reader, text: string): void {
  const beside = new Set(
    r.made.filter(({ step, from, to }) => {
      if (step.kind !== 'branch') return false;
      const end = text.slice(to).search(/[.!?\n]/);
      const isSet = [...step.met, ...step.otherwise].every(
        (s) => s.kind === 'set' || s.kind === 'rest' || s.kind === 'see',
      );
      return isSet && isRetried.test(text.slice(from, end < 0 ? text.length : to + end));
    }),
  );
  for (const { from, to } of beside) r.holes.push({ from, to, why: 'warned' });
  r.drop(beside);
}

const anew =
  /\b(?:from the \w+(?: \w+)? again|(?:then |so |and )?again from|start(?:s|ed)? (?:over|again)|once more from|all over again|(?:do|try) (?:it|that|this)(?: all)? (?:again|once more|one more time)|(?:try|go) again|the whole thing again)\b/gi;

/** A step by what is done, whatever ends it. */
const alike = (step: Made['step']): string =>
  step.kind === 'hold' ? `hold ${step.controls.map((c) => c.control).join()}` : JSON.stringify(step);

/** `From the rocker again: off, ten seconds, both, on`: what is done once more as it went wrong is told once. */
export function dropToldAnew(r: Reader, text: string): void {
  for (const { index, 0: said } of text.matchAll(anew)) {
    const at = index + said.length;
    const first = r.made.findIndex((m) => m.from >= index);
    if (first < 2 || (r.made[first]?.from ?? 0) > at + 60) continue;
    const before = r.made.slice(0, first).map((m) => alike(m.step));
    let [upTo, last] = [0, first];
    while (last < r.made.length) {
      const step = r.made[last]?.step;
      const again = step ? before.indexOf(alike(step), upTo) : -1;
      // what sounds or shows then was told before as well
      if (again < 0 && step?.kind !== 'see') break;
      if (again >= 0) upTo = again + 1;
      last += 1;
    }
    const own = r.made.slice(first, last).filter((m) => m.step.kind !== 'see');
    if (own.length > 1 || own.some((m) => m.step.kind === 'hold')) r.drop(new Set(r.made.slice(first, last)));
  }
}
