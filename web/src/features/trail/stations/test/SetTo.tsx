import Button from '@mui/material/Button';
import { entryOf, familyEntry, type NodeOf, rightValues, rightWords } from '@wire-trail/core';
import { useState } from 'react';
import { Input } from '../../../../parts/field/Input.tsx';
import { Select } from '../../../../parts/field/Select.tsx';
import { Next } from '../StationLayout.tsx';
import type { BodyProps } from './body-props.ts';

/** A setting: what it stands at is noted before it is set, so that it can be put back. */
export function SetTo({ walk, data, add, say, goTo, node }: BodyProps & { node: NodeOf<'set'> }) {
  const setting = entryOf(data.bundle, 'setting', node.setting);
  const state = walk.settings.get(node.setting);
  const right = setting ? rightValues(setting, data.alive) : [];
  // what is right on one variant only is not put there by itself
  const wanted = node.to ?? (right.length === 1 ? right[0]?.value : undefined) ?? '';
  const [old, setOld] = useState('');
  const [to, setTo] = useState(wanted);
  const choices = setting?.allowed ?? [];
  const isNoted = state?.old != null;
  return (
    <div className="stack">
      <p>
        <strong>{setting?.name ?? node.setting}</strong>{' '}
        {setting?.shownAs && <span className="soft">{setting.shownAs}</span>}
      </p>
      {isNoted ? (
        <p className="note">It stood at {state?.old}.</p>
      ) : (
        <Pick label="What it stands at now" value={old} choices={choices} onPick={setOld} />
      )}
      {isNoted && node.to === undefined && right.length > 1 && (
        <p className="note" role="status">
          What is right depends on which variant this is: {rightWords(right, familyEntry(data.bundle))}.
          {goTo && (
            <>
              {' '}
              <Button onClick={() => goTo('unit')}>Read the plate</Button>
            </>
          )}
        </p>
      )}
      {isNoted && <Pick label="Set it to" value={to} choices={choices} onPick={setTo} />}
      <div className="actions">
        {isNoted ? (
          <Next
            disabled={to === ''}
            onClick={() => {
              void add({ kind: 'setting', setting: node.setting, did: 'set', value: to }).then(() => say('done'));
            }}
          >
            It is set
          </Next>
        ) : (
          <Next
            disabled={old === ''}
            onClick={() => void add({ kind: 'setting', setting: node.setting, did: 'noted', value: old })}
          >
            Note it
          </Next>
        )}
      </div>
    </div>
  );
}

type PickProps = Readonly<{
  label: string;
  value: string;
  choices: readonly string[];
  onPick: (value: string) => void;
}>;

/** A value out of those a setting allows; any, where it does not say. */
function Pick({ label, value, choices, onPick }: PickProps) {
  if (choices.length === 0)
    return (
      <label className="field">
        {label}
        <Input
          fullWidth
          className="reading"
          value={value}
          onChange={(e) => onPick(e.target.value)}
          slotProps={{ input: { maxLength: 60 } }}
        />
      </label>
    );
  return (
    <label className="field">
      {label}
      <Select native fullWidth className="reading" value={value} onChange={(e) => onPick(e.target.value)}>
        <option value="">choose …</option>
        {choices.map((c) => (
          <option key={c}>{c}</option>
        ))}
      </Select>
    </label>
  );
}
