import type { ControlId } from '../base/ids.ts';
import { assertNever, fail, ok, type Result } from '../base/result.ts';
import type { Step } from '../model/route.ts';

export type Dial = Extract<Step, { kind: 'dial' }>;
/**
 * So many presses of one control, or clicks of a knob one way, to set the character at `index`; `index` is null for moving on
 * to the next one, and for a knob that sets all of them as one number.
 */
export type DialPress = Readonly<{
  control: ControlId;
  times: number;
  index: number | null;
  way?: 'cw' | 'ccw';
}>;
export type DialError =
  | Readonly<{ code: 'not-in-alphabet'; character: string }>
  | Readonly<{ code: 'length'; text: number; start: number; controls: number | null }>
  | Readonly<{ code: 'cannot-go-down'; character: string }>;

const fits = (dial: Dial): boolean =>
  dial.start.length === dial.text.length && (dial.by.kind !== 'each' || dial.by.up.length === dial.text.length);

/** Which controls step a character up and down, where a knob does it which way. */
function stepsOf(by: Dial['by'], index: number) {
  switch (by.kind) {
    case 'each':
      return { up: { control: by.up[index] }, down: { control: by.down[index] } };
    case 'moving':
      return { up: { control: by.up }, down: { control: by.down } };
    case 'knob':
      return { up: { control: by.knob, way: 'cw' as const }, down: { control: by.knob, way: 'ccw' as const } };
    default:
      return assertNever(by);
  }
}

/** How far it is from one place to another going up and going down, of so many; null where it does not go round. */
const ways = (from: number, to: number, size: number, wraps: boolean) => ({
  up: to >= from ? to - from : wraps ? to - from + size : null,
  down: to <= from ? from - to : wraps ? from - to + size : null,
});

/** All characters as one number, as a knob without another control sets them. */
function asNumber({ text, start, alphabet, wraps, by }: Dial): Result<readonly DialPress[], DialError> | null {
  if (by.kind !== 'knob' || by.next !== undefined) return null;
  const size = alphabet.length;
  const placeOf = (characters: string): number | null => {
    let value = 0;
    for (const character of characters) {
      const at = alphabet.indexOf(character);
      if (at < 0) return null;
      value = value * size + at;
    }
    return value;
  };
  const [to, from] = [placeOf(text), placeOf(start)];
  if (to === null || from === null) {
    const character = [...text, ...start].find((c) => !alphabet.includes(c)) ?? '';
    return fail({ code: 'not-in-alphabet', character });
  }
  const { up, down } = ways(from, to, size ** text.length, wraps);
  const goesDown = down !== null && (up === null || down < up);
  const times = (goesDown ? down : up) ?? 0;
  return ok(times === 0 ? [] : [{ control: by.knob, times, index: null, way: goesDown ? 'ccw' : 'cw' }]);
}

/** The fewest presses or clicks that set the text, character by character; up is taken where both ways are as long. */
export function dialPresses(dial: Dial): Result<readonly DialPress[], DialError> {
  const { alphabet, by } = dial;
  if (!fits(dial))
    return fail({
      code: 'length',
      text: dial.text.length,
      start: dial.start.length,
      controls: by.kind === 'each' ? by.up.length : null,
    });
  const number = asNumber(dial);
  if (number) return number;
  const presses: DialPress[] = [];
  for (const [index, character] of [...dial.text].entries()) {
    const to = alphabet.indexOf(character);
    const from = alphabet.indexOf(dial.start[index] ?? '');
    if (to < 0) return fail({ code: 'not-in-alphabet', character });
    if (from < 0) return fail({ code: 'not-in-alphabet', character: dial.start[index] ?? '' });
    const steps = stepsOf(by, index);
    const { up, down } = ways(from, to, alphabet.length, dial.wraps);
    const goesDown = steps.down.control !== undefined && down !== null && (up === null || down < up);
    const times = goesDown ? down : up;
    const { control, ...way } = goesDown ? steps.down : steps.up;
    if (times === null || control === undefined) return fail({ code: 'cannot-go-down', character });
    if (times > 0) presses.push({ control, times, index, ...way });
    const next = by.kind === 'each' ? undefined : by.next;
    if (next !== undefined && index < dial.text.length - 1) presses.push({ control: next, times: 1, index: null });
  }
  return ok(presses);
}

/** How many presses or clicks setting the text takes; a guess from its length where it cannot be set. */
export function dialCount(dial: Dial): number {
  const presses = dialPresses(dial);
  return presses.ok ? presses.value.reduce((sum, p) => sum + p.times, 0) : dial.text.length * 4;
}
