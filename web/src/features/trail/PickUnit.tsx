import Autocomplete from '@mui/material/Autocomplete';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import TextField from '@mui/material/TextField';
import { familyEntry } from '@wire-trail/core';
import type { UnitBundle } from './begins.ts';

type Props = Readonly<{
  title: string;
  bundles: readonly UnitBundle[];
  onPick: (bundle: UnitBundle) => void;
  onClose: () => void;
}>;

/** One unit out of however many there are: a few letters of its name are enough. */
export default function PickUnit({ title, bundles, onPick, onClose }: Props) {
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs" aria-labelledby="pick-unit">
      <DialogTitle id="pick-unit">{title}</DialogTitle>
      <DialogContent>
        <Autocomplete
          openOnFocus
          options={[...bundles].sort((a, b) => familyEntry(a).name.localeCompare(familyEntry(b).name))}
          getOptionLabel={(bundle) => familyEntry(bundle).name}
          getOptionKey={(bundle) => bundle.family}
          noOptionsText="No unit on this device is called so."
          onChange={(_, bundle) => bundle && onPick(bundle)}
          renderInput={(params) => <TextField {...params} label="Unit" margin="dense" autoFocus />}
        />
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Not now</Button>
      </DialogActions>
    </Dialog>
  );
}
