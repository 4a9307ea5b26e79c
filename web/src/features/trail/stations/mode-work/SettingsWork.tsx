import Button from '@mui/material/Button';
import { familyEntry, rightValues, rightWords, type Setting } from '@wire-trail/core';
import { useState } from 'react';
import { useVerbatim } from '../../../../foundation/use-own.ts';
import { Select } from '../../../../parts/field/Select.tsx';
import type { StationProps } from '../StationLayout.tsx';

type Props = Omit<StationProps, 'events'>;

/** Settings: the old value noted before anything is set, then set, verified, and put back where it has to be. */
export function SettingsWork({ settings, walk, data, add }: Props & { settings: readonly Setting[] }) {
  return (
    <div className="sheet stack">
      {settings.map((s) => (
        <SettingRow key={s.id} setting={s} walk={walk} data={data} add={add} />
      ))}
    </div>
  );
}

function SettingRow({ setting, walk, data, add }: Props & { setting: Setting }) {
  const [value, setValue] = useState('');
  const verbatim = useVerbatim();
  const state = walk.settings.get(setting.id);
  const right = rightValues(setting, data.alive);
  const did = (what: 'noted' | 'set' | 'verified' | 'put-back', v: string) =>
    void add({ kind: 'setting', setting: setting.id, did: what, value: v });
  const choices = setting.allowed;
  return (
    <div className="stack setting-row">
      <strong>{setting.name}</strong>
      <div className="small soft">{setting.shownAs}</div>
      <div className="small">
        right here:{' '}
        <strong>
          {rightWords(
            right.map((r) => ({ ...r, value: verbatim(r.value, setting.unit) })),
            familyEntry(data.bundle),
          ) || 'not known'}
        </strong>
        {state?.old != null && <> · was {verbatim(state.old, setting.unit)}</>}
        {state?.set != null && <> · set to {verbatim(state.set, setting.unit)}</>}
        {state?.verified && ' · verified'}
        {state?.putBack && ' · put back'}
      </div>
      <div className="row">
        <Select
          native
          fullWidth
          value={value}
          onChange={(e) => setValue(e.target.value)}
          inputProps={{ 'aria-label': `value of ${setting.name}` }}
        >
          <option value="">value …</option>
          {choices.map((c) => (
            <option key={c} value={c}>
              {verbatim(c, setting.unit)}
            </option>
          ))}
        </Select>
        {state?.old == null ? (
          <Button disabled={value === ''} onClick={() => did('noted', value)}>
            Note the old value
          </Button>
        ) : (
          <>
            <Button disabled={value === ''} onClick={() => did('set', value)}>
              I set it
            </Button>
            {state.set !== null && !state.verified && (
              <Button onClick={() => did('verified', state.set ?? '')}>It shows so</Button>
            )}
            {state.set !== null && !state.putBack && (
              <Button onClick={() => did('put-back', state.old ?? '')}>Put back to {state.old}</Button>
            )}
          </>
        )}
      </div>
    </div>
  );
}
