import Alert from '@mui/material/Alert';
import AlertTitle from '@mui/material/AlertTitle';
import Button from '@mui/material/Button';
import type { ApiError } from '../../foundation/api.ts';

/** What went wrong, what it means here, and a way to try again. */
export function Failed({ error, again }: { error: ApiError | { message?: string } | undefined; again?: () => void }) {
  const offline = error !== undefined && 'code' in error && error.code === 'offline';
  // asking this version again would give the same
  const newer = error !== undefined && 'code' in error && error.code === 'newer';
  const title = error && 'title' in error ? error.title : 'Something went wrong.';
  return (
    <Alert
      severity="error"
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
