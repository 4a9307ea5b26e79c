import { codeIdOf, type Entry, type Route, type Step } from '@wire-trail/core';
import { entryIn } from '../../foundation/entry-draft-slice.ts';

const purposes: Readonly<Record<string, Route['purpose']>> = {
  Erase: 'clear',
  Next: 'step',
  Leave: 'leave',
  Calibrate: 'calibrate',
};
/** What a way is called by what it is for, until somebody says better. */
const usualNames: Readonly<Record<string, string>> = {
  Steps: 'Way in',
  Erase: 'Erase',
  Next: 'Next code',
  Leave: 'Way out',
  Calibrate: 'Calibrate',
};
export const usualName = (told: string): string => usualNames[told] ?? told;

type Way = Readonly<{ family: string; told: string; name: string; steps: readonly Step[] }>;
/** A way of its own, from what was told. */
export const asRoute = ({ family, told, name, steps }: Way): Entry =>
  entryIn({
    kind: 'route',
    id: codeIdOf(name).slice(0, 64),
    family,
    name: name.trim(),
    purpose: purposes[told] ?? 'enter',
    from: 'any',
    to: null,
    steps,
    standing: 'hearsay',
  });

type Beside = Readonly<{
  family: string;
  route: string;
  who: string;
  text: string;
  steps: readonly Step[];
  taken: ReadonlySet<string>;
}>;
/** A telling beside a way that is there; of the same person a second one gets a number. */
export function asAccount({ family, route, who, text, steps, taken }: Beside): Entry {
  const own = `${route}-${codeIdOf(who) || 'told'}`.slice(0, 60);
  let id = own;
  for (let n = 2; taken.has(id); n += 1) id = `${own}-${n}`;
  return entryIn({
    kind: 'account',
    id,
    family,
    route,
    name: who.trim(),
    told: text.slice(0, 4000),
    steps,
    source: null,
    standing: 'hearsay',
  });
}
