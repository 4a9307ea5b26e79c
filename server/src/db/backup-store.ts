import { createHash } from 'node:crypto';
import { once } from 'node:events';
import { createReadStream, createWriteStream } from 'node:fs';
import { rename, rm } from 'node:fs/promises';
import { createInterface } from 'node:readline';
import { createGunzip, createGzip } from 'node:zlib';
import knex, { type Knex } from 'knex';
import { z } from 'zod';
import type { DatabaseConfig } from '../config.ts';
import { connect, createDatabase, migrateTo, NewerDatabase, unknownOf } from './connect.ts';
import { isEmpty, tablesOf } from './store.ts';

/*
 * A backup is gzip over lines of JSON: what it is; of each table its name with its columns, a line a row, and how many there
 * were with their checksum; at last the checksum of all lines before. Values are text as the database writes it, null, or
 * { "base64": … } for bytes.
 */
const format = 'wire-trail/backup';
const version = 1;

const Head = z.strictObject({
  format: z.literal(format),
  version: z.literal(version),
  madeAt: z.string(),
  migrations: z.array(z.string()),
});
const Table = z.strictObject({ table: z.string(), columns: z.array(z.string()) });
const Cell = z.union([z.string(), z.null(), z.strictObject({ base64: z.base64() })]);
const Row = z.array(Cell);
const End = z.strictObject({ end: z.string(), rows: z.number(), sha256: z.string() });
const Last = z.strictObject({ complete: z.literal(true), sha256: z.string() });

/** What is only of the moment, and of the server that runs. */
const notKept = new Set(['schema_migrations', 'schema_migrations_lock', 'sign_in_tries', 'trial_writes']);

export type Counted = Readonly<{ table: string; rows: number }>;
/** A file that is no backup, not whole, or not of this version; nothing was touched. */
export class BackupError extends Error {}

type Field = Readonly<{ string: () => string | null }>;
const bytes = new Set(['tinyblob', 'blob', 'mediumblob', 'longblob']);

/** Connections that give every value as the database writes it. */
const exactly = (database: DatabaseConfig): Knex =>
  knex({
    client: 'mysql2',
    connection: {
      ...database,
      charset: 'utf8mb4',
      timezone: 'Z',
      typeCast: (field: Field) => field.string(),
    } as Knex.MySql2ConnectionConfig,
    pool: { min: 0, max: 1 },
  });

const Column = z.object({ name: z.string(), type: z.string() });

/** The columns of a table; those of bytes are read as base64, so that nothing guesses at their letters. */
async function columnsOf(db: Knex, table: string): Promise<Array<z.infer<typeof Column>>> {
  const [rows] = await db.raw(
    `SELECT COLUMN_NAME AS name, DATA_TYPE AS type FROM information_schema.COLUMNS
     WHERE TABLE_SCHEMA = DATABASE() AND TABLE_NAME = ? ORDER BY ORDINAL_POSITION`,
    [table],
  );
  return z.array(Column).parse(rows);
}

const isBytes = ({ type }: z.infer<typeof Column>): boolean => bytes.has(type);

/**
 * Writes everything there is to a file, as it stood at one moment, while servers go on writing. The file takes its name when
 * it is whole.
 */
