import { BackupError } from './db/backup-store.ts';
import { NewerDatabase } from './db/connect.ts';

/** What went wrong at a start, in a line a person can act on; the rest of an unknown fault follows it. */
export function explain(error: unknown): string {
  const { code, message, stack } = error as { code?: string; message: string; stack?: string };
  if (code === 'EADDRINUSE') return 'The port is in use. Choose another with WIRE_TRAIL_PORT.';
  if (code === 'EACCES') return 'This port may not be opened. Choose one above 1023 with WIRE_TRAIL_PORT.';
  if (code === 'ECONNREFUSED') return 'The database does not answer. Check WIRE_TRAIL_DB_HOST and WIRE_TRAIL_DB_PORT.';
  if (code === 'ER_ACCESS_DENIED_ERROR')
    return 'The database does not let this account in. Check WIRE_TRAIL_DB_USER and WIRE_TRAIL_DB_PASSWORD.';
  if (code === 'ER_BAD_DB_ERROR') return 'There is no such database yet. Start Wire Trail once, or restore a backup.';
  if (error instanceof NewerDatabase || error instanceof BackupError || message.startsWith('wrong environment'))
    return message;
  return stack ?? message;
}

/** Runs a tool to its end; one that fails says why, and ends with 1. */
export async function runAsTool(work: () => Promise<number>): Promise<void> {
  try {
    process.exitCode = await work();
  } catch (error) {
    console.error(explain(error));
    process.exitCode = 1;
  }
}
