import { type Chart, headOf, nodeKinds } from '@wire-trail/core';
import { useState } from 'react';
import { Input } from '../../../parts/field/Input.tsx';
import type { Entry } from './entering.ts';

const labels: Readonly<Record<Entry['what'], string>> = {
  step: 'new step',
  answer: 'new answer',
  title: 'words of the step',
  rename: 'words of the answer',
  link: 'leads to',
  kind: 'kind of step',
};

type Props = Readonly<{ entry: Entry; body: Chart; depth: number; onTake: (text: string) => void; onStop: () => void }>;

/** One line to type into, where the outline is: Enter takes it, Escape leaves everything as it was. */
export function Entering({ entry, body, depth, onTake, onStop }: Props) {
  const node = body.nodes.find((n) => n.id === entry.node);
  const [text, setText] = useState(
    entry.what === 'title'
      ? (node?.title ?? '')
      : entry.what === 'kind' && node
        ? headOf(node)
        : entry.what === 'rename'
          ? (entry.place?.answer ?? '')
          : '',
  );
  const options =
    entry.what === 'link'
      ? body.nodes.map((n) => n.title)
      : entry.what === 'kind'
        ? [...nodeKinds, 'act replace', 'act clean', 'verdict cause-found', 'verdict hand-on']
        : [];
  return (
    <form
      style={{ paddingInlineStart: `${1.2 + depth * 0.95}rem` }}
      onSubmit={(e) => {
        e.preventDefault();
        onTake(text);
      }}
    >
      <Input
        fullWidth
        autoFocus
        placeholder={
          entry.what === 'step' ? 'Is it clean? · measure voltage: At the plug · Replace the pump' : labels[entry.what]
        }
        value={text}
        onChange={(e) => setText(e.target.value)}
        onKeyDown={(e) => {
          if (e.key === 'Escape') onStop();
          e.stopPropagation();
        }}
        onBlur={() => (text.trim() === '' ? onStop() : undefined)}
        slotProps={{
          input: {
            'aria-label': labels[entry.what],
            list: options.length > 0 ? 'outline-options' : undefined,
            maxLength: 160,
          },
        }}
      />
      {options.length > 0 && (
        <datalist id="outline-options">
          {options.map((o) => (
            <option key={o} value={o} />
          ))}
        </datalist>
      )}
    </form>
  );
}
