import { zodResolver } from '@hookform/resolvers/zod';
import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import {
  type ChartId,
  entriesOf,
  foundOn,
  foundWords,
  type MeasureNode,
  shownBy,
  stepKey,
  type TakenReading,
} from '@wire-trail/core';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { z } from 'zod';
import { Field } from '../../../../parts/field/Field.tsx';
import { takenWords } from '../../../../parts/readings/past.ts';
import { OfferToLibrary } from '../OfferToLibrary.tsx';
import { Next, StationLayout, type StationProps } from '../StationLayout.tsx';
import { Measure } from '../test/Measure.tsx';
import { runOf } from './run-of.ts';

type Measured = Readonly<{
  key: string;
  node: MeasureNode;
  chart: ChartId;
  before: TakenReading;
  after: TakenReading | null;
}>;

const Typed = z.object({ fixedBy: z.string().trim().max(400) });
const Fixed = Typed.refine(({ fixedBy }) => fixedBy !== '', {
  path: ['fixedBy'],
  error: 'Say what fixed it, or that nothing was found.',
});

/** What fixed it, readings before and after, and the end of the walk. */
export function Close({ walk, data, add }: StationProps) {
  const measured = measuredNodes(walk, data);
  const end = data.chartWalk?.end;
  const causes = data.subject?.suspects.map((s) => s.label) ?? [];
  const { cause } = foundWords(data.bundle, foundOn(walk, data.chartWalk));
  const [measuring, setMeasuring] = useState<Measured | null>(null);
  const { returned = false, cycles = 0 } = walk.proved ?? {};
  const run = runOf(data);
  const proven = !returned && cycles >= run.cycles;
  const isLimited = end?.kind === 'verdict' && end.verdict.verdict === 'left-limited';
  // whoever hands it on, or leaves it limited, has not fixed it
  const { register, handleSubmit, formState } = useForm({
    resolver: zodResolver(returned || isLimited ? Typed : Fixed),
    defaultValues: { fixedBy: cause ?? '' },
  });
  if (measuring)
    return (
      <StationLayout panel={{ face: data.front }}>
        <h1>{measuring.node.title}, once more</h1>
        <Measure
          node={measuring.node}
          known={data.bandKnown}
          instruments={entriesOf(data.bundle, 'instrument')}
          shown={shownBy(data.bundle, measuring.node)}
          onTake={(reading) => {
            void add({ kind: 'reading-after', chart: measuring.chart, node: measuring.node.id, reading });
            setMeasuring(null);
          }}
        />
        <Button variant="text" onClick={() => setMeasuring(null)}>
          Back
        </Button>
      </StationLayout>
    );
  const close = handleSubmit(({ fixedBy }) =>
    add({ kind: 'closed', outcome: returned ? 'handed-on' : isLimited ? 'left-limited' : 'fixed', fixedBy }),
  );
  return (
    <StationLayout
      panel={{ face: data.front }}
      actions={
        <>
          <Next onClick={() => void close()}>
            {returned ? 'Close and hand on' : isLimited ? 'Close: left running limited' : 'Close the walk'}
          </Next>
          {!returned && (
            <Button size="glove" onClick={() => void add({ kind: 'closed', outcome: 'nothing-found', fixedBy: '' })}>
              Nothing was found
            </Button>
          )}
        </>
      }
    >
      <h1>{returned ? 'It returned' : proven ? 'Proved' : 'Not returned, not proved yet'}</h1>
      <p className="soft">
        {returned
          ? `After ${cycles}. Hand it on with the code and the readings, or take the last step back and test on.`
          : `${cycles} of ${run.cycles} run.`}
      </p>
      <Field
        label="What fixed it"
        list="causes"
        maxLength={400}
        wrong={formState.errors.fixedBy?.message}
        {...register('fixedBy')}
      />
      <datalist id="causes">
        {causes.map((c) => (
          <option key={c} value={c} />
        ))}
      </datalist>
      {measured.length > 0 && (
        <Table>
          <TableHead>
            <TableRow>
              <TableCell>reading</TableCell>
              <TableCell>before</TableCell>
              <TableCell>after</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {measured.map((m) => (
              <TableRow key={m.key}>
                <TableCell>{m.node.title}</TableCell>
                <TableCell className="mono">{takenWords(m.before)}</TableCell>
                <TableCell className="mono">
                  {m.after ? takenWords(m.after) : <Button onClick={() => setMeasuring(m)}>Measure</Button>}
                </TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      )}
      {!returned && <OfferToLibrary walk={walk} data={data} add={add} />}
    </StationLayout>
  );
}

/** Steps that were measured, in the order they were taken; of several readings the last. */
function measuredNodes(walk: StationProps['walk'], data: StationProps['data']): Measured[] {
  const last = new Map<string, Measured>();
  for (const s of data.chartWalk?.path ?? [])
    if (s.node.kind === 'measure' && s.reading) {
      const key = stepKey({ chart: s.chart, node: s.node.id });
      last.set(key, { key, node: s.node, chart: s.chart, before: s.reading, after: walk.after.get(key) ?? null });
    }
  return [...last.values()];
}
