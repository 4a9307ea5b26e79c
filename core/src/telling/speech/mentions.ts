import type { ControlId, PlaceId } from '../../base/ids.ts';
import type { Sign } from '../../model/panel.ts';
import type { ControlFacts, UnitFacts } from '../../unit/facts.ts';
import { usualPlace } from '../../unit/on-off.ts';
import { emergencyNames, isEmergencyStop, placeByAct } from '../names.ts';
import { actOf, clickWords, turnWords, unitMs } from './lexicon.ts';
import { placeByKind } from './place-by-kind.ts';
import { signNames as keySigns, type Word, wordsOf } from './text.ts';

type Named<T> = Readonly<{ of: T; words: readonly string[]; weak: boolean }>;

/** What a unit's controls and signs are called by people, longest names first. */
export type Called = Readonly<{
  facts: UnitFacts;
  controls: ReadonlyArray<Named<ControlFacts>>;
  signs: ReadonlyArray<Named<Sign>>;
  lamps: readonly Sign[];
  displays: readonly Sign[];
  sounds: readonly Sign[];
  /** Whether a key has no word on it but a sign, as `+`. */
  hasSigns: boolean;
  /** What “that one” was answered to be. */
  ones: ReadonlyMap<string, ControlFacts>;
}>;

/** What captions make of what was said. */
const misheard: Readonly<Record<string, string>> = {
  break: 'brake',
  leaver: 'lever',
  peddle: 'pedal',
  swich: 'switch',
};
const same = (a: string, b: string): boolean =>
  a === b || a === `${b}s` || b === `${a}s` || (a === `${b}es` && b !== 'go') || misheard[a] === b;
const unquoted = (word: string): string => word.replace(/^["“](.*)["”]$/, '$1');
const plain = (text: string): string[] =>
  wordsOf(text)
    .filter((w) => /[\p{L}\p{N}]/u.test(w.raw))
    .map((w) => (w.value !== null && w.span === 1 ? String(w.value) : w.word));

const pronounBefore =
  /^(?:red|green|amber|white|blue|yellow|the|that|this|which|left|right|other|same|next|last|first|second|third|top|bottom|upper|lower|new|old|older|another|each|every|no|right-hand|left-hand)$/;
/** Whether words of a telling are a name, a number in words as good as in figures. */
function fits(words: readonly Word[], at: number, name: readonly string[]): number | null {
  let i = at;
  for (const part of name) {
    const w = words[i];
    if (!w) return null;
    // `dip number three`
    if (/^\d+$/.test(part) && w.word === 'number') {
      i += 1;
      if (words[i]?.value !== Number(part)) return null;
    } else if (/^\d+$/.test(part) ? w.value !== Number(part) : !same(unquoted(w.word), part)) return null;
    // `it stops when it's cleared`: what it does
    else if (
      part === 'stop' &&
      w.word === 'stops' &&
      !/^(?:the|both|two|all|red|emergency|three)$/.test(words[i - 1]?.word ?? '')
    )
      return null;
    // `the green one`: no key called 1
    else if (part === '1' && w.word === 'one' && pronounBefore.test(words[i - 1]?.word ?? '')) return null;
    i += 1;
  }
  return i - at;
}

/** Words for what a control is, by its look; they name it where no other looks like that. */
const looks: Readonly<Record<string, readonly string[]>> = {
  knob: ['knob', 'dial', 'selector', 'wheel'],
  key: ['key', 'ignition'],
  plug: ['plug', 'cord'],
  lid: ['lid', 'hood', 'cover', 'flap'],
  door: ['door', 'gate'],
  breaker: ['breaker', 'isolator', 'fuse switch'],
  jumper: ['jumper', 'bridge', 'strap', 'link', 'cap'],
  fuse: ['fuse'],
  slide: ['slide', 'slide switch', 'slider'],
  dip: ['dip', 'dip switch', 'little switch'],
  pedal: ['pedal', 'foot pedal'],
  lever: ['lever', 'handle', 'throttle'],
  rocker: ['rocker', 'rocker switch'],
  switch: ['switch'],
};
const kinds: Readonly<Record<string, readonly string[]>> = {
  button: ['button', 'key', 'pad'],
  pad: ['pad', 'button', 'key'],
  key: ['key', 'switch'],
  knob: ['knob', 'dial'],
  switch: ['switch'],
  rocker: ['switch', 'rocker'],
  lever: ['lever'],
  pedal: ['pedal'],
  valve: ['valve'],
  tap: ['tap'],
};
/** Too common to name a control by themselves. */
const common = new Set(
  'the a an of in on off out up down back front and to left right hand test button key switch lamp light code one two three number service main water door'.split(
    ' ',
  ),
);
const supplyNames = ['power', 'mains', 'supply', 'mains switch', 'main switch', 'power switch'];

