import { useState } from 'react';

/** Leaves a station out, which needs a word why: the word goes with the walk. */
export function Skip({ onSkip, example }: { onSkip: (why: string) => void; example: string }) {
  const [open, setOpen] = useState(false);
  const [why, setWhy] = useState('');
  if (!open)
    return (
      <button type="button" className="plain" onClick={() => setOpen(true)}>
        Leave this station out …
      </button>
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
        <input
          className="box"
          value={why}
          maxLength={400}
          onChange={(e) => setWhy(e.target.value)}
          placeholder={example}
        />
      </label>
      <button type="submit" className="act" disabled={!why.trim()}>
        Leave it out
      </button>
    </form>
  );
}
