import Button from '@mui/material/Button';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import {
  assemble,
  bandContextOf,
  type Chart,
  chartOf,
  entriesOf,
  insertChart,
  readChartText,
  textNoteWords,
} from '@wire-trail/core';
import { useMemo, useState } from 'react';
import { api } from '../../../foundation/api.ts';
import { Input } from '../../../parts/field/Input.tsx';
import { Select } from '../../../parts/field/Select.tsx';
import type { ChartAt } from './chart-at.ts';

/** A chart begun from text that was pasted, or from a chart of one's own. */
export function StartFrom({ body, bodies, onEdit, onDone }: ChartAt & { onDone: () => void }) {
  const key = `wire-trail-paste:${body.family}/${body.id}`;
  // what was pasted and not taken yet is still there after a reload
  const [text, setText] = useState(() => sessionStorage.getItem(key) ?? '');
  /** How far off is good, by line, where somebody answered. */
  const [shares, setShares] = useState<ReadonlyMap<number, number>>(new Map());
  const context = useMemo(() => ({ ...bandContextOf({ entries: bodies.entries }), shares }), [bodies, shares]);
  const read = useMemo(() => (text.trim() === '' ? null : readChartText(text, context)), [text, context]);
  const { data: library } = api.useLibraryQuery();
  const charts = useMemo(() => {
    const all = [...entriesOf(bodies, 'chart'), ...entriesOf({ entries: (library ?? []).map((w) => w.body) }, 'chart')];
    const others = [...new Map(all.filter((c) => c.id !== body.id).map((c) => [`${c.family} ${c.id}`, c])).values()];
    return others.sort((a, b) => Number(b.template) - Number(a.template));
  }, [bodies, library, body.id]);
  const grave = read?.notes.filter((n) => n.code !== 'taken-as' && n.code !== 'end-added') ?? [];
  const stops = grave.find(
    (n) => n.code === 'too-many-steps' || n.code === 'nothing-there' || n.code === 'other-diagram',
  );
  const asked = [
    ...new Set([
      ...shares.keys(),
      ...(read?.notes.flatMap((n) => (n.code === 'tolerance-assumed' ? [n.line] : [])) ?? []),
    ]),
  ].sort((a, b) => a - b);
  const type = (next: string) => {
    setShares(new Map());
    setText(next);
    sessionStorage.setItem(key, next);
  };
  const take = () => {
    if (!read || stops) return;
    // an outline or a drawing of this very chart keeps what it does not say
    onEdit(read.as === 'numbered' ? { ...body, ...pick(chartOf(read.drawn, body)) } : assemble(read.drawn, body), '');
    sessionStorage.removeItem(key);
    onDone();
  };
  const begin = (other: Chart) => {
    const isEmpty = body.nodes.length === 1;
    const grown = insertChart(isEmpty ? { ...body, nodes: [] } : body, null, other);
    onEdit(
      isEmpty ? { ...grown, ...pick(grown), start: grown.nodes[0]?.id ?? body.start, ...endsOf(other) } : grown,
      '',
    );
    onDone();
  };
  return (
    <section className="sheet stack" aria-label="begin from">
      <label className="field">
        Paste a numbered list, an outline or a Mermaid flowchart
        <Input
          multiline
          fullWidth
          className="mono"
          rows={9}
          value={text}
          placeholder={
            '1. Is the filter clean? If not, clean it and go to 3.\n2. Measure the coil, 140 to 190 Ω. If low, replace the pump.\n3. …'
          }
          onChange={(e) => type(e.target.value)}
        />
      </label>
      {read && (
        <>
          <p className="small">
            Read as {read.as === 'numbered' ? 'a numbered list' : read.as === 'outline' ? 'an outline' : 'Mermaid'}:{' '}
            {read.drawn.nodes.length} steps.
          </p>
          <ul className="small scrolls">
            {[...grave, ...read.notes.filter((n) => !grave.includes(n))].slice(0, 40).map((n, i) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: two notes may say the same
              <li key={i} className={grave.includes(n) ? 'wrong' : 'soft'}>
                line {n.line}: {textNoteWords(n)}
              </li>
            ))}
          </ul>
        </>
      )}
      {asked.map((line) => (
        <div key={line} className="row">
          <span className="small">Line {line}: how far off is still good?</span>
          <ToggleButtonGroup
            exclusive
            size="small"
            aria-label={`how far off is good, line ${line}`}
            value={shares.get(line) ?? null}
            onChange={(_, share: number | null) =>
              setShares(new Map([...shares].filter(([l]) => l !== line).concat(share === null ? [] : [[line, share]])))
            }
          >
            {[0.01, 0.02, 0.05, 0.1, 0.2].map((share) => (
              <ToggleButton key={share} value={share}>
                ±{share * 100} %
              </ToggleButton>
            ))}
          </ToggleButtonGroup>
        </div>
      ))}
      <div className="row">
        <Button variant="contained" color="primary" disabled={!read || stops !== undefined} onClick={take}>
          Make it the chart
        </Button>
        <Button variant="text" onClick={onDone}>
          Close
        </Button>
      </div>
      {charts.length > 0 && (
        <label className="field">
          Or begin from one of your own
          <Select
            native
            fullWidth
            value=""
            onChange={(e) => charts[Number(e.target.value)] && begin(charts[Number(e.target.value)] as Chart)}
          >
            <option value="">choose …</option>
            {charts.map((c, i) => (
              <option key={`${c.family}${c.id}`} value={i}>
                {c.template ? 'template: ' : ''}
                {c.title}
              </option>
            ))}
          </Select>
        </label>
      )}
    </section>
  );
}

const pick = ({ nodes, start }: Chart): Pick<Chart, 'nodes' | 'start'> => ({ nodes, start });

/** Where another chart sends what cannot be told, and what went round too often. */
const endsOf = ({ cannotTell, afterRetries, mostVisits }: Chart): Partial<Chart> => ({
  ...(cannotTell ? { cannotTell } : {}),
  ...(afterRetries ? { afterRetries } : {}),
  mostVisits,
});