export async function backUp(
  database: DatabaseConfig,
  file: string,
  now: Date,
  onTable: (counted: Counted) => void = () => {},
): Promise<Counted[]> {
  const db = exactly(database);
  const partial = `${file}.part`;
  const gzip = createGzip({ level: 6 });
  const out = gzip.pipe(createWriteStream(partial, { mode: 0o600 }));
  const failed = new Promise<never>((_, reject) => {
    out.once('error', reject);
    gzip.once('error', reject);
  });
  failed.catch(() => {});
  const whole = createHash('sha256');
  const write = async (line: unknown, ...also: Array<ReturnType<typeof createHash>>): Promise<void> => {
    const text = `${JSON.stringify(line)}\n`;
    for (const hash of [whole, ...also]) hash.update(text);
    if (!gzip.write(text)) await Promise.race([once(gzip, 'drain'), failed]);
  };
  const all: Counted[] = [];
  try {
    await db.raw('SET SESSION TRANSACTION ISOLATION LEVEL REPEATABLE READ');
    await db.raw('START TRANSACTION WITH CONSISTENT SNAPSHOT, READ ONLY');
    const migrations = z.array(z.string()).parse(await db('schema_migrations').orderBy('name').pluck('name'));
    await write({ format, version, madeAt: now.toISOString(), migrations });
    for (const table of (await tablesOf(db)).filter((t) => !notKept.has(t))) {
      const columns = await columnsOf(db, table);
      await write({ table, columns: columns.map((c) => c.name) });
      const own = createHash('sha256');
      let rows = 0;
      const selected = columns.map((c) => (isBytes(c) ? db.raw('TO_BASE64(??) AS ??', [c.name, c.name]) : c.name));
      const stream = db(table).select(selected).stream();
      for await (const row of stream as AsyncIterable<Record<string, string | null>>) {
        const cells = columns.map((c) => {
          const value = row[c.name] ?? null;
          return value !== null && isBytes(c) ? { base64: value.replace(/\n/g, '') } : value;
        });
        await write(cells, own);
        rows += 1;
      }
      await write({ end: table, rows, sha256: own.digest('hex') });
      all.push({ table, rows });
      onTable({ table, rows });
    }
    const sum = whole.copy().digest('hex');
    await write({ complete: true, sha256: sum });
    const closed = once(out, 'close');
    gzip.end();
    await Promise.race([closed, failed]);
    await rename(partial, file);
    return all;
  } catch (error) {
    gzip.destroy();
    await rm(partial, { force: true });
    throw error;
  } finally {
    await db.destroy();
  }
}

type Line =
  | { kind: 'head'; head: z.infer<typeof Head> }
  | { kind: 'table'; table: z.infer<typeof Table> }
  | { kind: 'row'; cells: z.infer<typeof Row> }
  | { kind: 'end'; end: z.infer<typeof End> };

const notWhole = (why: string) => new BackupError(`This is no whole backup: ${why}. Nothing was touched.`);

/** Reads a backup line by line, and throws where a checksum is not that of what was read. */
async function* linesOf(file: string): AsyncGenerator<Line> {
  const source = createReadStream(file);
  const unpacked = source.pipe(createGunzip());
  source.on('error', (error) => unpacked.destroy(error));
  const whole = createHash('sha256');
  let own = createHash('sha256');
  let [rows, isFirst, isOver] = [0, true, false];
  try {
    for await (const text of createInterface({ input: unpacked, crlfDelay: Number.POSITIVE_INFINITY })) {
      const line: unknown = JSON.parse(text);
      const last = Last.safeParse(line);
      if (last.success) {
        if (last.data.sha256 !== whole.copy().digest('hex'))
          throw notWhole('its checksum is not that of what it holds');
        isOver = true;
        continue;
      }
      if (isOver) throw notWhole('something follows its end');
      whole.update(`${text}\n`);
      if (isFirst) {
        const head = Head.safeParse(line);
        if (!head.success) throw notWhole('it does not begin as one of this version does');
        isFirst = false;
        yield { kind: 'head', head: head.data };
      } else if (Array.isArray(line)) {
        own.update(`${text}\n`);
        rows += 1;
        yield { kind: 'row', cells: Row.parse(line) };
      } else if ('table' in (line as object)) {
        [own, rows] = [createHash('sha256'), 0];
        yield { kind: 'table', table: Table.parse(line) };
      } else {
        const end = End.parse(line);
        if (end.rows !== rows || end.sha256 !== own.digest('hex'))
          throw notWhole(`the table ${end.end} is not as it was`);
        yield { kind: 'end', end };
      }
    }
  } catch (error) {
    if (error instanceof BackupError) throw error;
    throw notWhole(error instanceof Error ? error.message : String(error));
  }
  if (!isOver) throw notWhole('it ends too early');
}

