import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import MuiTable from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import {
  type Code,
  codeColumns,
  type Entry,
  entriesOf,
  guessMapping,
  type ImportRow,
  type Symptom,
  standings,
  standingWords,
  type Table,
  type TableError,
} from '@wire-trail/core';
import { useEffect, useMemo, useRef, useState } from 'react';
import { api } from '../../../foundation/api.ts';
import { Input } from '../../../parts/field/Input.tsx';
import { Select } from '../../../parts/field/Select.tsx';
import { Progress } from '../../../parts/states/States.tsx';
import type { Shelved } from '../tab-props.ts';
import { ImportPreview } from './ImportPreview.tsx';
import type { ImportAnswer, ImportAsk } from './import.worker.ts';
import { JobBar } from './JobBar.tsx';
import { useJob } from './use-job.ts';

type Props = Readonly<{ family: string; entries: readonly Shelved[]; onClose: () => void }>;
type Stage =
  | Readonly<{ kind: 'choose'; error: TableError | null }>
  | Readonly<{ kind: 'map'; table: Table; encoding: string | null }>
  | Readonly<{ kind: 'planning'; table: Table; encoding: string | null; done: number }>
  | Readonly<{ kind: 'preview'; table: Table; encoding: string | null; rows: readonly ImportRow[] }>;

function errorWords(error: TableError): string {
  switch (error.code) {
    case 'empty':
      return 'There is no row under a header. The first row names the columns.';
    case 'quote-not-closed':
      return `A quote that begins in line ${error.line} is never closed.`;
    case 'too-large':
      return `${error.rows} rows are too many at once; take 50,000 at the most.`;
  }
}

