import Button from '@mui/material/Button';
import { CodeText, entriesOf, findCodes } from '@wire-trail/core';
import { useState } from 'react';
import type { Happening } from '../../../foundation/device/walks.ts';
import { CodeGlyph } from '../../../parts/code/CodeGlyph.tsx';
import { Input } from '../../../parts/field/Input.tsx';
import { Generic } from '../../../parts/generic/Generic.tsx';
import { Next, StationLayout, type StationProps } from './StationLayout.tsx';

type Props = Pick<StationProps, 'walk' | 'data'> &
  Readonly<{ text: string; onKeep: (happening: Happening) => void; onBack: (() => void) | null }>;

/** A code no table lists: what it may be misread for, and a question to the trainer that goes with the walk. */
export function Unlisted({ walk, data, text, onKeep, onBack }: Props) {
  const [typed, setTyped] = useState(text);
  const [words, setWords] = useState(walk.unlisted?.words ?? '');
  const isCode = CodeText.safeParse(typed.trim()).success;
  const alike = findCodes(typed, entriesOf(data.bundle, 'code'), 4);
  const asked = walk.unlisted?.asked ?? false;
  return (
    <StationLayout
      panel={{ face: data.front }}
      actions={
        asked ? null : (
          <>
            <Next disabled={!isCode} onClick={() => onKeep({ kind: 'unlisted', text: typed.trim(), words, ask: true })}>
              Log it and ask the trainer
            </Next>
            {onBack && (
              <Button size="glove" onClick={onBack}>
                Back to the lamps
              </Button>
            )}
          </>
        )
      }
    >
      <h1>{asked ? 'The trainer was asked' : 'Not in the table'}</h1>
      {asked ? (
        <p>
          <CodeGlyph text={walk.unlisted?.text ?? ''} size="large" /> is logged as unlisted. The question goes out with
          this walk when there is a connection.
        </p>
      ) : (
        <>
          <label className="field">
            The code as you read it
            <Input
              fullWidth
              className="mono"
              value={typed}
              onChange={(e) => setTyped(e.target.value)}
              slotProps={{ input: { maxLength: 16 } }}
            />
            {typed !== '' && !isCode && (
              <span className="wrong">Letters, digits and signs as the unit shows them.</span>
            )}
          </label>
          <Generic bundle={data.bundle} text={typed} />
          <label className="field">
            What else did you see?
            <Input
              multiline
              fullWidth
              rows={3}
              value={words}
              onChange={(e) => setWords(e.target.value)}
              slotProps={{ input: { maxLength: 2000 } }}
            />
          </label>
        </>
      )}
      {alike.length > 0 && (
        <div className="note">
          <strong>It may have been misread. Near it:</strong>
          <div className="row">
            {alike.map(({ code }) => (
              <Button key={code.id} onClick={() => onKeep({ kind: 'code-taken', code: code.id, slot: 1 })}>
                <CodeGlyph text={code.text} /> {code.title}
              </Button>
            ))}
          </div>
        </div>
      )}
    </StationLayout>
  );
}
