import type { Control, PlaceId } from '@wire-trail/core';
import type { KeyboardEvent, ReactNode } from 'react';

type Props = Readonly<{
  control: Control;
  label: string;
  /** Where it stands; null is its start. */
  place: PlaceId | null;
  pointed: boolean;
  onAct?: (control: Control, place: PlaceId | null) => void;
  onEnd?: (control: Control) => void;
}>;

const placesOf = (control: Control) => (control.mechanism.kind === 'places' ? control.mechanism.places : []);
export const startOf = (control: Control): PlaceId | null =>
  control.mechanism.kind === 'places' ? control.mechanism.start : null;

/** A control drawn as it stands. Where it may be operated, each place it can be put to is something to press. */
export function ControlMark({ control, label, place, pointed, onAct, onEnd }: Props) {
  const { x, y, w, h } = control.at;
  const at = place ?? startOf(control);
  const standing = placesOf(control).find((p) => p.id === at);
  const words = standing ? `${label}: ${standing.label}` : label;
  const next = nextPlace(control, at);
  const act = onAct && (() => onAct(control, next));
  const onKey = (event: KeyboardEvent) => {
    if (!act || (event.key !== 'Enter' && event.key !== ' ')) return;
    event.preventDefault();
    act();
    onEnd?.(control);
  };
  return (
    <g
      className={`control ${control.look} ${pointed ? 'pointed' : ''} ${act ? 'tappable' : ''} ${control.interlock ? 'interlock' : ''}`}
      data-testid={`control-${control.id}`}
      data-place={at ?? ''}
      {...(act
        ? {
            role: 'button',
            tabIndex: 0,
            'aria-label': words,
            onPointerDown: act,
            onPointerUp: () => onEnd?.(control),
            onKeyDown: onKey,
          }
        : { 'aria-label': words })}
    >
      {pointed && <rect className="halo" x={x - 0.8} y={y - 0.8} width={w + 1.6} height={h + 3.6} rx={1.4} />}
      {drawing(control, at)}
      {label !== '' && (
        <text className="under" x={x + w / 2} y={y + h + 1.7} textAnchor="middle">
          {standing && control.look !== 'rocker' ? `${label} ${standing.label}` : label}
        </text>
      )}
    </g>
  );
}

/** Pressing goes to the next place in the row; a sprung one comes back by itself. */
function nextPlace(control: Control, at: PlaceId | null): PlaceId | null {
  const places = placesOf(control);
  const index = places.findIndex((p) => p.id === at);
  return places[(index + 1) % Math.max(places.length, 1)]?.id ?? null;
}

function drawing(control: Control, at: PlaceId | null): ReactNode {
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
      const angle = -Math.PI * 0.75 + (index / (steps - 1)) * Math.PI * 1.5;
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
