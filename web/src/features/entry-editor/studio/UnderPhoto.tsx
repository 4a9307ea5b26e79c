import Button from '@mui/material/Button';
import Slider from '@mui/material/Slider';
import type { Face } from '@wire-trail/core';
import { useRef } from 'react';
import { Fold } from '../../../parts/fold/Fold.tsx';
import { type Lies, laidOn, madeAsWide } from './photo.ts';
import type { usePhoto } from './use-photo.ts';

type Props = Readonly<{ face: Face } & Pick<ReturnType<typeof usePhoto>, 'photo' | 'wrong' | 'show' | 'lay' | 'take'>>;

/** A photograph to draw on: chosen, brought under the grid until its edges meet the face's, faded, and taken away. */
export function UnderPhoto({ face, photo, wrong, show, lay, take }: Props) {
  const input = useRef<HTMLInputElement>(null);
  // it moves with the slider, and is kept where that is let go
  const move = (lies: Lies) => photo && show({ ...photo, lies });
  const keep = (lies: Lies) => photo && lay({ ...photo, lies });
  const sliders: ReadonlyArray<
    readonly [label: string, value: number, least: number, most: number, step: number, to: (n: number) => Lies]
  > = photo
    ? [
        [
          'how wide it is',
          photo.lies.width,
          face.width * 0.2,
          face.width * 4,
          0.25,
          (n) => madeAsWide(photo.lies, n, photo.ratio),
        ],
        ['to the right', photo.lies.x, -face.width * 2, face.width, 0.25, (n) => ({ ...photo.lies, x: n })],
        ['down', photo.lies.y, -face.height * 3, face.height, 0.25, (n) => ({ ...photo.lies, y: n })],
        ['turned', photo.lies.turned, -180, 180, 0.5, (n) => ({ ...photo.lies, turned: n })],
        ['how much it shows', photo.lies.shows, 10, 100, 5, (n) => ({ ...photo.lies, shows: n })],
      ]
    : [];
  const chooser = (
    <>
      <Button onClick={() => input.current?.click()}>{photo ? 'Another photograph' : 'A photograph to draw on'}</Button>
      <input
        ref={input}
        type="file"
        accept="image/*"
        hidden
        aria-label="photograph of this side"
        onChange={(e) => {
          const [file] = e.target.files ?? [];
          if (file) void take(file);
          e.target.value = '';
        }}
      />
    </>
  );
  return (
    <div className="stack">
      {!photo && <div className="row">{chooser}</div>}
      {wrong && (
        <p className="wrong" role="alert">
          {wrong}
        </p>
      )}
      {photo && (
        <Fold title="The photograph under it" open>
          <div className="photo-sliders">
            {sliders.map(([label, value, least, most, step, to]) => (
              <div key={label}>
                <span className="small soft">{label}</span>
                <Slider
                  size="small"
                  aria-label={label}
                  min={least}
                  max={most}
                  step={step}
                  value={value}
                  onChange={(_, n) => move(to(Number(n)))}
                  onChangeCommitted={(_, n) => keep(to(Number(n)))}
                />
              </div>
            ))}
          </div>
          <div className="row">
            {chooser}
            <Button onClick={() => keep(laidOn(face, photo.ratio))}>Lay it on anew</Button>
            <Button onClick={() => lay(null)}>Take it away</Button>
            <span className="small soft">It stays on this device and is no part of the unit.</span>
          </div>
        </Fold>
      )}
    </div>
  );
}
