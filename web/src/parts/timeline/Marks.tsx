import type { Bracket, Mark, Shown } from '@wire-trail/core';
import { type PointerEvent, useRef } from 'react';

const colourOf = (shown: Shown | null): string =>
  shown?.kind === 'lamp' && shown.colour ? shown.colour : shown?.kind === 'lamp' ? 'amber' : '';

function saysOf(mark: Mark): string {
  const { shown } = mark;
  if (shown?.kind === 'text') return `“${shown.text}”`;
  if (shown?.kind === 'lamp') return shown.state === 'lit' ? (shown.colour ?? 'lit') : shown.state;
  if (shown?.kind === 'sound') return shown.state === 'off' ? 'stops' : shown.times ? `${shown.times}×` : mark.says;
  return mark.says;
}

type MarkProps = Readonly<{
  mark: Mark;
  x: (ms: number) => number;
  y: number;
  picked: boolean;
  perSecond: number;
  /** The right edge of the drawing. */
  end: number;
  trouble: 'error' | 'warning' | 'hint' | null;
  onPick: ((at: string) => void) | undefined;
  onStretch: ((at: string, ms: number) => void) | undefined;
  nameOf: (id: string) => string;
}>;

/** One mark in its lane, with what may be dragged of it. */
export function MarkDrawing({ mark, x, y, picked, perSecond, end, trouble, onPick, onStretch, nameOf }: MarkProps) {
  const from = x(mark.fromMs);
  const to = Math.max(from + 4, x(mark.toMs));
  const lane = mark.lane.split(':')[1] ?? '';
  const called = `${mark.kind} ${nameOf(lane)} ${saysOf(mark)}`.trim();
  const words = trouble ? `${called}, something to fix: see below the script` : called;
  return (
    <g
      className={`timeline-mark ${mark.kind} ${picked ? 'picked' : ''} ${mark.must ?? ''} ${colourOf(mark.shown)}`}
      {...(onPick
        ? {
            role: 'button',
            tabIndex: 0,
            'aria-label': words,
            onClick: () => onPick(mark.at),
            onFocus: () => onPick(mark.at),
          }
        : {})}
    >
      <title>{words}</title>
      {mark.latestMs - mark.earliestMs > 400 && (
        <rect
          className="timeline-range"
          x={x(mark.earliestMs)}
          y={y - 20}
          width={Math.max(2, Math.min(end, x(mark.latestMs)) - x(mark.earliestMs))}
          height={4}
          rx={2}
        />
      )}
      <Shape mark={mark} from={from} to={to} y={y} />
      {trouble && <path className={`timeline-trouble ${trouble}`} d={`M${from - 1} ${y - 11} l6 -10 l6 10 z`} />}
      {mark.drags && onStretch && (
        <Handle
          x={to}
          y={y}
          name={`length of ${called}`}
          ms={mark.toMs - mark.fromMs}
          perSecond={perSecond}
          onDrag={(ms) => onStretch(mark.at, ms)}
        />
      )}
    </g>
  );
}

function Shape({ mark, from, to, y }: { mark: Mark; from: number; to: number; y: number }) {
  const says = saysOf(mark);
  switch (mark.kind) {
    case 'press':
      return (
        <>
          <circle cx={(from + to) / 2} cy={y} r={6.5} />
          {says && (
            <text x={(from + to) / 2} y={y + 21} textAnchor="middle">
              {says}
            </text>
          )}
        </>
      );
    case 'click':
      return (
        <path
          className="chevron"
          d={says === 'cw' ? `M${from} ${y - 6} l6 6 l-6 6` : `M${from + 6} ${y - 6} l-6 6 l6 6`}
        />
      );
    case 'hold':
      return (
        <>
          <rect x={from} y={y - 9} width={to - from} height={18} rx={4} />
          {to - from > 34 && says && (
            <text className="on-bar" x={(from + to) / 2} y={y + 4.5} textAnchor="middle">
              {says}
            </text>
          )}
        </>
      );
    case 'set':
      return (
        <>
          <rect className="touch" x={from} y={y - 16} width={to - from} height={32} />
          <text x={(from + to) / 2} y={y + 21} textAnchor="middle">
            {says}
          </text>
        </>
      );
    case 'rest':
    case 'choose':
    case 'say':
      return (
        <>
          <rect x={from} y={y - 7} width={to - from} height={14} rx={3} />
          {says && (
            <text x={from} y={y + 21}>
              {says.length > 34 ? `${says.slice(0, 33)}…` : says}
            </text>
          )}
        </>
      );
    case 'see':
    case 'moment':
      return (
        <>
          {mark.shown?.kind === 'sound' ? (
            <circle cx={from} cy={y} r={6} />
          ) : (
            <rect x={from} y={y - 8} width={14} height={16} rx={2} />
          )}
          {mark.must === 'must-not' && <path className="chevron" d={`M${from - 2} ${y - 10} l18 20`} />}
          {says && (
            <text x={from + (mark.shown?.kind === 'sound' ? 0 : 7)} y={y + 21} textAnchor="middle">
              {says}
            </text>
          )}
        </>
      );
  }
}

