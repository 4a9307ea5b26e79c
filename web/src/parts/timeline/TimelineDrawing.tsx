import type { Control, Lane, Timeline } from '@wire-trail/core';
import { type KeyboardEvent, type RefObject, useEffect, useRef, useState } from 'react';
import { ControlMark } from '../panel/ControlMark.tsx';
import { BracketDrawing, MarkDrawing } from './Marks.tsx';
import './timeline.css';

type Props = Readonly<{
  timeline: Timeline;
  controls: ReadonlyMap<string, Control>;
  nameOf: (id: string) => string;
  /** The step that is looked at, by its place in the script. */
  picked: string | null;
  /** Steps with a finding, by how grave it is. */
  findingAt?: ReadonlyMap<string, 'error' | 'warning' | 'hint'>;
  onPick?: (at: string) => void;
  /** A hold, rest or keep made about so long. */
  onStretch?: (at: string, ms: number) => void;
  onStretchWindow?: (at: string, ms: number) => void;
}>;

const head = 132;
const laneHeight = 44;
const axis = 26;
const bracketRow = 34;

/** A route as a timeline: a lane for every control, headed by that control as drawn, one for every sign; time to the right. */
export function TimelineDrawing(props: Props) {
  const { timeline, controls, nameOf, picked, onPick } = props;
  const seconds = Math.max(2, Math.ceil(timeline.lengthMs / 1000) + 0.5);
  const host = useRef<HTMLDivElement>(null);
  const room = useWidth(host);
  const perSecond = Math.min(70, Math.max(13, (room - head - 30) / seconds));
  const x = (ms: number): number => head + (ms / 1000) * perSecond;
  const top = axis + timeline.brackets.length * bracketRow;
  const y = (lane: string): number => {
    const index = timeline.lanes.findIndex((l) => `${l.kind}:${l.id}` === lane);
    return top + index * laneHeight + laneHeight / 2;
  };
  const width = x(seconds * 1000) + 24;
  const height = top + timeline.lanes.length * laneHeight + 8;
  const step = [1, 2, 5, 10, 30, 60, 300].find((n) => n * perSecond > 26) ?? 600;
  const onKey = (event: KeyboardEvent) => {
    if (picked === null || (event.key !== '[' && event.key !== ']')) return;
    event.preventDefault();
    const by = event.key === ']' ? 500 : -500;
    const bracket = timeline.brackets.find((b) => b.at === picked);
    const mark = timeline.marks.find((m) => m.at === picked && m.drags);
    if (bracket) props.onStretchWindow?.(picked, bracket.toMs - bracket.fromMs + by);
    else if (mark) props.onStretch?.(picked, mark.toMs - mark.fromMs + by);
  };
  return (
    <div className="timeline" ref={host} onKeyDown={onKey} role="group" aria-label="timeline">
      <svg width={width} height={height} viewBox={`0 0 ${width} ${height}`} aria-hidden={timeline.lanes.length === 0}>
        <title>Timeline</title>
        {Array.from({ length: Math.floor(seconds / step) + 1 }, (_, i) => i * step).map((s) => (
          <g key={s} className="timeline-axis">
            <path stroke="var(--line)" d={`M${x(s * 1000)} ${axis - 4} V${height - 8}`} />
            <text x={x(s * 1000)} y={14} textAnchor="middle">
              {s}
            </text>
          </g>
        ))}
        {timeline.lanes.map((lane) => (
          <LaneHead
            key={`${lane.kind}${lane.id}`}
            lane={lane}
            y={y(`${lane.kind}:${lane.id}`)}
            width={width}
            controls={controls}
            nameOf={nameOf}
          />
        ))}
        {timeline.lanes.flatMap((lane) =>
          lane.kind === 'control' ? (
            <Trace
              key={lane.id}
              lane={lane}
              control={controls.get(lane.id)}
              timeline={timeline}
              x={x}
              y={y(`control:${lane.id}`)}
              width={width}
            />
          ) : (
            []
          ),
        )}
        {timeline.marks.map((mark, i) => (
          <MarkDrawing
            // biome-ignore lint/suspicious/noArrayIndexKey: marks are drawn anew from the steps
            key={i}
            mark={mark}
            x={x}
            y={y(mark.lane)}
            picked={picked !== null && (mark.at === picked || mark.at.startsWith(`${picked}.`))}
            perSecond={perSecond}
            end={width - 12}
            trouble={props.findingAt?.get(mark.at) ?? null}
            onPick={onPick}
            onStretch={props.onStretch}
            nameOf={nameOf}
          />
        ))}
        {timeline.brackets.map((bracket, i) => (
          <BracketDrawing
            // biome-ignore lint/suspicious/noArrayIndexKey: one bracket a window, in their order
            key={i}
            bracket={bracket}
            x={x}
            y={axis + i * bracketRow + 20}
            bottom={height - 8}
            perSecond={perSecond}
            picked={picked === bracket.at}
            onPick={onPick}
            onStretch={props.onStretchWindow}
          />
        ))}
      </svg>
    </div>
  );
}