/** Keeps the names that mean one thing only; a whole label goes before a part of another's. */
function unambiguous<T>(all: ReadonlyArray<readonly [name: string, of: T, weak: boolean]>): Named<T>[] {
  const by = new Map<string, { strong: Set<T>; weak: Set<T> }>();
  for (const [name, of, weak] of all) {
    if (name === '') continue;
    const own = by.get(name) ?? { strong: new Set<T>(), weak: new Set<T>() };
    (weak ? own.weak : own.strong).add(of);
    by.set(name, own);
  }
  return [...by]
    .flatMap(([name, { strong, weak }]): Named<T>[] => {
      const [of] = strong.size > 0 ? strong : weak;
      const many = strong.size > 0 ? strong.size : weak.size;
      return many === 1 && of !== undefined ? [{ of, words: name.split(' '), weak: strong.size === 0 }] : [];
    })
    .sort((a, b) => b.words.length - a.words.length || Number(a.weak) - Number(b.weak));
}

const aliases = ({ labelByBadge, alsoCalled }: Pick<Sign, 'labelByBadge' | 'alsoCalled'>): string[] => [
  ...Object.values(labelByBadge ?? {}),
  ...(alsoCalled ?? []),
];

/** `S1` is said `S one` as well, `DIP 1` is written `DIP1`. */
const spaced = (name: string): string[] => {
  const [, letters, figures] = /^([a-z]{1,2})(\d{1,2})$/.exec(name) ?? [];
  const [, word, number] = /^([a-z]{2,6}) (\d{1,2})$/.exec(name) ?? [];
  return [name, ...(figures ? [`${letters} ${figures}`] : []), ...(number ? [`${word}${number}`] : [])];
};

function controlNames(facts: UnitFacts): Named<ControlFacts>[] {
  const all: Array<readonly [string, ControlFacts, boolean]> = [];
  // where a unit has a key that is turned, that is what is called key
  const hasKey = [...facts.controls.values()].some(({ control }) => control.look === 'key');
  // where there is a Steam and a Steam valve, nobody calls the valve `steam`
  const labels = new Set([...facts.controls.values()].map(({ control }) => plain(control.label).join(' ')));
  // a word that stands on another is no name for what only looks like it: `the cord`, where there is a Pull cord and a plug
  const inLabels = new Set([...labels].flatMap((l) => (l.includes(' ') ? l.split(' ') : [])));
  for (const own of facts.controls.values()) {
    const { control } = own;
    // what it is filed under is no name where it is a verb
    const id =
      actOf.has(control.id) && !plain(control.label).includes(control.id) ? [] : [control.id.replaceAll('-', ' ')];
    const drawn = keySigns.find(([sign]) => sign.test(control.label.trim()))?.[1] ?? [];
    const full = [control.label, ...drawn, ...id, ...aliases(control)].map((n) => plain(n).join(' '));
    for (const name of new Set(full.flatMap(spaced))) {
      all.push([name, own, false]);
      const words = name.split(' ');
      for (const kind of kinds[control.look] ?? []) {
        if (words.at(-1) !== kind) all.push([`${name} ${kind}`, own, false]);
        else if (words.length > 1) {
          const bare = words.slice(0, -1).join(' ');
          if (!labels.has(bare)) all.push([bare, own, false]);
        }
        if (kind !== 'key' || control.look === 'key' || !hasKey) all.push([`${kind} ${name}`, own, true]);
      }
      for (const look of looks[control.look] ?? [])
        if (words.at(-1) !== look) all.push([`${name} ${look}`, own, false]);
      if (words.length > 1)
        for (const word of words)
          if ((!common.has(word) && !/^\d+$/.test(word) && word.length > 2) || /^[a-z]{1,2}\d+$/.test(word))
            all.push([word, own, true]);
      // `A` of Switch A
      const letter = /^[b-z]$|^a$/.exec(words.length === 2 ? (words[1] ?? '') : '')?.[0];
      if (letter !== undefined && control.look === 'dip')
        for (const kind of ['', 'switch ', 'dip ', 'dip switch ']) all.push([`${kind}${letter}`, own, true]);
      // `number 3` of DIP 3, `switch 3` of S3
      const n = /^(?:s|sw|dip|switch)?(\d+)$/.exec(
        words.length === 2 ? (words[1] ?? '') : words.length === 1 ? name : '',
      )?.[1];
      if (n !== undefined && (words.length === 2 || control.look === 'dip')) {
        all.push([n, own, true]);
        if (control.look === 'dip')
          for (const kind of ['switch', 'dip', 'dip switch']) all.push([`${kind} ${n}`, own, true]);
      }
    }
    for (const look of looks[control.look] ?? [])
      if (!inLabels.has(look) || own.control.label.toLowerCase().includes(look)) all.push([look, own, true]);
    if (isEmergencyStop(control)) for (const name of emergencyNames) all.push([name, own, true]);
    all.push([`${plain(own.face.label).join(' ')} ${full[0]}`, own, true]);
  }
  const [supply] = facts.supply;
  // mains is not a fuse of the unit
  if (supply && supply.control.look !== 'fuse') for (const name of supplyNames) all.push([name, supply, true]);
  return unambiguous(all);
}

