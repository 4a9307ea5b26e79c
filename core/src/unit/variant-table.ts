import type { ParameterId, VariantId } from '../base/ids.ts';
import { formatQuantity, parseReading, type Quantity, quantities } from '../base/quantity.ts';
import { codeIdOf, freeIn } from '../base/slug.ts';
import { type Family, Variant } from '../model/family.ts';

/** Variants as rows of text, as people write them: what they are called, plate, serial numbers, software, then ratings and options by name. */
export type VariantTable = Readonly<{ head: readonly string[]; rows: ReadonlyArray<readonly string[]> }>;
/** A cell that cannot be taken, in words for whoever typed it. */
export type CellProblem = Readonly<{ row: number; column: number; says: string }>;

const [nameHead, plateHead, serialHead, softwareHead] = ['Variant', 'Plate', 'Serial numbers', 'Software'] as const;

const softwareWords = ({ software }: Variant): string => {
  if (!software) return '';
  const { from, below } = software;
  return from && below ? `${from} and up, below ${below}` : from ? `${from} and up` : below ? `below ${below}` : '';
};
const measured = (q: Family['parameters'][number]['quantity']): q is Quantity => q !== 'ratio';
const amountWords = (value: number, quantity: Family['parameters'][number]['quantity']): string =>
  measured(quantity) ? formatQuantity(value, quantity) : String(value);

/** The variants of a unit as a table; what `familyFromVariants` reads back to the same. */
export function variantTable(family: Family): VariantTable {
  const options = [...new Set(family.variants.flatMap((v) => Object.keys(v.options)))];
  return {
    head: [nameHead, plateHead, serialHead, softwareHead, ...family.parameters.map((p) => p.name), ...options],
    rows: family.variants.map((v) => [
      v.name,
      v.models.join(', '),
      v.serials.map(({ from, to }) => (from === to ? from : `${from} – ${to}`)).join(', '),
      softwareWords(v),
      ...family.parameters.map((p) => {
        const own = v.values[p.id];
        return own === undefined ? '' : amountWords(own, p.quantity);
      }),
      ...options.map((o) => v.options[o] ?? ''),
    ]),
  };
}

const kinds: ReadonlyArray<readonly [RegExp, 'name' | 'models' | 'serials' | 'software']> = [
  [/^(?:variant|variants|name|version of|type)$/i, 'name'],
  [/^(?:plate|plates|model|models|plate pattern|model number|model pattern|model no\.?)$/i, 'models'],
  [/^(?:serial|serials|serial numbers?|serial no\.?|s\/n)$/i, 'serials'],
  [/^(?:software|firmware|sw|software version|version)$/i, 'software'],
];

/** `below 3.0`, `3.0 and up`, `from 2.4, below 3.0`, `2.4 and up, below 3.0`, `≥ 2.4`. */
function softwareIn(cell: string): Variant['software'] | string {
  const text = cell.trim().toLowerCase();
  if (text === '' || /^(?:any|all|-|–)$/.test(text)) return undefined;
  const v = String.raw`v?(\d+(?:\.\d+)*)`;
  const from = new RegExp(
    `(?:from|since|≥|>=|at least)\\s*${v}|${v}\\s*(?:and up|and later|and newer|or later|or newer|onwards?|\\+)`,
  ).exec(text);
  const below = new RegExp(`(?:below|before|under|<|older than|up to but not)\\s*${v}`).exec(text);
  if (!from && !below) {
    if (new RegExp(`^${v}$`).test(text)) return `say “${text} and up” or “below ${text}”`;
    return `“${cell.trim()}” says no version: such as “2.4 and up, below 3.0”`;
  }
  return { ...(from ? { from: from[1] ?? from[2] } : {}), ...(below ? { below: below[1] } : {}) };
}

const serialsIn = (cell: string): Variant['serials'] =>
  cell
    .split(/\s*[,;]\s*/)
    .filter((s) => s !== '' && !/^(?:any|all|-|–)$/i.test(s))
    .map((s) => {
      const [from = '', to = from] = s.split(/\s*(?:–|—|\bto\b|\.\.|(?<=\S)\s+-\s+)\s*/).map((x) => x.trim());
      return { from, to };
    }) as Variant['serials'];

