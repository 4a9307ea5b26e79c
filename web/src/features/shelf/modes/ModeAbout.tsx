import Button from '@mui/material/Button';
import { type Bundle, type Mode, modeSortWords, variableWords } from '@wire-trail/core';
import { useState } from 'react';
import { AboutDialog } from './AboutDialog.tsx';

type Props = Readonly<{ mode: Mode; bundle: Bundle; onKeep: (mode: Mode, note: string) => void }>;

/** What a mode is and remembers, in a few words; changed in one sentence each. */
export function ModeAbout({ mode, bundle, onKeep }: Props) {
  const [isOpen, setOpen] = useState(false);
  return (
    <>
      <ul className="plain small" aria-label="what it is">
        <li>For: {modeSortWords[mode.sort]}</li>
        {mode.deafForMs !== undefined && <li>Takes nothing for {mode.deafForMs / 1000} s at first</li>}
        {mode.variables.map((v) => (
          <li key={v.id}>Remembers {variableWords(v)}</li>
        ))}
      </ul>
      <div className="row">
        <Button onClick={() => setOpen(true)}>What it is</Button>
      </div>
      {isOpen && (
        <AboutDialog
          mode={mode}
          bundle={bundle}
          onClose={() => setOpen(false)}
          onKeep={(made) => {
            setOpen(false);
            onKeep(made, 'what it is');
          }}
        />
      )}
    </>
  );
}
