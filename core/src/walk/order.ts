import { groupBy } from '../base/group.ts';
import type { PartId, VariantId } from '../base/ids.ts';
import { causeOf, causeToRenew, putInNew } from '../chart/remedies.ts';
import type { ChartWalk } from '../chart/walk.ts';
import type { Bundle } from '../model/bundle.ts';
import type { Part } from '../model/family.ts';
import { familyEntry } from '../model/select.ts';
import { orderedBy } from '../unit/part-numbers.ts';
import type { Walk } from './state.ts';

/** A line of an order: everything a counter asks for. */
export type OrderLine = Readonly<{
  family: string;
  model: string;
  serial: string;
  software: string;
  part: string;
  /** Empty where nobody has said it, or where the plate has to tell. */
  number: string;
  quantity: number;
  /** What has to be known before it can be sent: nothing said, or several that may be it. */
  open: 'no-number' | 'needs-plate' | null;
  /** The numbers it may be, where the plate has to tell. */
  maybe: readonly string[];
  note: string;
}>;

/** The line that orders a part for the unit of a walk. */
export function orderLine(
  bundle: Bundle,
  walk: Pick<Walk, 'unit'>,
  part: Part,
  { alive, quantity = 1 }: Readonly<{ alive: readonly VariantId[]; quantity?: number }>,
): OrderLine {
  const { numbers, supersedes } = orderedBy(part, alive);
  const [only] = numbers;
  const open = numbers.length === 0 ? 'no-number' : numbers.length > 1 ? 'needs-plate' : null;
  return {
    family: familyEntry(bundle).name,
    model: walk.unit?.model ?? '',
    serial: walk.unit && !walk.unit.serialUnread ? walk.unit.serial : '',
    software: walk.unit?.software ?? '',
    part: part.name,
    number: open === null ? (only ?? '') : '',
    quantity,
    open,
    maybe: open === 'needs-plate' ? numbers : [],
    note: supersedes.length > 0 ? `in place of ${supersedes.join(', ')}` : '',
  };
}

/** The parts a walk came to that have to be bought: what was found to be replaced, each once, those ordered already left out. */
export function partsToOrder(bundle: Bundle, walk: Pick<Walk, 'ordered'>, chartWalk: ChartWalk | null): Part[] {
  if (!chartWalk) return [];
  const { path, end } = chartWalk;
  const verdict = end?.kind === 'verdict' ? end.verdict : null;
  const found = verdict?.verdict === 'cause-found' ? causeOf(path, verdict.cause) : (verdict?.cause ?? null);
  const renewed = causeToRenew(path, found);
  const wanted = new Set<PartId>([...putInNew(path), ...(renewed ? [renewed] : [])]);
  const had = new Set(walk.ordered.map((o) => o.part));
  return familyEntry(bundle).parts.filter((p) => wanted.has(p.id) && !had.has(p.id) && (p.numbers || p.price));
}

const columns = ['family', 'model', 'serial', 'software', 'part', 'number', 'quantity', 'note'] as const;
const heads = ['Unit', 'Model', 'Serial number', 'Software', 'Part', 'Part number', 'Quantity', 'Note'];

/** An order as a table: its head, and a row for each line. */
export const orderRows = (lines: readonly OrderLine[]): string[][] => [
  heads,
  ...lines.map((line) => columns.map((c) => String(line[c]))),
];

const partText = (line: OrderLine): string =>
  `${line.quantity} × ${line.part}${line.number ? `, ${line.number}` : ''}${line.note ? ` (${line.note})` : ''}`;
const unitText = (line: OrderLine): string =>
  `for ${line.family}, model ${line.model || 'not read'}, serial ${line.serial || 'not read'}, software ${line.software || 'not read'}`;

/** An order as it is told or pasted: a line for each part, then what each of them is for. */
export const orderText = (...lines: readonly OrderLine[]): string =>
  [...groupBy(lines, unitText)].flatMap(([unit, own]) => [...own.map(partText), unit]).join('\n');