/** Brings a table of codes in: paste or file, which column is what, what it would change, then all of it or nothing. */
export function ImportDialog({ family, entries, onClose }: Props) {
  const worker = useRef<Worker | null>(null);
  const [stage, setStage] = useState<Stage>({ kind: 'choose', error: null });
  const [mapping, setMapping] = useState<ReadonlyArray<string | null>>([]);
  const [ranges, setRanges] = useState(true);
  const bodies = useMemo(() => ({ entries: entries.map((e) => e.body) as Entry[] }), [entries]);
  const own = entriesOf(bodies, 'family').find((f) => f.id === family);
  const codes = useMemo(() => entries.filter((e) => e.body.kind === 'code' || e.body.kind === 'symptom'), [entries]);
  const [controller, setController] = useState<string>(own?.controllers[0]?.id ?? '');
  const [readout, setReadout] = useState('');
  const [source, setSource] = useState('');
  const [standing, setStanding] = useState<string>('document');
  const [save] = api.useSaveDraftsMutation();
  const run = useJob();

  const ask = (message: ImportAsk) => {
    worker.current?.terminate();
    const fresh = new Worker(new URL('./import.worker.ts', import.meta.url), { type: 'module' });
    worker.current = fresh;
    fresh.onmessage = ({ data }: MessageEvent<ImportAnswer>) => {
      if (data.kind === 'unreadable') setStage({ kind: 'choose', error: data.error });
      else if (data.kind === 'read') {
        setMapping(guessMapping(data.table.header));
        setStage({ kind: 'map', table: data.table, encoding: data.encoding });
      } else if (data.kind === 'progress') setStage((s) => (s.kind === 'planning' ? { ...s, done: data.done } : s));
      else
        setStage((s) =>
          s.kind === 'planning' ? { kind: 'preview', table: s.table, encoding: s.encoding, rows: data.rows } : s,
        );
    };
    fresh.postMessage(message);
  };
  useEffect(() => () => worker.current?.terminate(), []);

  const plan = (table: Table, encoding: string | null) => {
    setStage({ kind: 'planning', table, encoding, done: 0 });
    ask({
      kind: 'plan',
      table,
      mapping,
      existing: codes.map((c) => c.body as Code | Symptom),
      defaults: {
        family: family as Code['family'],
        controller: controller as Code['controller'],
        readout: (readout || null) as Code['readout'],
        source: source || null,
        standing: standing as Code['standing'],
      },
      ranges,
    });
  };
  const numberOf = (body: Code | Symptom) =>
    codes.find((c) => c.body.kind === body.kind && c.body.id === body.id)?.number ?? 0;
  const bring = (rows: readonly ImportRow[]) => {
    const items = rows.flatMap((row) =>
      row.taken
        ? row.bodies.flatMap(({ what, body }) => (what === 'same' ? [] : [{ basedOn: numberOf(body), body }]))
        : [],
    );
    void run.start(() => save({ note: 'from a table', submit: null, items }));
  };
  const { job } = run;
  const isKept = job?.state === 'done';

  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="lg" aria-labelledby="import-title">
      <DialogContent>
        <h2 id="import-title">Codes from a table</h2>
        {stage.kind === 'choose' && (
          <>
            <label className="field">
              Paste from a spreadsheet, or from a web page
              <Input
                multiline
                fullWidth
                className="mono"
                rows={9}
                placeholder={'Code\tMeaning\tPossible causes\nC01\tBoiler stays cold\theating element'}
                onPaste={(e) => {
                  const html = e.clipboardData.getData('text/html');
                  const text = e.clipboardData.getData('text/plain');
                  if (!text && !html) return;
                  e.preventDefault();
                  ask({ kind: 'read', text: /<table[\s>]/i.test(html) && !text.includes('\t') ? html : text });
                }}
                onChange={(e) => e.target.value.includes('\n') && ask({ kind: 'read', text: e.target.value })}
              />
            </label>
            <label className="field">
              or take a file: commas, semicolons, tabs, or an HTML table
              <input
                className="box"
                type="file"
                accept=".csv,.tsv,.txt,.html,.htm,text/csv,text/html,text/plain"
                onChange={async (e) => {
                  const file = e.target.files?.[0];
                  if (file) ask({ kind: 'read', text: await file.arrayBuffer() });
                }}
              />
            </label>
            {stage.error && (
              <p className="note bad" role="alert">
                {errorWords(stage.error)}
              </p>
            )}
          </>
        )}
        {stage.kind === 'map' && (
          <>
            <p className="soft">
              {stage.table.rows.length} rows,{' '}
              {stage.table.from === 'html' ? 'an HTML table' : `cut at ${separatorWords(stage.table.separator)}`}
              {stage.encoding && `, ${stage.encoding}`}. Which column is what?
            </p>
            <div className="scrolls">
              <MuiTable>
                <TableHead>
                  <TableRow>
                    {stage.table.header.map((name, i) => (
                      // biome-ignore lint/suspicious/noArrayIndexKey: columns are their places
                      <TableCell key={i}>
                        <span dir="auto">{name}</span>
                        <Select
                          native
                          fullWidth
                          value={mapping[i] ?? ''}
                          onChange={(e) =>
                            setMapping(
                              mapping.map((m, k) =>
                                k === i ? e.target.value || null : m === e.target.value ? null : m,
                              ),
                            )
                          }
                          inputProps={{ 'aria-label': `column ${name} is` }}
                        >
                          <option value="">left out</option>
                          {codeColumns.map((c) => (
                            <option key={c.id} value={c.id}>
                              {c.title.split(':')[0]}
                            </option>
                          ))}
                        </Select>
                      </TableCell>
                    ))}
                  </TableRow>
                </TableHead>
                <TableBody>
                  {stage.table.rows.slice(0, 4).map((row) => (
                    <TableRow key={row.line}>
                      {row.cells.map((cell, i) => (
                        // biome-ignore lint/suspicious/noArrayIndexKey: cells are their places
                        <TableCell key={i} dir="auto">
                          {cell.slice(0, 80)}
                        </TableCell>
                      ))}
                    </TableRow>
                  ))}
                </TableBody>
              </MuiTable>
            </div>
            <div className="three">
              <Pick
                label="Controller of new codes"
                value={controller}
                options={(own?.controllers ?? []).map((c) => [c.id, c.name])}
                onChange={setController}
              />
              <Pick
                label="Read from"
                value={readout}
                options={[['', 'no readout yet'], ...entriesOf(bodies, 'readout').map((r) => [r.id, r.name] as const)]}
                onChange={setReadout}
              />
              <Pick
                label="Source"
                value={source}
                options={[['', 'none'], ...entriesOf(bodies, 'source').map((s) => [s.id, s.title] as const)]}
                onChange={setSource}
              />
              <Pick
                label="How sure"
                value={standing}
                options={standings.map((s) => [s, standingWords[s]])}
                onChange={setStanding}
              />
              <label className="row">
                <Checkbox checked={ranges} onChange={(e) => setRanges(e.target.checked)} /> “206–211” is six codes
              </label>
            </div>
            <div className="row">
              <Button
                variant="contained"
                color="primary"
                disabled={!mapping.includes('text') && !mapping.includes('title')}
                onClick={() => plan(stage.table, stage.encoding)}
              >
                See what it would change
              </Button>
              <Button onClick={() => setStage({ kind: 'choose', error: null })}>Another table</Button>
            </div>
          </>
        )}
        {stage.kind === 'planning' && (
          <div className="row" role="status">
            <Progress done={stage.done} of={stage.table.rows.length} name="looking at the rows" />
            <span>
              {stage.done} of {stage.table.rows.length}
            </span>
            <Button
              onClick={() => {
                worker.current?.terminate();
                setStage({ kind: 'map', table: stage.table, encoding: stage.encoding });
              }}
            >
              Stop
            </Button>
          </div>
        )}
        {stage.kind === 'preview' && (
          <>
            <ImportPreview rows={stage.rows} />
            <JobBar run={run} what="writing the codes" />
            <div className="row">
              {isKept ? (
                <p className="note good" role="status">
                  Kept as drafts: nobody else sees them before you submit them. They stand in the list, marked “draft”.
                </p>
              ) : (
                <ConfirmButton rows={stage.rows} busy={job?.state === 'running'} onClick={() => bring(stage.rows)} />
              )}
              <Button
                disabled={job?.state === 'running'}
                onClick={() => {
                  run.forget();
                  if (isKept) return setStage({ kind: 'choose', error: null });
                  setStage({ kind: 'map', table: stage.table, encoding: stage.encoding });
                }}
              >
                {isKept ? 'Another table' : 'Back to the columns'}
              </Button>
            </div>
          </>
        )}
        <div className="row">
          <Button variant="text" disabled={job?.state === 'running'} onClick={onClose}>
            {isKept ? 'Close' : 'Close; nothing is written'}
          </Button>
        </div>
      </DialogContent>
    </Dialog>
  );
}

