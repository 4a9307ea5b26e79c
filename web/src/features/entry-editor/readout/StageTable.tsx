import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import {
  lampStates,
  lampTraits,
  type Readout,
  type ReadsOf,
  readTruthTable,
  type Stage,
  truthProblemWords,
} from '@wire-trail/core';
import { useMemo, useState } from 'react';
import { Input } from '../../../parts/field/Input.tsx';
import { AmountField } from '../inputs.tsx';
import { WeightChips } from './WeightChips.tsx';

type Props = Readonly<{
  readout: Readout;
  stage: Stage;
  nameOf: (sign: string) => string;
  onStage: (stage: Stage) => void;
}>;

/** What one stage is read by: weights to set, a table to paste, or times to change. */
export function StageTable(props: Props) {
  const { stage } = props;
  const { reads } = stage;
  if (reads.kind === 'lamps') return <LampTable {...props} reads={reads} />;
  if (reads.kind === 'blinks' || reads.kind === 'which' || reads.kind === 'rhythm') return <Times {...props} />;
  return (
    <p className="soft">
      {reads.kind === 'value'
        ? `${reads.fields.length} values, each with its unit and range.`
        : 'Typed as the display shows it; its characters are under “About the readout”.'}
    </p>
  );
}

const powers = (n: number, highFirst: boolean): number[] =>
  Array.from({ length: n }, (_, i) => 2 ** (highFirst ? n - 1 - i : i));

function LampTable({ stage, nameOf, onStage, reads }: Props & { reads: ReadsOf<'lamps'> }) {
  const [pasting, setPasting] = useState(false);
  const [pasted, setPasted] = useState('');
  const read = useMemo(() => readTruthTable(pasted, reads), [pasted, reads]);
  const set = (change: Partial<ReadsOf<'lamps'>>) => onStage({ ...stage, reads: { ...reads, ...change } });
  const weigh = (i: number, typed: string) => {
    const weight = Number.parseInt(typed, 10);
    set({
      lamps: reads.lamps.map((l, k) =>
        k !== i ? l : weight >= 1 && weight <= 65_536 ? { sign: l.sign, weight } : { sign: l.sign },
      ),
    });
  };
  const weighAll = (highFirst: boolean) => {
    const weights = powers(reads.lamps.length, highFirst);
    set({ lamps: reads.lamps.map(({ sign }, i) => ({ sign, weight: weights[i] ?? 1 })) });
  };
  const weighted = reads.to.kind !== 'table';
  return (
    <>
      {weighted && reads.lamps.length <= 12 && (
        <WeightChips lamps={reads.lamps} nameOf={nameOf} onLay={(lamps) => set({ lamps })} />
      )}
      <Table>
        <caption className="visually-hidden">weights of {stage.label}</caption>
        <TableHead>
          <TableRow>
            {reads.lamps.map((l) => (
              <TableCell key={l.sign} scope="col" data-sign={l.sign}>
                {nameOf(l.sign)}
              </TableCell>
            ))}
          </TableRow>
        </TableHead>
        {weighted && (
          <TableBody>
            <TableRow>
              {reads.lamps.map((l, i) => (
                <TableCell key={l.sign}>
                  <Input
                    fullWidth
                    className="mono"
                    value={l.weight ?? ''}
                    placeholder="–"
                    onChange={(e) => weigh(i, e.target.value)}
                    slotProps={{
                      input: {
                        inputMode: 'numeric',
                        'aria-label': `weight of ${nameOf(l.sign)}; empty where it does not count`,
                      },
                    }}
                  />
                </TableCell>
              ))}
            </TableRow>
          </TableBody>
        )}
        {reads.to.kind === 'table' && (
          <TableBody>
            {reads.to.rows.map((row) => (
              <TableRow key={`${row.pattern}${row.value}`}>
                {[...row.pattern].map((c, i) => (
                  // biome-ignore lint/suspicious/noArrayIndexKey: a lamp is its place in the row
                  <TableCell key={i}>{cellWords[c] ?? c}</TableCell>
                ))}
                <TableCell className="mono value">{row.value}</TableCell>
              </TableRow>
            ))}
          </TableBody>
        )}
      </Table>
      <div className="row">
        {weighted &&
          (['right', 'left'] as const).map((end) => (
            <Button key={end} onClick={() => weighAll(end === 'right')}>
              1 2 4 from the {end}
            </Button>
          ))}
        <Button aria-expanded={pasting} onClick={() => setPasting(!pasting)}>
          Paste a truth table
        </Button>
      </div>
      {pasting && (
        <div className="stack">
          <label className="field">
            One line a pattern: 1 on, 0 off, - either, then what it stands for
            <Input
              multiline
              fullWidth
              className="mono"
              rows={6}
              value={pasted}
              placeholder={'100 P\n010 M\n11- Q'}
              onChange={(e) => setPasted(e.target.value)}
            />
          </label>
          {read.problems.length > 0 && (
            <ul className="plain" role="alert">
              {read.problems.map((p) => (
                <li key={p.line}>{truthProblemWords(p)}</li>
              ))}
            </ul>
          )}
          <div className="row">
            <Button
              variant="contained"
              color="primary"
              disabled={read.rows.length === 0}
              onClick={() => {
                set({ to: { kind: 'table', rows: read.rows.map((r) => ({ ...r })) } });
                // lines that could not be read stay, to be set right
                setPasted(read.problems.map((p) => p.text).join('\n'));
                if (read.problems.length === 0) setPasting(false);
              }}
            >
              Use {read.rows.length} row{read.rows.length === 1 ? '' : 's'}
            </Button>
            {read.problems.length > 0 && <span className="soft small">what cannot be read stays here</span>}
          </div>
        </div>
      )}
    </>
  );
}

const cellWords: Readonly<Record<string, string>> = {
  '1': 'on',
  '0': '·',
  '-': 'either',
  ...Object.fromEntries(lampStates.map((state) => [lampTraits[state].letter, state])),
  R: 'red',
  G: 'green',
  A: 'amber',
  W: 'white',
  B: 'blue',
  Y: 'yellow',
};

const timeNames = {
  onMs: 'lit for',
  offMs: 'dark for',
  shortMs: 'short for',
  longMs: 'long for',
  gapMs: 'dark between',
  pauseMs: 'pause',
} as const;

/** Times of a blinking lamp, and the rows of long and short. */
function Times({ stage, onStage }: Props) {
  const { reads } = stage;
  const times = reads as Partial<Record<keyof typeof timeNames, number>>;
  return (
    <>
      <div className="two">
        {(Object.keys(timeNames) as Array<keyof typeof timeNames>)
          .filter((k) => k in reads)
          .map((k) => (
            <AmountField
              key={k}
              label={timeNames[k]}
              of={{ quantity: 'duration', perBase: 1000 }}
              value={times[k] ?? null}
              onChange={(ms) => ms && onStage({ ...stage, reads: { ...reads, [k]: ms } as typeof reads })}
            />
          ))}
      </div>
      {reads.kind === 'rhythm' && (
        <Table>
          <caption className="visually-hidden">patterns of {stage.label}</caption>
          <TableBody>
            {reads.rows.map((r) => (
              <TableRow key={r.pattern}>
                <TableCell>{[...r.pattern].map((c) => (c === 'l' ? 'long' : 'short')).join(' ')}</TableCell>
                <TableCell className="mono value">{r.value}</TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      )}
    </>
  );
}
