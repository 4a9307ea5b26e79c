import { scopes, standings } from '../base/text.ts';
import type { Code, Symptom } from '../model/code.ts';
import { readItems, readText, writeItems, writeText } from './cells.ts';

/** A body being put together from cells; the schema has the last word. */
export type Draft = Record<string, unknown>;
/** Why a cell cannot be taken, in words for the person who has the file open. */
export type CellProblem = string;

/** One column of a code table: how it is called, written and read. The one list that mapping, import and export share. */
export type Column = Readonly<{
  id: string;
  title: string;
  /** What others call it, in lower case without blanks. */
  names: readonly string[];
  /** Fields of the body it fills, for problems that the schema finds. */
  fields: readonly string[];
  write: (body: Code | Symptom) => string;
  read: (cell: string, draft: Draft) => CellProblem | null;
}>;

const set = (draft: Draft, field: string, value: unknown): null => {
  if (value === undefined) delete draft[field];
  else draft[field] = value;
  return null;
};
const plainly = (cell: string): string =>
  cell
    .trim()
    .toLowerCase()
    .replace(/[\s_-]+/g, '-');

function text(id: keyof Code & string, title: string, names: string[], optional = false): Column {
  return {
    id,
    title,
    names,
    fields: [id],
    write: (body) => writeText(String((body as Draft)[id] ?? '')),
    read: (cell, draft) => set(draft, id, optional && readText(cell) === '' ? undefined : readText(cell)),
  };
}

function oneOf(id: keyof Code & string, title: string, names: string[], allowed: readonly string[]): Column {
  return {
    id,
    title,
    names,
    fields: [id],
    write: (body) => String((body as Draft)[id] ?? ''),
    read: (cell, draft) => {
      if (cell.trim() === '') return null;
      const value = allowed.find((a) => a === plainly(cell));
      return value ? set(draft, id, value) : `“${cell.trim()}” is none of ${allowed.join(', ')}`;
    },
  };
}

/** An id of something else in the library, empty for none. */
function link(id: keyof Code & string, title: string, names: string[]): Column {
  return {
    id,
    title,
    names,
    fields: [id],
    write: (body) => String((body as Draft)[id] ?? ''),
    read: (cell, draft) => set(draft, id, cell.trim() === '' ? null : cell.trim()),
  };
}

function ids(id: keyof Code & string, title: string, names: string[]): Column {
  return {
    id,
    title,
    names,
    fields: [id],
    write: (body) => ((body as Draft)[id] as string[]).join(', '),
    read: (cell, draft) =>
      set(
        draft,
        id,
        cell.split(/[,;\s]+/).filter((s) => s !== ''),
      ),
  };
}

/** A single suspect with a comma in its name is written with a bar behind it, which several in a line have not. */
const oneWithCommas = /^[^|\n]*[,;][^|\n]*$/;

/** Suspects, one a line; or, as others write them, several in one line with commas or semicolons between. */
function readSuspects(cell: string): string[][] {
  const read = readItems(cell);
  const [only] = read;
  const label = only?.[0] ?? '';
  if (read.length !== 1 || only?.length !== 1 || !/[,;]/.test(label) || label.includes('.')) return read;
  const parts = label.split(/\s*(?:;|,(?!\d))\s*/).filter((p) => p !== '');
  return parts.length > 1 ? parts.map((p) => [p]) : read;
}

/** Fields of one item, in order; the first is what it is about. */
type ItemField = Readonly<{ name: string; kind: 'text' | 'number' | 'yes'; optional?: boolean }>;

function items(id: keyof Code & string, title: string, names: string[], fields: readonly ItemField[]): Column {
  return {
    id,
    title,
    names,
    fields: [id],
    write: (body) =>
      writeItems(
        ((body as Draft)[id] as Draft[]).map((item) =>
          fields.map((f) => {
            const value = item[f.name];
            return f.kind === 'yes' ? (value ? 'yes' : '') : value === undefined ? '' : String(value);
          }),
        ),
      ).replace(oneWithCommas, '$& |'),
    read: (cell, draft) => {
      const read = id === 'suspects' ? readSuspects(cell) : readItems(cell);
      const long = read.find((r) => r.length > fields.length);
      if (long) return `“${long[0]}” has ${long.length} fields; ${fields.map((f) => f.name).join(' | ')} are taken`;
      return set(
        draft,
        id,
        read.map((row) => {
          const item: Draft = {};
          fields.forEach((f, i) => {
            const value = row[i] ?? '';
            if (f.kind === 'yes') item[f.name] = plainly(value) === 'yes';
            else if (value === '' && f.optional) return;
            else item[f.name] = f.kind === 'number' ? Number(value.replace(',', '.')) : value;
          });
          return item;
        }),
      );
    },
  };
}

