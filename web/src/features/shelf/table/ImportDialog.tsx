import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import {
  type Code,
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
import { Select } from '../../../parts/field/Select.tsx';
import { Progress } from '../../../parts/states/States.tsx';
import type { Shelved } from '../tab-props.ts';
import { ImportColumns } from './ImportColumns.tsx';
import { ImportPreview } from './ImportPreview.tsx';
import { ImportSource } from './ImportSource.tsx';
import type { ImportAnswer, ImportAsk } from './import.worker.ts';
import { JobBar } from './JobBar.tsx';
import { useJob } from './use-job.ts';

type Props = Readonly<{ family: string; entries: readonly Shelved[]; onClose: () => void }>;
type Stage =
  | Readonly<{ kind: 'choose'; error: TableError | null }>
  | Readonly<{ kind: 'map'; table: Table; encoding: string | null }>
  | Readonly<{ kind: 'planning'; table: Table; encoding: string | null; done: number }>
  | Readonly<{ kind: 'preview'; table: Table; encoding: string | null; rows: readonly ImportRow[] }>;

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
  // where a unit has one readout, that is what its codes are read from
  const [readout, setReadout] = useState<string>(() => {
    const all = entriesOf(bodies, 'readout');
    return all.length === 1 ? (all[0]?.id ?? '') : '';
  });
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
        {stage.kind === 'choose' && <ImportSource error={stage.error} onRead={(text) => ask({ kind: 'read', text })} />}
        {stage.kind === 'map' && (
          <>
            <ImportColumns {...stage} mapping={mapping} onMap={setMapping} />
            <div className="three">
              <Pick
                label="Control board of new codes"
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
