import CloseIcon from '@mui/icons-material/Close';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import type { EntryOf } from '@wire-trail/core';
import type { MouseEvent } from 'react';
import { draftEdited } from '../../foundation/entry-draft-slice.ts';
import { useAppDispatch } from '../../foundation/store.ts';
import { Pressable } from '../../parts/field/Pressable.tsx';
import { Text } from './inputs.tsx';

type Asset = EntryOf<'asset'>;

/** A picture with numbered points: a click sets one, arrows move the one in focus. */
export function PictureEditor({ body }: { body: Asset }) {
  const dispatch = useAppDispatch();
  const edit = (change: Partial<Asset>, about = '') =>
    void dispatch(draftEdited({ body: { ...body, ...change }, about }));
  const place = (event: MouseEvent<HTMLElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    const number = Math.max(0, ...body.marks.map((m) => m.number)) + 1;
    edit({
      marks: [
        ...body.marks,
        {
          number,
          x: (event.clientX - box.left) / box.width,
          y: (event.clientY - box.top) / box.height,
          label: `Point ${number}`,
        },
      ],
    });
  };
  const nudge = (i: number, dx: number, dy: number) =>
    edit(
      {
        marks: body.marks.map((m, k) =>
          k === i ? { ...m, x: Math.min(1, Math.max(0, m.x + dx)), y: Math.min(1, Math.max(0, m.y + dy)) } : m,
        ),
      },
      `mark ${i}`,
    );
  return (
    <div className="split flip">
      <div className="sheet">
        {/* biome-ignore lint/a11y/useKeyWithClickEvents: points are added by keyboard beside the picture */}
        {/* biome-ignore lint/a11y/noStaticElementInteractions: a picture that takes points */}
        <div className="board marked" onClick={place}>
          <img src={`/api/v1/assets/${body.id}`} alt={body.name} />
          {body.marks.map((m, i) => (
            <Pressable
              key={m.number}
              className="point"
              style={{ left: `${m.x * 100}%`, top: `${m.y * 100}%` }}
              aria-label={`point ${m.number}, ${m.label}`}
              onClick={(e) => e.stopPropagation()}
              onKeyDown={(e) => {
                const ways: Record<string, [number, number]> = {
                  ArrowLeft: [-0.01, 0],
                  ArrowRight: [0.01, 0],
                  ArrowUp: [0, -0.01],
                  ArrowDown: [0, 0.01],
                };
                const way = ways[e.key];
                if (!way) return;
                e.preventDefault();
                nudge(i, ...way);
              }}
            >
              {m.number}
            </Pressable>
          ))}
        </div>
        <p className="small soft">A click sets a numbered point. With a point in focus, arrows move it.</p>
      </div>
      <div className="sheet stack">
        <Text
          label="Name"
          value={body.name}
          wrong={body.name === '' ? 'Name what it shows.' : null}
          onChange={(name) => edit({ name }, 'name')}
        />
        <label className="row">
          <Checkbox checked={body.mayBeShared} onChange={(e) => edit({ mayBeShared: e.target.checked })} /> may leave
          the school
        </label>
        {body.marks.map((m, i) => (
          <div key={m.number} className="with-button">
            <Text
              label={`Point ${m.number}`}
              value={m.label}
              wrong={null}
              onChange={(label) => edit({ marks: body.marks.with(i, { ...m, label }) }, `label ${i}`)}
            />
            <Button aria-label={`remove point ${m.number}`} onClick={() => edit({ marks: body.marks.toSpliced(i, 1) })}>
              <CloseIcon fontSize="small" />
            </Button>
          </div>
        ))}
        <Button
          variant="text"
          onClick={() =>
            edit({
              marks: [
                ...body.marks,
                { number: Math.max(0, ...body.marks.map((m) => m.number)) + 1, x: 0.5, y: 0.5, label: 'New point' },
              ],
            })
          }
        >
          Add a point
        </Button>
        <p className="soft small">{Math.round(body.bytes / 1024)} kB, kept by its hash</p>
      </div>
    </div>
  );
}
