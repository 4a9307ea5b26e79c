import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import {
  type Bundle,
  bundleFacts,
  cardLine,
  coachCards,
  entriesOf,
  parseScript,
  readBundle,
  type Step,
} from '../../index.ts';
import { madeUnit } from '../../testing/made-units.ts';
import { boardBundle } from '../../testing/unit.ts';
import { readAnyTelling } from '../either.ts';
import { stretchesOf } from '../speech/stretches.ts';
import { readCards } from './read.ts';

const demo = new URL('../../../../demo/', import.meta.url);
const bundles = readdirSync(demo)
  .filter((f) => f.endsWith('.json'))
  .flatMap((f): Bundle[] => {
    const read = readBundle(JSON.parse(readFileSync(new URL(f, demo), 'utf8')));
    return read.ok ? [read.value] : [];
  });

/** What the coach says of steps, a line a card, numbered as on the printed sheet. */
function said(steps: readonly Step[], bundle: Bundle): string {
  const panel = entriesOf(bundle, 'panel').find((p) => p.family === bundle.family);
  if (!panel) throw new Error(bundle.family);
  return coachCards(steps)
    .map((card, i) => `${i + 1}. ${cardLine(card, panel, ['part'])}`)
    .join('\n');
}
/** What is said of the steps that are read of what is said of some. */
const saidBack = (steps: readonly Step[], bundle: Bundle): string => {
  const told = readAnyTelling(said(steps, bundle), bundleFacts(bundle));
  expect(told.holes).toEqual([]);
  return said(
    told.routes.flatMap((r) => r.steps),
    bundle,
  );
};
/** What hands do, one after the other: control, act, place, how often. */
const hands = (steps: readonly Step[]) =>
  coachCards(steps).map(({ acts, times, holdMs, windowMs }) => ({ acts, times, holdMs, windowMs }));

describe('what the coach says of a route gives the same steps again', () => {
  it.each(bundles.map((b) => [b.family, b] as const))('every route of %s', (_, bundle) => {
    for (const route of entriesOf(bundle, 'route'))
      expect(saidBack(route.steps, bundle)).toBe(said(route.steps, bundle));
  });

  it('2,000 made-up routes', () => {
    let routes = 0;
    for (let seed = 1; routes < 2000; seed += 1) {
      const bundle = madeUnit(seed);
      if (!bundle) continue;
      for (const { steps } of entriesOf(bundle, 'route')) {
        const text = said(steps, bundle);
        const told = readCards(text, bundleFacts(bundle));
        const back = told?.routes[0]?.steps ?? [];
        expect([seed, said(back, bundle), hands(back)]).toEqual([seed, text, hands(steps)]);
        routes += 1;
      }
    }
  }, 60_000);

  const board = boardBundle([]);
  it.each([
    'together a + b 2 times',
    'dial "42" from "00" with a next b',
    'dial "KEN" from "AAA" with a down-with b next c of "ABCDEFGHIJKLMNOPQRSTUVWXYZ"',
    'choose "Faults" > "Stored" on-unit confirm "Store" value "48"',
    'choose "Drive" > "Wheels" with box needs "teach count"',
    'at wall',
    'say Nobody stands in the door.',
    'may l1 lit',
    'no l1 lit, l2 fast',
    'press any 2 times',
    'release all',
    'step a to 4 ramp',
    'if l1 lit\n  press a\n  press b 2 times\nelse\n  press c',
    'if nothing within 10 s\n  press a',
    'within 5 s of power-on\n  press a\n  see l1 lit\n  press b',
    'within 5 s of step-before\n  group 2 times\n    press a\n    press b',
    'keep a for 5 s\n  press b\n  see l1 lit',
    'keep a until l1 slow\n  keep b\n    press c',
    'see l1 lit within 0 s to 5 s',
    'rest 5 s to 20 s',
    'hold a + b for 5 s from power-on',
    'hold a until beeper on #2',
  ])('%s', (script) => {
    const { steps } = parseScript(script);
    if (steps.length === 0) return;
    expect(saidBack(steps, board)).toBe(said(steps, board));
  });

  it('a caution on the sheet stands with its step again, and its notes make none', () => {
    const read = readCards('First: door shut\n! Live parts behind it\n1. lid open\n2. Wait 5 s.', bundleFacts(board));
    expect(read?.routes[0]?.steps).toMatchObject([{ kind: 'set', caution: 'Live parts behind it' }, { kind: 'rest' }]);
  });
  it('a line among them that is none of ours is a hole at its place', () => {
    const lines = ['a press', 'b press', 'lid open', 'then do the usual dance', 'lid shut', 'c press'];
    const told = readCards(lines.join('\n'), bundleFacts(board));
    expect(told?.routes[0]?.steps.length).toBe(5);
    expect(
      told &&
        stretchesOf(told)
          .filter((s) => s.is === 'not-understood')
          .map((s) => s.text),
    ).toEqual(['then do the usual dance']);
  });
  it.each(['', 'Press a three times, would you.', 'Lid open, then switch off and wait', 'Now it must show'])(
    'other words are none of its: %j',
    (text) => expect(readCards(text, bundleFacts(board))).toBeNull(),
  );
});
