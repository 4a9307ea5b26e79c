import Button from '@mui/material/Button';
import Step from '@mui/material/Step';
import StepContent from '@mui/material/StepContent';
import StepLabel from '@mui/material/StepLabel';
import Stepper from '@mui/material/Stepper';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import type { Role } from '@wire-trail/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { api } from '../../../foundation/api.ts';
import { AddUnit } from '../AddUnit.tsx';
import { JobBar } from '../table/JobBar.tsx';
import { useJob } from '../table/use-job.ts';
import { fetchSample } from './sample.ts';

type Stop = Readonly<{ name: string; says: string; to: string; link: string }>;
const stops: Readonly<Record<'technician' | 'trainer' | 'reviewer', readonly Stop[]>> = {
  technician: [
    {
      name: 'Say what you see',
      says: 'A code, lamps, blinks, or that nothing shows: the Trail begins with it.',
      to: '/trail',
      link: 'Open the Trail',
    },
    {
      name: 'Walk it',
      says: 'Unit, Safe, Enter, Read, Test, Clear, Prove: one thing to do at a time, with or without signal.',
      to: '/trail',
      link: 'Open the Trail',
    },
    {
      name: 'What was done stays',
      says: 'Every walk is in the Log, by the machine it was on.',
      to: '/log',
      link: 'Open the Log',
    },
  ],
  trainer: [
    {
      name: 'Put a unit on the Shelf',
      says: 'Seven steps in any order: what it is, its panel in words, the ways as people tell them, how a code is shown, the codes, tests, what can hurt.',
      to: '/shelf',
      link: 'Open the Shelf',
    },
    {
      name: 'See what is still to fix',
      says: 'A unit plays as it is written; what does not hang together is named where it stands.',
      to: '/shelf',
      link: 'Open the Shelf',
    },
    {
      name: 'Hand it to a reviewer',
      says: 'What belongs together goes together; technicians have it once it is published.',
      to: '/bench',
      link: 'Open the Bench',
    },
  ],
  reviewer: [
    {
      name: 'What waits',
      says: 'The Bench lists what was handed in, with what it changes and what else it touches.',
      to: '/bench',
      link: 'Open the Bench',
    },
    {
      name: 'Publish, or say what is missing',
      says: 'All of it or nothing; what is out of date is refused with both versions.',
      to: '/bench',
      link: 'Open the Bench',
    },
  ],
};
const roleNames = { technician: 'a technician', trainer: 'a trainer', reviewer: 'a reviewer' } as const;

/** What an empty Shelf offers whoever writes: a unit, a file, a sample to learn from, the others, and a look around. */
export function FirstStart({ who, onImport }: { who: Role; onImport: () => void }) {
  const [save] = api.useSaveDraftsMutation();
  const run = useJob();
  const [missing, setMissing] = useState(false);
  const take = async () => {
    const sample = await fetchSample();
    setMissing(sample === null);
    if (!sample) return;
    const items = sample.entries.map((body) => ({ basedOn: 0, body }));
    await run.start(() => save({ note: 'a sample to learn from', submit: null, items }));
  };
  return (
    <section className="stack" aria-label="where to begin">
      <h2>The Shelf is empty. Where do you want to begin?</h2>
      <div className="first-start">
        <div className="sheet stack">
          <h3>With a unit of your own</h3>
          <p className="soft">By its name; seven steps lead on from there, left and come back to at any time.</p>
          <div>
            <AddUnit units={[]} />
          </div>
        </div>
        <div className="sheet stack">
          <h3>With a file</h3>
          <p className="soft">
            A library file of another school, or one you exported. Nothing is written before you see it.
          </p>
          <div>
            <Button onClick={onImport}>Import a library file</Button>
          </div>
        </div>
        <div className="sheet stack">
          <h3>With a sample to learn from</h3>
          <p className="soft">
            A brewer with all its codes and tests, as drafts only you and other trainers see. One click takes it away
            again.
          </p>
          <div>
            <Button disabled={run.job?.state === 'running'} onClick={() => void take()}>
              Put the sample on the Shelf
            </Button>
          </div>
          <JobBar run={run} what="the sample" />
          {missing && (
            <p className="wrong" role="alert">
              The sample could not be fetched. Try once more when you are connected.
            </p>
          )}
        </div>
        <div className="sheet stack">
          <h3>With the others</h3>
          <p className="soft">
            {who === 'admin'
              ? 'Give everybody a sign-in: technicians look up, trainers write, reviewers publish.'
              : 'Whoever runs this school gives everybody a sign-in: technicians look up, trainers write, reviewers publish.'}
          </p>
          {who === 'admin' && (
            <div>
              <Button component={Link} to="/settings">
                People
              </Button>
            </div>
          )}
        </div>
      </div>
      <Tour own={who === 'technician' || who === 'reviewer' ? who : 'trainer'} />
    </section>
  );
}

/** Two minutes of what is where, for whoever asks. */
function Tour({ own }: { own: keyof typeof stops }) {
  const [who, setWho] = useState<keyof typeof stops>(own);
  const [at, setAt] = useState(0);
  return (
    <div className="sheet stack">
      <div className="row">
        <h3>What is where, in two minutes</h3>
        <ToggleButtonGroup
          exclusive
          size="small"
          aria-label="for whom"
          value={who}
          onChange={(_, next: keyof typeof stops | null) => {
            if (next === null) return;
            setWho(next);
            setAt(0);
          }}
        >
          {(Object.keys(stops) as (keyof typeof stops)[]).map((r) => (
            <ToggleButton key={r} value={r}>
              {roleNames[r]}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
      </div>
      <Stepper activeStep={at} orientation="vertical" nonLinear>
        {stops[who].map((stop, i) => (
          <Step key={stop.name}>
            <StepLabel>{stop.name}</StepLabel>
            <StepContent>
              {i === at && (
                <>
                  <p>{stop.says}</p>
                  <div className="row">
                    <Button component={Link} to={stop.to}>
                      {stop.link}
                    </Button>
                    {i + 1 < stops[who].length && (
                      <Button variant="contained" color="primary" onClick={() => setAt(i + 1)}>
                        Go on
                      </Button>
                    )}
                  </div>
                </>
              )}
            </StepContent>
          </Step>
        ))}
      </Stepper>
    </div>
  );
}