const lampKinds = ['lamp', 'light', 'led', 'indicator'];
const soundWords = [
  'beep',
  'beeper',
  'buzzer',
  'buzz',
  'chime',
  'tone',
  'bleep',
  'horn',
  'signal',
  'hoot',
  'ding',
  'toot',
  'ring',
  'gong',
  'bip',
  'chirp',
  'tweet',
  'squeak',
  'blip',
  'peep',
  'pip',
  'ping',
  'bell',
  'jingle',
  'siren',
  'honk',
  'bong',
  'whistle',
];

const isOfColour = (sign: Sign, colour: string): boolean =>
  sign.kind === 'lamp' && sign.colours.some((c) => c === colour);
/** What people call a colour where no lamp has that one: who sees amber says orange. */
const seenAs: Readonly<Record<string, readonly string[]>> = {
  amber: ['orange', 'yellow'],
  yellow: ['orange', 'amber'],
};

function signNames(facts: UnitFacts): Named<Sign>[] {
  const all: Array<readonly [string, Sign, boolean]> = [];
  const isHornKey = [...facts.controls.values()].some((own) => /\bhorn\b/i.test(own.control.label));
  const has = (colour: string): boolean => [...facts.signs.values()].some((s) => isOfColour(s, colour));
  for (const sign of facts.signs.values()) {
    // an id of one letter is nobody's name for it
    // `go`, of a gong: no name, whoever filed it so
    const isWord = /^(?:go|do|in|on|off|out|up|it|is|be|no|so|to|of|we|he)$/.test(sign.id);
    const id = sign.id.length > 1 && !isWord ? [sign.id.replaceAll('-', ' ')] : [];
    const full = [sign.label, ...id, ...aliases(sign)].map((n) => plain(n).join(' '));
    for (const name of new Set(full.flatMap(spaced))) {
      all.push([name, sign, false]);
      if (sign.kind === 'lamp')
        for (const kind of lampKinds) {
          const bare = name.replace(/ (?:lamp|light)$/, '');
          all.push([`${bare} ${kind}`, sign, false], [`${kind} ${bare}`, sign, false]);
        }
    }
    if (sign.kind === 'lamp') {
      for (const kind of lampKinds) all.push([kind, sign, true]);
      for (const colour of sign.colours.flatMap((c) => [c, ...(seenAs[c] ?? []).filter((other) => !has(other))]))
        for (const kind of [...lampKinds, 'one']) all.push([`${colour} ${kind}`, sign, true]);
    }
    if (sign.kind === 'beeper')
      // `honk honk honk`, where a key is a horn: what that does
      for (const word of soundWords) if (!isHornKey || !/^(?:honk|toot)$/.test(word)) all.push([word, sign, true]);
    if (sign.kind !== 'lamp' && /^(?:click|tick|clack)/i.test(sign.label))
      for (const word of ['click', 'tick', 'ticking', 'clicking']) all.push([word, sign, true]);
    if (/relay|contactor|solenoid|latch|valve/i.test(sign.label) && sign.kind !== 'lamp')
      for (const word of ['click', 'clack', 'clunk']) all.push([word, sign, true]);
    if (sign.kind === 'segments' || sign.kind === 'text')
      for (const word of ['display', 'screen', 'readout', 'line', 'text line', 'figures', 'digits'])
        all.push([word, sign, true]);
  }
  return unambiguous(all);
}