/** An amount in whatever it is measured in; the first quantity that has such a unit. */
function amountOf(cell: string): Readonly<{ quantity: Quantity; value: number }> | null {
  if (!/[^\d\s.,+-]/.test(cell)) return null;
  for (const quantity of quantities) {
    const read = parseReading(cell, quantity);
    if (read.ok && read.value.kind === 'value') return { quantity, value: read.value.value };
  }
  return null;
}

/**
 * A unit with the variants of a table: columns by what their heads say, in any order; a column that is none of those is a rating
 * where its cells are amounts, else an option. What each variant is filed under stays where its name does. A cell that cannot be
 * read is told at its place, and what was there before stays for it.
 */
export function familyFromVariants(
  family: Family,
  table: VariantTable,
): Readonly<{ family: Family; problems: readonly CellProblem[] }> {
  const problems: CellProblem[] = [];
  const rows = table.rows.filter((r) => r.some((c) => c.trim() !== ''));
  const parameters = [...family.parameters];
  type Column =
    | Readonly<{ is: 'name' | 'models' | 'serials' | 'software' }>
    | Readonly<{ is: 'rating'; id: ParameterId }>
    | Readonly<{ is: 'option'; name: string }>;
  const columns = table.head.map((title, c): Column | null => {
    const said = title.trim();
    if (said === '') return null;
    const kind = kinds.find(([name]) => name.test(said))?.[1];
    if (kind) return { is: kind };
    const known = parameters.find((p) => p.name.toLowerCase() === said.toLowerCase() || p.id === codeIdOf(said));
    if (known) return { is: 'rating', id: known.id };
    const amounts = rows.map((r) => (r[c] ?? '').trim()).filter((t) => t !== '');
    const read = amounts.map(amountOf);
    const [first] = read;
    if (first && read.every((a) => a?.quantity === first.quantity)) {
      const id = codeIdOf(said) as ParameterId;
      parameters.push({ id, name: said, quantity: first.quantity, value: first.value });
      return { is: 'rating', id };
    }
    return { is: 'option', name: said.slice(0, 40) };
  });
  const taken = new Set<string>();
  const variants = rows.map((cells, r): Variant => {
    const cell = (c: number): string => (cells[c] ?? '').trim();
    const at = columns.findIndex((c) => c?.is === 'name');
    const name = (at >= 0 ? cell(at) : '') || `Variant ${r + 1}`;
    const before = family.variants.find((v) => v.name === name) ?? (at < 0 ? family.variants[r] : undefined);
    const stem = before?.id ?? (codeIdOf(name) || `variant-${r + 1}`);
    const id = freeIn(taken, stem);
    taken.add(id);
    const own: Variant = {
      id: id as VariantId,
      name,
      models: [],
      serials: [],
      options: {},
      values: {},
      ...(before?.note ? { note: before.note } : {}),
    };
    columns.forEach((column, c) => {
      const text = cell(c);
      const wrong = (says: string) => problems.push({ row: r, column: c, says });
      if (!column || text === '') return;
      switch (column.is) {
        case 'name':
          break;
        case 'models': {
          const models = text
            .split(/\s*[,;]\s*/)
            .map((m) => m.toUpperCase())
            .filter((m) => m !== '');
          const read = Variant.shape.models.safeParse(models);
          if (read.success) own.models = read.data;
          else wrong(`“${text}” is no plate: capital letters, figures and dashes, * for anything, {10-19} for a range`);
          break;
        }
        case 'serials':
          own.serials = serialsIn(text);
          break;
        case 'software': {
          const read = softwareIn(text);
          if (typeof read === 'string') {
            wrong(read);
            own.software = before?.software;
          } else if (read) own.software = read;
          break;
        }
        case 'rating': {
          const parameter = parameters.find((p) => p.id === column.id);
          if (!parameter) break;
          const typed = measured(parameter.quantity) ? parseReading(text, parameter.quantity) : null;
          const value = typed
            ? typed.ok && typed.value.kind === 'value'
              ? typed.value.value
              : Number.NaN
            : Number(text.replace(',', '.'));
          if (Number.isFinite(value)) own.values[column.id] = value;
          else wrong(`“${text}” is no ${parameter.quantity} for ${parameter.name}`);
          break;
        }
        case 'option':
          own.options[column.name as keyof Variant['options']] = text.slice(0, 120);
          break;
      }
    });
    if (own.software === undefined) delete own.software;
    return own;
  });
  return { family: { ...family, parameters, variants }, problems };
}