const separatorWords = (separator: string | null): string =>
  ({ '\t': 'tabs', ',': 'commas', ';': 'semicolons', '|': 'bars' })[separator ?? ''] ?? 'nothing';

function ConfirmButton({ rows, busy, onClick }: { rows: readonly ImportRow[]; busy: boolean; onClick: () => void }) {
  const codes = rows.reduce((n, r) => n + (r.taken ? r.bodies.filter((b) => b.what !== 'same').length : 0), 0);
  const refused = rows.filter((r) => !r.taken).length;
  return (
    <Button variant="contained" color="primary" disabled={codes === 0 || busy} onClick={onClick}>
      Keep {codes} {codes === 1 ? 'entry' : 'entries'} as {codes === 1 ? 'a draft' : 'drafts'}
      {refused > 0 && `, leave ${refused} refused ${refused === 1 ? 'row' : 'rows'} out`}
    </Button>
  );
}

type PickProps = Readonly<{
  label: string;
  value: string;
  options: ReadonlyArray<readonly [string, string]>;
  onChange: (value: string) => void;
}>;

function Pick({ label, value, options, onChange }: PickProps) {
  return (
    <label className="field">
      {label}
      <Select native fullWidth value={value} onChange={(e) => onChange(e.target.value)}>
        {options.map(([id, name]) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </Select>
    </label>
  );
}