export function calledOf(plainFacts: UnitFacts, ones: Readonly<Record<string, string>> = {}): Called {
  const facts = withSupply(plainFacts);
  const all = [...facts.signs.values()];
  return {
    facts,
    controls: controlNames(facts),
    signs: signNames(facts),
    lamps: all.filter((s) => s.kind === 'lamp'),
    displays: all.filter((s) => s.kind === 'segments' || s.kind === 'text'),
    sounds: all.filter((s) => s.kind === 'beeper'),
    hasSigns: [...facts.controls.values()].some(({ control: { label } }) =>
      keySigns.some(([sign, names]) => sign.test(label.trim()) || names.includes(label.trim().toLowerCase())),
    ),
    ones: new Map(
      Object.entries(ones).flatMap(([phrase, id]) => {
        const own = [...facts.controls.values()].find((c) => c.control.id === id);
        return own ? [[phrase, own] as const] : [];
      }),
    ),
  };
}

/** Where nothing says what gives the unit its current, the one rocker or switch that goes on and off is meant by it. */
function withSupply(facts: UnitFacts): UnitFacts {
  if (facts.supply.length > 0) return facts;
  const having = (look: RegExp, ...ids: readonly string[]): ControlFacts[] =>
    [...facts.controls.values()].filter(
      ({ control, mechanism }) =>
        look.test(control.look) &&
        mechanism.kind === 'places' &&
        mechanism.places.length === 2 &&
        mechanism.places.every((p) => ids.includes(p.id)),
    );
  const switches = having(/^(?:rocker|switch|knob|slide)$/, 'on', 'off');
  // else the one fuse that is taken out
  const all = switches.length === 0 ? having(/^fuse$/, 'in', 'out') : switches;
  const [only] = all.length === 1 ? all : [];
  if (!only) return facts;
  const own = { ...only, powersAt: new Set([(only.control.look === 'fuse' ? 'in' : 'on') as PlaceId]) };
  return { ...facts, controls: new Map(facts.controls).set(own.control.id as ControlId, own), supply: [own] };
}

/** Whether there is anything that turns by clicks. */
export const hasKnob = ({ facts }: Called): boolean =>
  [...facts.controls.values()].some((c) => c.mechanism.kind === 'clicks');

/** The small switches of a board, in their order. */
export const dipsOf = ({ facts }: Called): ControlFacts[] =>
  [...facts.controls.values()].filter((c) => c.control.look === 'dip');

