import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import { type CodeId, type Found, roleAtLeast, type SymptomId } from '@wire-trail/core';
import { type KeyboardEvent, useState } from 'react';
import { useNavigate } from 'react-router';
import { keptBundle } from '../../foundation/device/database.ts';
import { useBundles } from '../../foundation/device/use-bundles.ts';
import { useFind } from '../../foundation/device/use-find.ts';
import { beginWalk } from '../../foundation/device/walks.ts';
import { useAppSelector } from '../../foundation/store.ts';
import { Input } from '../../parts/field/Input.tsx';
import { FoundLine } from '../../parts/found/FoundLine.tsx';

/** The one box: codes, units, suspects and words, from anywhere. */
export default function FindBox({ onClose }: { onClose: () => void }) {
  const navigate = useNavigate();
  const session = useAppSelector((s) => s.session);
  const [typed, setTyped] = useState('');
  const [at, setAt] = useState(0);
  // what is published meanwhile comes to this device, and into the index
  useBundles();
  const { query, found } = useFind(typed);
  const writes = session.status === 'signed-in' && roleAtLeast(session.user.role, 'trainer');
  const walk = async (hit: Found) => {
    const kept = await keptBundle(hit.family);
    if (!kept || session.status !== 'signed-in') return;
    const from =
      hit.kind === 'code'
        ? ({ kind: 'code', code: hit.id as CodeId } as const)
        : hit.kind === 'symptom'
          ? ({ kind: 'symptom', symptom: hit.id as SymptomId } as const)
          : ({ kind: 'panel' } as const);
    const id = await beginWalk(kept.bundle, session.user.id, from);
    onClose();
    void navigate(`/trail/${id}`);
  };
  const open = (hit: Found) => {
    if (!writes) return void walk(hit);
    onClose();
    void navigate(hit.kind === 'family' ? `/shelf/${hit.family}` : `/shelf/${hit.family}/${hit.kind}/${hit.id}`);
  };
  const onKey = (event: KeyboardEvent) => {
    const hit = found[at];
    if (event.key === 'ArrowDown') setAt(Math.min(at + 1, found.length - 1));
    else if (event.key === 'ArrowUp') setAt(Math.max(at - 1, 0));
    else if (event.key === 'Enter' && hit && query === typed.trim()) open(hit);
    else return;
    event.preventDefault();
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-label="find">
      <DialogContent>
        <label className="visually-hidden" htmlFor="find-anything">
          Find a code, a unit, a part, a word
        </label>
        <Input
          fullWidth
          id="find-anything"
          autoFocus
          className="find-box"
          placeholder="co7, glasswasher K19, pump …"
          autoComplete="off"
          value={typed}
          onChange={(e) => {
            setTyped(e.target.value);
            setAt(0);
          }}
          onKeyDown={onKey}
          slotProps={{ input: { maxLength: 100 } }}
        />
        <div className="stack" aria-live="polite">
          {found.map((hit, i) => (
            <FoundLine
              key={`${hit.kind}${hit.family}${hit.id}`}
              found={hit}
              current={i === at}
              onPick={() => open(hit)}
            />
          ))}
          {typed.trim() !== '' && query === typed.trim() && found.length === 0 && (
            <p className="soft">Nothing on this device is like “{typed.trim()}”.</p>
          )}
        </div>
        <p className="soft small">
          A unit’s or badge’s name narrows. <kbd>↑</kbd> <kbd>↓</kbd> <kbd>Enter</kbd>{' '}
          {writes ? 'opens the entry' : 'begins a walk'}
        </p>
      </DialogContent>
    </Dialog>
  );
}
