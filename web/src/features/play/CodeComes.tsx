import Button from '@mui/material/Button';
import type { Code } from '@wire-trail/core';
import { useState } from 'react';
import { Select } from '../../parts/field/Select.tsx';
import { Fold } from '../../parts/fold/Fold.tsx';

type Props = Readonly<{ codes: readonly Code[]; onCode: (code: Code['id'], stands: boolean) => void }>;

/** Lets a code come up on the unit while it is played, and go away again. */
export function CodeComes({ codes, onCode }: Props) {
  const [id, setId] = useState<Code['id'] | undefined>(codes[0]?.id);
  if (id === undefined) return null;
  return (
    <Fold title="Let a code come up">
      <Select
        native
        fullWidth
        value={id}
        onChange={(e) => setId(e.target.value as Code['id'])}
        inputProps={{ 'aria-label': 'code that comes up' }}
      >
        {codes.map((c) => (
          <option key={c.id} value={c.id}>
            {c.text} {c.title}
          </option>
        ))}
      </Select>
      <div className="row">
        <Button onClick={() => onCode(id, true)}>It comes up</Button>
        <Button onClick={() => onCode(id, false)}>It is gone again</Button>
      </div>
    </Fold>
  );
}
