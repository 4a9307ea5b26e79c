import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import {
  type Complaint,
  complaintHints,
  complaintLines,
  complaintTimes,
  complaintTimeWords,
  familyEntry,
  type PartId,
  triedBefore,
  triedWords,
} from '@wire-trail/core';
import { useState } from 'react';
import { Field } from '../../../parts/field/Field.tsx';
import { Input } from '../../../parts/field/Input.tsx';
import { Fold } from '../../../parts/fold/Fold.tsx';
import type { StationProps } from './StationLayout.tsx';

const nothing: Complaint = { says: '', happens: [], tried: [], partsChanged: [] };

/** What the customer says and what was tried before anybody came: asked where one likes, and kept with the machine. */
export function CustomerSays({ walk, data, add }: Pick<StationProps, 'walk' | 'data' | 'add'>) {
  const [said, setSaid] = useState<Complaint>(walk.complaint ?? nothing);
  const { parts } = familyEntry(data.bundle);
  const nameOf = (id: string) => parts.find((p) => p.id === id)?.name ?? id;
  const text = (field: 'since' | 'usedBy' | 'age' | 'counter', value: string) => {
    const { [field]: _, ...rest } = said;
    setSaid(value === '' ? rest : { ...rest, [field]: value });
  };
  const isEmpty = complaintLines(said).length === 0;
  return (
    <Fold title={walk.complaint ? 'What the customer says' : 'What does the customer say? (you may leave it out)'}>
      <div className="stack">
        {walk.complaint && (
          <>
            <ul>
              {complaintLines(walk.complaint, nameOf).map((line) => (
                <li key={line}>{line}</li>
              ))}
            </ul>
            <Hints walk={walk} data={data} add={add} />
          </>
        )}
        <label className="field">
          In their words
          <Input
            multiline
            fullWidth
            rows={2}
            value={said.says}
            onChange={(e) => setSaid({ ...said, says: e.target.value })}
            slotProps={{ input: { maxLength: 2000 } }}
          />
        </label>
        <div className="two">
          <Field
            label="Since when"
            value={said.since ?? ''}
            maxLength={120}
            onChange={(e) => text('since', e.target.value)}
          />
          <Field
            label="Who uses it"
            value={said.usedBy ?? ''}
            maxLength={120}
            onChange={(e) => text('usedBy', e.target.value)}
          />
          <Field
            label="Age or build year"
            value={said.age ?? ''}
            maxLength={120}
            onChange={(e) => text('age', e.target.value)}
          />
          <Field
            label="Counter"
            value={said.counter ?? ''}
            maxLength={120}
            onChange={(e) => text('counter', e.target.value)}
          />
        </div>
        <Picks
          legend="When it happens"
          all={complaintTimes}
          words={complaintTimeWords}
          picked={said.happens}
          onPicked={(happens) => setSaid({ ...said, happens })}
        />
        <Picks
          legend="Before you came"
          all={triedBefore}
          words={triedWords}
          picked={said.tried}
          onPicked={(tried) => setSaid({ ...said, tried })}
        />
        {said.tried.includes('parts-changed') && (
          <Picks
            legend="Which parts were put in new, as far as they know"
            all={parts.map((p) => p.id)}
            words={Object.fromEntries(parts.map((p) => [p.id, p.name])) as Record<PartId, string>}
            picked={said.partsChanged}
            onPicked={(partsChanged) => setSaid({ ...said, partsChanged })}
          />
        )}
        <Button size="glove" disabled={isEmpty} onClick={() => void add({ kind: 'complaint', ...said })}>
          Keep what they say
        </Button>
      </div>
    </Fold>
  );
}

type PicksProps<T extends string> = Readonly<{
  legend: string;
  all: readonly T[];
  words: Readonly<Record<T, string>>;
  picked: readonly T[];
  onPicked: (picked: T[]) => void;
}>;

/** As many of these as hold. */
function Picks<T extends string>({ legend, all, words, picked, onPicked }: PicksProps<T>) {
  return (
    <fieldset className="field">
      <legend>{legend}</legend>
      <div className="row">
        {all.map((one) => (
          <label key={one} className="row">
            <Checkbox
              checked={picked.includes(one)}
              onChange={() => onPicked(picked.includes(one) ? picked.filter((x) => x !== one) : [...picked, one])}
            />
            {words[one]}
          </label>
        ))}
      </div>
    </fieldset>
  );
}

/** What it points at: a symptom it sounds like, a circumstance that fits, what to look at because of what was done. */
function Hints({ walk, data, add }: Pick<StationProps, 'walk' | 'data' | 'add'>) {
  if (!walk.complaint) return null;
  const { symptoms, circumstances, lookAt } = complaintHints(data.bundle, walk.complaint, data.subject);
  const others = symptoms.filter((s) => s.id !== walk.symptom);
  return (
    <>
      {lookAt.map(({ what, why }) => (
        <p key={what} className="note">
          <strong>{what}:</strong> {why}
        </p>
      ))}
      {circumstances.map((c) => (
        <p key={c} className="note">
          {c}
        </p>
      ))}
      {others.length > 0 && <p className="soft">It sounds like:</p>}
      {others.map((s) => (
        <Button key={s.id} size="glove" onClick={() => void add({ kind: 'symptom-taken', symptom: s.id })}>
          {s.title}
        </Button>
      ))}
    </>
  );
}
