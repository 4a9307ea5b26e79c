import Button from '@mui/material/Button';
import type { Stale } from '@wire-trail/core';
import { type Body, type DraftState, draftEdited, rebased } from '../../foundation/entry-draft-slice.ts';
import { useAppDispatch } from '../../foundation/store.ts';
import { BothInOne } from '../../parts/changes/BothInOne.tsx';

type Props = Readonly<{
  stale: Stale;
  draft: Extract<DraftState, { status: 'open' }>;
  onClose: () => void;
}>;

/** What to do when somebody saved in between: both are shown, and neither is lost. */
export function StaleDialog({ stale, draft, onClose }: Props) {
  const dispatch = useAppDispatch();
  const goOnWith = (body: Body | null) => {
    dispatch(rebased({ number: stale.number, saved: stale.body }));
    if (body) dispatch(draftEdited({ body, about: '' }));
    onClose();
  };
  return (
    <BothInOne
      stale={stale}
      before={draft.basedOn === 0 ? undefined : draft.saved}
      mine={draft.body}
      onClose={onClose}
      actions={(both) => (
        <>
          <Button variant="contained" color="primary" onClick={() => goOnWith(both)}>
            Both in one
          </Button>
          <Button onClick={() => goOnWith(null)}>Go on with mine on top</Button>
          <Button onClick={() => goOnWith(stale.body)}>Take theirs (mine stays in undo)</Button>
        </>
      )}
    />
  );
}