/** Reads a backup to its end without touching anything: what it is, and what it holds. */
export async function checkBackup(file: string): Promise<{ madeAt: string; migrations: string[]; tables: Counted[] }> {
  let head: z.infer<typeof Head> | null = null;
  const tables: Counted[] = [];
  for await (const line of linesOf(file)) {
    if (line.kind === 'head') head = line.head;
    if (line.kind === 'end') tables.push({ table: line.end.end, rows: line.end.rows });
  }
  if (!head) throw notWhole('it is empty');
  const unknown = unknownOf(head.migrations);
  if (unknown.length > 0) throw new NewerDatabase(unknown);
  return { madeAt: head.madeAt, migrations: head.migrations, tables };
}

/** So much of a table is written by one statement, in bytes. */
const perInsert = 4_000_000;

async function fill(db: Knex, file: string, onTable: (counted: Counted) => void): Promise<void> {
  await db.raw('SET SESSION FOREIGN_KEY_CHECKS = 0, SESSION SQL_MODE = "NO_AUTO_VALUE_ON_ZERO,STRICT_ALL_TABLES"');
  let into: z.infer<typeof Table> | null = null;
  let [waiting, size]: [Array<Record<string, string | Buffer | null>>, number] = [[], 0];
  const flush = async () => {
    if (into && waiting.length > 0) await db(into.table).insert(waiting);
    [waiting, size] = [[], 0];
  };
  for await (const line of linesOf(file)) {
    if (line.kind === 'table') {
      into = line.table;
      // what a migration wrote itself is in the backup as well
      await db(into.table).delete();
    }
    if (line.kind === 'row' && into) {
      const { columns } = into;
      const cells = line.cells.map((c) => (typeof c === 'object' && c !== null ? Buffer.from(c.base64, 'base64') : c));
      waiting.push(Object.fromEntries(columns.map((name, i) => [name, cells[i] ?? null])));
      size += cells.reduce((sum, c) => sum + (c?.length ?? 0) + 8, 0);
      if (size > perInsert || waiting.length >= 2000) await flush();
    }
    if (line.kind === 'end') {
      await flush();
      onTable({ table: line.end.end, rows: line.end.rows });
    }
  }
}

/**
 * Brings a backup back: into an empty database, or with `replace` in place of what is there. The file is read to its end
 * first; it is loaded beside what is there, and takes its place in one step, so that a failure leaves all as it was.
 * The library gets a new name: devices that know a later state of it read it anew.
 */
export async function restore(
  database: DatabaseConfig,
  file: string,
  { replace, onTable = () => {} }: { replace: boolean; onTable?: (counted: Counted) => void },
): Promise<Counted[]> {
  const { migrations, tables } = await checkBackup(file);
  await createDatabase(database);
  const db = connect(database);
  const beside = { ...database, database: `${database.database}_restored` };
  const away = `${database.database}_replaced`;
  try {
    const there = await tablesOf(db);
    if (!replace && there.includes('users') && !(await isEmpty(db)))
      throw new BackupError(
        'There is something in this database already. Nothing was touched. Say --replace to put the backup in its place.',
      );
    await db.raw('DROP DATABASE IF EXISTS ??', [beside.database]);
    await createDatabase(beside);
    const other = connect(beside);
    try {
      await migrateTo(other, migrations);
    } finally {
      await other.destroy();
    }
    const loading = exactly(beside);
    let loaded: string[];
    try {
      loaded = await tablesOf(loading);
      await fill(loading, file, onTable);
      if (tables.some((t) => t.table === 'library_order'))
        await loading('library_order').update({ library: loading.raw('UUID()') });
    } finally {
      await loading.destroy();
    }
    await db.raw('DROP DATABASE IF EXISTS ??', [away]);
    await createDatabase({ ...database, database: away });
    const moves = [
      ...there.map((table) => [database.database, table, away, table]),
      ...loaded.map((table) => [beside.database, table, database.database, table]),
    ];
    await db.raw(`RENAME TABLE ${moves.map(() => '??.?? TO ??.??').join(', ')}`, moves.flat());
    await db.raw('DROP DATABASE ??', [away]);
    return tables;
  } finally {
    await db.raw('DROP DATABASE IF EXISTS ??', [beside.database]).catch(() => {});
    await db.destroy();
  }
}
