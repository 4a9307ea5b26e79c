import Button from '@mui/material/Button';
import { type Bundle, type Mode, showingWords, withoutShowing, withShowing } from '@wire-trail/core';
import { useState } from 'react';
import { ShowDialog } from './ShowDialog.tsx';

type Props = Readonly<{ mode: Mode; bundle: Bundle; onKeep: (mode: Mode, note: string) => void }>;

/** What a mode shows, as sentences; each is said anew, taken away, or one is added. */
export function ModeShows({ mode, bundle, onKeep }: Props) {
  const [open, setOpen] = useState<number | 'new' | null>(null);
  return (
    <div className="stack">
      <h3>What it shows</h3>
      {mode.shows.length === 0 && <p className="soft small">Nothing is said of it yet.</p>}
      <ul className="plain stack modes-list" aria-label="what it shows">
        {mode.shows.map((s, i) => {
          const sentence = showingWords(s, mode, bundle);
          return (
            // biome-ignore lint/suspicious/noArrayIndexKey: what is shown has no name of its own; its place is its name
            <li key={i} className="row spread">
              <span>{sentence}</span>
              <span className="row">
                <Button variant="text" size="inline" onClick={() => setOpen(i)}>
                  Change
                </Button>
                <Button
                  variant="text"
                  size="inline"
                  aria-label={`Take away: ${sentence}`}
                  onClick={() => onKeep(withoutShowing(mode, i), 'shows less')}
                >
                  Take away
                </Button>
              </span>
            </li>
          );
        })}
      </ul>
      <div className="row">
        <Button onClick={() => setOpen('new')}>Add what it shows</Button>
      </div>
      {open !== null && (
        <ShowDialog
          mode={mode}
          bundle={bundle}
          before={open === 'new' ? null : (mode.shows[open] ?? null)}
          onClose={() => setOpen(null)}
          onKeep={(showing) => {
            setOpen(null);
            onKeep(withShowing(mode, showing, open === 'new' ? null : open), 'what it shows');
          }}
        />
      )}
    </div>
  );
}
