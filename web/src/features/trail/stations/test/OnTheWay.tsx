import { choicesOf, entriesOf, type PartId } from '@wire-trail/core';
import { useState } from 'react';
import type { BodyProps } from './body-props.ts';

/** What may be done beside the answer: noting another suspect, and passing a step over with a word why. */
export function OnTheWay(props: BodyProps) {
  const [open, setOpen] = useState<'suspect' | 'skip' | null>(null);
  const close = () => setOpen(null);
  return (
    <div className="on-the-way">
      <div className="row">
        <button
          type="button"
          className="plain"
          aria-expanded={open === 'suspect'}
          onClick={() => setOpen(open === 'suspect' ? null : 'suspect')}
        >
          Something else looks wrong …
        </button>
        <button
          type="button"
          className="plain"
          aria-expanded={open === 'skip'}
          onClick={() => setOpen(open === 'skip' ? null : 'skip')}
        >
          This cannot be done …
        </button>
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
        <select className="box" value={part} onChange={(e) => setPart(e.target.value)}>
          <option value="">none in the list</option>
          {parts.map((p) => (
            <option key={p.id} value={p.id}>
              {p.name}
            </option>
          ))}
        </select>
      </label>
      <label className="field">
        What did you see?
        <input className="box" value={text} maxLength={400} onChange={(e) => setText(e.target.value)} />
      </label>
      <button type="submit" className="act" disabled={!text.trim()}>
        Note it
      </button>
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
        <input
          className="box"
          value={why}
          maxLength={400}
          placeholder="no meter, part not there, customer in the way"
          onChange={(e) => setWhy(e.target.value)}
        />
      </label>
      <p className="small soft">Go on as if it were:</p>
      <div className="row">
        {ways.map((c) => (
          <button
            key={c.answer}
            type="button"
            className="act"
            disabled={!why.trim()}
            onClick={() => say(c.answer, { skipped: why.trim() })}
          >
            {c.answer}
          </button>
        ))}
      </div>
    </div>
  );
}
