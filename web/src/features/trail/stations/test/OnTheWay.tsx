import Button from '@mui/material/Button';
import { choicesOf, entriesOf, type PartId } from '@wire-trail/core';
import { useState } from 'react';
import { Input } from '../../../../parts/field/Input.tsx';
import { Select } from '../../../../parts/field/Select.tsx';
import type { BodyProps } from './body-props.ts';

/** What may be done beside the answer: noting another suspect, and passing a step over with a word why. */
export function OnTheWay(props: BodyProps) {
  const [open, setOpen] = useState<'suspect' | 'skip' | null>(null);
  const close = () => setOpen(null);
  return (
    <div className="stack">
      <div className="row">
        <Button
          variant="text"
          aria-expanded={open === 'suspect'}
          onClick={() => setOpen(open === 'suspect' ? null : 'suspect')}
        >
          Something else looks wrong …
        </Button>
        <Button variant="text" aria-expanded={open === 'skip'} onClick={() => setOpen(open === 'skip' ? null : 'skip')}>
          This cannot be done …
        </Button>
      </div>
      {open === 'suspect' && <Suspect {...props} onDone={close} />}
      {open === 'skip' && <PassOver {...props} />}
      {props.walk.suspected.length > 0 && (
        <p className="small soft">Seen on the way: {props.walk.suspected.map((s) => s.text).join('; ')}</p>
      )}
    </div>
  );
}

function Suspect({ at, data, add, onDone }: BodyProps & { onDone: () => void }) {
  const [part, setPart] = useState('');
  const [text, setText] = useState('');
  const parts = entriesOf(data.bundle, 'family')[0]?.parts ?? [];
  return (
    <form
      className="sheet stack"
      onSubmit={(e) => {
        e.preventDefault();
        if (!text.trim()) return;
        void add({
          kind: 'suspected',
          chart: at.chart.id,
          node: at.at.id,
          part: part === '' ? null : (part as PartId),
          text: text.trim(),
        });
        onDone();
      }}
    >
      <label className="field">
        Which part
        <Select native fullWidth value={part} onChange={(e) => setPart(e.target.value)}>
          <option value="">none in the list</option>
          {parts.map((p) => (
            <option key={p.id} value={p.id}>
              {p.name}
            </option>
          ))}
        </Select>
      </label>
      <label className="field">
        What did you see?
        <Input
          fullWidth
          value={text}
          onChange={(e) => setText(e.target.value)}
          slotProps={{ input: { maxLength: 400 } }}
        />
      </label>
      <Button type="submit" disabled={!text.trim()}>
        Note it
      </Button>
    </form>
  );
}

function PassOver({ at, say }: BodyProps) {
  const [why, setWhy] = useState('');
  const ways = choicesOf(at.at, at.chart).filter((c) => !c.again);
  return (
    <div className="sheet stack">
      <label className="field">
        Why not?
        <Input
          fullWidth
          value={why}
          placeholder="no meter, part not there, customer in the way"
          onChange={(e) => setWhy(e.target.value)}
          slotProps={{ input: { maxLength: 400 } }}
        />
      </label>
      <p className="small soft">Go on as if it were:</p>
      <div className="row">
        {ways.map((c) => (
          <Button key={c.answer} disabled={!why.trim()} onClick={() => say(c.answer, { skipped: why.trim() })}>
            {c.answer}
          </Button>
        ))}
      </div>
    </div>
  );
}
