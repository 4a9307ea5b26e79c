import Button from '@mui/material/Button';
import { codeColumns } from '@wire-trail/core';
import { type ReactNode, useState } from 'react';
import { Input } from '../../../parts/field/Input.tsx';
import { Select } from '../../../parts/field/Select.tsx';

/** What may be set for many rows at once. */
const bulkColumns = [
  'group',
  'scope',
  'standing',
  'hazards',
  'harmless',
  'source',
  'chart',
  'onlyVariants',
  'suspects',
  'note',
];

/** One column of all picked rows, set at once; and what else may be done with them. */
export function ManyRows({
  count,
  onSet,
  children,
}: {
  count: number;
  onSet: (column: string, text: string) => void;
  children: ReactNode;
}) {
  const [column, setColumn] = useState('group');
  const [text, setText] = useState('');
  return (
    <div className="row" role="group" aria-label="many rows at once">
      <span className="soft">{count} picked: set</span>
      <Select
        native
        fullWidth
        value={column}
        onChange={(e) => setColumn(e.target.value)}
        inputProps={{ 'aria-label': 'column to set' }}
      >
        {bulkColumns.map((id) => (
          <option key={id} value={id}>
            {codeColumns.find((c) => c.id === id)?.title.split(':')[0]}
          </option>
        ))}
      </Select>
      <span className="soft">to</span>
      <Input
        fullWidth
        value={text}
        onChange={(e) => setText(e.target.value)}
        slotProps={{ input: { 'aria-label': 'value to set' } }}
      />
      <Button disabled={count === 0} onClick={() => onSet(column, text)}>
        Set in {count} rows
      </Button>
      {children}
    </div>
  );
}
