import Alert from '@mui/material/Alert';
import AlertTitle from '@mui/material/AlertTitle';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Skeleton from '@mui/material/Skeleton';
import type { ReactNode } from 'react';
import type { ApiError } from '../../foundation/api.ts';

/** Something is on its way. Named, so that a slow network does not look like an empty shelf. */
export function Loading({ what }: { what: string }) {
  return (
    <div className="loading" role="status">
      <p className="soft">Fetching {what} …</p>
      <Skeleton variant="rounded" height={56} />
      <Skeleton variant="rounded" height={56} />
      <Skeleton variant="rounded" height={56} width="70%" />
    </div>
  );
}

/** How far long work is. */
export function Progress({ done, of, name }: { done: number; of: number; name: string }) {
  return (
    <LinearProgress
      className="progress"
      variant="determinate"
      aria-label={name}
      value={of > 0 ? Math.min(100, (done / of) * 100) : 0}
    />
  );
}

export function Failed({ error, again }: { error: ApiError | { message?: string } | undefined; again?: () => void }) {
  const offline = error !== undefined && 'code' in error && error.code === 'offline';
  // asking this version again would give the same
  const newer = error !== undefined && 'code' in error && error.code === 'newer';
  const title = error && 'title' in error ? error.title : 'Something went wrong.';
  return (
    <Alert
      severity="error"
      className="failed"
      action={
        (again || newer) && (
          <Button onClick={newer ? () => location.reload() : again}>{newer ? 'Load anew' : 'Try again'}</Button>
        )
      }
    >
      <AlertTitle>{title}</AlertTitle>
      {offline && <p>Walks go on without a connection. This page needs one.</p>}
      {error && 'detail' in error && error.detail && <p>{error.detail}</p>}
    </Alert>
  );
}

export function Empty({ title, children }: { title: string; children?: ReactNode }) {
  return (
    <div className="sheet" style={{ textAlign: 'center', padding: '2rem' }}>
      <p>
        <strong>{title}</strong>
      </p>
      {children && <div className="soft">{children}</div>}
    </div>
  );
}
