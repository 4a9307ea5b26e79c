import type { ControllerId, FamilyId, ReadoutId } from '../base/ids.ts';
import { sameJson } from '../base/json.ts';
import { codeIdOf } from '../base/slug.ts';
import { squeezed } from '../code/alike.ts';
import { Code, Symptom } from '../model/code.ts';
import { readText } from './cells.ts';
import { type Column, columns, type Draft } from './columns.ts';
import { expandCodes } from './ranges.ts';
import { type Table, writeCsv } from './table.ts';

/** Which column of the code table each column of the file fills, by place; null leaves it out. */
export type Mapping = ReadonlyArray<string | null>;

/** What new codes start from where the file says nothing. */
export type ImportDefaults = Readonly<{
  family: FamilyId;
  controller: ControllerId;
  readout: ReadoutId | null;
  source: string | null;
  standing: Code['standing'];
}>;

export type ImportedBody = Readonly<{
  what: 'new' | 'changed' | 'same';
  body: Code | Symptom;
  before: Code | Symptom | null;
}>;
export type RowProblem = Readonly<{ column: string | null; reason: string }>;
/** One row of the file: taken as so many codes, or refused with every reason. */
export type ImportRow = Readonly<{
  line: number;
  cells: readonly string[];
}> &
  (
    | Readonly<{ taken: true; bodies: readonly ImportedBody[]; notes: readonly string[] }>
    | Readonly<{ taken: false; problems: readonly RowProblem[] }>
  );

const byId = new Map(columns.map((c) => [c.id, c]));
/** Columns that a symptom has no field for. */
const codeOnly = new Set(['text', 'controller', 'readout', 'group', 'decoy']);
const columnOfField = (field: unknown): Column | undefined => columns.find((c) => c.fields.includes(String(field)));

type Listed = Readonly<{ byId: ReadonlyMap<string, Code | Symptom>; bySpelling: ReadonlyMap<string, readonly Code[]> }>;

function listedOf(existing: ReadonlyArray<Code | Symptom>): Listed {
  const bySpelling = new Map<string, Code[]>();
  for (const body of existing)
    if (body.kind === 'code')
      bySpelling.set(squeezed(body.text), [...(bySpelling.get(squeezed(body.text)) ?? []), body]);
  return { byId: new Map(existing.map((b) => [`${b.kind}:${b.id}`, b])), bySpelling };
}

function emptyBody(
  kind: 'code' | 'symptom',
  text: string,
  { family, controller, readout, source, standing }: ImportDefaults,
): Draft {
  const shared = {
    family,
    title: '',
    saw: '',
    does: '',
    detection: {},
    suspects: [],
    scope: 'technician',
    source,
    standing,
  };
  return kind === 'code' ? { kind, text, controller, readout, decoy: false, ...shared } : { kind, ...shared };
}

type Cell = Readonly<{ column: Column; text: string }>;

/** Puts one body together: what is listed (or an empty one), with the row's cells over it. */
function bodyOf(
  kind: 'code' | 'symptom',
  text: string,
  cells: readonly Cell[],
  listed: Listed,
  defaults: ImportDefaults,
) {
  const problems: RowProblem[] = [];
  const given = cells.find((c) => c.column.id === 'id')?.text.trim();
  const title = readText(cells.find((c) => c.column.id === 'title')?.text ?? '');
  const id = given || codeIdOf(kind === 'code' ? text : title).slice(0, 64);
  const spelled = kind === 'code' ? (listed.bySpelling.get(squeezed(text)) ?? []) : [];
  const before = listed.byId.get(`${kind}:${id}`) ?? (!given && spelled.length === 1 ? spelled[0] : undefined) ?? null;
  const draft: Draft = {
    ...emptyBody(kind, text, defaults),
    ...(before ? structuredClone(before) : {}),
    id: before?.id ?? id,
  };
  for (const cell of cells) {
    if (kind === 'symptom' && codeOnly.has(cell.column.id)) continue;
    const problem = cell.column.read(cell.text, draft);
    if (problem) problems.push({ column: cell.column.id, reason: problem });
  }
  // a title is not taken away by an empty cell
  if (draft.title === '') draft.title = before?.title ?? 'Not described yet';
  if (!before && !given && spelled.length > 1)
    problems.push({
      column: 'text',
      reason: `${text} is listed for several variants (${spelled.map((s) => s.id).join(', ')}): name one in a column “id”`,
    });
  const parsed = (kind === 'code' ? Code : Symptom).safeParse(draft);
  if (!parsed.success)
    for (const issue of parsed.error.issues)
      problems.push({
        column: columnOfField(issue.path[0])?.id ?? null,
        reason: `${issue.path.slice(1).join('.')} ${issue.message}`.trim(),
      });
  return { body: parsed.success ? parsed.data : null, before, problems };
}

