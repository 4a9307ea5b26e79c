import Button from '@mui/material/Button';
import { assemble, type Chart, chartOf, entriesOf, insertChart } from '@wire-trail/core';
import { useMemo } from 'react';
import { api } from '../../../foundation/api.ts';
import { ChartText, useTypedChart } from '../../../parts/chart-text/ChartText.tsx';
import { Select } from '../../../parts/field/Select.tsx';
import type { ChartAt } from './chart-at.ts';

/** A chart begun from text that was pasted, or from a chart of one's own. */
export function StartFrom({ body, bodies, onEdit, onDone }: ChartAt & { onDone: () => void }) {
  const typed = useTypedChart(bodies.entries, `wire-trail-paste:${body.family}/${body.id}`);
  const { read, stops } = typed;
  const { data: library } = api.useLibraryQuery();
  const charts = useMemo(() => {
    const all = [...entriesOf(bodies, 'chart'), ...entriesOf({ entries: (library ?? []).map((w) => w.body) }, 'chart')];
    const others = [...new Map(all.filter((c) => c.id !== body.id).map((c) => [`${c.family} ${c.id}`, c])).values()];
    return others.sort((a, b) => Number(b.template) - Number(a.template));
  }, [bodies, library, body.id]);
  const take = () => {
    if (!read || stops) return;
    // an outline or a drawing of this very chart keeps what it does not say
    onEdit(read.as === 'numbered' ? { ...body, ...pick(chartOf(read.drawn, body)) } : assemble(read.drawn, body), '');
    typed.type('');
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
      <ChartText typed={typed} label="Paste a numbered list, an outline or a Mermaid flowchart" />
      <div className="row">
        <Button variant="contained" color="primary" disabled={!read || stops} onClick={take}>
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
