import type { PlaceId, SignId } from '../base/ids.ts';
import type { Control, Sign } from '../model/panel.ts';
import type { ControlFacts, UnitFacts } from '../unit/facts.ts';
import { usualPlace } from '../unit/on-off.ts';
import { tokensOf } from './tokens.ts';

/** Something a telling can name, with the words it is named by. */
type Named<T> = Readonly<{ of: T; words: readonly string[] }>;

/** What this family's controls, places and signs are called, longest names first. */
export type Names = Readonly<{
  facts: UnitFacts;
  controls: ReadonlyArray<Named<ControlFacts>>;
  signs: ReadonlyArray<Named<Sign>>;
  instruments: ReadonlyArray<Named<string>>;
}>;

export type InstrumentName = Readonly<{ id: string; name: string }>;

const wordsOf = (text: string): string[] => tokensOf(text).map((t) => (t.kind === 'number' ? String(t.value) : t.word));

/** Other words for what a control is by its look; they count where only one control has it. */
const lookWords: Readonly<Record<string, readonly string[]>> = {
  knob: ['knob', 'dial', 'selector'],
  key: ['key', 'ignition'],
  plug: ['plug'],
  lid: ['lid', 'hood', 'cover'],
  door: ['door'],
  breaker: ['breaker', 'isolator switch'],
  jumper: ['jumper', 'bridge'],
  fuse: ['fuse'],
  slide: ['slide', 'slide switch'],
  dip: ['dip', 'dip switch'],
  pedal: ['pedal'],
  lever: ['lever'],
  rocker: ['rocker'],
};
/** The button everybody has a name of their own for. */
export const isEmergencyStop = ({ id, label }: Pick<Control, 'id' | 'label'>): boolean =>
  id === 'estop' || /\b(?:emergency|e-?stop)\b/i.test(label);
export const emergencyNames = [
  ...['emergency stop', 'emergency', 'e-stop', 'e stop', 'estop'],
  ...['red button', 'red mushroom', 'mushroom', 'mushroom button'],
  ...['stop button', 'stop knob', 'stop switch', 'big red button'],
];

/** Keeps the names that mean one thing only. */
function unique<T>(all: ReadonlyArray<readonly [string, T]>): Named<T>[] {
  const by = new Map<string, Set<T>>();
  for (const [name, of] of all) by.set(name, (by.get(name) ?? new Set()).add(of));
  return [...by]
    .flatMap(([name, of]) => ([...of].length === 1 ? [{ of: [...of][0] as T, words: name.split(' ') }] : []))
    .sort((a, b) => b.words.length - a.words.length);
}

const kinds: ReadonlyArray<string> = [
  'pad',
  'button',
  'key',
  'switch',
  'knob',
  'dial',
  'lever',
  'pedal',
  'rocker',
  'lamp',
  'light',
  'handle',
  'control',
];

/** What else a control or sign goes by: on other badges, by its number in the sheet, as people call it. */
const furtherNames = ({ labelByBadge, alsoCalled }: Pick<Sign, 'labelByBadge' | 'alsoCalled'>): string[] => [
  ...Object.values(labelByBadge ?? {}),
  ...(alsoCalled ?? []),
];

