import AddIcon from '@mui/icons-material/Add';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import {
  type Bundle,
  beginGeneration,
  bundleFormat,
  bundleVersion,
  codeIdOf,
  copyUnit,
  type FamilyId,
  keyText,
} from '@wire-trail/core';
import { type FormEvent, useEffect, useState } from 'react';
import { useNavigate } from 'react-router';
import { type ApiError, api } from '../../foundation/api.ts';
import { Field } from '../../parts/field/Field.tsx';
import { Select } from '../../parts/field/Select.tsx';
import { JobBar } from './table/JobBar.tsx';
import { useJob } from './table/use-job.ts';

type Props = Readonly<{ units: ReadonlyArray<Readonly<{ id: string; name: string }>> }>;

/** Adds a unit by its name: begun from nothing, step by step, or from one that is like it. */
export function AddUnit({ units }: Props) {
  const navigate = useNavigate();
  const [open, setOpen] = useState(false);
  const [tried, setTried] = useState(false);
  const [name, setName] = useState('');
  const [from, setFrom] = useState('');
  const [as, setAs] = useState<'like' | 'generation'>('like');
  const [problem, setProblem] = useState<string | null>(null);
  const [read] = api.useLazyWorkingQuery();
  const [save] = api.useSaveDraftsMutation();
  const run = useJob();
  const id = codeIdOf(name).slice(0, 64);
  const wrong = id === '' ? 'Give it a name.' : units.some((u) => u.id === id) ? 'There is a unit of this name.' : null;
  const isDone = run.job?.state === 'done';
  useEffect(() => {
    if (isDone) void navigate(`/shelf/${id}/${as === 'generation' ? 'differences' : 'steps'}`);
  }, [isDone, id, as, navigate]);

  const carryOver = async () => {
    const { data, error } = await read(from);
    if (!data) return setProblem((error as ApiError).title);
    const bundle: Bundle = {
      format: bundleFormat,
      version: bundleVersion,
      family: from as FamilyId,
      entries: data.map((w) => w.body),
    };
    const called = { id, name: name.trim() };
    const entries =
      as === 'like'
        ? copyUnit(bundle, called)
        : beginGeneration(bundle, called, new Map(data.map((w) => [keyText(w.body), w.number])));
    if (!entries) return setProblem('There is a unit of this name.');
    const items = entries.map((body) => ({ basedOn: 0, body }));
    await run.start(() =>
      save({ note: as === 'like' ? `carried over from ${from}` : `new generation of ${from}`, submit: null, items }),
    );
  };
  const submit = (event: FormEvent) => {
    event.preventDefault();
    setTried(true);
    setProblem(null);
    if (wrong) return;
    if (from) void carryOver();
    // one of its own is begun step by step; it exists when its first step is kept
    else void navigate(`/shelf/${id}/steps?new=${encodeURIComponent(name.trim())}`);
  };
  const isBusy = run.job?.state === 'running' || isDone;
  return (
    <>
      <Button startIcon={<AddIcon />} onClick={() => setOpen(true)}>
        Add unit
      </Button>
      <Dialog open={open} onClose={() => !isBusy && setOpen(false)} fullWidth maxWidth="xs">
        <form onSubmit={submit} noValidate>
          <DialogTitle>Add unit</DialogTitle>
          <DialogContent className="stack">
            <Field
              label="Name"
              autoFocus
              value={name}
              wrong={tried && wrong}
              maxLength={120}
              onChange={(e) => setName(e.target.value)}
            />
            {units.length > 0 && (
              <label className="field">
                Begin from
                <Select native value={from} onChange={(e) => setFrom(String(e.target.value))}>
                  <option value="">nothing yet</option>
                  {units.map((u) => (
                    <option key={u.id} value={u.id}>
                      {u.name}
                    </option>
                  ))}
                </Select>
              </label>
            )}
            {from && (
              <>
                <ToggleButtonGroup
                  exclusive
                  size="small"
                  value={as}
                  aria-label="what the new one is to it"
                  onChange={(_, next: typeof as | null) => next && setAs(next)}
                >
                  <ToggleButton value="like">like it</ToggleButton>
                  <ToggleButton value="generation">its new generation</ToggleButton>
                </ToggleButtonGroup>
                <p className="soft small">
                  {as === 'like'
                    ? 'Its panel, states, ways, codes and tests are carried over and marked until somebody has looked at them here.'
                    : 'All of it is as on the old one; only what differs is written. What changes there later can be taken over here.'}{' '}
                  Plates, pictures, order numbers and what people told of it stay with it.
                </p>
              </>
            )}
            {problem && (
              <p className="wrong" role="alert">
                {problem}
              </p>
            )}
            <JobBar run={run} what="carrying it over" />
          </DialogContent>
          <DialogActions>
            <Button disabled={isBusy} onClick={() => setOpen(false)}>
              Cancel
            </Button>
            <Button type="submit" variant="contained" color="primary" disabled={isBusy}>
              Add
            </Button>
          </DialogActions>
        </form>
      </Dialog>
    </>
  );
}