/** Lines of plain text. */
function lines(id: keyof Code & string, title: string, names: string[]): Column {
  return {
    id,
    title,
    names,
    fields: [id],
    write: (body) => writeItems(((body as Draft)[id] as string[]).map((line) => [line])),
    read: (cell, draft) =>
      set(
        draft,
        id,
        readItems(cell).map((row) => row.join(' | ')),
      ),
  };
}

/** Seconds as milliseconds, without the dust of the multiplication. */
const inMs = (seconds: number): number => Math.round(seconds * 1e9) / 1e6;
const numberOf = (cell: string): number => Number(cell.trim().replace(',', '.'));

function number(id: keyof Code & string, title: string, names: string[]): Column {
  return {
    id,
    title,
    names,
    fields: [id],
    write: (body) => String((body as Draft)[id]),
    read: (cell, draft) => {
      if (cell.trim() === '') return null;
      return Number.isFinite(numberOf(cell)) ? set(draft, id, numberOf(cell)) : `“${cell.trim()}” is no number`;
    },
  };
}

type DetectionField = Readonly<{
  field: string;
  kind: 'number' | 'text';
  perSecond?: boolean;
  none?: undefined | null;
}>;

/** A field of how a code is noticed; times are in seconds in a table, in milliseconds inside. */
function detection(
  id: string,
  title: string,
  names: string[],
  { field, kind, perSecond, none }: DetectionField,
): Column {
  const of = (body: Draft): Draft => body.detection as Draft;
  return {
    id,
    title,
    names,
    fields: ['detection'],
    write: (body) => {
      const value = of(body)[field];
      if (value === undefined || value === null) return '';
      return kind === 'text' ? writeText(String(value)) : String(perSecond ? Number(value) / 1000 : value);
    },
    read: (cell, draft) => {
      const rest = { ...of(draft) };
      if (cell.trim() === '') {
        if (none === undefined) delete rest[field];
        else rest[field] = none;
      } else if (kind === 'text') rest[field] = readText(cell);
      else {
        const value = numberOf(cell);
        if (!Number.isFinite(value)) return `“${cell.trim()}” is no number`;
        rest[field] = perSecond ? inMs(value) : value;
      }
      draft.detection = rest;
      return null;
    },
  };
}

const attempt: Column = {
  id: 'attempt',
  title: 'attempt: run s / rest s',
  names: ['attempt'],
  fields: ['detection'],
  write: (body) => {
    const { attempt: a } = body.detection;
    return a ? `${a.runMs / 1000} / ${a.restMs / 1000}` : '';
  },
  read: (cell, draft) => {
    const rest = { ...(draft.detection as Draft) };
    delete rest.attempt;
    draft.detection = rest;
    if (cell.trim() === '') return null;
    const [run, pause] = cell.split('/').map(numberOf);
    if (run === undefined || pause === undefined || !Number.isFinite(run) || !Number.isFinite(pause))
      return `“${cell.trim()}” is no “run / rest” in seconds`;
    rest.attempt = { runMs: inMs(run), restMs: inMs(pause) };
    return null;
  },
};

