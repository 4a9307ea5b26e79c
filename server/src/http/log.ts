import { mkdirSync } from 'node:fs';
import { basename, dirname } from 'node:path';
import pino, { type Logger } from 'pino';
import { createStream } from 'rotating-file-stream';
import type { Config } from '../config.ts';
import { statementOf } from '../db/watch.ts';

/** Where an error came from, without its first lines: those of the database hold the values of the statement. */
const framesOf = (error: Error): string[] =>
  (error.stack ?? '')
    .split('\n')
    .filter((line) => /^\s+at /.test(line))
    .map((line) => line.trim());

/** An error as it is logged: one of the database by its number and its statement, never by its values. */
export function loggedError(error: unknown): object {
  if (!(error instanceof Error)) return { type: typeof error };
  if (!('sqlMessage' in error)) return { ...pino.stdSerializers.err(error) };
  const { code, errno, sqlState } = error as { code?: string; errno?: number; sqlState?: string };
  return { type: 'DatabaseError', code, errno, sqlState, statement: statementOf(error), at: framesOf(error) };
}

/** Logs to the console, and to a file that is begun anew when it is large; ten of them are kept. */
export function makeLog(config: Config): Readonly<{ log: Logger; close: () => Promise<void> }> {
  let close = async () => {};
  const streams: pino.StreamEntry[] = [{ level: 'warn', stream: process.stdout }];
  if (config.logFile !== null && config.logLevel !== 'silent') {
    mkdirSync(dirname(config.logFile), { recursive: true, mode: 0o700 });
    const file = createStream(basename(config.logFile), {
      path: dirname(config.logFile),
      size: '10M',
      maxFiles: 10,
      compress: 'gzip',
      mode: 0o600,
    });
    // a log that cannot be written stops nothing
    file.on('error', () => {});
    streams.push({ level: 'trace', stream: file });
    close = () => new Promise((resolve) => file.end(resolve));
  }
  const log = pino(
    { level: config.logLevel, serializers: { err: loggedError }, redact: ['*.password', 'password'] },
    pino.multistream(streams),
  );
  return { log, close };
}
