import { lampTraits, type Sign, segmentsOf } from '@wire-trail/core';
import type { KeyboardEvent } from 'react';
import type { LampShow } from './lamp-show.ts';

type Props = Readonly<{
  sign: Sign;
  label: string;
  lamp: LampShow;
  text: string | undefined;
  /** Whether its text flashes. */
  flashes?: boolean;
  on: boolean;
  weight: string | undefined;
  pointed: boolean;
  onTap: (() => void) | undefined;
  /** What was said of it stands beside its name. */
  saysState?: boolean;
}>;

const stateWords = {
  dark: 'dark',
  lit: 'lit',
  slow: 'slow blinking',
  fast: 'fast blinking',
  dim: 'maybe dim',
  unsure: 'cannot tell',
  unseen: 'not looked at',
} as const;

/** The same in the room there is under a lamp. */
const shortWords = { ...stateWords, slow: '', fast: '', unsure: '?' } as const;

/** What there is to know of a lamp's state; null where nobody has said it. */
const traitOf = ({ state }: LampShow) =>
  state === 'dim' || state === 'unsure' || state === 'unseen' ? null : lampTraits[state];

const onEnter = (run: (() => void) | undefined) =>
  run &&
  ((event: KeyboardEvent) => {
    if (event.key !== 'Enter' && event.key !== ' ') return;
    event.preventDefault();
    event.stopPropagation();
    run();
  });

export function SignMark(props: Props) {
  const { sign } = props;
  switch (sign.kind) {
    case 'lamp':
      return <Lamp {...props} />;
    case 'bar':
      return <Bar {...props} />;
    case 'segments':
    case 'text':
      return <Display {...props} />;
    case 'beeper':
    case 'felt':
      return <Sensed {...props} />;
  }
}

function Lamp({ sign, label, lamp, weight, pointed, onTap, saysState = false }: Props) {
  const { x, y, w, h } = sign.at;
  const cx = x + w / 2;
  const cy = y + h / 2;
  const r = Math.min(w, h) / 2;
  const colour = lamp.colour ?? (sign.kind === 'lamp' ? sign.colours[0] : 'amber');
  const isOn = traitOf(lamp)?.lights ?? false;
  // as it stands beside it: its name, what it counts, what it shows
  const words = `lamp ${label}${weight === undefined ? '' : ` ${weight}`}: ${stateWords[lamp.state]}${isOn ? `, ${colour}` : ''}`;
  return (
    <>
      <g
        className={`lamp ${lamp.state} ${colour} ${onTap ? 'tappable' : ''} ${pointed ? 'pointed' : ''}`}
        data-testid={`lamp-${sign.id}`}
        data-sign={sign.id}
        {...(onTap
          ? { role: 'button', tabIndex: 0, 'aria-label': words, onClick: onTap, onKeyDown: onEnter(onTap) }
          : { role: 'img', 'aria-label': words })}
      >
        {onTap && <circle className="reach" fill="transparent" cx={cx} cy={cy} r={r * 1.6} />}
        {isOn && <circle className="glow" fill="var(--lamp)" opacity={0.24} cx={cx} cy={cy} r={r * 1.5} />}
        <circle className="bulb" cx={cx} cy={cy} r={r} />
        {isOn && <circle className="core" fill="var(--lamp-white)" cx={cx} cy={cy} r={r * 0.36} />}
        {lamp.state === 'dark' && (
          <path className="off" d={`M${cx - r * 0.45} ${cy + r * 0.45} L${cx + r * 0.45} ${cy - r * 0.45}`} />
        )}
        {(lamp.state === 'unsure' || lamp.state === 'dim') && (
          <text className="asked" x={cx} y={cy + 0.7} textAnchor="middle">
            ?
          </text>
        )}
      </g>
      {/* biome-ignore lint/a11y/noAriaHiddenOnFocusable: a group of words takes no focus */}
      <g pointerEvents="none" aria-hidden="true">
        <text className="name" x={cx} y={cy + r + 1.7} textAnchor="middle">
          <tspan className="letter">{label}</tspan>
          {weight !== undefined && <tspan className="weight"> {weight}</tspan>}
          {saysState && lamp.state !== 'unseen' && <tspan className="said"> {shortWords[lamp.state]}</tspan>}
        </text>
        {traitOf(lamp)?.blinks && (
          <text className="rate" x={cx} y={cy - r - 0.7} textAnchor="middle">
            {lamp.state}
          </text>
        )}
      </g>
    </>
  );
}

