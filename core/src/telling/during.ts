import type { Step } from '../model/route.ts';
import { actNext } from './acts.ts';
import type { TellingState } from './pieces.ts';
import { momentNext } from './signs.ts';
import { Stream } from './stream.ts';

/** `… while you press b` behind a hold. */
export function meanwhileAfter(telling: TellingState, s: Stream, steps: Step[]): Step[] {
  const last = steps.at(-1);
  if (last?.kind !== 'hold') return steps;
  const during = s.try(() => {
    if (!s.takes('while', 'as', 'whilst')) return null;
    return readDuring(telling, s);
  });
  if (!during) return steps;
  const until = last.until.kind === 'release' ? {} : { until: last.until };
  const ending = s.try(() => {
    s.takes(',');
    return s.takes('until', 'till') ? momentNext(s, telling.names) : null;
  });
  const end = ending ? { until: { kind: 'moment' as const, moment: ending } } : until;
  return [...steps.slice(0, -1), { kind: 'keep', controls: last.controls, during, ...end }];
}

function readDuring(telling: TellingState, s: Stream): Step[] | null {
  const inside: Step[] = [];
  for (;;) {
    const more = s.try(() => {
      if (inside.length > 0) {
        s.takes(',');
        if (!s.takes('and then', 'and', 'then')) return null;
      }
      const passive = readPassive(telling, s);
      return passive ?? actNext(s, telling.names, telling.memory);
    });
    if (!more) break;
    inside.push(...more);
  }
  return inside.length > 0 ? inside : null;
}

/** `the way rocker is put to neutral`: told of the control, not of the hand. */
function readPassive(telling: TellingState, s: Stream): Step[] | null {
  return s.try(() => {
    const tokens = s.tokens.slice(s.i);
    const is = tokens.findIndex((t) => t.word === 'is' || t.word === 'are');
    if (is < 1 || is > 5 || tokens[is + 1]?.word === undefined) return null;
    const verb = tokens[is + 1];
    if (!verb || !['put', 'press', 'turn', 'set', 'switch', 'move', 'open', 'shut', 'pressed'].includes(verb.word))
      return null;
    const active = new Stream([
      { ...verb, word: verb.word === 'pressed' ? 'press' : verb.word },
      ...tokens.slice(0, is),
      ...tokens.slice(is + 2),
    ]);
    const steps = actNext(active, telling.names, telling.memory);
    if (!steps) return null;
    s.i += active.i + 1;
    return steps;
  });
}
