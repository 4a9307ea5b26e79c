import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import type { Stale } from '@wire-trail/core';
import { draftEdited, rebased } from '../../foundation/entry-draft-slice.ts';
import { useAppDispatch } from '../../foundation/store.ts';
import { ChangeList } from '../../parts/changes/ChangeList.tsx';

/** What to do when somebody saved in between: both are shown, and neither is lost. */
export function StaleDialog({ stale, onClose }: { stale: Stale; onClose: () => void }) {
  const dispatch = useAppDispatch();
  const rebase = () => void dispatch(rebased({ number: stale.number, saved: stale.body }));
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md" aria-labelledby="stale-title">
      <DialogContent>
        <h2 id="stale-title">Somebody saved in between</h2>
        <p>
          {stale.author ?? 'An import'} saved revision {stale.number}. Nothing of yours is lost. Yours against theirs:
        </p>
        <ChangeList changes={stale.changes} />
        <div className="row">
          <Button
            variant="contained"
            color="primary"
            onClick={() => {
              rebase();
              onClose();
            }}
          >
            Go on with mine on top
          </Button>
          <Button
            onClick={() => {
              rebase();
              dispatch(draftEdited({ body: stale.body, about: '' }));
              onClose();
            }}
          >
            Take theirs (mine stays in undo)
          </Button>
        </div>
      </DialogContent>
    </Dialog>
  );
}
