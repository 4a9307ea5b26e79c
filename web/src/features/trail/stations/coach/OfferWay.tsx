import Button from '@mui/material/Button';
import type { Route, Step } from '@wire-trail/core';
import { useState } from 'react';
import { Input } from '../../../../parts/field/Input.tsx';
import { RouteSteps } from '../../../../parts/route/RouteSteps.tsx';
import type { TrailData } from '../../trail-data.ts';
import { Next, StationLayout } from '../StationLayout.tsx';

type Props = Readonly<{
  route: Route;
  data: TrailData;
  /** What was done, as steps. */
  steps: Step[];
  onBack: () => void;
  onOffer: (steps: Step[], words: string) => void;
}>;

/** A way that worked on the unit, as it was shown here: looked over, given a word, and offered to the trainer. */
export function OfferWay({ route, data, steps, onBack, onOffer }: Props) {
  const [words, setWords] = useState('');
  return (
    <StationLayout
      panel={{ face: data.front }}
      actions={
        <>
          <Next disabled={steps.length === 0} onClick={() => onOffer(steps, words.trim())}>
            Offer it and go on
          </Next>
          <Button size="glove" onClick={onBack}>
            Back: that is not what I did
          </Button>
        </>
      }
    >
      <h1>This worked</h1>
      <p className="soft">
        It goes to the trainer under your name, beside what the library says of “{route.name}”. Nothing there changes
        before a trainer has settled it.
      </p>
      <div className="sheet">
        <RouteSteps route={{ steps }} panel={data.panel} />
      </div>
      <label className="field">
        What should they know?
        <Input
          fullWidth
          multiline
          minRows={2}
          value={words}
          placeholder="where it differs, on which unit, how often it took"
          onChange={(e) => setWords(e.target.value)}
          slotProps={{ input: { maxLength: 1000 } }}
        />
      </label>
    </StationLayout>
  );
}
