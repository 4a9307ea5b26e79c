import {
  type Code,
  guessEncoding,
  type ImportDefaults,
  type ImportRow,
  type Mapping,
  planCodeImport,
  readTable,
  type Symptom,
  type Table,
  type TableError,
} from '@wire-trail/core';

export type ImportAsk =
  | Readonly<{ kind: 'read'; text: string | ArrayBuffer }>
  | Readonly<{
      kind: 'plan';
      table: Table;
      mapping: Mapping;
      existing: ReadonlyArray<Code | Symptom>;
      defaults: ImportDefaults;
      ranges: boolean;
    }>;
export type ImportAnswer =
  | Readonly<{ kind: 'read'; table: Table; encoding: string | null }>
  | Readonly<{ kind: 'unreadable'; error: TableError }>
  | Readonly<{ kind: 'progress'; done: number; total: number }>
  | Readonly<{ kind: 'planned'; rows: readonly ImportRow[] }>;

const tell = (answer: ImportAnswer): void => self.postMessage(answer);

self.onmessage = ({ data }: MessageEvent<ImportAsk>) => {
  if (data.kind === 'read') {
    const bytes = typeof data.text === 'string' ? null : new Uint8Array(data.text);
    const encoding = bytes && guessEncoding(bytes);
    const text = bytes && encoding ? new TextDecoder(encoding).decode(bytes) : String(data.text);
    const read = readTable(text);
    return tell(read.ok ? { kind: 'read', table: read.value, encoding } : { kind: 'unreadable', error: read.error });
  }
  const total = data.table.rows.length;
  const rows = planCodeImport(data, (done) => {
    if (done % 100 === 0) tell({ kind: 'progress', done, total });
    return true;
  });
  tell({ kind: 'planned', rows: rows ?? [] });
};
