import Button from '@mui/material/Button';
import {
  aidWords,
  calibrate,
  calibrateErrors,
  type HandKind,
  handKinds,
  type MissCode,
  missWords,
  type SuccessRate,
  slipKindWords,
} from '@wire-trail/core';
import { Meter } from '../../parts/meter/Meter.tsx';
import type { SuccessShown } from './use-success-rates.ts';

const names: Readonly<Record<HandKind, string>> = { bare: 'bare hands', gloved: 'gloves', first: 'first time' };

/** How likely people are to hit the route, by a model of hands; under 80 % with gloves is a hint, no more. */
export function SuccessCard({
  tries,
  shown,
  lineOf,
  onStep,
}: {
  /** What the log says of real tries; calibrates the model. */
  tries: Readonly<{ took: number; of: number; wrong: Readonly<{ pace: number; count: number }> }>;
  shown: SuccessShown;
  lineOf: (at: string) => number | null;
  onStep: (at: string) => void;
}) {
  const { rates, progress, cannotAt } = shown;
  const gloved = rates?.get('gloved');
  return (
    <div className="sheet rates">
      <h2>Will a person hit it?</h2>
      {cannotAt !== null && <p className="small soft">It cannot be played as it stands.</p>}
      {!rates && cannotAt === null && (
        <p className="small soft">Working it out{progress !== null ? `, ${Math.round(progress * 100)} %` : ''} …</p>
      )}
      {rates && (
        <>
          <dl>
            {handKinds.map((kind) => {
              const own = rates.get(kind);
              if (!own) return null;
              const level = own.share >= 0.8 ? 'secondary' : own.share >= 0.6 ? 'warning' : 'error';
              return (
                <div key={kind}>
                  <dt>{names[kind]}</dt>
                  <dd>
                    <Meter share={own.share} color={level} />
                  </dd>
                  <dd
                    className="mono"
                    title={`${(own.low * 100).toFixed(1)} to ${(own.high * 100).toFixed(1)} %, ${own.runs} tries`}
                  >
                    {percent(own.share)}
                  </dd>
                </div>
              );
            })}
          </dl>
          {gloved?.worstStep !== null && gloved !== undefined && gloved.share < 0.995 && (
            <p className="small">
              With gloves it fails most{' '}
              <Button variant="text" size="inline" onClick={() => onStep(gloved.worstStep ?? '')}>
                in line {lineOf(gloved.worstStep ?? '') ?? '–'}
              </Button>
              : {missWords((gloved.failed[0]?.code ?? 'too-late') as MissCode)}.
              {gloved.pace !== 1 &&
                ` Advise ${gloved.pace < 1 ? 'quicker' : 'slower'}: ${gloved.pace} times the usual time for each act.`}
            </p>
          )}
          {gloved && (
            <WhatGoesWrong rate={{ ...gloved, errors: calibrateErrors(gloved.errors, tries) }} who="With gloves" />
          )}
          {rates.get('first') && <WhatGoesWrong rate={rates.get('first') as SuccessRate} who="The first time" />}
          {gloved && gloved.share < 0.8 && <p className="small tag">hint: under 80 % with gloves</p>}
          <p className="small soft">
            {gloved && tries.of > 0
              ? triesWords(calibrate(gloved, tries), tries)
              : 'By a model of hands, until recorded tries calibrate it.'}
          </p>
        </>
      )}
    </div>
  );
}

/** What goes wrong most, and what would help against it. */
function WhatGoesWrong({ rate, who }: { rate: SuccessRate; who: string }) {
  const [most] = rate.errors;
  const [help] = rate.helps;
  if (!most || most.share < 0.01) return null;
  return (
    <p className="small">
      {who} it is mostly {slipKindWords[most.kind]} ({percent(most.share)}).
      {help && ` With ${aidWords[help.aid]}: ${percent(help.share)}.`}
    </p>
  );
}

/** A share as people read it. Nobody gets it right every time. */
const percent = (share: number): string => `${Math.min(99, Math.round(share * 100))} %`;

function triesWords(calibrated: ReturnType<typeof calibrate>, { took, of }: { took: number; of: number }): string {
  const share = Math.round(calibrated.share * 100);
  return calibrated.from === 'tries'
    ? `${of} tries in the log, ${took} took: calibrated to ${share} % with gloves.`
    : `A model of hands; ${of} ${of === 1 ? 'try' : 'tries'} in the log so far, ${took} took. Together: ${share} % with gloves.`;
}