/** A window over the lanes: what it allows, and what is left of it. */
export function BracketDrawing({
  bracket,
  x,
  y,
  bottom,
  perSecond,
  picked,
  onPick,
  onStretch,
}: {
  bracket: Bracket;
  x: (ms: number) => number;
  y: number;
  bottom: number;
  perSecond: number;
  picked: boolean;
  onPick: ((at: string) => void) | undefined;
  onStretch: ((at: string, ms: number) => void) | undefined;
}) {
  const [from, to] = [x(bracket.fromMs), x(bracket.toMs)];
  const used = x(bracket.fromMs + bracket.usedMs);
  const state = bracket.slackMs < 0 ? 'over' : bracket.slackRatio < 0.2 ? 'tight' : '';
  const windowS = (bracket.toMs - bracket.fromMs) / 1000;
  const words =
    bracket.slackMs < 0
      ? `${windowS} s window · ${(-bracket.slackMs / 1000).toFixed(1)} s too short`
      : `${windowS} s window · slack ${(bracket.slackMs / 1000).toFixed(1)} s`;
  return (
    <g
      className={`timeline-bracket ${state} ${picked ? 'picked' : ''}`}
      {...(onPick
        ? {
            role: 'button',
            tabIndex: 0,
            'aria-label': words,
            onClick: () => onPick(bracket.at),
            onFocus: () => onPick(bracket.at),
          }
        : {})}
    >
      {bracket.slackMs > 0 && (
        <rect
          fill="var(--copper-wash)"
          opacity={0.65}
          pointerEvents="none"
          x={used}
          y={y}
          width={Math.max(1, to - used)}
          height={bottom - y}
        />
      )}
      <path d={`M${from} ${y + 9} V${y} H${to} V${y + 9}`} />
      <path className="drop" d={`M${from} ${y + 9} V${bottom} M${to} ${y + 9} V${bottom}`} />
      <text x={Math.max(from + 70, (from + to) / 2)} y={y - 7} textAnchor="middle">
        {words}
      </text>
      {onStretch && (
        <Handle
          x={to}
          y={y}
          name="end of the window"
          ms={bracket.toMs - bracket.fromMs}
          perSecond={perSecond}
          onDrag={(ms) => onStretch(bracket.at, ms)}
        />
      )}
    </g>
  );
}

/** The end of something, to be dragged along the time. */
function Handle({
  x,
  y,
  name,
  ms,
  perSecond,
  onDrag,
}: {
  x: number;
  y: number;
  name: string;
  ms: number;
  perSecond: number;
  onDrag: (ms: number) => void;
}) {
  const begun = useRef<{ at: number; ms: number } | null>(null);
  const down = (event: PointerEvent<SVGRectElement>) => {
    event.stopPropagation();
    begun.current = { at: event.clientX, ms };
    event.currentTarget.setPointerCapture(event.pointerId);
  };
  const move = (event: PointerEvent<SVGRectElement>) => {
    if (!begun.current) return;
    const svg = event.currentTarget.ownerSVGElement;
    const shown = svg?.getBoundingClientRect().width ?? 0;
    const scale = svg && shown > 0 ? svg.viewBox.baseVal.width / shown : 1;
    onDrag(begun.current.ms + (((event.clientX - begun.current.at) * scale) / perSecond) * 1000);
  };
  return (
    <rect
      className="timeline-handle"
      x={x - 5}
      y={y - 12}
      width={10}
      height={24}
      rx={4}
      data-testid={`drag-${name}`}
      onPointerDown={down}
      onPointerMove={move}
      onPointerUp={() => {
        begun.current = null;
      }}
    >
      <title>{`${name}: drag, or pick and press [ ]`}</title>
    </rect>
  );
}
