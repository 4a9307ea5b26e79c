import Button from '@mui/material/Button';
import {
  callerMeantWords,
  decode,
  isTold,
  type Listed,
  type Look,
  labelsOf,
  type Readout,
  readCaller,
} from '@wire-trail/core';
import { useDeferredValue, useMemo, useState } from 'react';
import { CodeGlyph } from '../../../../parts/code/CodeGlyph.tsx';
import { Input } from '../../../../parts/field/Input.tsx';
import { Fold } from '../../../../parts/fold/Fold.tsx';
import type { TrailData } from '../../trail-data.ts';

/** Type what a caller says, or what one would say: it becomes looks, with the one question to ask back where it matters. */
export function CallerBox({
  data,
  readout,
  listed,
  onHeard,
}: {
  data: TrailData;
  readout: Readout;
  listed: readonly Listed[];
  onHeard: (looks: readonly Look[], said: string) => void;
}) {
  const [said, setSaid] = useState('');
  const later = useDeferredValue(said);
  const labels = useMemo(() => labelsOf([data.panel]), [data.panel]);
  const heard = useMemo(() => readCaller(readout, later, labels), [readout, later, labels]);
  const readings = heard.readings.map((r) => {
    const decoded = decode(readout, listed, { slot: 1, looks: [...r.looks] });
    return { ...r, reads: r.literal ?? (isTold(decoded) ? (decoded.candidates[0]?.code ?? null) : null) };
  });
  const use = (looks: readonly Look[]) => {
    onHeard(looks, said);
    setSaid('');
  };
  return (
    <Fold title="By phone, or typed in words" className="said">
      <label className="field">
        What is said of it
        <Input
          fullWidth
          value={said}
          placeholder="b d e, then a d e"
          onChange={(e) => setSaid(e.target.value)}
          onKeyDown={(e) => {
            const [only] = readings;
            if (e.key === 'Enter' && only && !heard.ask) use(only.looks);
          }}
          slotProps={{ input: { maxLength: 400 } }}
        />
      </label>
      {said.trim() !== '' && (
        <div aria-live="polite" className="stack">
          {heard.ask && (
            <p className="note">
              <strong>Ask back:</strong> do the numbers mean {readings.map((r) => callerMeantWords[r.as]).join(', or ')}
              ?
            </p>
          )}
          <ul className="plain row">
            {readings.map((r) => (
              <li key={r.as}>
                <Button onClick={() => use(r.looks)}>
                  <CodeGlyph text={r.reads ?? 'nothing'} />
                  <span className="soft small">{callerMeantWords[r.as]}</span>
                </Button>
              </li>
            ))}
          </ul>
          {readings.length === 0 && <p className="soft small">Nothing can be made of that yet.</p>}
          {heard.unread.length > 0 && <p className="soft small">Not understood: {heard.unread.join(' ')}</p>}
        </div>
      )}
    </Fold>
  );
}
