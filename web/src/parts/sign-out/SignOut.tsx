import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useEffect, useState } from 'react';
import { allEvents } from '../../foundation/device/database.ts';
import { useSignOut } from '../../foundation/use-sign-out.ts';

const steps = (n: number): string => (n === 1 ? 'One step has' : `${n} steps have`);

/** Signs out; asks before whether what is kept on this device stays for next time. */
export default function SignOut({ onClose }: { onClose: () => void }) {
  const leave = useSignOut();
  const [unsent, setUnsent] = useState(0);
  const [going, setGoing] = useState(false);
  useEffect(() => {
    void allEvents()
      .then((all) => setUnsent(all.filter((e) => e.state !== 'sent').length))
      .catch(() => {});
  }, []);
  const go = (wipe: boolean) => {
    setGoing(true);
    void leave({ wipe });
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs" aria-labelledby="sign-out-title">
      <DialogTitle id="sign-out-title">Sign out</DialogTitle>
      <DialogContent className="stack">
        {unsent > 0 && (
          <p className="wrong" role="status">
            {steps(unsent)} not been sent from this device yet.
          </p>
        )}
        <p>
          Keep the library and the walks on this device for when you sign in again? On a phone that others use, remove
          them.
        </p>
      </DialogContent>
      <DialogActions className="stack" disableSpacing>
        <Button fullWidth size="glove" variant="contained" color="primary" disabled={going} onClick={() => go(false)}>
          Keep them, and sign out
        </Button>
        <Button fullWidth size="glove" color="error" disabled={going} onClick={() => go(true)}>
          {unsent > 0 ? 'Remove everything, what was not sent too' : 'Remove everything, and sign out'}
        </Button>
        <Button fullWidth size="glove" variant="text" disabled={going} onClick={onClose}>
          Stay
        </Button>
      </DialogActions>
    </Dialog>
  );
}
