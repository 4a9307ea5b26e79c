import type { Owed } from '../model/machine-past.ts';
import type { Walk } from './state.ts';

/** What is kept with a machine whose service sheet is gone, until somebody brings one back. */
export const sheetMissing = { kind: 'owed', what: 'Service sheet missing: put a copy back', by: null } as const;

/** Whether a walk says that the sheet of its machine is gone. */
export const isSheetMissing = (walk: Pick<Walk, 'owed'>): boolean =>
  [...walk.owed.values()].some((o) => o.what === sheetMissing.what);

/** What one walk left behind, whether or not a later one put it back. */
function leftBehind(walk: Walk): Owed[] {
  const of = { walk: walk.id, setting: null, by: null, since: walk.lastAt };
  return [
    ...[...walk.owed].map(
      ([key, o]): Owed => ({
        ...of,
        key,
        kind: 'limited',
        what: o.what,
        since: o.since,
        by: o.by,
        ...(o.who && { who: o.who }),
      }),
    ),
    ...[...walk.changed].flatMap(([key, c]): Owed[] =>
      walk.leftSo.has(key) ? [] : [{ ...of, key, kind: 'limited', what: c.what, since: c.since }],
    ),
    ...[...walk.settings].flatMap(([setting, s]): Owed[] =>
      s.set !== null && s.old !== null && s.set !== s.old && !s.putBack
        ? [{ ...of, key: `setting:${setting}`, kind: 'setting', what: `${s.set}, was ${s.old}`, setting }]
        : [],
    ),
    ...[...walk.lockedOut].flatMap(([part, count]): Owed[] =>
      count > 0 ? [{ ...of, key: `locked-out:${part}`, kind: 'locked-out', what: `${part}: ${count} locked out` }] : [],
    ),
  ];
}

/** The ledger of a machine: what its walks left limited or not put back, oldest first, and nobody has put back since. */
export function ledgerOf(walks: readonly Walk[]): Owed[] {
  const settled = new Set(walks.flatMap((w) => w.putBack.map((p) => `${p.of} ${p.what}`)));
  return walks
    .flatMap(leftBehind)
    .filter((o) => !settled.has(`${o.walk} ${o.key}`))
    .sort((a, b) => (a.since < b.since ? -1 : a.since > b.since ? 1 : 0));
}
