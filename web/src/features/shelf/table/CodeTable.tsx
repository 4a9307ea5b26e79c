import Button from '@mui/material/Button';
import { DataGrid, type GridColDef, type GridRowSelectionModel } from '@mui/x-data-grid';
import { codeColumns, keyOf, lockOutMs, proveRun, writeCodeTable } from '@wire-trail/core';
import { useEffect, useState } from 'react';
import { useNavigate } from 'react-router';
import { type ApiError, api } from '../../../foundation/api.ts';
import { useHoldsVersion } from '../../../foundation/device/new-version.ts';
import { UndoRedo } from '../../../parts/undo/UndoRedo.tsx';
import type { TabProps } from '../tab-props.ts';
import { type Row, rowKey } from './edits.ts';
import { ImportDialog } from './ImportDialog.tsx';
import { JobBar } from './JobBar.tsx';
import { ManyRows } from './ManyRows.tsx';
import { useJob } from './use-job.ts';
import { useTableEdits } from './use-table-edits.ts';

const shownColumns: ReadonlyArray<readonly [string, number]> = [
  ['text', 90],
  ['title', 220],
  ['saw', 230],
  ['does', 200],
  ['suspects', 240],
  ['group', 110],
  ['scope', 110],
  ['standing', 120],
  ['hazards', 160],
  ['harmless', 160],
  ['decoy', 70],
  ['onlyVariants', 130],
  ['threshold', 130],
  ['inARow', 80],
  ['warnsAfter', 90],
  ['locksOutAfter', 100],
  ['attempt', 120],
  ['erasedAfter', 110],
  ['frequency', 90],
  ['source', 130],
  ['note', 180],
];
const hours = (ms: number | null): string =>
  ms === null ? '' : ms >= 3_600_000 ? `${(ms / 3_600_000).toFixed(1)} h` : `${Math.round(ms / 60_000)} min`;

/** Codes and symptoms as a table that is edited in place, one row or many; drafts until somebody submits them. */
export function CodeTable({ entries, family }: TabProps) {
  const navigate = useNavigate();
  const table = useTableEdits(entries);
  const { shelved, changed, problems } = table;
  const [importing, setImporting] = useState(false);
  const [picked, setPicked] = useState<GridRowSelectionModel>({ type: 'include', ids: new Set() });
  const [save] = api.useSaveDraftsMutation();
  const [discard, discarded] = api.useDiscardMutation();
  const run = useJob();
  const rows = shelved.map((e) => {
    const body = table.now(e);
    const cells = Object.fromEntries(codeColumns.map((c) => [c.id, c.write(body)]));
    return {
      ...cells,
      id: rowKey(e.body),
      body,
      lastsAtLeast: hours(lockOutMs(body.detection)),
      proves: `${proveRun(body.detection).cycles} ${body.detection.cycle}`,
      state: body === e.body ? e.state : 'changed here',
    };
  });
  const columns: GridColDef[] = [
    ...shownColumns.map(([id, width]): GridColDef => {
      const title = codeColumns.find((c) => c.id === id)?.title.split(':')[0] ?? id;
      return {
        field: id,
        headerName: title,
        width,
        editable: true,
        cellClassName: id === 'text' ? 'code-cell' : '',
        ...(id === 'suspects' && {
          renderCell: ({ row }) => (row.body as Row).suspects.map((s) => s.label).join(' · '),
        }),
        ...(id === 'text' && { renderCell: ({ value }) => value || <span className="soft">—</span> }),
      };
    }),
    { field: 'lastsAtLeast', headerName: 'lasts at least', width: 110 },
    { field: 'proves', headerName: 'proved by', width: 110 },
    { field: 'state', headerName: 'state', width: 110 },
  ];
  useHoldsVersion(changed.length > 0);
  const chosen = shelved.flatMap((e) =>
    (picked.type === 'include') === picked.ids.has(rowKey(e.body)) ? [table.now(e)] : [],
  );
  const keep = (submit: boolean) => {
    const items = changed.map((body) => ({
      basedOn: shelved.find((e) => rowKey(e.body) === rowKey(body))?.number ?? 0,
      body,
    }));
    void run.start(() =>
      save({ note: 'edited in the table', submit: submit ? `${items.length} codes edited` : null, items }),
    );
  };
  const { job } = run;
  const { forget } = table;
  useEffect(() => {
    if (job?.state !== 'done') return;
    forget();
    if (job.result?.setId) void navigate(`/bench/${job.result.setId}`);
  }, [job, navigate, forget]);
  const download = () => {
    const link = document.createElement('a');
    link.href = URL.createObjectURL(
      new Blob(['\ufeff', writeCodeTable(shelved.map((e) => e.body))], { type: 'text/csv' }),
    );
    link.download = `${family}-codes.csv`;
    link.click();
    URL.revokeObjectURL(link.href);
  };
  const unpublished = shelved
    .filter((e) => e.published === null && e.state === 'draft' && chosen.some((c) => rowKey(c) === rowKey(e.body)))
    .map((e) => keyOf(e.body));
  const inGroup = chosen.length === 1 && chosen[0]?.kind === 'code' && chosen[0].group;
  return (
    <div className="stack table-room">
      <div className="row">
        <Button onClick={() => setImporting(true)}>Paste or import a table …</Button>
        <Button onClick={download}>Export as CSV</Button>
        <Button href={`/api/v1/families/${family}/export`} download>
          as a bundle
        </Button>
        <span className="grow" />
        <UndoRedo undo={table.undo} redo={table.redo} />
        <Button
          variant={changed.length > 0 ? 'contained' : 'outlined'}
          color={changed.length > 0 ? 'primary' : 'inherit'}
          disabled={changed.length === 0 || !table.isSound || job?.state === 'running'}
          onClick={() => keep(false)}
        >
          Save {changed.length > 0 ? changed.length : ''} drafts
        </Button>
        <Button
          disabled={changed.length === 0 || !table.isSound || job?.state === 'running'}
          onClick={() => keep(true)}
        >
          and submit
        </Button>
      </div>
      <JobBar run={run} what="saving drafts" />
      <ManyRows count={chosen.length} onSet={(column, text) => table.edit(chosen, column, text)}>
        {unpublished.length > 0 && (
          <Button onClick={() => void discard(unpublished)}>Take {unpublished.length} unpublished back</Button>
        )}
        {inGroup && (
          <Button
            onClick={() =>
              setPicked({
                type: 'include',
                ids: new Set(rows.filter((r) => r.body.kind === 'code' && r.body.group === inGroup).map((r) => r.id)),
              })
            }
          >
            Pick all of “{inGroup}”
          </Button>
        )}
      </ManyRows>
      {(problems.length > 0 || discarded.isError) && (
        <p className="wrong" role="alert">
          {[discarded.error && (discarded.error as ApiError).title, ...problems.slice(0, 3)]
            .filter(Boolean)
            .join(' · ')}
        </p>
      )}
      <div className="fills">
        <DataGrid
          rows={rows}
          columns={columns}
          density="compact"
          checkboxSelection
          disableRowSelectionOnClick
          rowSelectionModel={picked}
          onRowSelectionModelChange={setPicked}
          pageSizeOptions={[100]}
          processRowUpdate={(next, before) => {
            const id = shownColumns.find(([c]) => next[c] !== before[c])?.[0];
            if (!id || !table.edit([next.body as Row], id, String(next[id] ?? ''))) return before;
            return next;
          }}
          getRowClassName={({ row }) => (row.state === 'changed here' ? 'picked' : '')}
        />
      </div>
      {importing && <ImportDialog family={family} entries={entries} onClose={() => setImporting(false)} />}
    </div>
  );
}
