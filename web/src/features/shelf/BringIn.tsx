import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import type { ImportLine, Problem } from '@wire-trail/core';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { type ApiError, api } from '../../foundation/api.ts';

const mostBytes = 16 * 1024 * 1024;
type Stage =
  | { kind: 'choose'; problem: string | null; fields: readonly Problem[] }
  | { kind: 'checking' }
  | { kind: 'preview'; json: unknown; lines: readonly ImportLine[] };

const pathText = (path: Problem['path']): string =>
  path
    .map((p) => (typeof p === 'number' ? `[${p}]` : `.${p}`))
    .join('')
    .replace(/^\./, '') || 'file';

/** Brings a bundle file in: first what it would change, and nothing is written before that is confirmed. */
export function BringIn({ onClose }: { onClose: () => void }) {
  const navigate = useNavigate();
  const [stage, setStage] = useState<Stage>({ kind: 'choose', problem: null, fields: [] });
  const [preview] = api.usePreviewImportMutation();
  const [bring, { isLoading }] = api.useImportBundleMutation();
  const refuse = (error: ApiError) => setStage({ kind: 'choose', problem: error.title, fields: error.fields ?? [] });
  const choose = async (file: File) => {
    if (file.size > mostBytes)
      return setStage({
        kind: 'choose',
        problem: `${file.name} is ${Math.round(file.size / 1e6)} MB. At most 16 MB are taken.`,
        fields: [],
      });
    setStage({ kind: 'checking' });
    let json: unknown;
    try {
      json = JSON.parse(await file.text());
    } catch {
      return setStage({
        kind: 'choose',
        problem: `${file.name} is no JSON. A bundle file is one JSON document.`,
        fields: [],
      });
    }
    const result = await preview(json);
    if (result.data) setStage({ kind: 'preview', json, lines: result.data });
    else refuse(result.error as ApiError);
  };
  const confirm = async (json: unknown) => {
    const result = await bring(json);
    if ('data' in result && result.data)
      void navigate(result.data.setId === null ? '/shelf' : `/bench/${result.data.setId}`);
    else refuse(result.error as ApiError);
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="bring-title">
      <DialogContent>
        <h2 id="bring-title">Import a library file</h2>
        {stage.kind === 'checking' && <p role="status">Checking the whole file …</p>}
        {stage.kind === 'choose' && (
          <>
            <label className="field">
              The file
              <input
                className="box"
                type="file"
                accept="application/json,.json"
                onChange={(e) => e.target.files?.[0] && void choose(e.target.files[0])}
              />
            </label>
            {stage.problem && (
              <div className="note bad" role="alert">
                <strong>{stage.problem}</strong>
                <ul className="scrolls">
                  {stage.fields.slice(0, 40).map((f) => (
                    <li key={`${pathText(f.path)}${f.reason}`}>
                      <code>{pathText(f.path)}</code>: {f.reason}
                    </li>
                  ))}
                </ul>
                {stage.fields.length > 40 && <p>… and {stage.fields.length - 40} more</p>}
              </div>
            )}
          </>
        )}
        {stage.kind === 'preview' && (
          <>
            <p>
              {['new', 'changed', 'same']
                .map((what) => `${stage.lines.filter((l) => l.what === what).length} ${what}`)
                .join(' · ')}
              . They go to a reviewer together.
            </p>
            <div className="scrolls">
              <Table>
                <TableBody>
                  {stage.lines
                    .filter((l) => l.what !== 'same')
                    .map((l) => (
                      <TableRow key={`${l.key.kind}${l.key.id}`}>
                        <TableCell>{l.what}</TableCell>
                        <TableCell className="soft">{l.key.kind}</TableCell>
                        <TableCell>{l.title}</TableCell>
                      </TableRow>
                    ))}
                </TableBody>
              </Table>
            </div>
          </>
        )}
        <div className="row">
          {stage.kind === 'preview' && (
            <Button variant="contained" color="primary" disabled={isLoading} onClick={() => void confirm(stage.json)}>
              Import it
            </Button>
          )}
          <Button onClick={onClose}>Cancel</Button>
        </div>
      </DialogContent>
    </Dialog>
  );
}
