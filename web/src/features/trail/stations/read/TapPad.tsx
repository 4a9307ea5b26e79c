import Button from '@mui/material/Button';
import {
  doubtWords,
  type Look,
  matchPulses,
  type Pulse,
  patternsOf,
  patternWords,
  type Readout,
  readPulses,
  type Stage,
} from '@wire-trail/core';
import { useEffect, useMemo, useRef, useState } from 'react';

/** After so long without a tap, what was tapped is read. */
const settledMs = 900;
const mostTaps = 300;

/** Tap along with the blinking, by thumb or space: the taps are kept as they came, and read at every pause. */
export function TapPad({
  readout,
  stage,
  onLook,
  onClose,
}: {
  readout: Readout;
  stage: Stage;
  onLook: (look: Look) => void;
  onClose: () => void;
}) {
  const [pulses, setPulses] = useState<readonly Pulse[]>([]);
  const [settled, setSettled] = useState<readonly Pulse[]>([]);
  const downAt = useRef<number | null>(null);
  const began = useRef<number | null>(null);
  const pad = useRef<HTMLButtonElement>(null);
  useEffect(() => pad.current?.focus(), []);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(pulses), settledMs);
    return () => clearTimeout(timer);
  }, [pulses]);
  const read = useMemo(() => readPulses(pulses), [pulses]);
  const fits = useMemo(() => matchPulses(settled, patternsOf(readout, stage), 'taps'), [settled, readout, stage]);
  const now = (): number => {
    began.current ??= performance.now();
    return Math.round(performance.now() - began.current);
  };
  const down = () => {
    if (downAt.current !== null || pulses.length >= mostTaps) return;
    downAt.current = now();
    navigator.vibrate?.(15);
  };
  const up = () => {
    if (downAt.current === null) return;
    const pulse: Pulse = [downAt.current, Math.max(downAt.current + 1, now())];
    downAt.current = null;
    setPulses((was) => [...was, pulse]);
  };
  const again = () => {
    setPulses([]);
    setSettled([]);
    began.current = null;
  };
  const long = read.runs.some((r) => r.includes('l'));
  return (
    <div className="sheet tap-pad" role="group" aria-label="tap along">
      <button
        ref={pad}
        type="button"
        className="pad"
        onPointerDown={down}
        onPointerUp={up}
        onPointerCancel={up}
        onPointerLeave={up}
        onKeyDown={(e) => {
          if (e.key !== ' ' || e.repeat) return;
          e.preventDefault();
          e.stopPropagation();
          down();
        }}
        onKeyUp={(e) => {
          if (e.key !== ' ') return;
          e.preventDefault();
          up();
        }}
      >
        Tap here as it blinks
        <span className="small">
          or <kbd>space</kbd> · two rounds, with the pause
        </span>
      </button>
      <TapStrip pulses={pulses} />
      <p aria-live="polite" className="two-lines">
        {read.rounds.length > 0 && (
          <strong className="mono">
            {read.rounds
              .map((round) => round.map((r) => (long ? patternWords(r) : String(r.length))).join(' then '))
              .join('  ·  ')}
          </strong>
        )}{' '}
        <span className="soft small">
          {pulses.length === 0
            ? 'Nothing tapped yet.'
            : read.doubts
                .filter((d) => d.code !== 'one-length')
                .map(doubtWords)
                .join(' ') || `${read.rounds.length} rounds agree.`}
        </span>
      </p>
      {settled.length > 1 && fits.length === 0 && settled === pulses && (
        <p className="note">That is no rhythm this readout knows. Begin again, with the pause.</p>
      )}
      <div className="row">
        <Button
          variant="contained"
          color="primary"
          disabled={pulses.length === 0}
          onClick={() => onLook({ kind: 'pulses', stage: stage.id, by: 'taps', pulses: [...pulses] })}
        >
          That is it
        </Button>
        <Button onClick={again} disabled={pulses.length === 0}>
          Begin again
        </Button>
        <Button variant="text" onClick={onClose}>
          Count instead
        </Button>
      </div>
    </div>
  );
}

/** The taps on a line of time, long ones long. */
function TapStrip({ pulses }: { pulses: readonly Pulse[] }) {
  const last = Math.max(6000, pulses.at(-1)?.[1] ?? 0);
  return (
    <svg className="tap-strip" viewBox="0 0 100 8" preserveAspectRatio="none" aria-hidden="true">
      {pulses.map(([from, to]) => (
        <rect
          key={from}
          x={(from / last) * 100}
          width={Math.max(0.5, ((to - from) / last) * 100)}
          y={1}
          height={6}
          rx={0.4}
        />
      ))}
    </svg>
  );
}
