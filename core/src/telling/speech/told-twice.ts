import { isAct, type Reader } from './reader.ts';

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
