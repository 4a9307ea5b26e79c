import type { Control, PlaceId } from '@wire-trail/core';
import type { KeyboardEvent, PointerEvent, ReactNode } from 'react';

type Props = Readonly<{
  control: Control;
  label: string;
  /** Where it stands; null is its start. */
  place: PlaceId | null;
  pointed: boolean;
  /** How many clicks a knob stands from its first rest. */
  click?: number;
  /** Pushed down right now. */
  down?: boolean;
  /** Operated: to a place, or a click one way. */
  onAct?: (control: Control, place: PlaceId | null, way: 'cw' | 'ccw') => void;
  onEnd?: (control: Control) => void;
}>;

const placesOf = (control: Control) => (control.mechanism.kind === 'places' ? control.mechanism.places : []);
export const startOf = (control: Control): PlaceId | null =>
  control.mechanism.kind === 'places' ? control.mechanism.start : null;

type Way = 'cw' | 'ccw';

/** Which way a touch means: rockers by their half, what has more than two places by its side. */
function wayOf(control: Control, event: PointerEvent<SVGGElement>): Way {
  const box = event.currentTarget.getBoundingClientRect();
  const upper = event.clientY < box.top + box.height / 2;
  const left = event.clientX < box.left + box.width / 2;
  if (control.look === 'rocker') return upper ? 'ccw' : 'cw';
  return left && (placesOf(control).length > 2 || control.mechanism.kind === 'clicks') ? 'ccw' : 'cw';
}
const arrowWays: Readonly<Record<string, Way>> = {
  ArrowRight: 'cw',
  ArrowDown: 'cw',
  ArrowLeft: 'ccw',
  ArrowUp: 'ccw',
};

/** A control drawn as it stands. Where it may be operated it takes pointers and keys: down acts, up lets go. */
export function ControlMark({ control, label, place, pointed, click, down, onAct, onEnd }: Props) {
  const { x, y, w, h } = control.at;
  const at = place ?? startOf(control);
  const standing = placesOf(control).find((p) => p.id === at);
  const words = standing ? `${label}: ${standing.label}` : label;
  const act = onAct && ((way: Way) => onAct(control, placeTowards(control, at, way), way));
  const onKey = (event: KeyboardEvent) => {
    const way = event.key === 'Enter' || event.key === ' ' ? 'cw' : arrowWays[event.key];
    if (!act || !way) return;
    event.preventDefault();
    event.stopPropagation();
    if (!event.repeat) act(way);
  };
  const onKeyUp = (event: KeyboardEvent) => {
    if (event.key === 'Enter' || event.key === ' ' || arrowWays[event.key]) onEnd?.(control);
  };
  return (
    <g
      className={`control ${control.look} ${pointed ? 'pointed' : ''} ${act ? 'tappable' : ''} ${control.interlock ? 'interlock' : ''} ${down ? 'down' : ''}`}
      data-testid={`control-${control.id}`}
      data-place={at ?? ''}
      {...(act
        ? {
            role: 'button',
            tabIndex: 0,
            'aria-label': words,
            onPointerDown: (event: PointerEvent<SVGGElement>) => {
              event.currentTarget.setPointerCapture?.(event.pointerId);
              act(wayOf(control, event));
            },
            onPointerUp: () => onEnd?.(control),
            onPointerCancel: () => onEnd?.(control),
            onKeyDown: onKey,
            onKeyUp,
          }
        : { role: 'img', 'aria-label': words })}
    >
      {pointed && (
        <rect
          fill="var(--copper-wash)"
          stroke="var(--copper)"
          strokeWidth={0.35}
          x={x - 0.8}
          y={y - 0.8}
          width={w + 1.6}
          height={h + 3.6}
          rx={1.4}
        />
      )}
      {drawing(control, at, click ?? 0)}
      {label !== '' && (
        <text className="under" x={x + w / 2} y={y + h + 1.7} textAnchor="middle">
          {standing && control.look !== 'rocker' ? `${label} ${standing.label}` : label}
        </text>
      )}
    </g>
  );
}

/** Where a touch takes it: of two places the other one, of a rocker its end on that side, of a row the next. */
function placeTowards(control: Control, at: PlaceId | null, way: Way): PlaceId | null {
  const places = placesOf(control);
  if (places.length === 0) return null;
  if (control.look === 'rocker') return (way === 'cw' ? places.at(-1) : places[0])?.id ?? null;
  const index = Math.max(
    0,
    places.findIndex((p) => p.id === at),
  );
  if (places.length === 2) return places[1 - index]?.id ?? null;
  const next = Math.min(places.length - 1, Math.max(0, index + (way === 'cw' ? 1 : -1)));
  return places[next]?.id ?? null;
}

