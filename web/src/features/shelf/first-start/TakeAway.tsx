import Button from '@mui/material/Button';
import { useState } from 'react';
import { type ApiError, api } from '../../../foundation/api.ts';
import { fetchSample } from './sample.ts';

/** The sample goes again, with everything that came with it, as long as nobody has published any of it. */
export function TakeAway() {
  const [discard, { isLoading }] = api.useDiscardMutation();
  const [problem, setProblem] = useState<string | null>(null);
  const take = async () => {
    const sample = await fetchSample();
    if (!sample) return setProblem('The sample could not be fetched. Try once more when you are connected.');
    const result = await discard([...sample.keys]);
    setProblem('error' in result ? (result.error as ApiError).title : null);
  };
  return (
    <div className="note row">
      <span>A sample to learn from stands on the Shelf. Nobody but trainers sees it.</span>
      <Button disabled={isLoading} onClick={() => void take()}>
        Take the sample away
      </Button>
      {problem && (
        <span className="wrong" role="alert">
          {problem}
        </span>
      )}
    </div>
  );
}
