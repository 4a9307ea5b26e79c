import Button from '@mui/material/Button';
import { familyEntry, rightValues, rightWords, type Setting } from '@wire-trail/core';
import { useState } from 'react';
import { useVerbatim } from '../../../../foundation/use-own.ts';
import { Select } from '../../../../parts/field/Select.tsx';
import type { StationProps } from '../StationLayout.tsx';

type Props = Omit<StationProps, 'events'> & Readonly<{ setting: Setting }>;

/** A setting that a new part comes without: what is right here, and what it shows now. There is no old value to put back. */
export function SetAfter({ setting, walk, data, add }: Props) {
  const right = rightValues(setting, data.alive);
  const [value, setValue] = useState('');
  const verbatim = useVerbatim();
  const state = walk.settings.get(setting.id);
  const isRight = right.length === 0 || right.some((r) => r.value === value);
  const shows = () =>
    void add(
      { kind: 'setting', setting: setting.id, did: 'set', value },
      { kind: 'setting', setting: setting.id, did: 'verified', value },
    );
  return (
    <section className="sheet stack" aria-label={setting.name}>
      <strong>{setting.name}</strong>
      <div className="small soft">{setting.shownAs}</div>
      <div>
        right here:{' '}
        <strong>
          {rightWords(
            right.map((r) => ({ ...r, value: verbatim(r.value, setting.unit) })),
            familyEntry(data.bundle),
          ) || 'not known: ask before you set it'}
        </strong>
      </div>
      {state?.verified ? (
        <p role="status">It shows {state.set && verbatim(state.set, setting.unit)}.</p>
      ) : (
        <div className="row">
          <Select
            native
            value={value}
            onChange={(e) => setValue(e.target.value)}
            inputProps={{ 'aria-label': `what ${setting.name} shows` }}
          >
            <option value="">what it shows …</option>
            {setting.allowed.map((c) => (
              <option key={c} value={c}>
                {verbatim(c, setting.unit)}
              </option>
            ))}
          </Select>
          <Button size="glove" disabled={value === '' || !isRight} onClick={shows}>
            It shows so
          </Button>
        </div>
      )}
      {value !== '' && !isRight && <p className="wrong">That is not what is right here. Set it once more.</p>}
    </section>
  );
}