function drawing(control: Control, at: PlaceId | null, click: number): ReactNode {
  const { x, y, w, h } = control.at;
  const index = Math.max(
    0,
    placesOf(control).findIndex((p) => p.id === at),
  );
  const isStart = at === startOf(control);
  switch (control.look) {
    case 'rocker':
      return <Rocker control={control} at={at} />;
    case 'lid':
      return (
        <>
          <path className="thin" d={`M${x} ${y + h} h${w}`} />
          <path
            className="thick"
            d={isStart ? `M${x} ${y + h - 1.1} h${w}` : `M${x} ${y + h - 0.6} L${x + w * 0.72} ${y - 0.6}`}
          />
        </>
      );
    case 'breaker':
    case 'switch':
    case 'dip':
    case 'slide':
      return (
        <>
          <rect className="body" x={x} y={y} width={w} height={h} rx={0.6} />
          <rect
            className={isStart ? 'thumb live' : 'thumb'}
            x={x + w * 0.22}
            y={isStart ? y + h * 0.12 : y + h * 0.5}
            width={w * 0.56}
            height={h * 0.38}
            rx={0.4}
          />
        </>
      );
    case 'knob':
    case 'key': {
      const r = Math.min(w, h) / 2;
      const steps = Math.max(placesOf(control).length, 2);
      const turned = control.mechanism.kind === 'clicks' ? (click / control.mechanism.perTurn) * Math.PI * 2 : null;
      const angle = turned ?? -Math.PI * 0.75 + (index / (steps - 1)) * Math.PI * 1.5;
      const [cx, cy] = [x + w / 2, y + h / 2];
      return (
        <>
          <circle className="body" cx={cx} cy={cy} r={r} />
          <path
            className="thick"
            d={`M${cx} ${cy} L${cx + Math.sin(angle) * r * 0.85} ${cy - Math.cos(angle) * r * 0.85}`}
          />
        </>
      );
    }
    case 'door':
      return (
        <>
          <rect className="body" x={x} y={y} width={w} height={h} rx={0.4} />
          <path
            className="thick"
            d={isStart ? `M${x} ${y} v${h}` : `M${x} ${y} l${w * 0.55} ${h * 0.16} v${h} l${-w * 0.55} ${-h * 0.16} z`}
          />
          <circle className="thumb" cx={x + w * 0.84} cy={y + h / 2} r={0.5} />
        </>
      );
    case 'appliance':
      return (
        <>
          <rect className="body" x={x} y={y} width={w} height={h} rx={0.8} />
          <path className="thin" d={`M${x} ${y + h * 0.3} h${w}`} />
          <circle className={isStart ? 'thumb' : 'thumb live'} cx={x + w / 2} cy={y + h * 0.65} r={h * 0.18} />
        </>
      );
    case 'fuse':
      return (
        <>
          <rect className="body" x={x} y={y + h * 0.25} width={w} height={h * 0.5} rx={h * 0.25} />
          <path className="thin" d={isStart ? `M${x} ${y + h / 2} h${w}` : `M${x} ${y} L${x + w} ${y + h}`} />
        </>
      );
    case 'plug':
    case 'jumper':
      return (
        <>
          <rect className="body" x={x} y={y + h * 0.4} width={w} height={h * 0.6} rx={0.4} />
          {[0.3, 0.7].map((share) => (
            <path key={share} className="thick" d={`M${x + w * share} ${y + (isStart ? h * 0.4 : 0)} v${h * 0.35}`} />
          ))}
        </>
      );
    case 'tap':
    case 'valve':
      return (
        <>
          <path className="body" d={`M${x} ${y + h * 0.45} L${x + w} ${y + h} V${y + h * 0.45} L${x} ${y + h} z`} />
          <path
            className="thick"
            d={isStart ? `M${x + w * 0.2} ${y + h * 0.15} h${w * 0.6}` : `M${x + w / 2} ${y - h * 0.1} v${h * 0.5}`}
          />
          <path className="thin" d={`M${x + w / 2} ${y + h * 0.15} v${h * 0.55}`} />
        </>
      );
    case 'lever':
    case 'pedal':
    case 'float':
      return (
        <>
          <path className="thick" d={`M${x + w / 2} ${y + h} L${isStart ? x + w * 0.3 : x + w * 0.7} ${y}`} />
          <circle className="body" cx={isStart ? x + w * 0.3 : x + w * 0.7} cy={y + 0.8} r={0.9} />
        </>
      );
    case 'button':
    case 'pad':
    case 'remote-key':
      return (
        <>
          <rect
            className="body"
            x={x}
            y={y}
            width={w}
            height={h}
            rx={control.look === 'button' ? Math.min(w, h) / 2 : 0.6}
          />
          <rect
            className="thumb"
            x={x + w * 0.16}
            y={y + h * 0.16}
            width={w * 0.68}
            height={h * 0.68}
            rx={control.look === 'button' ? Math.min(w, h) / 3 : 0.4}
          />
        </>
      );
  }
}

function Rocker({ control, at }: { control: Control; at: PlaceId | null }) {
  const { x, y, w, h } = control.at;
  const places = placesOf(control);
  const [first, last] = [places[0]?.id, places.at(-1)?.id];
  const half = (upper: boolean) => {
    const pressed = upper ? at === first : at === last;
    const top = upper ? y + 0.7 : y + h / 2 + 0.2;
    const middle = top + (h / 2 - 0.9) / 2;
    const tip = upper ? -1 : 1;
    return (
      <>
        <rect
          className={pressed ? 'thumb pressed' : 'thumb'}
          x={x + 0.7}
          y={top}
          width={w - 1.4}
          height={h / 2 - 0.9}
          rx={0.7}
        />
        <path className="arrow" d={`M${x + w / 2 - 1} ${middle - tip * -0.6} h2 l-1 ${tip * 1.5} z`} />
      </>
    );
  };
  return (
    <>
      <rect className="body" x={x} y={y} width={w} height={h} rx={1.1} />
      {half(true)}
      {half(false)}
    </>
  );
}