/** What a shared chart is told: `name=value` by the semicolon; a value that is a parameter of the family begins with @. */
function chartUse(id: string, title: string, field: 'values' | 'parts'): Column {
  const written = (v: unknown): string =>
    typeof v === 'object' ? `@${(v as { parameter: string }).parameter}` : String(v);
  return {
    id,
    title,
    names: [id.toLowerCase()],
    fields: ['chartUse'],
    write: (body) =>
      Object.entries(body.chartUse[field])
        .map(([name, v]) => `${name}=${written(v)}`)
        .join('; '),
    read: (cell, draft) => {
      const made: Draft = {};
      for (const pair of cell.split(';')) {
        if (pair.trim() === '') continue;
        const [name = '', value = ''] = pair.split('=').map((part) => part.trim());
        if (name === '' || value === '') return `“${pair.trim()}” is no “name=value”`;
        if (field === 'parts') made[name] = value;
        else if (value.startsWith('@')) made[name] = { parameter: value.slice(1) };
        else if (Number.isFinite(numberOf(value))) made[name] = numberOf(value);
        else return `“${value}” is neither a number nor a @parameter`;
      }
      draft.chartUse = { ...((draft.chartUse as Draft | undefined) ?? { values: {}, parts: {} }), [field]: made };
      return null;
    },
  };
}

const codeText: Column = {
  id: 'text',
  title: 'code',
  names: ['code', 'faultcode', 'errorcode', 'fault', 'error', 'dtc', 'number', 'no', 'display', 'alarm'],
  fields: ['text'],
  write: (body) => (body.kind === 'code' ? writeText(body.text) : ''),
  // the row's codes were set before its other cells are read
  read: () => null,
};

