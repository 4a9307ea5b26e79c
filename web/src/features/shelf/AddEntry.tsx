import Button from '@mui/material/Button';
import { codeIdOf, type EntryKind } from '@wire-trail/core';
import { type FormEvent, useState } from 'react';
import { useNavigate } from 'react-router';
import { Input } from '../../parts/field/Input.tsx';

type Props = Readonly<{
  /** The family it belongs to, or `library`. */
  scope: string;
  kind: EntryKind;
  label: string;
  taken: readonly string[];
}>;

/** Begins an entry by its name; it exists when its first draft is saved. */
export function AddEntry({ scope, kind, label, taken }: Props) {
  const navigate = useNavigate();
  const [name, setName] = useState('');
  const id = codeIdOf(name).slice(0, 64);
  const isTaken = taken.includes(id);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (id === '' || isTaken) return;
    const family = kind === 'family' ? id : scope;
    void navigate(`/shelf/${family}/${kind}/${id}?new=${encodeURIComponent(name.trim())}`);
  };
  return (
    <form className="row" onSubmit={submit}>
      <Input
        fullWidth
        className="add-name"
        placeholder={`new ${label}`}
        value={name}
        onChange={(e) => setName(e.target.value)}
        slotProps={{ input: { 'aria-label': `name of the new ${label}`, maxLength: 120 } }}
      />
      <Button type="submit" disabled={id === '' || isTaken}>
        Begin
      </Button>
      {isTaken && <span className="wrong">There is one of this name.</span>}
    </form>
  );
}
