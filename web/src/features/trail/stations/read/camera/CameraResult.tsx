import Button from '@mui/material/Button';
import type { Look, Pulse, SeenLamp, SignId } from '@wire-trail/core';
import { unreadableWords } from '@wire-trail/core';
import { useState } from 'react';
import type { StageProps } from '../use-decoding.ts';
import type { LampRead } from './messages.ts';
import { TraceView } from './TraceView.tsx';

type ResultProps = Readonly<{
  lamps: readonly LampRead[];
  framesPerS: number;
  rhythmic: boolean;
  name: (sign: SignId) => string;
  stage: StageProps['stage']['id'];
  onLook: (look: Look) => void;
  onAgain: () => void;
}>;

const lampStateWords = {
  dark: 'dark',
  lit: 'lit',
  slow: 'blinks slowly',
  fast: 'blinks fast',
  rhythm: 'blinks in a rhythm',
  unsure: 'cannot be told',
} as const;

/** The trace of every lamp and what was made of it; lights can be set right by hand before it is used. */
export function CameraResult({ lamps, framesPerS, rhythmic, name, stage, onLook, onAgain }: ResultProps) {
  const [corrected, setCorrected] = useState<ReadonlyMap<SignId, readonly Pulse[]>>(new Map());
  const best = lamps.find((l) => l.fits !== null) ?? lamps.find((l) => l.pulses.length > 1) ?? lamps[0];
  const fit = best?.fits?.[0];
  const byHand = best ? corrected.get(best.sign) : undefined;
  const lookOf = (): Look | null => {
    if (!rhythmic)
      return {
        kind: 'lamps',
        stage,
        lamps: Object.fromEntries(
          lamps.map((l): [string, SeenLamp] => [l.sign, l.state === 'rhythm' ? 'unsure' : l.state]),
        ),
      };
    if (!best) return null;
    if (byHand) return { kind: 'pulses', stage, by: 'camera', sign: best.sign, pulses: [...byHand] };
    if (best.fits)
      return {
        kind: 'trace',
        stage,
        sign: best.sign,
        stepMs: best.stepMs,
        levels: [...best.levels],
        fits: [...best.fits],
      };
    return best.refusal?.code === 'steady' && best.state !== 'rhythm'
      ? { kind: 'lamps', stage, lamps: { [best.sign]: best.state } }
      : null;
  };
  const look = lookOf();
  return (
    <>
      {lamps.map((l) => (
        <TraceView
          key={l.sign}
          lamp={l}
          name={name(l.sign)}
          pulses={corrected.get(l.sign) ?? l.pulses}
          onPulses={rhythmic ? (pulses) => setCorrected(new Map([...corrected, [l.sign, pulses]])) : null}
        />
      ))}
      <p role="status">
        {rhythmic ? (
          byHand ? (
            <strong>Set right by hand: {byHand.length} lights.</strong>
          ) : fit ? (
            <strong>
              Made of it:{' '}
              {Object.values(fit.parts)
                .map((t) => (t.startsWith('!') ? 'a sign that is no code' : t))
                .join(' then ')}
            </strong>
          ) : (
            <strong>{best?.refusal ? unreadableWords(best.refusal) : 'Nothing can be made of it.'}</strong>
          )
        ) : (
          <strong>{lamps.map((l) => `${name(l.sign)} ${lampStateWords[l.state]}`).join(', ')}</strong>
        )}{' '}
        <span className="soft small">
          {framesPerS.toFixed(0)} pictures a second
          {rhythmic ? ' · touch a light to take it out, a gap to put one in' : ''}
        </span>
      </p>
      <div className="row">
        <Button variant="contained" color="primary" disabled={!look} onClick={() => look && onLook(look)}>
          Use it
        </Button>
        <Button onClick={onAgain}>Watch again</Button>
      </div>
    </>
  );
}
