import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import {
  besideWords,
  type ChartId,
  entryOf,
  likeOnes,
  type MeasureNode,
  sideBySide,
  sideBySideWords,
} from '@wire-trail/core';
import { type ReactNode, useId, useState } from 'react';
import { Input } from '../../../../parts/field/Input.tsx';
import { Select } from '../../../../parts/field/Select.tsx';
import { takenWords } from '../../../../parts/readings/past.ts';
import { Next, type StationProps } from '../StationLayout.tsx';

type Props = Pick<StationProps, 'walk' | 'data' | 'add'> & Readonly<{ chart: ChartId; node: MeasureNode }>;
type Measuring = (onTake: Parameters<typeof import('./Measure.tsx').Measure>[0]['onTake'], of: string) => ReactNode;

const asKnown = { yes: true, no: false, unknown: null } as const;

/** The same reading at others of its kind: which one, whether that one is known to work, and what they say side by side. */
export function BesideOthers({ walk, data, add, chart, node, measure }: Props & { measure: Measuring }) {
  const [open, setOpen] = useState(false);
  const [one, setOne] = useState('');
  const [known, setKnown] = useState<keyof typeof asKnown>('unknown');
  const list = useId();
  const side = sideBySide(walk, { chart, node: node.id }, (id) => entryOf(data.bundle, 'instrument', id));
  const single = walk.beside.filter((b) => b.chart === chart && b.node === node.id);
  const names = likeOnes(data.bundle, walk).filter((n) => !single.some((b) => b.one === n));
  return (
    <div className="stack">
      {side ? (
        <section className="sheet stack" aria-label="side by side">
          <h2>Side by side</h2>
          <Table>
            <TableBody>
              {side.rows.map((row) => (
                <TableRow key={row.isOwn ? '' : `one ${row.one}`}>
                  <TableCell>{row.isOwn ? 'This one' : row.one}</TableCell>
                  <TableCell className="mono">{takenWords(row.reading)}</TableCell>
                  <TableCell className={row.is === 'apart' ? 'wrong' : 'soft'}>
                    {besideWords(row.is)}
                    {row.is === 'apart' && row.offRatio !== null && `, ${Math.round(row.offRatio * 100)} %`}
                  </TableCell>
                </TableRow>
              ))}
            </TableBody>
          </Table>
          <p role="status">{sideBySideWords(side)}</p>
        </section>
      ) : (
        single.map((b) => (
          <p key={b.one} className="tag">
            {b.one}: {takenWords(b.reading)}
          </p>
        ))
      )}
      {!open && (
        <Button variant="text" onClick={() => setOpen(true)}>
          Read another one of its kind …
        </Button>
      )}
      {open && (
        <section className="sheet stack" aria-label="another one of its kind">
          <h2>Another one of its kind</h2>
          <label className="field">
            Which one?
            <Input
              fullWidth
              value={one}
              placeholder="the left one, pack 2, the unit next door"
              onChange={(e) => setOne(e.target.value)}
              slotProps={{ input: { maxLength: 120, list } }}
            />
            <datalist id={list}>
              {names.map((n) => (
                <option key={n} value={n} />
              ))}
            </datalist>
          </label>
          <label className="field">
            Does that one work?
            <Select native fullWidth value={known} onChange={(e) => setKnown(e.target.value as keyof typeof asKnown)}>
              <option value="unknown">nobody knows</option>
              <option value="yes">yes, it works</option>
              <option value="no">no, it has the fault as well</option>
            </Select>
          </label>
          {one.trim() !== '' &&
            measure((reading) => {
              const isGood = asKnown[known];
              void add({ kind: 'beside', chart, node: node.id, one: one.trim(), isGood, reading });
              setOpen(false);
              setOne('');
            }, one.trim())}
          {one.trim() === '' && (
            <Next disabled onClick={() => {}}>
              Say which one first
            </Next>
          )}
          <Button variant="text" onClick={() => setOpen(false)}>
            Not now
          </Button>
        </section>
      )}
    </div>
  );
}
