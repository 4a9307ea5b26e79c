import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import {
  entriesOf,
  examplesKept,
  type LampExample,
  type LampWay,
  learnLamps,
  mostLearned,
  type Sign,
  type SignId,
  sameJson,
  stagesOfWay,
  writtenAs,
} from '@wire-trail/core';
import { useDeferredValue, useMemo, useState } from 'react';
import { Input } from '../../../parts/field/Input.tsx';
import { faceOfSign } from '../../../parts/panel/face-of-sign.ts';
import { PanelDrawing } from '../../../parts/panel/PanelDrawing.tsx';
import { Learnt } from './Learnt.tsx';
import { addLooks, clashWords, examplesOf, noExamples, type Row, rowOf, withLamp } from './learn-rows.ts';
import type { ReadoutAt } from './readout-at.ts';

/**
 * How a row of lamps says a code, learnt from codes somebody is sure of: type the code, tap the lamps that were lit. What each
 * lamp counts is worked out, or the code that would decide it is asked for.
 */
export function LearnPane(props: ReadoutAt & { signs: ReadonlyMap<string, Sign> }) {
  const { body, bodies, texts, nameOf, onEdit, signs } = props;
  const every = useMemo(() => [...signs.values()].filter((s) => s.kind === 'lamp').map((s) => s.id as SignId), [signs]);
  const [row, setRow] = useState<readonly SignId[]>(() => rowOf(body, every));
  const [rows, setRows] = useState<readonly Row[]>(() => examplesOf(body));
  const parts = rows[0]?.looks.length ?? 1;
  const [at, setAt] = useState<readonly [example: number, part: number]>([0, 0]);
  const examples = useMemo<LampExample[]>(
    () =>
      rows.flatMap((r) =>
        r.text.trim() === ''
          ? []
          : [{ text: r.text.trim(), looks: r.looks.map((l) => l.filter((s) => row.includes(s))) }],
      ),
    [rows, row],
  );
  const later = useDeferredValue(examples);
  const learned = useMemo(() => learnLamps(row, later, texts), [row, later, texts]);
  const [five, setFive] = useState<string | null>(null);
  const way = learned.is === 'found' ? writtenAs(learned.way, five ?? learned.written[0] ?? '') : null;
  const isUsed = way !== null && sameJson(stagesOfWay(way, row, body.stages).stages, body.stages);
  // which row of the table an example that was read is in
  const rowAt = useMemo(() => rows.flatMap((r, i) => (r.text.trim() === '' ? [] : [i])), [rows]);
  const clash = learned.is === 'contradiction' ? learned.examples.map((i) => rowAt[i]) : [];
  const face = faceOfSign(entriesOf(bodies, 'panel'), row[0])?.face;
  const [example, part] = at;
  const lit = rows[example]?.looks[part] ?? [];
  const tap = (where: readonly [number, number], sign: SignId) => {
    setAt(where);
    setRows(withLamp(rows, where, sign));
  };
  const use = (found: LampWay) => {
    const learnt = stagesOfWay(found, row, body.stages);
    const ids = new Set(learnt.stages.map((s) => s.id));
    const others = body.vectors.filter(
      (v) => !examples.some((e) => e.text === v.expect) && v.looks.every((l) => 'stage' in l && ids.has(l.stage)),
    );
    onEdit({ ...learnt, vectors: [...others, ...examplesKept(examples, row, learnt.stages)] }, 'stages');
  };
  if (every.length === 0)
    return (
      <div className="sheet">
        <h2>Learn from examples</h2>
        <p className="note">
          The panel has no lamps yet. Draw the panel first; then come back with three codes you are sure of.
        </p>
      </div>
    );
  return (
    <div className="split flip readout-room">
      <section className="stack">
        <div className="sheet">
          <h2>Codes you are sure of</h2>
          <p className="soft">
            Type a code, and mark the lamps that were lit for it. Three are often enough; where they are not, you are
            told which one to look at next.
          </p>
          <div className="row">
            <ToggleButtonGroup
              exclusive
              size="small"
              value={parts}
              aria-label="how a code is shown"
              onChange={(_, next: number | null) => next !== null && setRows(addLooks(rows, next))}
            >
              <ToggleButton value={1}>all in one go</ToggleButton>
              <ToggleButton value={2}>in two parts</ToggleButton>
            </ToggleButtonGroup>
          </div>
          <Table className="learn-rows">
            <caption className="visually-hidden">codes and the lamps that were lit</caption>
            <TableHead>
              <TableRow>
                <TableCell scope="col">code</TableCell>
                {parts === 1 ? (
                  <TableCell scope="col">lamps that were lit</TableCell>
                ) : (
                  <>
                    <TableCell scope="col">lit first</TableCell>
                    <TableCell scope="col">lit second</TableCell>
                  </>
                )}
              </TableRow>
            </TableHead>
            <TableBody>
              {rows.map((r, i) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: a row is its place in the table
                <TableRow key={i} className={clash.includes(i) ? 'clash' : ''}>
                  <TableCell>
                    <Input
                      className="mono"
                      value={r.text}
                      placeholder={texts[i] ?? `code ${i + 1}`}
                      onFocus={() => setAt([i, 0])}
                      onChange={(e) => setRows(rows.map((x, k) => (k === i ? { ...x, text: e.target.value } : x)))}
                      slotProps={{ input: { 'aria-label': `code ${i + 1}` } }}
                    />
                  </TableCell>
                  {r.looks.map((look, k) => (
                    // biome-ignore lint/suspicious/noArrayIndexKey: a part is its place in the row
                    <TableCell key={k} className={example === i && part === k ? 'at' : ''}>
                      <ToggleButtonGroup
                        size="small"
                        value={[...look]}
                        aria-label={`lit for code ${i + 1}${parts > 1 ? `, part ${k + 1}` : ''}`}
                      >
                        {row.map((sign) => (
                          <ToggleButton key={sign} value={sign} onClick={() => tap([i, k], sign)}>
                            {nameOf(sign)}
                          </ToggleButton>
                        ))}
                      </ToggleButtonGroup>
                    </TableCell>
                  ))}
                </TableRow>
              ))}
            </TableBody>
          </Table>
          <div className="row">
            <Button onClick={() => setRows([...rows, { text: '', looks: noExamples(parts) }])}>Add a code</Button>
            {rows.length > 3 && (
              <Button
                onClick={() => {
                  setRows(rows.slice(0, -1));
                  setAt([0, 0]);
                }}
              >
                Take the last one out
              </Button>
            )}
          </div>
          {clash.length > 0 && (
            <Alert severity="error" role="alert">
              {clashWords(clash.flatMap((i) => rows[i ?? -1] ?? []))}
            </Alert>
          )}
        </div>
        {face && (
          <div className="sheet">
            <h2>
              {rows[example]?.text || `Code ${example + 1}`}
              {parts > 1 ? `, ${part === 0 ? 'lit first' : 'lit second'}` : ''}
            </h2>
            <PanelDrawing
              face={face}
              lamps={new Map(row.map((sign) => [sign, { state: lit.includes(sign) ? 'lit' : 'dark' } as const]))}
              weights={new Map([...(way?.weights ?? [])].map(([sign, weight]) => [sign, String(weight)]))}
              onSign={(sign) => row.includes(sign.id as SignId) && tap(at, sign.id as SignId)}
            />
          </div>
        )}
      </section>
      <section className="stack">
        <div className="sheet">
          <h2>Lamps in the row</h2>
          <ToggleButtonGroup
            size="small"
            className="lamp-row"
            value={[...row]}
            aria-label="lamps in the row"
            onChange={(_, next: SignId[]) => setRow(every.filter((s) => next.includes(s)))}
          >
            {every.map((sign) => (
              <ToggleButton key={sign} value={sign} disabled={!row.includes(sign) && row.length >= mostLearned}>
                {nameOf(sign)}
              </ToggleButton>
            ))}
          </ToggleButtonGroup>
          {row.length >= mostLearned && (
            <p className="soft small">No more than {mostLearned} lamps are worked out at once.</p>
          )}
        </div>
        <Learnt
          learned={learned}
          lamps={row}
          examples={later}
          texts={texts}
          nameOf={nameOf}
          way={way}
          isBehind={later !== examples}
          isUsed={isUsed}
          five={five}
          onFive={setFive}
          onAdd={(text) => {
            const free = rows.findIndex((r) => r.text.trim() === '');
            const next = { text, looks: noExamples(parts) };
            setRows(free < 0 ? [...rows, next] : rows.map((r, i) => (i === free ? next : r)));
            setAt([free < 0 ? rows.length : free, 0]);
          }}
          onUse={use}
        />
      </section>
    </div>
  );
}
