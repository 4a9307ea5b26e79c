import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import type { EntryKey, FamilyId } from '@wire-trail/core';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { type ApiError, api } from '../../../foundation/api.ts';
import type { Shelved } from '../tab-props.ts';

/** A unit nobody has published goes with everything that was written of it. */
export function Abandon({ family, name, entries }: { family: string; name: string; entries: readonly Shelved[] }) {
  const navigate = useNavigate();
  const [asked, setAsked] = useState(false);
  const [problem, setProblem] = useState<ApiError | null>(null);
  const [discard, discarding] = api.useDiscardMutation();
  const own = entries.filter((e) => e.body.kind === 'family' || ('family' in e.body && e.body.family === family));
  if (own.length === 0 || own.some((e) => e.published !== null)) return null;
  const keys = own.map(({ body }): EntryKey => ({ family: family as FamilyId, kind: body.kind, id: String(body.id) }));
  const rest = own.length - 1;
  const run = async () => {
    const result = await discard(keys);
    if ('error' in result) setProblem(result.error as ApiError);
    else void navigate('/shelf');
  };
  return (
    <>
      <Button variant="text" onClick={() => setAsked(true)}>
        Abandon this unit
      </Button>
      <Dialog open={asked} onClose={() => setAsked(false)} fullWidth maxWidth="xs">
        <DialogTitle>Abandon {name}?</DialogTitle>
        <DialogContent>
          <p>
            {rest === 0
              ? 'Nothing else was written of it yet.'
              : `${rest === 1 ? 'One draft' : `${rest} drafts`} of it: ${summed(own)}.`}{' '}
            Nobody has published any of it; it cannot be brought back.
          </p>
          {problem && (
            <p className="wrong" role="alert">
              {problem.title}
            </p>
          )}
        </DialogContent>
        <DialogActions>
          <Button onClick={() => setAsked(false)}>Go on with it</Button>
          <Button variant="contained" color="primary" disabled={discarding.isLoading} onClick={() => void run()}>
            Abandon it
          </Button>
        </DialogActions>
      </Dialog>
    </>
  );
}

/** `3 codes, 1 panel`: what goes with it. */
function summed(own: readonly Shelved[]): string {
  const counts = new Map<string, number>();
  for (const { body } of own) if (body.kind !== 'family') counts.set(body.kind, (counts.get(body.kind) ?? 0) + 1);
  return [...counts].map(([kind, n]) => `${n} ${n === 1 ? kind : `${kind}s`}`).join(', ');
}
