import { sameJson } from '../base/json.ts';
import type { Path } from '../base/path.ts';
import { assertNever } from '../base/result.ts';
import type { Change } from '../model/change.ts';

type Plain = Record<string, unknown>;
export const isPlain = (value: unknown): value is Plain =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** A field of its own, so that a key called `valueOf` is not found where there is none. */
export const own = (value: Plain, key: string): unknown => (Object.hasOwn(value, key) ? value[key] : undefined);

/** What leads from one JSON value to another, place by place, so that applying it to the first gives the second. */
export function diff(before: unknown, after: unknown, at: Path = []): Change[] {
  if (sameJson(before, after)) return [];
  if (isPlain(before) && isPlain(after)) {
    const keys = [...new Set([...Object.keys(before), ...Object.keys(after)])];
    return keys.flatMap((key) => {
      const here = [...at, key];
      const [from, to] = [own(before, key), own(after, key)];
      if (from === undefined) return to === undefined ? [] : [{ kind: 'added', at: here, to } as const];
      if (to === undefined) return [{ kind: 'removed', at: here, from } as const];
      return diff(from, to, here);
    });
  }
  if (Array.isArray(before) && Array.isArray(after)) {
    const moved = diffNamed(before, after, at);
    if (moved) return moved;
    const shared = Math.min(before.length, after.length);
    const changes: Change[] = [];
    for (let i = 0; i < shared; i++) changes.push(...diff(before[i], after[i], [...at, i]));
    for (let i = shared; i < after.length; i++) changes.push({ kind: 'added', at: [...at, i], to: after[i] });
    // from the end, so that removing one does not shift the next
    for (let i = before.length - 1; i >= shared; i--)
      changes.push({ kind: 'removed', at: [...at, i], from: before[i] });
    return changes;
  }
  return [{ kind: 'changed', at, from: before, to: after }];
}

/** What a list's element is known by among its like; null for what has no name of its own. */
export function nameOf(element: unknown): string | null {
  if (!isPlain(element)) return null;
  const name = ['id', 'label', 'code', 'says', 'what']
    .map((key) => own(element, key))
    .find((v) => typeof v === 'string' && v !== '');
  return typeof name === 'string' ? name : null;
}

/**
 * Lists whose elements are named: what went, what moved and what came, then what changed within. Null where elements
 * have no names, or stand where they stood, so that place by place says the same in fewer words.
 */
function diffNamed(before: readonly unknown[], after: readonly unknown[], at: Path): Change[] | null {
  const [was, is] = [before.map(nameOf), after.map(nameOf)];
  const areNamed = [was, is].every((names) => names.every((n) => n !== null) && new Set(names).size === names.length);
  if (!areNamed || !is.some((name, i) => was.includes(name) && was.indexOf(name) !== i)) return null;
  const changes: Change[] = [];
  const now = [...before];
  for (let i = now.length - 1; i >= 0; i--) {
    if (is.includes(nameOf(now[i]))) continue;
    changes.push({ kind: 'removed', at: [...at, i], from: now[i] });
    now.splice(i, 1);
  }
  after.forEach((element, to) => {
    const from = now.findIndex((other) => nameOf(other) === nameOf(element));
    if (from === -1) {
      changes.push({ kind: 'added', at: [...at, to], to: element });
      now.splice(to, 0, element);
    } else if (from !== to) {
      changes.push({ kind: 'moved', at, from, to, what: now[from] });
      now.splice(to, 0, ...now.splice(from, 1));
    }
  });
  return [...changes, ...now.flatMap((element, i) => diff(element, after[i], [...at, i]))];
}

function write(value: unknown, at: Path, change: Change): unknown {
  const [key, ...rest] = at;
  if (key === undefined) {
    if (change.kind === 'removed') return undefined;
    if (change.kind !== 'moved') return change.to;
    if (!Array.isArray(value)) throw new Error(`no list to move within: ${JSON.stringify(value)}`);
    const list = value.toSpliced(change.from, 1);
    return list.toSpliced(change.to, 0, value[change.from]);
  }
  if (Array.isArray(value)) {
    const list = [...value];
    const index = Number(key);
    if (rest.length > 0 || change.kind === 'moved') list[index] = write(list[index], rest, change);
    else if (change.kind === 'added') list.splice(index, 0, change.to);
    else if (change.kind === 'removed') list.splice(index, 1);
    else list[index] = change.to;
    return list;
  }
  if (!isPlain(value)) throw new Error(`no object at ${String(key)} to change`);
  const others = Object.entries(value).filter(([k]) => k !== key);
  if (rest.length === 0 && change.kind === 'removed') return Object.fromEntries(others);
  const written = write(own(value, String(key)), rest, change);
  // an existing key keeps its place, so that a document reads the same after an undo
  const entries: Array<[string, unknown]> = Object.hasOwn(value, key)
    ? Object.entries(value).map(([k, v]) => [k, k === key ? written : v])
    : [...others, [String(key), written]];
  return Object.fromEntries(entries);
}

/** Applies changes in order. Broken invariant (throws): a path that leads nowhere. */
export function applyChanges(value: unknown, changes: readonly Change[]): unknown {
  return changes.reduce((now, change) => write(now, change.at, change), value);
}

/** The changes that undo these, in the order to apply them. */
export function invertChanges(changes: readonly Change[]): Change[] {
  return changes.toReversed().map((change): Change => {
    switch (change.kind) {
      case 'changed':
        return { kind: 'changed', at: change.at, from: change.to, to: change.from };
      case 'added':
        return { kind: 'removed', at: change.at, from: change.to };
      case 'removed':
        return { kind: 'added', at: change.at, to: change.from };
      case 'moved':
        return { kind: 'moved', at: change.at, from: change.to, to: change.from, what: change.what };
      default:
        return assertNever(change);
    }
  });
}
