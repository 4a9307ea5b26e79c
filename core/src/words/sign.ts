import { assertNever } from '../base/result.ts';
import type { LampState } from '../model/lamp.ts';
import type { Panel } from '../model/panel.ts';
import type { Moment } from '../model/route.ts';
import type { Shown } from '../model/shown.ts';

/** What a control or sign is called on this panel; its id where it has no label. */
export function partName(panel: Panel, id: string): string {
  for (const face of panel.faces) {
    const found = face.controls.find((c) => c.id === id) ?? face.signs.find((s) => s.id === id);
    if (found) return found.label;
  }
  return id;
}

/** What a place of a control is called; its id where it has no label. */
export function placeName(panel: Panel, control: string | null, place: string): string {
  for (const face of panel.faces)
    for (const { id, mechanism } of face.controls) {
      if (id !== control || mechanism.kind === 'push') continue;
      const places = mechanism.kind === 'places' ? mechanism.places : mechanism.rests;
      return places.find((p) => p.id === place)?.label ?? place;
    }
  return place;
}

/** What a lamp shows, in the middle of a sentence. */
export const lampStateWords: Readonly<Record<LampState, string>> = {
  dark: 'dark',
  lit: 'lit',
  slow: 'blinking slowly',
  fast: 'blinking fast',
};

function stateOf(shown: Shown): string {
  switch (shown.kind) {
    case 'lamp':
      return `${lampStateWords[shown.state]}${shown.state !== 'dark' && shown.colour ? ` ${shown.colour}` : ''}`;
    case 'text':
      return `“${shown.text}”${shown.flashes === undefined ? '' : shown.flashes ? ' flashing' : ' steady'}`;
    case 'sound':
      return shown.state === 'off' ? 'silent' : `heard${shown.times ? ` ${shown.times} times` : ''}`;
    default:
      return assertNever(shown);
  }
}

/** What signs show, in words: alike lamps are told together. */
export function shownWords(shown: readonly Shown[], panel: Panel): string {
  const groups = new Map<string, string[]>();
  for (const s of shown) groups.set(stateOf(s), [...(groups.get(stateOf(s)) ?? []), partName(panel, s.sign)]);
  return [...groups].map(([state, names]) => `${names.join(', ')} ${state}`).join('; ');
}

const ordinal = (n: number): string => ['', 'first', 'second', 'third', 'fourth', 'fifth'][n] ?? `${n}th`;

const doesWords: Readonly<Record<LampState, string>> = {
  dark: 'goes dark',
  lit: 'shows',
  slow: 'blinks slowly',
  fast: 'blinks fast',
};

const textDoes = (flashes: boolean | undefined): string =>
  flashes === undefined ? 'shows' : flashes ? 'flashes' : 'stops flashing and shows';

function signMoment({ shown, nth, also = [] }: Extract<Moment, { kind: 'sign' }>, panel: Panel): string {
  if (also.length > 0) return `When all of this shows: ${shownWords([shown, ...also], panel)}`;
  const name = partName(panel, shown.sign);
  const again = nth > 1 ? `, the ${ordinal(nth)} time` : '';
  switch (shown.kind) {
    case 'sound': {
      if (shown.state === 'off') return `When the ${name} stops${again}`;
      const count = shown.times && shown.times > 1 ? ` of ${shown.times}` : '';
      return `At ${nth > 1 ? `the ${ordinal(nth)} ` : 'the '}${name === 'beeper' ? 'beep' : name}${count}`;
    }
    case 'lamp':
      return `When ${name} ${doesWords[shown.state]}${shown.colour && shown.state !== 'dark' ? ` ${shown.colour}` : ''}${again}`;
    case 'text':
      return `When ${name} ${textDoes(shown.flashes)} “${shown.text}”${again}`;
    default:
      return assertNever(shown);
  }
}

/** The moment a window or a hold starts or ends at, as a sentence begins. */
export function momentWords(moment: Moment, panel: Panel): string {
  switch (moment.kind) {
    case 'power-on':
      return 'From power-on';
    case 'step-before':
      return 'Straight after';
    case 'sign':
      return signMoment(moment, panel);
    default:
      return assertNever(moment);
  }
}
