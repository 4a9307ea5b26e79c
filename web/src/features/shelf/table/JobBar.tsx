import Button from '@mui/material/Button';
import { Progress } from '../../../parts/states/States.tsx';
import type { JobRun } from './use-job.ts';

/** How far a job got, with a way to stop it; what went wrong, place by place. */
export function JobBar({ run, what }: { run: JobRun; what: string }) {
  const { job, error, cancel } = run;
  if (error)
    return (
      <div className="note bad" role="alert">
        <strong>{error.title}</strong>
        {error.fields?.slice(0, 8).map((f) => (
          <p key={f.path.join('.')}>
            {f.path.slice(3).join('.')} {f.reason}
          </p>
        ))}
      </div>
    );
  if (job?.state === 'running')
    return (
      <div className="row" role="status">
        <Progress done={job.done} of={job.total} name={what} />
        <span>
          {job.done} of {job.total}
        </span>
        <Button onClick={cancel}>Stop</Button>
      </div>
    );
  if (job?.state === 'cancelled') return <p role="status">Stopped. Nothing was written.</p>;
  if (job?.state === 'failed')
    return (
      <div className="note bad" role="alert">
        <strong>Nothing was written.</strong>
        {job.problem?.fields.slice(0, 8).map((f) => (
          <p key={f.path.join('.')}>
            row {Number(f.path[1]) + 1} {f.reason}
          </p>
        ))}
      </div>
    );
  return null;
}
