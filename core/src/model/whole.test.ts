import { describe, expect, it } from 'vitest';
import { printSteps } from '../index.ts';
import { stepsOf } from '../testing/routes.ts';
import { boardRoute } from '../testing/unit.ts';
import { Route, type Step } from './route.ts';
import { routesDone, wholeSteps } from './whole.ts';

const routesOf = (...routes: Array<[string, string]>) =>
  new Map(routes.map(([id, script]) => [id, Route.parse(boardRoute({ id, script }))] as never)) as ReadonlyMap<
    never,
    Route
  >;
const values = (all: Record<string, number>) => new Map(Object.entries(all)) as never;
/** Steps as they are gone, as a script; what a way does stands set in under it. */
const said = (steps: readonly Step[]): string =>
  steps
    .map((s) =>
      s.kind === 'do' && s.steps ? `{${s.name}: ${said(s.steps)}}` : printSteps([s]).trim().replace(/\n\s*/g, ' / '),
    )
    .join('; ');
const whole = (script: string, routes = routesOf(), all: Record<string, number> = {}): string =>
  said(wholeSteps(stepsOf(script), routes, values(all)));

describe('wholeSteps', () => {
  it.each<[string, string]>([
    ['press a 2 times\n  - amount n', 'press a 5 times'],
    ['group 2 times\n  - amount n\n  press a', 'group 5 times / press a'],
    ['together a + b\n  - amount n', 'together a + b 5 times'],
    ['turn k right 2 clicks\n  - amount n', 'turn k right 5 clicks'],
    ['sweep k left 1 turns\n  - amount n', 'sweep k left 5 turns'],
    ['step a to 12\n  - amount n', 'step a to 5'],
    ['dial "012" from "000" with knob k\n  - amount n', 'dial "005" from "000" with knob k'],
    ['choose "Model" on-unit value "1"\n  - amount n', 'choose "Model" on-unit value "5"'],
    // times are in seconds, and keep their shape
    ['rest 2 s to 6 s usually 4 s\n  - amount n', 'rest 2.5 s to 7.5 s'],
    ['hold a for 2 s\n  - amount n', 'hold a for 5 s'],
    ['keep a for 4 s from power-on\n  - amount n\n  press b', 'keep a for 5 s from power-on / press b'],
    ['see l1 lit within 10 s\n  - amount n', 'see l1 lit within 5 s'],
    ['hold a until l1 lit\n  - amount n', 'hold a until l1 lit'],
    // a value nobody knows leaves the number as it was said, and what it stands for
    ['press a 2 times\n  - amount other', 'press a 2 times / - amount other'],
  ])('%j is %s', (script, is) => expect(whole(script, routesOf(), { n: 5 })).toBe(is));

  it('fills in what another way does, inside steps as well, and what that one does', () => {
    const routes = routesOf(['next', 'press a'], ['far', 'do next 3 times\npress b']);
    expect(whole('keep c\n  do next\npress c\ndo far 2 times', routes)).toBe(
      'keep c / do next; press c; {far: {next: press a}; press b}',
    );
    const [keep] = wholeSteps(stepsOf('keep c\n  do next'), routes);
    expect(keep?.kind === 'keep' ? said(keep.during) : '').toBe('{next: press a}');
  });

  it('a value that is told where it is done goes before the family’s own, there only', () => {
    const routes = routesOf(['set', 'press a 1 times\n  - amount n']);
    expect(whole('do set with n 7\ndo set', routes, { n: 2 })).toBe('{set: press a 7 times}; {set: press a 2 times}');
  });

  it('leaves alone what does itself, and what is not there', () => {
    const routes = routesOf(['r', 'press a\ndo s'], ['s', 'do r']);
    expect(whole('do r\ndo nowhere', routes)).toBe('{r: press a; {s: do r}}; do nowhere');
  });

  it('once whole it stays as it is', () => {
    const routes = routesOf(['next', 'press a 2 times\n  - amount n'], ['far', 'do next 3 times']);
    const once = wholeSteps(stepsOf('do far\nrest 2 s'), routes, values({ n: 4 }));
    expect(wholeSteps(once, routes, values({ n: 9 }))).not.toBe(once);
    expect(said(once)).toBe('{far: {next: press a 4 times}}; rest 2 s');
  });
});

describe('routesDone', () => {
  it('is every route a route does, by way of others too', () => {
    const routes = routesOf(['a', 'keep x\n  do b'], ['b', 'press y\ndo c'], ['c', 'press z'], ['d', 'press z']);
    const of = (id: string) => [...routesDone(routes.get(id as never) as Route, routes)].sort();
    expect([of('a'), of('b'), of('c')]).toEqual([['b', 'c'], ['c'], []]);
    const round = routesOf(['a', 'do b'], ['b', 'do a']);
    expect([...routesDone(round.get('a' as never) as Route, round)].sort()).toEqual(['a', 'b']);
  });
});
