import Button from '@mui/material/Button';
import { useState } from 'react';
import { Input } from '../../../parts/field/Input.tsx';

type Props = Readonly<{
  /** What opens it, what is asked, what says it. */
  opens: string;
  asks: string;
  says: string;
  example: string;
  quiet?: boolean;
  onWhy: (why: string) => void;
}>;

/** Something is left, which needs a word why: the word goes with the walk. */
export function Why({ opens, asks, says, example, quiet = false, onWhy }: Props) {
  const [open, setOpen] = useState(false);
  const [why, setWhy] = useState('');
  if (!open)
    return (
      <Button size="glove" {...(quiet && { variant: 'text' as const })} onClick={() => setOpen(true)}>
        {opens}
      </Button>
    );
  return (
    <form
      className="stack"
      onSubmit={(e) => {
        e.preventDefault();
        if (why.trim()) onWhy(why.trim());
      }}
    >
      <label className="field">
        {asks}
        <Input
          fullWidth
          value={why}
          onChange={(e) => setWhy(e.target.value)}
          placeholder={example}
          slotProps={{ input: { maxLength: 400 } }}
        />
      </label>
      <Button type="submit" size="glove" disabled={!why.trim()}>
        {says}
      </Button>
    </form>
  );
}
