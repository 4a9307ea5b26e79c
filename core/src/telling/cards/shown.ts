import type { SignId } from '../../base/ids.ts';
import { LampColour, type LampState } from '../../model/lamp.ts';
import type { Sign } from '../../model/panel.ts';
import type { Moment } from '../../model/route.ts';
import type { Shown } from '../../model/shown.ts';
import type { UnitFacts } from '../../unit/facts.ts';
import type { Cursor } from './cursor.ts';

type Named = ReadonlyArray<readonly [string, Sign]>;
export const signsOf = (facts: UnitFacts): Named => [...facts.signs.values()].map((s) => [s.label, s] as const);

const lampStates: ReadonlyArray<readonly [RegExp, LampState]> = [
  [/ (?:dark|goes dark|goes out)/, 'dark'],
  [/ (?:blinking|blinks) slowly/, 'slow'],
  [/ (?:blinking|blinks) fast/, 'fast'],
  [/ (?:lit|shows(?! “)|comes on)/, 'lit'],
];
const colours = new RegExp(` (${LampColour.options.join('|')})(?![\\p{L}])`, 'u');

/** What one sign does, behind its name. */
function stateAt(at: Cursor, signs: readonly Sign[]): Shown[] | null {
  const text = at.take(/ “([^”]*)”/);
  if (text) {
    const flashes = at.take(/ flashing/) ? true : at.take(/ steady/) ? false : undefined;
    return signs.map((s) => ({
      kind: 'text',
      sign: s.id as SignId,
      text: text[1] ?? '',
      ...(flashes === undefined ? {} : { flashes }),
    }));
  }
  if (at.take(/ silent/)) return signs.map((s) => ({ kind: 'sound', sign: s.id as SignId, state: 'off' }));
  if (at.take(/ heard/)) {
    const times = at.take(/ (\d+) times/)?.[1];
    return signs.map((s) => ({
      kind: 'sound',
      sign: s.id as SignId,
      state: 'on',
      ...(times === undefined ? {} : { times: Number(times) }),
    }));
  }
  for (const [words, state] of lampStates) {
    if (!at.take(words)) continue;
    const colour = state === 'dark' ? undefined : at.take(colours)?.[1];
    return signs.map((s) => ({
      kind: 'lamp',
      sign: s.id as SignId,
      state,
      ...(colour === undefined ? {} : { colour: LampColour.parse(colour) }),
    }));
  }
  return null;
}

/** `Heat, Rinse blinking slowly; Display “E 0”`: what signs show. */
export function shownAt(at: Cursor, signs: Named): Shown[] | null {
  const out: Shown[] = [];
  do {
    const group: Sign[] = [];
    do {
      const sign = at.takeName(signs);
      if (!sign) return null;
      group.push(sign);
    } while (at.take(/, /));
    const shown = stateAt(at, group);
    if (!shown) return null;
    out.push(...shown);
  } while (at.take(/; /));
  return out;
}

const ordinals = ['', 'first', 'second', 'third', 'fourth', 'fifth'];
const nthOf = (word: string): number => (ordinals.includes(word) ? ordinals.indexOf(word) : Number.parseInt(word, 10));

/** `, the second time` behind a moment; 1 where it is not said. */
const againAt = (at: Cursor): number => nthOf(at.take(/, the (\w+) time/)?.[1] ?? 'first');

function soundMoment(at: Cursor, signs: Named): Moment | null {
  if (!at.take(/[Aa]t the /)) return null;
  const nth = at.tries(() => {
    const m = at.take(/(second|third|fourth|fifth|\d+th) /);
    return m ? nthOf(m[1] ?? '') : null;
  });
  const beeper = signs.find(([, s]) => s.label === 'beeper');
  const sign = at.takeName(beeper ? [...signs, ['beep', beeper[1]] as const] : signs);
  if (!sign) return null;
  const times = at.take(/ of (\d+)/)?.[1];
  return {
    kind: 'sign',
    shown: {
      kind: 'sound',
      sign: sign.id as SignId,
      state: 'on',
      ...(times === undefined ? {} : { times: Number(times) }),
    },
    nth: nth ?? 1,
  };
}

function signMoment(at: Cursor, signs: Named): Moment | null {
  if (at.take(/[Ww]hen all of this shows: /)) {
    const [shown, ...also] = shownAt(at, signs) ?? [];
    return shown ? { kind: 'sign', shown, ...(also.length > 0 ? { also } : {}), nth: 1 } : null;
  }
  if (!at.take(/[Ww]hen /)) return null;
  const stops = at.tries(() => {
    if (!at.take(/the /)) return null;
    const sign = at.takeName(signs);
    return sign && at.take(/ stops(?! flashing)/) ? sign : null;
  });
  if (stops)
    return { kind: 'sign', shown: { kind: 'sound', sign: stops.id as SignId, state: 'off' }, nth: againAt(at) };
  const sign = at.takeName(signs);
  if (!sign) return null;
  const text = at.take(/ (shows|flashes|stops flashing and shows) “([^”]*)”/);
  if (text) {
    const flashes = text[1] === 'shows' ? undefined : text[1] === 'flashes';
    return {
      kind: 'sign',
      shown: {
        kind: 'text',
        sign: sign.id as SignId,
        text: text[2] ?? '',
        ...(flashes === undefined ? {} : { flashes }),
      },
      nth: againAt(at),
    };
  }
  const [shown] = stateAt(at, [sign]) ?? [];
  return shown ? { kind: 'sign', shown, nth: againAt(at) } : null;
}

/** A moment as the coach names it, at the front of what stands there. */
export function momentAt(at: Cursor, signs: Named): Moment | null {
  if (at.take(/[Ff]rom power-on/)) return { kind: 'power-on' };
  if (at.take(/[Ss]traight after/)) return { kind: 'step-before' };
  return at.tries(() => soundMoment(at, signs)) ?? at.tries(() => signMoment(at, signs));
}
