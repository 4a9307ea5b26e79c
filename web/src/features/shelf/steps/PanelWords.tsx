import Button from '@mui/material/Button';
import { type Entry, entriesOf, entrySchemas, type Panel, panelFromWords } from '@wire-trail/core';
import { useMemo, useState } from 'react';
import { Field } from '../../../parts/field/Field.tsx';
import { PanelDrawing } from '../../../parts/panel/PanelDrawing.tsx';
import type { Shelved } from '../tab-props.ts';
import { useKeep } from './use-keep.tsx';

type Props = Readonly<{ family: string; entries: readonly Shelved[] }>;

/** A panel told in words, drawn as it is typed, and kept as a draft that the studio draws on. */
export function PanelWords({ family, entries }: Props) {
  const [text, setText] = useState('');
  const { keep, isKeeping, said } = useKeep(family, entries);
  const read = useMemo(() => panelFromWords(text), [text]);
  const controller = entriesOf({ entries: entries.map((e) => e.body) }, 'family')[0]?.controllers[0]?.id ?? 'main';
  const unread = read.words.filter((w) => w.made === null);
  const panel = useMemo(
    () =>
      read.faces.length === 0
        ? null
        : entrySchemas.panel.parse({
            kind: 'panel',
            id: 'panel',
            family,
            name: 'Panel',
            controller,
            faces: read.faces,
          }),
    [read, family, controller],
  );
  const draw = (own: Panel) => void keep([own as Entry], 'drawn from words');
  return (
    <div className="sheet stack">
      <Field
        label="Say it in words"
        hint="such as: four lamps in a row, three green and a red one, a knob right of them with off, 1, 2, a button below; behind the cover two DIP switches"
        multiline
        rows={3}
        value={text}
        maxLength={4000}
        onChange={(e) => setText(e.target.value)}
      />
      {text.trim() !== '' && (
        <ul className="plain small" aria-label="what was made of it">
          {read.words.map((w, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: two stretches may say the same
            <li key={i} className={w.made === null ? 'wrong' : 'soft'}>
              {w.made === null ? `“${w.text}” names nothing that can be drawn` : w.made}
            </li>
          ))}
        </ul>
      )}
      {panel?.faces.map((face) => (
        <figure key={face.id} className="stack">
          <figcaption className="soft small">{face.label}</figcaption>
          <PanelDrawing face={face} />
        </figure>
      ))}
      {said}
      <div className="row">
        <Button
          variant={panel && unread.length === 0 ? 'contained' : 'outlined'}
          color="primary"
          disabled={!panel || isKeeping}
          onClick={() => panel && draw(panel)}
        >
          Draw it so
        </Button>
      </div>
    </div>
  );
}
