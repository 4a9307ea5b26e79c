import { describe, expect, it } from 'vitest';
import { type FindingCode, findingWords, lint } from '../index.ts';
import { fixtureBundle, into, out, type RouteFixture, routeFixtures } from '../testing/route-fixtures.ts';
import { type BoardRoute, boardBundle } from '../testing/unit.ts';

describe('findings of routes', () => {
  it.each(Object.entries(routeFixtures) as Array<[FindingCode, RouteFixture]>)('%s', (code, fixture) => {
    const found = lint(fixtureBundle(fixture)).filter((f) => f.code === code);
    expect(found.map(findingWords)).toContain(fixture.says);
    if (fixture.at) expect(found.map((f) => f.at.slice(2).join('.'))).toContain(fixture.at);
  });

  it('has nothing against a route that is well told', () => {
    const good: BoardRoute[] = [
      { ...into, rest: { retry: ['slower'], summary: 'Press a three times.' } },
      out,
      {
        id: 'to-tests',
        script: 'from service\nhold b for 4 s to 6 s\nsee l1 fast\nreach tests',
        rest: { retry: ['again'] },
      },
      { id: 'from-tests', script: 'from tests\npress c\nreach idle', rest: { purpose: 'leave' } },
    ];
    expect(lint(boardBundle(good)).filter((f) => f.code !== 'code-without-chart')).toEqual([]);
  });

  it('a way in from anywhere does not compete with what is done in its own mode', () => {
    const any = { id: 'in', script: 'from any\nset power off\nset power on\npress a 3 times\nreach service' };
    const leave = {
      id: 'out',
      script: 'from service\nset power off\nset power on\nreach idle',
      rest: { purpose: 'leave' },
    };
    const codes = lint(boardBundle([any, leave])).map((f) => f.code);
    expect(codes).not.toContain('fires-first');
    expect(codes).not.toContain('routes-alike');
  });

  it('two ways to the same place need not be told apart', () => {
    const codes = lint(boardBundle([into, { ...into, id: 'again' }])).map((f) => f.code);
    expect(codes).not.toContain('routes-alike');
  });
});
