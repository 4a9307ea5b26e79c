import type { ControlId } from '../../base/ids.ts';
import { dialPresses } from '../../gesture/dial.ts';
import type { Step } from '../../model/route.ts';
import type { ControlFacts } from '../../unit/facts.ts';

type Act = Readonly<{ who: ControlFacts | 'any' | null; act: string; times: number }>;
type Dial = Extract<Step, { kind: 'dial' }>;

const alphabets = [
  '0123456789',
  'ABCDEFGHIJKLMNOPQRSTUVWXYZ',
  '0123456789ABCDEF',
  '0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZ',
];

/** The presses that put characters in, as the one step they come to: the first way of doing it that takes just these presses. */
export function dialOf(acts: readonly Act[], { start, text }: Readonly<{ start: string; text: string }>): Dial | null {
  const told = acts
    .map((a) => `${a.who === null || a.who === 'any' ? '' : a.who.control.id} ${a.act} ${a.times}`)
    .join();
  const ids = [...new Set(acts.flatMap((a) => (a.who === null || a.who === 'any' ? [] : [a.who.control.id])))];
  const ways = { cw: 'right', ccw: 'left', none: 'press' } as const;
  const isSame = (dial: Dial): boolean => {
    const presses = dialPresses(dial);
    return presses.ok && presses.value.map((p) => `${p.control} ${ways[p.way ?? 'none']} ${p.times}`).join() === told;
  };
  for (const letters of alphabets) {
    if (![...start, ...text].every((c) => letters.includes(c))) continue;
    for (const wraps of [true, false])
      for (const by of waysOf(ids, text.length)) {
        const dial: Dial = { kind: 'dial', text, start, alphabet: [...letters], wraps, by };
        if (isSame(dial)) return dial;
      }
  }
  return null;
}

/** Who may step, who goes on: every way of sharing the controls that were pressed. */
function waysOf(ids: readonly ControlId[], places: number): Dial['by'][] {
  const knobs = ids.flatMap((knob): Dial['by'][] => [
    { kind: 'knob', knob },
    ...ids.filter((next) => next !== knob).map((next) => ({ kind: 'knob' as const, knob, next })),
  ]);
  const moving = ids.flatMap((up) =>
    ids
      .filter((next) => next !== up)
      .flatMap((next): Dial['by'][] => [
        { kind: 'moving', up, next },
        ...ids
          .filter((down) => down !== up && down !== next)
          .map((down) => ({ kind: 'moving' as const, up, down, next })),
      ]),
  );
  const each: Dial['by'][] = ids.length === places ? [{ kind: 'each', up: [...ids], down: [] }] : [];
  return [...knobs, ...moving, ...each];
}
