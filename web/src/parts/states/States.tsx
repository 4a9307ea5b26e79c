import Button from '@mui/material/Button';
import type { ReactNode } from 'react';
import type { ApiError } from '../../foundation/api.ts';

/** Something is on its way. Named, so that a slow network does not look like an empty shelf. */
export function Loading({ what }: { what: string }) {
  return (
    <p className="soft" role="status" style={{ padding: '2rem', textAlign: 'center' }}>
      Fetching {what} …
    </p>
  );
}

export function Failed({ error, again }: { error: ApiError | { message?: string } | undefined; again?: () => void }) {
  const offline = error !== undefined && 'code' in error && error.code === 'offline';
  // asking this version again would give the same
  const newer = error !== undefined && 'code' in error && error.code === 'newer';
  const title = error && 'title' in error ? error.title : 'Something went wrong.';
  return (
    <div className="note bad" role="alert" style={{ margin: '1rem 0' }}>
      <strong>{title}</strong>
      {offline && <p>Walks go on without a connection. This page needs one.</p>}
      {error && 'detail' in error && error.detail && <p>{error.detail}</p>}
      {(again || newer) && (
        <p>
          <Button onClick={newer ? () => location.reload() : again}>{newer ? 'Load anew' : 'Try again'}</Button>
        </p>
      )}
    </div>
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
