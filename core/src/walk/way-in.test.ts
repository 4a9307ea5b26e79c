import { describe, expect, it } from 'vitest';
import { entriesOf, entryOf, nothingToDo, type Route, type Walk, wayGone, wayIn } from '../index.ts';
import { glasswasher } from '../testing/bundles.ts';

const some = entriesOf(glasswasher(), 'route')[0] as Route;
const leg = (id: string, from: string[] | 'any', to: string | null, purpose = 'enter') =>
  ({ ...some, id, from, to, purpose }) as Route;
const modes = [
  { id: 'standby', sort: 'standby' },
  { id: 'service', sort: 'service' },
  { id: 'list', sort: 'memory' },
] as never;
const open = leg('open', ['standby'], 'service');
const list = leg('list', ['service'], 'list', 'step');
const erase = leg('erase', ['service'], 'service', 'clear');
const routes = [erase, list, open];
const ids = (way: readonly Route[]) => way.map((r) => r.id);
type Mode = 'standby' | 'service' | 'list';
const way = (named: Route, ...shown: Mode[]) => ids(wayIn(named, shown as never, { routes, modes }));

describe('wayIn', () => {
  it.each<[string, Route, Mode[], string[]]>([
    ['the named route alone where the codes show', open, ['service'], ['open']],
    ['and what leads on from there', open, ['list'], ['open', 'list']],
    ['what comes before a route that begins in a mode', list, ['list'], ['open', 'list']],
    ['the route alone where nothing is known to lead on', open, ['standby'], ['open']],
    ['the route alone where nothing says where codes show', open, [], ['open']],
  ])('%s', (_, named, shown, wanted) => expect(way(named, ...shown)).toEqual(wanted));

  it('a route from any mode needs nothing before it', () =>
    expect(way(leg('key', 'any', 'list'), 'list')).toEqual(['key']));
});

describe('wayGone', () => {
  const legs = [open, list];
  const tried = (route: string, took: boolean, happened: string | null = null) => ({ route, took, happened }) as never;
  it.each<[string, unknown[], number]>([
    ['nothing yet', [], 0],
    ['the first took', [tried('open', true)], 1],
    ['a try that did not take leaves it where it stands', [tried('open', true), tried('list', false, 'too-slow')], 1],
    ['a reset throws it back', [tried('open', true), tried('list', false, 'reset')], 0],
    ['all of it', [tried('open', false, 'nothing'), tried('open', true), tried('list', true)], 2],
    ['another route does not count', [tried('erase', true)], 0],
  ])('%s', (_, tries, gone) => expect(wayGone(legs, tries as Walk['tries'])).toBe(gone));
});

describe('nothingToDo', () => {
  const walk = { code: null, special: null } as Walk;
  const symptom = entryOf(glasswasher(), 'symptom', 'cold-glasses') ?? null;
  const code = entryOf(glasswasher(), 'code', 'k19') ?? null;
  const known = { subject: code, way: [open], hasReadout: true };
  it.each<[string, Parameters<typeof nothingToDo>, string | null]>([
    ['a code is entered for', ['enter', walk, known], null],
    ['and read', ['read', walk, known], null],
    ['a symptom is not entered for', ['enter', walk, { ...known, subject: symptom }], 'symptom-leads'],
    ['nor read', ['read', walk, { ...known, subject: symptom }], 'symptom-leads'],
    [
      'unless its memory was read already',
      ['read', { ...walk, code: 'k19' } as Walk, { ...known, subject: symptom }],
      null,
    ],
    ['no way in', ['enter', walk, { ...known, way: [] }], 'no-mode'],
    ['a code that shows nowhere', ['read', walk, { ...known, hasReadout: false }], 'no-readout'],
    [
      'what is not known is read, or said not to show',
      ['read', walk, { subject: null, way: [], hasReadout: false }],
      null,
    ],
  ])('%s', (_, asked, why) => expect(nothingToDo(...asked)).toBe(why));

  it.each(['unit', 'safe', 'test', 'clear', 'prove'] as const)('%s is never passed', (station) =>
    expect(nothingToDo(station, walk, { subject: symptom, way: [], hasReadout: false })).toBeNull(),
  );
});
