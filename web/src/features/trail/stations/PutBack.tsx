import Button from '@mui/material/Button';
import type { Changed } from '@wire-trail/core';
import { useState } from 'react';
import { Input } from '../../../parts/field/Input.tsx';
import { Next, StationLayout, type StationProps } from './StationLayout.tsx';

type Props = Pick<StationProps, 'walk' | 'data' | 'add'> &
  Readonly<{ changes: readonly Changed[]; of: string | null; onDone: () => void }>;

/** What was changed by hand on the way: each is put back, or left so with who puts it back and until when. */
export function PutBack({ walk, data, add, changes, of, onDone }: Props) {
  const [leaving, setLeaving] = useState<string | null>(null);
  const open = changes.filter((c) => c.is === 'open');
  return (
    <StationLayout
      panel={{ face: data.front }}
      actions={
        <Next disabled={open.length > 0} onClick={onDone}>
          {open.length > 0 ? `${open.length} still to put back` : 'Go on'}
        </Next>
      }
    >
      {of && <p className="soft small">{of}</p>}
      <h1>What was changed by hand</h1>
      <ul className="plain checks" aria-label="changed by hand">
        {changes.map((c) => (
          <li key={c.key} className="stack">
            <span>
              {c.what}
              {c.is === 'back' && <span className="soft"> · is back</span>}
              {c.is === 'left' && <span className="soft"> · left so, on the ledger of this machine</span>}
            </span>
            {c.is === 'open' && leaving !== c.key && (
              <span className="row">
                <Button onClick={() => void add({ kind: 'put-back', of: walk.id, what: c.key })}>It is back</Button>
                <Button variant="text" onClick={() => setLeaving(c.key)}>
                  Left so …
                </Button>
              </span>
            )}
            {leaving === c.key && (
              <LeftSo
                onLeave={(who, by) => {
                  setLeaving(null);
                  void add({ kind: 'owed', what: c.what, by: by || null, who, left: c.key });
                }}
                onCancel={() => setLeaving(null)}
              />
            )}
          </li>
        ))}
      </ul>
    </StationLayout>
  );
}

/** Who puts it back, and until when: without a name it is nobody's. */
function LeftSo({ onLeave, onCancel }: { onLeave: (who: string, by: string) => void; onCancel: () => void }) {
  const [who, setWho] = useState('');
  const [by, setBy] = useState('');
  return (
    <form
      className="sheet stack"
      onSubmit={(e) => {
        e.preventDefault();
        if (who.trim()) onLeave(who.trim(), by);
      }}
    >
      <label className="field">
        Who puts it back
        <Input
          fullWidth
          value={who}
          onChange={(e) => setWho(e.target.value)}
          slotProps={{ input: { maxLength: 80 } }}
        />
      </label>
      <label className="field">
        Until when
        <Input fullWidth type="date" value={by} onChange={(e) => setBy(e.target.value)} />
      </label>
      <div className="row">
        <Button type="submit" disabled={!who.trim()}>
          Leave it so
        </Button>
        <Button variant="text" onClick={onCancel}>
          Not yet
        </Button>
      </div>
    </form>
  );
}
