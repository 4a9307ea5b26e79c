import Button from '@mui/material/Button';
import type { Pulse } from '@wire-trail/core';
import { Fold } from '../../../../../parts/fold/Fold.tsx';
import type { LampRead } from './messages.ts';

/** A pulse put in by hand lasts so long. */
const usualMs = 300;

/** Brightness over time with the lights that were made of it; touch a light to take it out, a gap to put one in. */
export function TraceView({
  lamp,
  name,
  pulses,
  onPulses,
}: {
  lamp: LampRead;
  name: string;
  pulses: readonly Pulse[];
  onPulses: ((pulses: readonly Pulse[]) => void) | null;
}) {
  const lasts = Math.max(1, lamp.levels.length * lamp.stepMs);
  const seen = lamp.levels.filter((l) => l >= 0);
  const [low, high] = [Math.min(...seen, 255), Math.max(...seen, 1)];
  const x = (ms: number): number => (ms / lasts) * 100;
  const y = (level: number): number => 27 - ((level - low) / Math.max(4, high - low)) * 22;
  const line = lamp.levels
    .flatMap((l, i) => (l < 0 ? [] : [`${x(i * lamp.stepMs).toFixed(2)},${y(l).toFixed(2)}`]))
    .join(' ');
  const put = (at: number) => {
    if (!onPulses) return;
    const hit = pulses.find(([from, to]) => at >= from && at <= to);
    const rest = pulses.filter((p) => p !== hit);
    const next: Pulse = [Math.round(at - usualMs / 2), Math.round(at + usualMs / 2)];
    onPulses(hit ? rest : [...rest, next].sort((a, b) => a[0] - b[0]));
  };
  return (
    <figure className="trace">
      <figcaption className="row spread">
        <strong>lamp {name}</strong>
        <span className="soft small">
          {(lasts / 1000).toFixed(1)} s
          {lamp.decibels !== null && lamp.pulses.length > 0 ? ` · ${Math.round(lamp.decibels)} dB over the noise` : ''}
        </span>
      </figcaption>
      <svg
        viewBox="0 0 100 36"
        height={84}
        preserveAspectRatio="none"
        role="group"
        aria-label={`brightness of lamp ${name}, ${pulses.length} lights`}
        onPointerDown={(e) => {
          const box = e.currentTarget.getBoundingClientRect();
          put(((e.clientX - box.left) / box.width) * lasts);
        }}
      >
        {pulses.map(([from, to]) => (
          <rect key={from} className="light" x={x(from)} width={Math.max(0.4, x(to) - x(from))} y={2} height={26} />
        ))}
        <polyline points={line} />
        {pulses.map(([from, to]) => (
          <rect
            key={`m${from}`}
            className="made"
            x={x(from)}
            width={Math.max(0.6, x(to) - x(from))}
            y={30}
            height={5}
          />
        ))}
      </svg>
      {onPulses && pulses.length > 0 && pulses.length <= 60 && (
        <Fold title="Set it right light by light">
          <div className="row">
            {pulses.map((pulse, i) => (
              <Button
                key={pulse[0]}
                size="dense"
                aria-label={`take out light ${i + 1}`}
                onClick={() => onPulses(pulses.filter((p) => p !== pulse))}
              >
                {i + 1}
              </Button>
            ))}
          </div>
        </Fold>
      )}
    </figure>
  );
}
