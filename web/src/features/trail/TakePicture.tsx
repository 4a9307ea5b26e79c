import Button from '@mui/material/Button';
import { useRef, useState } from 'react';
import { canClip, clipMs, type Small, smallPicture, takeClip } from '../../foundation/small-picture.ts';
import { Input } from '../../parts/field/Input.tsx';
import { PicturedView } from '../../parts/pictured/PicturedView.tsx';

type Props = Readonly<{ onKeep: (picture: Small, words: string) => void }>;

/** A picture or a clip, looked at before it is kept; small enough to go over any line. */
export function TakePicture({ onKeep }: Props) {
  const [taken, setTaken] = useState<Small | null>(null);
  const [words, setWords] = useState('');
  const [state, setState] = useState<'at-rest' | 'working' | 'filming' | 'failed'>('at-rest');
  const isBusy = state === 'working' || state === 'filming';
  const file = useRef<HTMLInputElement>(null);
  const take = async (making: Promise<Small | null>, doing: 'working' | 'filming') => {
    setState(doing);
    const made = await making.catch(() => null);
    setTaken(made);
    setState(made ? 'at-rest' : 'failed');
  };
  if (taken)
    return (
      <form
        className="sheet stack"
        aria-label="the picture just taken"
        onSubmit={(e) => {
          e.preventDefault();
          onKeep(taken, words.trim());
        }}
      >
        <PicturedView {...taken} words="" />
        <label className="field">
          What does it show?
          <Input
            fullWidth
            value={words}
            onChange={(e) => setWords(e.target.value)}
            slotProps={{ input: { maxLength: 200 } }}
          />
        </label>
        <div className="row">
          <Button type="submit" size="glove" variant="outlined">
            Keep it
          </Button>
          <Button size="glove" variant="text" onClick={() => setTaken(null)}>
            Not this one
          </Button>
        </div>
      </form>
    );
  return (
    <>
      <Button size="glove" variant="text" disabled={isBusy} onClick={() => file.current?.click()}>
        {state === 'working' ? 'Making it small …' : 'Take a picture …'}
      </Button>
      <input
        hidden
        ref={file}
        type="file"
        accept="image/*"
        capture="environment"
        aria-label="picture from the camera or a file"
        onChange={(e) => {
          const [chosen] = e.target.files ?? [];
          if (chosen) void take(smallPicture(chosen), 'working');
          e.target.value = '';
        }}
      />
      {canClip() && (
        <Button size="glove" variant="text" disabled={isBusy} onClick={() => void take(takeClip(), 'filming')}>
          {state === 'filming' ? `Filming ${clipMs / 1000} s …` : 'Take a clip …'}
        </Button>
      )}
      {state === 'failed' && (
        <span className="wrong" role="status">
          That could not be kept: it is no picture, there is no camera, or it is too large. Nothing else is lost.
        </span>
      )}
    </>
  );
}
