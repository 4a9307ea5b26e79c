import fc from 'fast-check';
import type { Step } from '../model/route.ts';
import { parseScript } from '../script/parse.ts';

const push = fc.constantFrom('a', 'b', 'c');
const secs = fc.integer({ min: 2, max: 6 });
const line = fc.oneof(
  fc.tuple(push, fc.integer({ min: 1, max: 5 })).map(([c, n]) => `press ${c} ${n} times`),
  fc.tuple(push, secs).map(([c, s]) => `hold ${c} for ${s} s to ${s + 3} s`),
  fc
    .tuple(fc.constantFrom('right', 'left'), fc.integer({ min: 1, max: 6 }))
    .map(([w, n]) => `turn knob ${w} ${n} clicks`),
  fc.tuple(secs, fc.constantFrom(2, 6)).map(([s, more]) => `rest ${s} s to ${s + more} s`),
  fc.constantFrom('set lid open', 'set lid shut', 'hold rocker up for 2 s to 5 s', 'see l1 lit within 1 s to 2 s'),
  fc
    .tuple(push, push)
    .filter(([x, y]) => x !== y)
    .map(([x, y]) => `keep ${x}\n  press ${y} 2 times`),
  fc.tuple(push, fc.integer({ min: 2, max: 4 })).map(([c, n]) => `within 9 s of step-before\n  press ${c} ${n} times`),
  push.map((c) => `press ${c}\nsee l1 lit within 1 s to 2 s\nwithin 9 s of l1 lit\n  press ${c} 2 times`),
  fc
    .tuple(secs, push, push)
    .map(([s, x, y]) => `press ${x}\nif nothing within ${s} s\n  press ${x}\nelse\n  press ${y}`),
  push.map((c) => `hold ${c}\nlet-go ${c} at beep on #2`),
  fc.tuple(push, push).map(([x, y]) => `group 2 times\n  press ${x}\n  set lid open\n  press ${y}\n  set lid shut`),
);

/** Scripts of made-up ways into the bench board's service mode: any kinds of steps in any order, ending in an act. */
export const anyRouteScript: fc.Arbitrary<string> = fc
  .tuple(fc.array(line, { minLength: 1, maxLength: 5 }), push)
  .map(([lines, last]) => `from idle\n${lines.join('\n')}\npress ${last}\nsee l2 lit\nreach service`);

export const stepsOf = (script: string): readonly Step[] => parseScript(script).steps;
