import type { PlaceId, SignId } from '../base/ids.ts';
import { assertNever } from '../base/result.ts';
import type { Box, Control, Sign } from '../model/panel.ts';

/** What can be put on a face: a control by its look, or a sign by its kind. */
export type PartKind = Control['look'] | Sign['kind'];

type Made = Readonly<{ w: number; h: number; label: string }>;
const controlSizes: Record<Control['look'], Made> = {
  button: { w: 4, h: 4, label: 'Button' },
  pad: { w: 5, h: 4, label: 'Pad' },
  rocker: { w: 5, h: 9, label: 'Rocker' },
  knob: { w: 7, h: 7, label: 'Knob' },
  key: { w: 6, h: 6, label: 'Key' },
  slide: { w: 3, h: 6, label: 'Slide switch' },
  dip: { w: 2, h: 5, label: 'DIP switch' },
  switch: { w: 4, h: 6, label: 'Switch' },
  jumper: { w: 4, h: 4, label: 'Jumper' },
  fuse: { w: 5, h: 3, label: 'Fuse' },
  plug: { w: 5, h: 5, label: 'Plug' },
  breaker: { w: 4, h: 7, label: 'Breaker' },
  lid: { w: 16, h: 4, label: 'Lid' },
  door: { w: 7, h: 12, label: 'Door' },
  'remote-key': { w: 5, h: 3, label: 'Key' },
  pedal: { w: 7, h: 5, label: 'Pedal' },
  lever: { w: 4, h: 8, label: 'Lever' },
  float: { w: 5, h: 6, label: 'Float' },
  tap: { w: 5, h: 5, label: 'Tap' },
  valve: { w: 5, h: 5, label: 'Valve' },
  appliance: { w: 7, h: 7, label: 'Other appliance' },
};
const signSizes: Record<Sign['kind'], Made> = {
  lamp: { w: 3, h: 3, label: 'Lamp' },
  bar: { w: 12, h: 2, label: 'Bar' },
  segments: { w: 9, h: 6, label: 'Display' },
  text: { w: 22, h: 4, label: 'Text line' },
  beeper: { w: 3, h: 3, label: 'Beeper' },
  felt: { w: 3, h: 3, label: 'Relay' },
};
export const isControlKind = (sort: PartKind): sort is Control['look'] => sort in controlSizes;

/** Every sort of part, controls first. */
export const partKinds: readonly PartKind[] = [
  ...(Object.keys(controlSizes) as Control['look'][]),
  ...(Object.keys(signSizes) as Sign['kind'][]),
];

/** How large a new part is, and what it is called at first. */
export function madeAs(sort: PartKind): Made {
  return isControlKind(sort) ? controlSizes[sort] : signSizes[sort];
}

const places = (...ids: string[]) =>
  ids.map((id) => ({ id: id as PlaceId, label: `${id[0]?.toUpperCase()}${id.slice(1)}` }));

/** How a control of this look usually moves. */
export function mechanismOf(look: Control['look']): Control['mechanism'] {
  switch (look) {
    case 'button':
    case 'pad':
    case 'remote-key':
      return { kind: 'push' };
    case 'knob':
      return { kind: 'clicks', perTurn: 12, springsBack: false, rests: [] };
    case 'lid':
    case 'door':
      return { kind: 'places', places: places('shut', 'open'), start: 'shut' as PlaceId };
    case 'jumper':
    case 'fuse':
    case 'plug':
      return { kind: 'places', places: places('in', 'out'), start: 'in' as PlaceId };
    case 'pedal':
    case 'lever':
      return {
        kind: 'places',
        places: [
          { id: 'free' as PlaceId, label: 'Free' },
          { id: 'down' as PlaceId, label: 'Down', springsTo: 'free' as PlaceId },
        ],
        start: 'free' as PlaceId,
      };
    case 'float':
      return { kind: 'places', places: places('low', 'high'), start: 'low' as PlaceId };
    case 'tap':
    case 'valve':
      return { kind: 'places', places: places('open', 'shut'), start: 'open' as PlaceId };
    case 'appliance':
    case 'breaker':
    case 'dip':
    case 'key':
    case 'rocker':
    case 'slide':
    case 'switch':
      return { kind: 'places', places: places('off', 'on'), start: 'off' as PlaceId };
    default:
      return assertNever(look);
  }
}

/** A sign of its kind, as it is put on a face. */
export function newSign(kind: Sign['kind'], id: SignId, at: Box): Sign {
  const base = { id, label: signSizes[kind].label, at };
  switch (kind) {
    case 'lamp':
      return { ...base, kind, colours: ['amber'], shows: ['lit'] };
    case 'bar':
      return { ...base, kind, lamps: 5, colours: ['green'] };
    case 'segments':
      return { ...base, kind, digits: 2 };
    case 'text':
      return { ...base, kind, characters: 16 };
    case 'beeper':
      return { ...base, kind };
    case 'felt':
      return { ...base, kind, sense: 'heard' };
  }
}