/**
 * What a table of codes would bring, row by row, before anything is written: new, changed, the same, or refused with each
 * reason at its column. Ranges become codes of their own; a code that stands twice under another spelling is refused the
 * second time. A row without a code is a symptom. `onRow` is told how far it got and stops it by giving false.
 */
export function planCodeImport(
  input: Readonly<{
    table: Table;
    mapping: Mapping;
    existing: ReadonlyArray<Code | Symptom>;
    defaults: ImportDefaults;
    /** Whether "206–211" is six codes. */
    ranges: boolean;
  }>,
  onRow: (done: number) => boolean = () => true,
): ImportRow[] | null {
  const { table, mapping, defaults, ranges } = input;
  const listed = listedOf(input.existing);
  const placed = mapping.flatMap((id, place) => {
    const column = id === null ? undefined : byId.get(id);
    return column ? [{ column, place }] : [];
  });
  const at = new Map<string, number>();
  const rows: ImportRow[] = [];
  for (const [i, { line, cells }] of table.rows.entries()) {
    if (!onRow(i)) return null;
    rows.push(planRow({ line, cells, placed, table, listed, defaults, ranges, at }));
  }
  return rows;
}

type RowInput = Readonly<{
  line: number;
  cells: readonly string[];
  placed: ReadonlyArray<Readonly<{ column: Column; place: number }>>;
  table: Table;
  listed: Listed;
  defaults: ImportDefaults;
  ranges: boolean;
  /** Lines on which a spelling or id was seen before. */
  at: Map<string, number>;
}>;

function planRow({ line, cells, placed, table, listed, defaults, ranges, at }: RowInput): ImportRow {
  const extra = cells.slice(table.header.length).filter((c) => c.trim() !== '').length;
  if (extra > 0) {
    const reason = `has ${cells.length} cells where the header has ${table.header.length}: a separator within a text without quotes?`;
    return { line, cells, taken: false, problems: [{ column: null, reason }] };
  }
  const mapped: Cell[] = [];
  for (const { column, place } of placed) if (place < cells.length) mapped.push({ column, text: cells[place] ?? '' });
  const notes: string[] = [];
  if (cells.length < table.header.length)
    notes.push(`${table.header.length - cells.length} cells are missing at its end`);
  const textCell = readText(mapped.find((c) => c.column.id === 'text')?.text ?? '');
  const texts = textCell === '' ? [''] : ranges ? expandCodes(textCell) : [textCell];
  if (texts.length > 1) notes.push(`“${textCell}” is ${texts.length} codes`);
  const problems: RowProblem[] = [];
  const bodies: ImportedBody[] = [];
  const isSymptom = textCell === '';
  const names = isSymptom ? readText(mapped.find((c) => c.column.id === 'title')?.text ?? '') : texts.join('');
  if (names === '')
    return { line, cells, taken: false, problems: [{ column: 'text', reason: 'names neither a code nor a symptom' }] };
  const marks: string[] = [];
  for (const text of texts) {
    const { body, before, problems: own } = bodyOf(isSymptom ? 'symptom' : 'code', text, mapped, listed, defaults);
    problems.push(...own);
    if (!body) continue;
    const spelling =
      body.kind === 'code' ? `${body.controller} ${squeezed(body.text)} ${[...body.onlyVariants].sort().join()}` : null;
    for (const mark of [`${body.kind}:${body.id}`, ...(spelling ? [spelling] : [])]) {
      const first = at.get(mark) ?? (marks.includes(mark) ? line : undefined);
      if (first !== undefined && !problems.some((p) => p.reason.includes('stands already')))
        problems.push({ column: 'text', reason: `${text || body.title} stands already in line ${first}` });
      marks.push(mark);
    }
    if (before?.kind === 'code' && body.kind === 'code' && before.text !== text)
      notes.push(`${text} is listed as ${before.text}`);
    // the spelling that is listed stays
    const kept = before?.kind === 'code' && body.kind === 'code' ? { ...body, text: before.text } : body;
    bodies.push({ what: !before ? 'new' : sameJson(before, kept) ? 'same' : 'changed', body: kept, before });
  }
  if (problems.length > 0) return { line, cells, taken: false, problems };
  for (const mark of marks) at.set(mark, line);
  return { line, cells, taken: true, bodies, notes };
}

/** Writes codes and symptoms as a table whose import brings the same back. */
export function writeCodeTable(bodies: ReadonlyArray<Code | Symptom>): string {
  return writeCsv([columns.map((c) => c.title), ...bodies.map((body) => columns.map((c) => c.write(body)))]);
}