/** Several controls by a word they share: `both basket buttons`, `the two cup keys`. */
export function groupAt(
  words: readonly Word[],
  at: number,
  called: Called,
): Readonly<{ of: readonly ControlFacts[]; length: number }> | null {
  const word = words[at]?.word ?? '';
  const kind = words[at + 1]?.word ?? '';
  // `both arrows`, `the two arrows`: what they are called in common
  // `each palm button`: both of them
  if (
    (word === 'each' || word === 'both') &&
    /^(?:buttons?|keys?|pads?|pedals?|levers?)$/.test(words[at + 2]?.word ?? '')
  ) {
    const alike = [...called.facts.controls.values()].filter((c) => plain(c.control.label).includes(kind));
    if (alike.length === 2) return { of: alike, length: 3 };
  }
  const noun = /^(?:both|the|two)$/.test(word)
    ? words[word === 'the' && words[at + 1]?.value === 2 ? at + 2 : at + 1]
    : undefined;
  if (
    noun &&
    /^\p{L}{4,}s$/u.test(noun.word) &&
    !/^(?:buttons|keys|pads|switches|lamps|lights|hands|fingers|thumbs|times|seconds)$/.test(noun.word)
  ) {
    const alike = [...called.facts.controls.values()].filter((c) =>
      plain(c.control.label).some((w) => `${w}s` === noun.word),
    );
    if (alike.length === 2) return { of: alike, length: words.indexOf(noun) + 1 - at };
  }
  // `dips back to off`, `the switches to on`
  const plural = word === 'dips' ? 1 : word === 'dip' && kind === 'switches' ? 2 : 0;
  const row = plural > 0 || word === 'both' || word === 'all' ? dipsOf(called) : [];
  if (plural > 0 && row.length > 1 && words[at + plural]?.value == null) return { of: row, length: plural };
  // `both doors`: all that look like that
  if (word === 'both' || word === 'all') {
    const k = words[at + 1]?.word === 'the' ? at + 2 : at + 1;
    // `both dip switches`, `both switches` of a row of them
    const dips = /^(?:dips|dip|little|small)$/.test(words[k]?.word ?? '') || words[k]?.word === 'switches';
    if (dips && (word === 'all' ? row.length > 1 : row.length === 2)) {
      const isTwo = words[k]?.word !== 'switches' && words[k + 1]?.word === 'switches';
      return { of: row, length: k + (isTwo ? 2 : 1) - at };
    }
    const look = /^(doors|lids|covers|pedals|levers|valves|taps|fuses|breakers)$/.exec(words[k]?.word ?? '')?.[1];
    const alike = look
      ? [...called.facts.controls.values()].filter(
          (c) => same(look, c.control.look) || plain(c.control.label).some((w) => same(look, w)),
        )
      : [];
    return alike.length > 1 ? { of: alike, length: k + 1 - at } : null;
  }
  if (!/^(?:buttons|keys|pads|pedals|levers|switches)$/.test(kind)) return null;
  const of = [...called.facts.controls.values()].filter((c) => plain(c.control.label).some((w) => same(w, word)));
  return of.length > 1 ? { of, length: 2 } : null;
}

/** The lamps that can show a colour, or what people call so. */
export function lampsIn(called: Called, colour: string): readonly Sign[] {
  const own = called.lamps.filter((s) => isOfColour(s, colour));
  const alike = Object.keys(seenAs).filter((c) => seenAs[c]?.includes(colour));
  return own.length > 0 ? own : called.lamps.filter((s) => alike.some((c) => isOfColour(s, c)));
}

type Index = Readonly<{
  byFirst: ReadonlyMap<string, ReadonlyArray<readonly [order: number, named: unknown]>>;
  /** What was looked up before, by the word and its number: a telling says the same words over and over. */
  asked: Map<string, readonly unknown[]>;
}>;
/** Names by the word they begin with, in the order they are tried: most words of a telling begin none. */
const indexes = new WeakMap<object, Index>();
function indexOf<T>(names: ReadonlyArray<Named<T>>): Index {
  const known = indexes.get(names);
  if (known) return known;
  const byFirst = new Map<string, Array<readonly [number, Named<T>]>>();
  names.forEach((named, order) => {
    const [first = ''] = named.words;
    byFirst.set(first, [...(byFirst.get(first) ?? []), [order, named]]);
  });
  const index = { byFirst, asked: new Map<string, readonly unknown[]>() };
  indexes.set(names, index);
  return index;
}
function beginning<T>(names: ReadonlyArray<Named<T>>, word: Word): ReadonlyArray<Named<T>> {
  const { byFirst, asked } = indexOf(names);
  const question = word.value === null ? word.word : `${word.word} ${word.value}`;
  const before = asked.get(question);
  if (before) return before as ReadonlyArray<Named<T>>;
  const said = unquoted(word.word);
  const keys = [
    said,
    `${said}s`,
    said.endsWith('s') ? said.slice(0, -1) : '',
    said.endsWith('es') ? said.slice(0, -2) : '',
    misheard[said] ?? '',
  ];
  if (word.value !== null) keys.push(String(word.value));
  if (said === 'number') keys.push(...[...byFirst.keys()].filter((key) => /^\d+$/.test(key)));
  const found = [...new Set(keys)]
    .flatMap((key) => byFirst.get(key) ?? [])
    .sort((x, y) => x[0] - y[0])
    .map(([, named]) => named as Named<T>);
  asked.set(question, found);
  return found;
}

