import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { type FormEvent, type ReactNode, useId } from 'react';
import '../steps/steps.css';

type Props = Readonly<{
  title: string;
  keeps: string;
  /** What is missing, once it was tried to keep it. */
  wrong: string | null;
  onKeep: () => void;
  onClose: () => void;
  children: ReactNode;
}>;

/** Sentences with gaps to fill, and what keeps them. */
export function SentenceDialog({ title, keeps, wrong, onKeep, onClose, children }: Props) {
  const id = useId();
  const submit = (event: FormEvent) => {
    event.preventDefault();
    onKeep();
  };
  return (
    <Dialog
      open
      onClose={onClose}
      fullWidth
      maxWidth="sm"
      aria-labelledby={id}
      // the form itself is what scrolls: what keeps it stays in sight
      slotProps={{ paper: { component: 'form', noValidate: true, onSubmit: submit } as object }}
    >
      <DialogTitle id={id}>{title}</DialogTitle>
      <DialogContent className="stack way-gaps">
        {children}
        {wrong && (
          <p className="wrong" role="alert">
            {wrong}
          </p>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button type="submit" variant="contained" color="primary">
          {keeps}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
