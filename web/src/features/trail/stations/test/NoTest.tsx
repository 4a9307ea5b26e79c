import Button from '@mui/material/Button';
import { entriesOf, holdsFor, openRoots } from '@wire-trail/core';
import { type ReactNode, useState } from 'react';
import { CodeGlyph, StandingMark } from '../../../../parts/code/CodeGlyph.tsx';
import { Input } from '../../../../parts/field/Input.tsx';
import { Next, StationLayout, type StationProps } from '../StationLayout.tsx';

const noChart = 'there is no chart for this yet';

/** A code was read that has suspects but no chart: they are named in their order, and a note keeps what was done. */
export function NoChart({ walk, data, add, offer }: StationProps & { offer: ReactNode }) {
  const [note, setNote] = useState('');
  const { subject } = data;
  const isMore = openRoots(data.roots).length > 0;
  return (
    <StationLayout
      panel={{ face: data.front }}
      actions={
        <Next
          onClick={() =>
            void add(
              ...(note.trim() ? [{ kind: 'noted' as const, text: note.trim() }] : []),
              isMore && walk.code
                ? { kind: 'code-settled', code: walk.code, as: 'tested', why: noChart, next: null, more: true }
                : { kind: 'skipped', station: 'test', why: noChart },
            )
          }
        >
          {isMore ? 'Go on: other codes are left' : 'Go on to Clear'}
        </Next>
      }
    >
      <h1>No chart for this yet</h1>
      <p>These are the suspects, in the order to think of them.</p>
      <ol>
        {subject?.suspects.map((s) => (
          <li key={s.label}>
            <strong>{s.label}</strong> {s.standing && <StandingMark standing={s.standing} />}
            <p className="soft">{s.reason}</p>
          </li>
        ))}
      </ol>
      <label className="field">
        What you looked at and found
        <Input
          multiline
          fullWidth
          rows={3}
          value={note}
          onChange={(e) => setNote(e.target.value)}
          slotProps={{ input: { maxLength: 2000 } }}
        />
      </label>
      {offer}
    </StationLayout>
  );
}

export function NothingStored({ data, add }: StationProps) {
  return (
    <StationLayout
      panel={{ face: data.front }}
      actions={
        <Next onClick={() => void add({ kind: 'skipped', station: 'test', why: 'nothing is stored' })}>
          Nothing to test: go on
        </Next>
      }
    >
      <h1>No code is stored</h1>
      <p>What shows is a sign, not a code. If something is wrong all the same, it is a symptom:</p>
      <Symptoms data={data} add={add} />
    </StationLayout>
  );
}

export function NoSubject({ walk, data, add }: StationProps) {
  return (
    <StationLayout
      panel={{ face: data.front }}
      actions={
        <Next onClick={() => void add({ kind: 'closed', outcome: 'handed-on', fixedBy: '' })}>
          Hand it on and close the walk
        </Next>
      }
    >
      <h1>Nothing to test for</h1>
      {walk.unlisted && (
        <p>
          <CodeGlyph text={walk.unlisted.text} size="large" /> is in no table yet. The question is with the trainer.
        </p>
      )}
      <p>If something is wrong all the same, it is a symptom:</p>
      <Symptoms data={data} add={add} />
    </StationLayout>
  );
}

/** What may be wrong without a code: one of these goes on as this walk's own. */
function Symptoms({ data, add }: Pick<StationProps, 'data' | 'add'>) {
  const symptoms = entriesOf(data.bundle, 'symptom').filter((s) => holdsFor(s.onlyVariants, data.alive) !== 'no');
  return symptoms.map((s) => (
    <Button key={s.id} size="glove" fullWidth onClick={() => void add({ kind: 'symptom-taken', symptom: s.id })}>
      {s.title}
    </Button>
  ));
}
