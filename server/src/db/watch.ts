import type { Logger } from 'pino';
import type { Db } from './connect.ts';

/** A statement that takes longer than this is told, in ms. */
const slowMs = 500;
/** What the database says where nothing more can be written: full tables and disks, storage that fails, a copy for reading only. */
const cannotWrite = new Set([1021, 1026, 1030, 1114, 1290, 1792, 1836]);

const isGone = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'EPIPE',
  'ETIMEDOUT',
  'PROTOCOL_CONNECTION_LOST',
  'ER_SERVER_SHUTDOWN',
  'ER_CON_COUNT_ERROR',
  'ER_NORMAL_SHUTDOWN',
]);

/** Whether an error says that the database cannot be had just now, or cannot write: it may be had later. */
export function isUnavailable(error: unknown): boolean {
  if (!(error instanceof Error)) return false;
  const { errno, code, name } = error as Error & { errno?: number; code?: string };
  return cannotWrite.has(errno ?? 0) || isGone.has(code ?? '') || name === 'KnexTimeoutError';
}

/** How statements fare. */
export type Watched = Readonly<{
  /** When a statement failed last because nothing could be written, in ms since 1970; null where none did. */
  failedToWriteAt: () => number | null;
}>;

/** Nobody looks: for a tool that does one thing and ends. */
export const unwatched: Watched = { failedToWriteAt: () => null };

type Query = Readonly<{ __knexQueryUid: string; sql: string }>;

/** The statement behind a database error, with its values left out. */
const statements = new WeakMap<object, string>();
export const statementOf = (error: object): string | null => statements.get(error) ?? null;

/** Tells of slow statements, never of their values, and keeps when writing failed. */
export function watchDatabase(db: Db, log: Pick<Logger, 'warn'>, now: () => number = () => performance.now()): Watched {
  const begun = new Map<string, number>();
  let failedAt: number | null = null;
  const ended = ({ __knexQueryUid: id, sql }: Query): void => {
    const from = begun.get(id);
    begun.delete(id);
    if (from === undefined) return;
    const ms = Math.round(now() - from);
    if (ms >= slowMs) log.warn({ ms, statement: sql.slice(0, 500) }, 'a slow statement');
  };
  db.on('query', ({ __knexQueryUid: id }: Query) => begun.set(id, now()));
  db.on('query-response', (_: unknown, query: Query) => ended(query));
  db.on('query-error', (error: Error & { errno?: number }, query: Query) => {
    ended(query);
    statements.set(error, query.sql.slice(0, 500));
    if (cannotWrite.has(error.errno ?? 0)) failedAt = Date.now();
  });
  return { failedToWriteAt: () => failedAt };
}