export const columns: readonly Column[] = [
  codeText,
  {
    id: 'id',
    title: 'id',
    names: ['id'],
    fields: ['id'],
    write: (b) => b.id,
    read: (cell, d) => (cell.trim() === '' ? null : set(d, 'id', cell.trim())),
  },
  text('title', 'title', [
    'title',
    'name',
    'meaning',
    'description',
    'faultdescription',
    'text',
    'designation',
    // beside a column of codes these are what the code is called
    'fault',
    'error',
    'alarm',
  ]),
  text('saw', 'what the control saw', ['saw', 'whatthecontrolsaw', 'condition', 'detectedwhen', 'cause', 'detection']),
  text('does', 'what it then does', [
    'does',
    'whatitthendoes',
    'reaction',
    'response',
    'effect',
    'result',
    'behaviour',
  ]),
  items(
    'suspects',
    'suspects: label | reason | weight | part | source | standing',
    ['suspects', 'possiblecauses', 'possiblecause', 'causes', 'parts', 'check', 'remedy', 'suspect'],
    [
      { name: 'label', kind: 'text' },
      { name: 'reason', kind: 'text' },
      { name: 'weight', kind: 'number', optional: true },
      { name: 'part', kind: 'text', optional: true },
      { name: 'source', kind: 'text', optional: true },
      { name: 'standing', kind: 'text', optional: true },
    ],
  ),
  link('controller', 'controller', ['controller', 'module', 'ecu', 'unit']),
  link('readout', 'readout', ['readout']),
  text('group', 'group', ['group', 'family'], true),
  {
    id: 'decoy',
    title: 'decoy',
    names: ['decoy'],
    fields: ['decoy'],
    write: (b) => (b.kind === 'code' && b.decoy ? 'yes' : ''),
    read: (cell, d) => set(d, 'decoy', plainly(cell) === 'yes'),
  },
  oneOf('scope', 'who may act', ['scope', 'whomayact', 'audience', 'level'], scopes),
  ids('hazards', 'hazards', ['hazards', 'hazard', 'danger']),
  text('harmless', 'no hazard, because', ['nohazard,because', 'nohazardbecause', 'harmless', 'nonebecause'], true),
  ids('onlyVariants', 'only variants', ['onlyvariants', 'variants', 'variant', 'models']),
  text('location', 'location', ['location', 'where', 'place'], true),
  lines('circumstances', 'circumstances', ['circumstances']),
  items(
    'goodReadings',
    'good readings: what | reading | under',
    ['goodreadings', 'readings', 'values', 'setpoint'],
    [
      { name: 'what', kind: 'text' },
      { name: 'reading', kind: 'text' },
      { name: 'under', kind: 'text', optional: true },
    ],
  ),
  items(
    'signStages',
    'sign at each stage: when | sign',
    ['signateachstage', 'signs', 'stages'],
    [
      { name: 'when', kind: 'text' },
      { name: 'sign', kind: 'text' },
    ],
  ),
  detection('notWatched', 'cycles not watched', ['cyclesnotwatched'], {
    field: 'notWatchedCycles',
    kind: 'number',
    none: undefined,
  }),
  detection('onlyWhen', 'watched only when', ['watchedonlywhen', 'arming', 'enablecondition'], {
    field: 'onlyWhen',
    kind: 'text',
  }),
  detection('threshold', 'threshold', ['threshold', 'limit'], { field: 'threshold', kind: 'text' }),
  detection('forS', 'for s', ['fors', 'seconds', 'time', 'debounce'], {
    field: 'forMs',
    kind: 'number',
    perSecond: true,
  }),
  detection('inARow', 'in a row', ['inarow', 'count'], { field: 'inARow', kind: 'number', none: undefined }),
  detection('warnsAfter', 'warns after', ['warnsafter'], { field: 'warnsAfter', kind: 'number' }),
  detection('locksOutAfter', 'locks out after', ['locksoutafter', 'lockout', 'locksafter'], {
    field: 'locksOutAfter',
    kind: 'number',
  }),
  attempt,
  detection('erasedAfter', 'erased after clean cycles', ['erasedaftercleancycles', 'erasedafter', 'selfclears'], {
    field: 'erasedAfterCleanCycles',
    kind: 'number',
    none: null,
  }),
  detection('armingS', 'arming s', ['arming', 'armings'], { field: 'armingMs', kind: 'number', perSecond: true }),
  detection('cycleS', 'a cycle takes s', ['cycletakes'], { field: 'cycleMs', kind: 'number', perSecond: true }),
  detection('cycleEveryS', 'a cycle every s', ['cycleevery'], {
    field: 'cycleEveryMs',
    kind: 'number',
    perSecond: true,
  }),
  detection('cycle', 'a cycle is called', ['acycleiscalled'], { field: 'cycle', kind: 'text', none: undefined }),
  link('chart', 'chart', ['chart', 'test']),
  chartUse('chartValues', 'chart values: name=value; …', 'values'),
  chartUse('chartParts', 'chart parts: role=part; …', 'parts'),
  link('enter', 'way in', ['wayin', 'enter']),
  link('clear', 'clear route', ['clearroute', 'clear']),
  items(
    'seeAlso',
    'see also: code | why | follows from it',
    ['seealso', 'related'],
    [
      { name: 'code', kind: 'text' },
      { name: 'why', kind: 'text' },
      { name: 'followsFromIt', kind: 'yes' },
    ],
  ),
  items(
    'claims',
    'claims: about | says | source | standing',
    ['claims'],
    [
      { name: 'about', kind: 'text' },
      { name: 'says', kind: 'text' },
      { name: 'source', kind: 'text' },
      { name: 'standing', kind: 'text' },
    ],
  ),
  ids('pictures', 'pictures', ['pictures']),
  number('frequency', 'how often', ['howoften', 'frequency']),
  link('source', 'source', ['source', 'document']),
  oneOf('standing', 'standing', ['standing'], standings),
  text('note', 'note', ['note', 'notes', 'remark', 'remarks', 'comment'], true),
];

/** Which column each header belongs to; null where none is known. No column is taken twice. */
export function guessMapping(header: readonly string[]): Array<string | null> {
  const taken = new Set<string>();
  const plain = header.map((h) => h.toLowerCase().replace(/[^\p{L}\p{N}]/gu, ''));
  const titled = (column: Column) => column.title.toLowerCase().replace(/[^\p{L}\p{N}]/gu, '');
  const found: Array<string | null> = header.map(() => null);
  const rules: ReadonlyArray<(h: string, c: Column) => boolean> = [
    (h, c) => h === titled(c) || h === c.id.toLowerCase(),
    (h, c) => c.names.includes(h),
    (h, c) => h.length > 3 && c.names.some((n) => n.length > 3 && (h.startsWith(n) || h.endsWith(n))),
  ];
  for (const fits of rules)
    plain.forEach((h, i) => {
      const column = found[i] === null && h !== '' ? columns.find((c) => !taken.has(c.id) && fits(h, c)) : undefined;
      if (!column) return;
      taken.add(column.id);
      found[i] = column.id;
    });
  return found;
}
