import { attemptsSoFar, type Detection } from '@wire-trail/core';
import { useState } from 'react';
import { Input } from '../field/Input.tsx';

/** A span as one says it: minutes, or hours and minutes. */
export function spanWords(ms: number): string {
  const minutes = Math.round(ms / 60_000);
  if (minutes < 1) return `${Math.max(1, Math.round(ms / 1000))} s`;
  if (minutes < 120) return `${minutes} min`;
  const [hours, rest] = [Math.floor(minutes / 60), minutes % 60];
  return rest === 0 ? `${hours} h` : `${hours} h ${rest} min`;
}

/** What a counter of attempts says: how long the trouble has lasted, and how long until it locks out. */
export function Attempts({ detection }: { detection: Detection }) {
  const { attempt, locksOutAfter } = detection;
  const [typed, setTyped] = useState(locksOutAfter === undefined ? '' : String(locksOutAfter));
  if (!attempt) return null;
  const count = Number(typed);
  const said = typed.trim() === '' ? null : attemptsSoFar(detection, count);
  return (
    <div className="attempts small">
      <label className="row">
        the counter stands at
        <Input
          fullWidth
          className="mono"
          style={{ width: '5rem' }}
          value={typed}
          onChange={(e) => setTyped(e.target.value)}
          slotProps={{ input: { inputMode: 'numeric' } }}
        />
      </label>
      <p role="status">
        {said
          ? `It has been going on for ${spanWords(said.soFarMs)} at the least${
              said.left
                ? `; ${said.left.attempts} more, ${spanWords(said.left.ms)}, until it locks out.`
                : locksOutAfter !== undefined
                  ? ': it has locked out.'
                  : '.'
            }`
          : typed.trim() === ''
            ? `Each try ${spanWords(attempt.runMs)}, then ${spanWords(attempt.restMs)} of rest.`
            : `“${typed}” is no count.`}
      </p>
    </div>
  );
}
