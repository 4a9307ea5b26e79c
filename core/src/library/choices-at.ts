import type { z } from 'zod';
import type { Path } from '../base/path.ts';
import { type Entry, entrySchemas } from '../model/entry.ts';
import { titleOf } from '../model/key.ts';
import { isEntryKind, occurrencesOf } from '../model/links.ts';
import { homesOf, type Occurrence, occurrencesIn } from '../model/occurrence.ts';
import type { IdKind } from '../model/reference.ts';
import { definedBy } from './names.ts';

/** Something a field may name: its id, and what people call it. */
export type Nameable = Readonly<{ kind: IdKind; id: string; name: string }>;

// no id can hold this
const probe = '\u0000';

/** What says where a place stands: the way to it, and beside the way the fields others go by. */
function wayTo(value: unknown, [step, ...rest]: Path, isKey: boolean): unknown {
  if (step === undefined) return isKey ? { [probe]: probe } : probe;
  if (typeof step === 'number') return [wayTo(Array.isArray(value) ? value[step] : undefined, rest, isKey)];
  const fields = typeof value === 'object' && value !== null ? Object.entries(value) : [];
  return {
    ...Object.fromEntries(fields.filter(([, v]) => typeof v !== 'object')),
    [step]: wayTo(fields.find(([key]) => key === step)?.[1], rest, isKey),
  };
}

const nameOf = ({ owner, text }: Occurrence): string => {
  const { label, name, title } = owner;
  return [label, name, title].find((n): n is string => typeof n === 'string' && n !== '') ?? text;
};

function definedIn(found: readonly Occurrence[], asked: Occurrence): Nameable[] {
  const homes = new Map(asked.kinds.map((kind) => [kind, homesOf(asked, kind)]));
  return found.flatMap((one): Nameable[] => {
    const thing = one.role === 'defines' ? definedBy(one) : null;
    const from = thing && homes.get(thing.kind);
    // where it cannot be told within what, whatever there is may be meant
    if (!thing || !from?.some((home) => home === null || home === thing.within)) return [];
    return [{ kind: thing.kind, id: thing.id, name: nameOf(one) }];
  });
}

/**
 * What the field at `path` of a value may name: what there is of its kind, within what it stands in. The value stands for
 * whatever of it is among the entries. Null where the field names nothing; `isKey` asks for the keys of the record there.
 */
export function choicesAt(
  { schema, value, path, isKey = false }: { schema: z.core.$ZodType; value: unknown; path: Path; isKey?: boolean },
  entries: readonly Entry[],
): Nameable[] | null {
  const asked = occurrencesIn(schema, wayTo(value, path, isKey)).find((o) => o.text === probe && o.isKey === isKey);
  if (asked?.role !== 'names') return null;
  const isEntry = Object.values(entrySchemas).some((own) => own === schema);
  const own = value as Readonly<{ kind?: unknown; id?: unknown }>;
  const others = entries.filter((e) => !(isEntry && e.kind === own.kind && e.id === own.id));
  const named = asked.kinds.every(isEntryKind)
    ? entries.flatMap((e) => (asked.kinds.includes(e.kind) ? [{ kind: e.kind, id: e.id, name: titleOf(e) }] : []))
    : [
        ...definedIn(occurrencesIn(schema, value), asked),
        ...others.flatMap((entry) => definedIn(occurrencesOf(entry), asked)),
      ];
  return [...new Map(named.map((n) => [n.id, n])).values()];
}
