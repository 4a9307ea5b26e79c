import LinearProgress from '@mui/material/LinearProgress';
import Skeleton from '@mui/material/Skeleton';
import type { ReactNode } from 'react';

/** Something is on its way. Named, so that a slow network does not look like an empty shelf. */
export function Loading({ what }: { what: string }) {
  return (
    <div className="stack" role="status">
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
    <LinearProgress variant="determinate" aria-label={name} value={of > 0 ? Math.min(100, (done / of) * 100) : 0} />
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
