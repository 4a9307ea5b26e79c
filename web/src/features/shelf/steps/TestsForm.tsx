import Button from '@mui/material/Button';
import { type Chart, chartOf, codeIdOf, type Entry, entriesOf } from '@wire-trail/core';
import { useMemo, useState } from 'react';
import { ChartText, useTypedChart } from '../../../parts/chart-text/ChartText.tsx';
import { codesNamed, noSuchCodes } from '../../../parts/code/codes-named.ts';
import { Field } from '../../../parts/field/Field.tsx';
import type { Shelved } from '../tab-props.ts';
import { useKeep } from './use-keep.tsx';

type Props = Readonly<{ family: string; entries: readonly Shelved[] }>;

/** Tests as people write them down, made a chart that some codes lead to. */
export function TestsForm({ family, entries }: Props) {
  const bodies = useMemo(() => entries.map((e) => e.body), [entries]);
  const typed = useTypedChart(bodies, `wire-trail-tests:${family}`);
  const [title, setTitle] = useState('');
  const [leads, setLeads] = useState('');
  const { keep, isKeeping, said } = useKeep(family, entries);
  const codes = entriesOf({ entries: bodies }, 'code');
  const { own, unknown } = codesNamed(leads, codes);
  const id = codeIdOf(title).slice(0, 64);
  const taken = entriesOf({ entries: bodies }, 'chart').some((c) => c.id === id);
  const take = async () => {
    if (!typed.read) return;
    const chart = chartOf(typed.read.drawn, {
      // filed under what it is called, in the unit
      id: id as Chart['id'],
      family: family as Chart['family'],
      title: title.trim(),
    });
    const led = own.map((c): Entry => ({ ...c, chart: chart.id }));
    if (await keep([chart, ...led], 'tests')) {
      typed.type('');
      setTitle('');
      setLeads('');
    }
  };
  return (
    <section className="sheet stack" aria-label="tests">
      <div className="two">
        <Field
          label="What is tested"
          value={title}
          maxLength={120}
          wrong={taken && 'There are tests of this name.'}
          onChange={(e) => setTitle(e.target.value)}
        />
        <Field
          label="For which codes"
          hint="such as 13, 14"
          value={leads}
          wrong={unknown.length > 0 && noSuchCodes(unknown)}
          onChange={(e) => setLeads(e.target.value)}
        />
      </div>
      <ChartText typed={typed} label="The tests, as you would write them down" />
      {said}
      <div className="row">
        <Button
          variant="contained"
          color="primary"
          disabled={!typed.read || typed.stops || id === '' || taken || unknown.length > 0 || isKeeping}
          onClick={() => void take()}
        >
          Make it a chart
        </Button>
      </div>
    </section>
  );
}
