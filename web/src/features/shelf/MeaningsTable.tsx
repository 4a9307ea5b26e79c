import Button from '@mui/material/Button';
import { readTable, type Working } from '@wire-trail/core';
import { useState } from 'react';
import { api } from '../../foundation/api.ts';
import { Input } from '../../parts/field/Input.tsx';
import { Fold } from '../../parts/fold/Fold.tsx';
import { JobBar } from './table/JobBar.tsx';
import { useJob } from './table/use-job.ts';

type Read = Readonly<{ items: Array<{ basedOn: number; body: unknown }>; wrong: readonly string[] }>;

/** Reads “number, meaning” rows under a header; what is no number is named with its line. */
function readMeanings(text: string, scheme: string, known: readonly Working[]): Read {
  const table = readTable(text);
  if (!table.ok) return { items: [], wrong: ['A header and rows of a number and its meaning are needed.'] };
  const items: Read['items'] = [];
  const wrong: string[] = [];
  for (const { line, cells } of table.value.rows) {
    const [number = '', says = ''] = cells.map((c) => c.trim());
    if (!/^\d{1,4}$/.test(number) || says === '') {
      wrong.push(`line ${line}: “${number}” is no number with a meaning`);
      continue;
    }
    const slug = scheme
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '');
    const id = `${slug}-${Number(number)}`;
    const before = known.find((w) => w.kind === 'meaning' && w.id === id);
    const body = { kind: 'meaning', id, scheme, number: Number(number), says, source: null, standing: 'document' };
    items.push({
      basedOn: before?.number ?? 0,
      body: { ...body, ...(before?.body.kind === 'meaning' && { source: before.body.source }) },
    });
  }
  return { items, wrong };
}

/** A school's own table of generic meanings, pasted: all of it or nothing. */
export function MeaningsTable({ known }: { known: readonly Working[] }) {
  const [scheme, setScheme] = useState('');
  const [text, setText] = useState('');
  const [save] = api.useSaveDraftsMutation();
  const run = useJob();
  const { items, wrong } =
    text.includes('\n') && scheme.trim() ? readMeanings(text, scheme.trim(), known) : { items: [], wrong: [] };
  return (
    <Fold title="Paste a table of meanings">
      <div className="stack">
        <label className="field">
          The scheme it belongs to, as families name it
          <Input
            fullWidth
            value={scheme}
            onChange={(e) => setScheme(e.target.value)}
            slotProps={{ input: { maxLength: 120 } }}
          />
        </label>
        <label className="field">
          Number and meaning, under a header
          <Input multiline fullWidth className="mono" rows={5} value={text} onChange={(e) => setText(e.target.value)} />
        </label>
        {wrong.slice(0, 5).map((w) => (
          <span key={w} className="wrong">
            {w}
          </span>
        ))}
        <JobBar run={run} what="keeping the meanings" />
        <Button
          disabled={items.length === 0 || wrong.length > 0}
          onClick={() =>
            void run.start(() => save({ note: 'from a table', submit: `${items.length} generic meanings`, items }))
          }
        >
          Hand {items.length} meanings to a reviewer
        </Button>
        {run.job?.state === 'done' && <p role="status">They wait on the Bench.</p>}
      </div>
    </Fold>
  );
}