/** The longest name that is looked for among the words said last, in words. */
const longestLast = 4;
/** What is named by the words said last; null where they name nothing. */
export function namedLast<T>(words: readonly Word[], names: ReadonlyArray<Named<T>>): T | null {
  const last = words.slice(-longestLast);
  for (const k of last.keys()) {
    const named = mentionAt(last, k, names);
    if (named && k + named.length === last.length) return named.of;
  }
  return null;
}

/** What is named at a word, with how many words it takes; the longest name, whole labels first. */
export function mentionAt<T>(
  words: readonly Word[],
  at: number,
  names: ReadonlyArray<Named<T>>,
): Readonly<{ of: T; length: number; weak: boolean }> | null {
  const word = words[at];
  if (!word) return null;
  for (const { of, words: name, weak } of beginning(names, word)) {
    const length = fits(words, at, name);
    if (length !== null) return { of, length, weak };
  }
  return null;
}

const placeWords: Readonly<Record<string, string>> = {
  on: 'on',
  off: 'off',
  in: 'in',
  out: 'out',
  open: 'open',
  opened: 'open',
  shut: 'shut',
  closed: 'shut',
  close: 'shut',
  up: 'up',
  down: 'down',
  back: 'back',
};
const opposites: Readonly<Record<string, readonly string[]>> = {
  on: ['on', 'in', 'fitted', 'connected', 'engaged'],
  off: ['off', 'out', 'released', 'removed', 'disconnected', 'disengaged'],
  in: ['in', 'on', 'down', 'pushed', 'fitted', 'inserted', 'connected', 'plugged'],
  out: ['out', 'off', 'up', 'pulled', 'removed', 'disconnected', 'unplugged', 'stowed'],
  open: ['open', 'up', 'out', 'loose', 'free', 'unlocked', 'unlatched', 'released', 'off'],
  shut: ['shut', 'closed', 'down', 'locked', 'latched', 'on'],
  up: ['up', 'on', 'open', 'raised'],
  down: ['down', 'off', 'shut', 'closed', 'in', 'lowered'],
};

const oppositeIn = (places: Parameters<typeof usualPlace>[0], word: string): PlaceId | null =>
  (opposites[word] ?? []).map((o) => usualPlace(places, o)).find((p) => p !== null) ?? null;

/** What is counted: clicks, turns, times, seconds. */
const isUnit = (word: string): boolean =>
  clickWords.has(word) || turnWords.has(word) || word in unitMs || /^times?$/.test(word);

type NamedPlace = Readonly<{ place: PlaceId; name: readonly string[] }>;
/** What the places of a control are called, longest first; worked out once. */
const placesCalled = new WeakMap<ControlFacts, readonly NamedPlace[]>();
function namesOfPlaces(own: ControlFacts, places: ReadonlyArray<Readonly<{ id: PlaceId; label: string }>>) {
  const known = placesCalled.get(own);
  if (known) return known;
  const named = places
    .flatMap((p) => [plain(p.label), plain(p.id.replaceAll('-', ' '))].map((name) => ({ place: p.id, name })))
    .sort((a, b) => b.name.length - a.name.length);
  placesCalled.set(own, named);
  return named;
}