/** Gathers the names of a family. A name two things share names neither. */
export function namesOf(facts: UnitFacts, instruments: readonly InstrumentName[] = []): Names {
  const controls: Array<readonly [string, ControlFacts]> = [];
  for (const own of facts.controls.values()) {
    const { control } = own;
    const label = wordsOf(control.label);
    const id = control.id.replaceAll('-', ' ');
    const badge = furtherNames(control).map((l) => wordsOf(l).join(' '));
    const head = label.length > 1 ? [label.at(-1) ?? '', label[0] ?? ''] : [];
    const placed = `${wordsOf(own.face.label).join(' ')} ${label.join(' ')}`;
    const looked = (lookWords[control.look] ?? []).map((w) => `${label.join(' ')} ${w}`);
    const plain = [
      label.join(' '),
      id,
      ...badge,
      ...head,
      placed,
      ...looked,
      ...(lookWords[control.look] ?? []),
      ...(isEmergencyStop(control) ? emergencyNames : []),
      ...(control.id === 'power' ? ['supply'] : []),
    ];
    for (const name of plain) {
      if (name.length === 0) continue;
      controls.push([name, own]);
      const last = name.split(' ').at(-1) ?? '';
      if (!kinds.includes(last))
        for (const kind of kinds.filter(
          (k) =>
            k !== 'lamp' &&
            k !== 'light' &&
            (k === control.look || k === 'button' || k === 'switch' || lookWords[control.look]?.includes(k) === true),
        ))
          controls.push([`${name} ${kind}`, own]);
    }
  }
  const signs: Array<readonly [string, Sign]> = [];
  for (const sign of facts.signs.values()) {
    const label = wordsOf(sign.label)
      .filter((w) => w !== 'heard')
      .join(' ');
    const id = sign.id.replaceAll('-', ' ');
    const own = [label, id, ...furtherNames(sign).map((l) => wordsOf(l).join(' '))];
    if (sign.kind === 'lamp') {
      own.push(`lamp ${label}`, `${label} lamp`, `${label} light`, `light ${label}`, 'lamp', 'light', 'indicator');
      if (sign.colours.length === 1) own.push(`${sign.colours[0]} lamp`, `${sign.colours[0]} light`);
    }
    if (sign.kind === 'segments') own.push('display', 'screen', 'readout');
    if (sign.kind === 'text') own.push('display', 'screen', 'text line', 'line', 'text');
    if (sign.kind === 'beeper') own.push('beeper', 'buzzer', 'beep');
    for (const name of new Set(own)) signs.push([name, sign]);
  }
  const names = instruments.flatMap(({ id, name }) => [
    [wordsOf(name).join(' '), id] as const,
    [id.replaceAll('-', ' '), id] as const,
  ]);
  return { facts, controls: unique(controls), signs: unique(signs), instruments: unique(names) };
}

/** All lamps in the order they stand on the panels. */
export function lampsOf(names: Names): Sign[] {
  return [...names.facts.signs.values()].filter((s) => s.kind === 'lamp');
}
export const lampById = (names: Names, id: string): SignId | null =>
  [...names.facts.signs.values()].find((s) => s.kind === 'lamp' && (s.id === id || s.label.toLowerCase() === id))?.id ??
  null;

/** Words for places, by what a place is usually called. */
const placeWords: Readonly<Record<string, readonly string[]>> = {
  on: ['on'],
  off: ['off'],
  in: ['in', 'on'],
  out: ['out', 'off'],
  open: ['open', 'up'],
  shut: ['shut', 'down'],
  down: ['down'],
  up: ['up'],
};

/** The place of a control that a word names; its own labels go before what is usual. */
export function placeNamed(
  own: ControlFacts,
  words: readonly string[],
): Readonly<{ place: PlaceId; length: number }> | null {
  const { mechanism } = own;
  const places = mechanism.kind === 'places' ? mechanism.places : mechanism.kind === 'clicks' ? mechanism.rests : [];
  const named = places.flatMap((p) =>
    [wordsOf(p.label), p.id.split('-').map((w) => wordsOf(w)[0] ?? w)].map((name) => ({ place: p.id, name })),
  );
  named.sort((a, b) => b.name.length - a.name.length);
  for (const { place, name } of named) if (name.every((w, i) => words[i] === w)) return { place, length: name.length };
  const [first = ''] = words;
  for (const p of places) if (placeWords[p.id]?.includes(first)) return { place: p.id, length: 1 };
  const marked = usualPlace(places, first);
  if (marked !== null) return { place: marked, length: 1 };
  return null;
}

/** What an act without a named place does to a control: opening, shutting, putting in, taking out. */
const actPlaces: Readonly<Record<string, readonly string[]>> = {
  open: ['open', 'off', 'out'],
  shut: ['shut', 'on', 'in'],
  lower: ['shut', 'down'],
  in: ['in', 'on'],
  out: ['out', 'off'],
  pull: ['out', 'pulled', 'off', 'down'],
  on: ['on'],
  off: ['off'],
  push: ['in', 'down'],
};
export function placeByAct(own: ControlFacts, act: string): PlaceId | null {
  if (own.mechanism.kind !== 'places') return null;
  for (const word of actPlaces[act] ?? []) {
    const place = usualPlace(own.mechanism.places, word);
    if (place !== null) return place;
  }
  return null;
}

/** The one place a control springs back from, or the only other one it has; null where that is not one. */
export function onlyHeld(own: ControlFacts): PlaceId | null {
  const springs = [...own.springs.keys()];
  return springs.length === 1 ? (springs[0] ?? null) : null;
}
