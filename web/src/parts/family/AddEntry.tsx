import AddIcon from '@mui/icons-material/Add';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { CodeText, codeIdOf, type EntryKind, kindWords } from '@wire-trail/core';
import { type FormEvent, useState } from 'react';
import { useNavigate } from 'react-router';
import { Field } from '../field/Field.tsx';

type Props = Readonly<{
  /** The family it belongs to, or `library`. */
  scope: string;
  kind: EntryKind;
  taken: readonly string[];
}>;

const asks: Partial<Record<EntryKind, string>> = { code: 'The code, as it shows', symptom: 'What one notices' };

/** Adds an entry by its name; it exists when its first draft is saved. */
export function AddEntry({ scope, kind, taken }: Props) {
  const navigate = useNavigate();
  const [open, setOpen] = useState(false);
  const [tried, setTried] = useState(false);
  const [name, setName] = useState('');
  const id = codeIdOf(name).slice(0, 64);
  const what = kindWords[kind];
  const wrong =
    id === ''
      ? 'Give it a name.'
      : taken.includes(id)
        ? `There is a ${what} of this name.`
        : kind === 'code' && !CodeText.safeParse(name.trim()).success
          ? 'A code has up to 16 letters, figures and - . /'
          : null;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    setTried(true);
    if (wrong) return;
    void navigate(`/shelf/${scope}/${kind}/${id}?new=${encodeURIComponent(name.trim())}`);
    setOpen(false);
    setName('');
    setTried(false);
  };
  return (
    <>
      <Button startIcon={<AddIcon />} onClick={() => setOpen(true)}>
        Add {what}
      </Button>
      <Dialog open={open} onClose={() => setOpen(false)} fullWidth maxWidth="xs">
        <form onSubmit={submit} noValidate>
          <DialogTitle>Add {what}</DialogTitle>
          <DialogContent>
            <Field
              label={asks[kind] ?? 'Name'}
              autoFocus
              value={name}
              wrong={tried && wrong}
              maxLength={kind === 'code' ? 16 : 120}
              onChange={(e) => setName(e.target.value)}
            />
          </DialogContent>
          <DialogActions>
            <Button onClick={() => setOpen(false)}>Cancel</Button>
            <Button type="submit" variant="contained" color="primary">
              Add
            </Button>
          </DialogActions>
        </form>
      </Dialog>
    </>
  );
}