/** A row of lamps that are read together. */
function Bar({ sign, label, lamp, pointed }: Props) {
  if (sign.kind !== 'bar') return null;
  const { x, y, w, h } = sign.at;
  const each = w / sign.lamps;
  const lit = traitOf(lamp)?.lights ? lamp.state : '';
  return (
    <g
      className={`lamp ${lit} ${lamp.colour ?? sign.colours[0]} ${pointed ? 'pointed' : ''}`}
      data-testid={`lamp-${sign.id}`}
    >
      <title>{label}</title>
      {Array.from({ length: sign.lamps }, (_, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: lamps of a bar are their places
        <rect key={i} className="bulb" x={x + i * each + 0.15} y={y} width={each - 0.3} height={h} rx={0.3} />
      ))}
      <text className="under" x={x + w / 2} y={y + h + 1.6} textAnchor="middle">
        {label}
      </text>
    </g>
  );
}

function Display({ sign, label, text, pointed, flashes = false }: Props) {
  const { x, y, w, h } = sign.at;
  return (
    <g className={`display ${pointed ? 'pointed' : ''} ${flashes ? 'flashes' : ''}`}>
      <title>{`${label}: ${text ?? 'dark'}${flashes ? ', flashing' : ''}`}</title>
      <rect fill="var(--print-ink)" x={x} y={y} width={w} height={h} rx={0.5} />
      {sign.kind === 'segments' ? (
        <Segments at={sign.at} text={text ?? ''} digits={sign.digits} />
      ) : (
        <text x={x + w / 2} y={y + h * 0.72} textAnchor="middle" style={{ fontSize: h * 0.7 }}>
          {text ?? ''}
        </text>
      )}
      <text className="under" x={x + w / 2} y={y + h + 1.8} textAnchor="middle">
        {label}
      </text>
    </g>
  );
}

/** One place of seven segments, in a box of 10 by 18: from the top round clockwise, the middle bar last. */
const bars = ['M2 1H8', 'M9 2V8', 'M9 10V16', 'M2 17H8', 'M1 10V16', 'M1 2V8', 'M2 9H8'];

/** A display drawn segment by segment, from the same table that says which segment makes which character of another. */
export function Segments({ at, text, digits }: { at: Sign['at']; text: string; digits: number }) {
  const scale = Math.min(at.h / 22, at.w / (digits * 13 + 3));
  const left = at.x + (at.w - digits * 13 * scale) / 2;
  const top = at.y + (at.h - 18 * scale) / 2;
  const shown = text.padStart(digits).slice(-digits);
  return (
    <g className="seven">
      {[...shown].map((c, i) => {
        const bits = segmentsOf(c) ?? 0;
        return (
          // biome-ignore lint/suspicious/noArrayIndexKey: a place is its index
          <g key={i} transform={`translate(${left + i * 13 * scale + 1.5 * scale} ${top}) scale(${scale})`}>
            {bars.map((d, s) => (
              <path key={d} d={d} className={bits & (1 << s) ? 'on' : 'off'} />
            ))}
          </g>
        );
      })}
    </g>
  );
}

function Sensed({ sign, label, on, pointed }: Props) {
  const { x, y, w, h } = sign.at;
  const cx = x + w / 2;
  const cy = y + h / 2;
  const place = sign.kind === 'felt' && sign.sense === 'seen';
  return (
    <g className={`sensed ${on ? 'on' : ''} ${pointed ? 'pointed' : ''}`} data-testid={`sign-${sign.id}`}>
      <title>{label}</title>
      {place ? (
        <rect className="spot" x={x} y={y} width={w} height={h} rx={0.8} />
      ) : (
        <>
          <circle className="spot" cx={cx} cy={cy} r={Math.min(w, h) / 2} />
          {[0.25, 0.5].map((share) => (
            <path
              key={share}
              className="wave"
              d={`M${cx - w * share * 0.6} ${cy} q${w * share * 0.6} ${-h * share} ${w * share * 1.2} 0`}
            />
          ))}
        </>
      )}
      <text className="under" x={cx} y={y + h + 1.6} textAnchor="middle">
        {label}
      </text>
    </g>
  );
}