/** The place of a control that words name, by its own labels first, then by what such a place is usually called. */
export function placeAt(
  words: readonly Word[],
  at: number,
  own: ControlFacts,
): Readonly<{ place: PlaceId; length: number }> | null {
  const { mechanism } = own;
  const places = mechanism.kind === 'places' ? mechanism.places : mechanism.kind === 'clicks' ? mechanism.rests : [];
  for (const { place, name } of namesOfPlaces(own, places)) {
    const length = fits(words, at, name);
    // `turned five clicks`: no place called five
    const isCount = length !== null && words[at]?.value != null && isUnit(words[at + length]?.word ?? '');
    if (length !== null && name.length > 0 && !isCount) return { place, length };
  }
  // `put the main switch on zero`
  const isZero =
    /^(?:0|zero)$/.test(words[at]?.word ?? '') &&
    at > 1 &&
    /^(?:on|to|at|position)$/.test(words[at - 1]?.word ?? '') &&
    !isUnit(words[at + 1]?.word ?? '') &&
    // `and it's back to zero`: what it shows
    !(
      words[at - 2]?.word === 'back' &&
      /^(?:it|display|goes|is|readout)$/.test(words[at - 3]?.word ?? '') &&
      !/^(?:turn|put|set|bring|switch|move|push)s?$/.test(words[at - 4]?.word ?? '')
    ) &&
    !/^(?:the|it|them|all|that|those)$/.test(words[at + 1]?.word ?? '');
  const given = isZero && usualPlace(places, 'off') !== null ? 'off' : placeWords[words[at]?.word ?? ''];
  // `the fuse again inside`
  const inward = { inside: 'in', outside: 'out' }[words[at]?.word ?? ''];
  const isPlugged = /^(?:plug|fuse|jumper|key|appliance)$/.test(own.control.look);
  const side =
    inward !== undefined && isPlugged && !/^(?:the|of|it|this)$/.test(words[at + 1]?.word ?? '')
      ? places.find((p) => p.id === inward)
      : undefined;
  if (side) return { place: side.id as PlaceId, length: 1 };
  // a cover that is off is open
  const flows = own.control.look === 'tap' || own.control.look === 'valve';
  const word =
    (isCover(own) || flows) && (given === 'off' || given === 'on') && !places.some((p) => p.id === given)
      ? (given === 'off') === isCover(own)
        ? 'open'
        : 'shut'
      : given;
  if (places.length === 2 && (word === 'up' || word === 'down') && !places.some((p) => p.id === word)) {
    const other = places.find((p) => p.id === (word === 'up' ? 'down' : 'up'));
    const id = other && places.find((p) => p !== other)?.id;
    if (id !== undefined) return { place: id as PlaceId, length: 1 };
  }
  // `a switch in disguise`
  const isElse =
    word === 'in' &&
    (/^(?:disguise|case|fact|general|theory|practice|question|doubt|mind)$/.test(words[at + 1]?.word ?? '') ||
      // `put it in your pocket`
      (/^(?:your|my|the|a|his|her)$/.test(words[at + 1]?.word ?? '') &&
        /^(?:pocket|bag|toolbox|hand|van|bin|bucket|boot|mouth|drawer|cup|tray|sun|way)$/.test(
          words[at + 2]?.word ?? '',
        )));
  const place = isElse ? null : (placeByKind(own, word ?? '') ?? oppositeIn(places, word ?? ''));
  return place === null ? null : { place, length: 1 };
}

/** `the switch`, where the unit has one: what it is, not what is done. */
export function switchAt(words: readonly Word[], at: number, called: Called): ControlFacts | null {
  if (words[at]?.word !== 'switch' || !/^(?:the|this|that|its|a)$/.test(words[at - 1]?.word ?? '')) return null;
  const all = [...called.facts.controls.values()].filter(
    ({ control, mechanism }) =>
      mechanism.kind !== 'push' && (/^(?:switch|rocker)$/.test(control.look) || /\bswitch\b/i.test(control.label)),
  );
  return all.length === 1 ? (all[0] ?? null) : null;
}

/** What gives the unit its supply, as somebody means it who says no more than on, off, in or out. */
export function supplyFor(called: Called, word: string): ControlFacts | null {
  const all = called.facts.supply;
  const asWord = /^(?:in|out)$/.test(word) ? ['plug'] : ['breaker', 'switch', 'rocker', 'key'];
  for (const look of asWord) {
    const own = all.find((c) => c.control.look === look);
    if (own) return own;
  }
  return all[0] ?? null;
}

export const isCover = ({ control }: ControlFacts): boolean => control.look === 'lid' || control.look === 'door';
/** A cover that is taken off is open, one that is put back on is shut. */
const coverActs: Readonly<Record<string, string>> = {
  away: 'open',
  out: 'open',
  off: 'open',
  up: 'open',
  in: 'shut',
  on: 'shut',
  down: 'shut',
  back: 'shut',
};

/** The place an act brings a control to, where none is named. */
export const placeByVerb = (own: ControlFacts, act: string): PlaceId | null =>
  placeByKind(own, act) ??
  placeByAct(own, act) ??
  (isCover(own) ? placeByAct(own, coverActs[act] ?? act) : null) ??
  (own.mechanism.kind === 'places' ? oppositeIn(own.mechanism.places, act) : null) ??
  (act === 'in' || act === 'out' ? placeByAct(own, act === 'in' ? 'on' : 'off') : null);
