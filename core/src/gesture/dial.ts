import type { ControlId } from '../base/ids.ts';
import { fail, ok, type Result } from '../base/result.ts';
import type { Step } from '../model/route.ts';

export type Dial = Extract<Step, { kind: 'dial' }>;
/** So many presses of one control, to set the character at `index`; `index` is null for moving on to the next one. */
export type DialPress = Readonly<{ control: ControlId; times: number; index: number | null }>;
export type DialError =
  | Readonly<{ code: 'not-in-alphabet'; character: string }>
  | Readonly<{ code: 'length'; text: number; start: number; controls: number | null }>
  | Readonly<{ code: 'cannot-go-down'; character: string }>;

const fits = (dial: Dial): boolean =>
  dial.start.length === dial.text.length && (dial.by.kind === 'moving' || dial.by.up.length === dial.text.length);

/** The fewest presses that set the text, character by character; up is taken where both ways are as long. */
export function dialPresses(dial: Dial): Result<readonly DialPress[], DialError> {
  const { alphabet, by } = dial;
  if (!fits(dial))
    return fail({
      code: 'length',
      text: dial.text.length,
      start: dial.start.length,
      controls: by.kind === 'each' ? by.up.length : null,
    });
  const presses: DialPress[] = [];
  for (const [index, character] of [...dial.text].entries()) {
    const to = alphabet.indexOf(character);
    const from = alphabet.indexOf(dial.start[index] ?? '');
    if (to < 0) return fail({ code: 'not-in-alphabet', character });
    if (from < 0) return fail({ code: 'not-in-alphabet', character: dial.start[index] ?? '' });
    const upControl = by.kind === 'each' ? by.up[index] : by.up;
    const downControl = by.kind === 'each' ? by.down[index] : by.down;
    const up = to >= from ? to - from : dial.wraps ? to - from + alphabet.length : null;
    const down = to <= from ? from - to : dial.wraps ? from - to + alphabet.length : null;
    const goesDown = downControl !== undefined && down !== null && (up === null || down < up);
    const times = goesDown ? down : up;
    const control = goesDown ? downControl : upControl;
    if (times === null || control === undefined) return fail({ code: 'cannot-go-down', character });
    if (times > 0) presses.push({ control, times, index });
    if (by.kind === 'moving' && index < dial.text.length - 1) presses.push({ control: by.next, times: 1, index: null });
  }
  return ok(presses);
}

/** How many presses setting the text takes; a guess from its length where it cannot be set. */
export function dialCount(dial: Dial): number {
  const presses = dialPresses(dial);
  return presses.ok ? presses.value.reduce((sum, p) => sum + p.times, 0) : dial.text.length * 4;
}