/** “lamps a b c” where several show the same. */
function laneName(lane: Lane, nameOf: (id: string) => string): string {
  const names = [lane.id, ...lane.alike].map(nameOf);
  if (names.length === 1) return names[0] ?? '';
  const short = names.map((n) => n.replace(/^lamp /, ''));
  return short.length > 5
    ? `${short.length} lamps`
    : `${names[0]?.startsWith('lamp ') ? 'lamps ' : ''}${short.join(' ')}`;
}

/** How wide the timeline may be drawn, as wide as it is given. */
function useWidth(host: RefObject<HTMLElement | null>): number {
  const [width, setWidth] = useState(640);
  useEffect(() => {
    const element = host.current;
    if (!element || typeof ResizeObserver === 'undefined') return;
    const watch = new ResizeObserver(() => setWidth(Math.max(320, element.clientWidth)));
    watch.observe(element);
    return () => watch.disconnect();
  }, [host]);
  return width;
}

function LaneHead({
  lane,
  y,
  width,
  controls,
  nameOf,
}: {
  lane: Lane;
  y: number;
  width: number;
  controls: Props['controls'];
  nameOf: Props['nameOf'];
}) {
  const control = controls.get(lane.id);
  const box = control?.at;
  return (
    <g className={`timeline-lane ${lane.kind}`}>
      <path stroke="var(--line)" d={`M${head} ${y} H${width - 12}`} />
      {control && box && (
        <svg
          x={head - 40}
          y={y - 17}
          width={32}
          height={34}
          viewBox={`${box.x - 1} ${box.y - 1} ${box.w + 2} ${box.h + 2}`}
          className="panel timeline-part"
        >
          <title>{control.label}</title>
          <ControlMark control={control} label="" place={null} pointed={false} />
        </svg>
      )}
      <text x={control ? head - 46 : head - 10} y={y + 4} textAnchor="end">
        {lane.kind === 'other' ? lane.id : laneName(lane, nameOf)}
      </text>
    </g>
  );
}

/** Where a control with places stands over time, as a line that steps between levels. */
function Trace({
  lane,
  control,
  timeline,
  x,
  y,
  width,
}: {
  lane: Lane;
  control: Control | undefined;
  timeline: Timeline;
  x: (ms: number) => number;
  y: number;
  width: number;
}) {
  if (control?.mechanism.kind !== 'places') return null;
  const { places, start } = control.mechanism;
  const level = (id: string): number => {
    const index = Math.max(
      0,
      places.findIndex((p) => p.id === id),
    );
    return y + 12 - (24 * index) / Math.max(1, places.length - 1);
  };
  const sets = timeline.marks.filter((m) => m.lane === `control:${lane.id}` && m.kind === 'set');
  if (sets.length === 0) return null;
  let path = `M${head} ${level(start)}`;
  for (const m of sets) path += ` H${x((m.fromMs + m.toMs) / 2)} V${level(m.says)}`;
  return <path fill="none" stroke="var(--spruce)" strokeWidth={3} pointerEvents="none" d={`${path} H${width - 12}`} />;
}
