import { type Bundle, type Mode, showingWords, withoutShowing, withShowing } from '@wire-trail/core';
import { useState } from 'react';
import { SentenceList } from './SentenceList.tsx';
import { ShowDialog } from './ShowDialog.tsx';

type Props = Readonly<{ mode: Mode; bundle: Bundle; onKeep: (mode: Mode, note: string) => void }>;

/** What a mode shows, as sentences; each is said anew, taken away, or one is added. */
export function ModeShows({ mode, bundle, onKeep }: Props) {
  const [open, setOpen] = useState<number | 'new' | null>(null);
  return (
    <div className="stack">
      <SentenceList
        name="what it shows"
        heading="What it shows"
        empty="Nothing is said of it yet."
        sentences={mode.shows.map((s) => showingWords(s, mode, bundle))}
        adds="Add what it shows"
        onAdd={() => setOpen('new')}
        onChange={setOpen}
        onTakeAway={(i) => onKeep(withoutShowing(mode, i), 'shows less')}
      />
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
