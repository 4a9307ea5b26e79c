import { zodResolver } from '@hookform/resolvers/zod';
import Button from '@mui/material/Button';
import { CodeText, entriesOf, findCodes } from '@wire-trail/core';
import { useForm } from 'react-hook-form';
import { z } from 'zod';
import type { Happening } from '../../../foundation/device/walks.ts';
import { CodeGlyph } from '../../../parts/code/CodeGlyph.tsx';
import { Field } from '../../../parts/field/Field.tsx';
import { Generic } from '../../../parts/generic/Generic.tsx';
import { Next, StationLayout, type StationProps } from './StationLayout.tsx';

type Props = Pick<StationProps, 'walk' | 'data'> &
  Readonly<{ text: string; onKeep: (happening: Happening) => void; onBack: (() => void) | null }>;

const Typed = z.object({
  text: z
    .string()
    .trim()
    .refine((text) => CodeText.safeParse(text).success, 'Letters, digits and signs as the unit shows them.'),
  words: z.string().max(2000),
});

/** A code no table lists: what it may be misread for, and a question to the trainer that goes with the walk. */
export function Unlisted({ walk, data, text, onKeep, onBack }: Props) {
  const { register, handleSubmit, formState, watch } = useForm({
    resolver: zodResolver(Typed),
    mode: 'onChange',
    defaultValues: { text, words: walk.unlisted?.words ?? '' },
  });
  const typed = watch('text');
  const log = handleSubmit((said) => onKeep({ kind: 'unlisted', ...said, ask: true }));
  const alike = findCodes(typed, entriesOf(data.bundle, 'code'), 4);
  const asked = walk.unlisted?.asked ?? false;
  return (
    <StationLayout
      panel={{ face: data.front }}
      actions={
        asked ? null : (
          <>
            <Next onClick={() => void log()}>Log it and ask the trainer</Next>
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
          <Field
            label="The code as you read it"
            className="mono"
            maxLength={16}
            wrong={formState.errors.text?.message}
            {...register('text')}
          />
          <Generic bundle={data.bundle} text={typed} />
          <Field label="What else did you see?" multiline rows={3} maxLength={2000} {...register('words')} />
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
