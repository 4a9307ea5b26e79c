import Button from '@mui/material/Button';
import { useState } from 'react';
import { Input } from '../../../parts/field/Input.tsx';

/** Leaves a station out, which needs a word why: the word goes with the walk. */
export function Skip({ onSkip, example }: { onSkip: (why: string) => void; example: string }) {
  const [open, setOpen] = useState(false);
  const [why, setWhy] = useState('');
  if (!open)
    return (
      <Button variant="text" onClick={() => setOpen(true)}>
        Leave this station out …
      </Button>
    );
  return (
    <form
      className="stack"
      onSubmit={(e) => {
        e.preventDefault();
        if (why.trim()) onSkip(why.trim());
      }}
    >
      <label className="field">
        Why?
        <Input
          fullWidth
          value={why}
          onChange={(e) => setWhy(e.target.value)}
          placeholder={example}
          slotProps={{ input: { maxLength: 400 } }}
        />
      </label>
      <Button type="submit" disabled={!why.trim()}>
        Leave it out
      </Button>
    </form>
  );
}
