import {
  type EntryKey,
  entriesOf,
  type Family,
  type FamilyId,
  generationStands,
  type Older,
  revisionKey,
  revisionsWanted,
  type Stands,
} from '@wire-trail/core';
import { useEffect, useMemo, useState } from 'react';
import { type ApiError, api } from '../../../foundation/api.ts';
import type { Shelved } from '../tab-props.ts';

/** So many revisions are asked for at once. */
const atOnce = 8;

export type Generation =
  | Readonly<{ is: 'loading' }>
  | Readonly<{ is: 'failed'; error: ApiError; again: () => void }>
  /** It is no new generation of anything. */
  | Readonly<{ is: 'none'; name: string }>
  | Readonly<{
      is: 'stands';
      own: Family;
      entries: readonly Shelved[];
      /** Null where the older unit is not there any more. */
      older: Older | null;
      stands: readonly Stands[];
    }>;

/** How a unit stands to the one it is a new generation of, with the revisions that takes. */
export function useGeneration(family: string): Generation {
  const working = api.useWorkingQuery(family);
  const entries = working.currentData;
  const bodies = useMemo(() => entries?.map((e) => e.body) ?? [], [entries]);
  const own = entriesOf({ entries: bodies }, 'family').find((f) => f.id === family);
  const of = own?.generationOf?.family;
  const there = api.useWorkingQuery(of ?? '', { skip: of === undefined });
  const before = of === undefined ? undefined : there.currentData;
  const [read] = api.useLazyRevisionQuery();
  const [revisions, setRevisions] = useState<Older['revisions']>(new Map());
  const [problem, setProblem] = useState<ApiError | null>(null);
  const wanted = useMemo(
    () =>
      before && of
        ? revisionsWanted(bodies, { family: of, entries: before }).filter(
            (w) => !revisions.has(revisionKey(w.key, w.number)),
          )
        : [],
    [before, of, bodies, revisions],
  );
  useEffect(() => {
    if (wanted.length === 0) return;
    let isLeft = false;
    const ask = async ({ key, number }: { key: EntryKey; number: number }) => {
      const { data, error } = await read({ key, number }, true);
      if (error) throw error;
      return data ? ([[revisionKey(key, number), data.body]] as const) : [];
    };
    Promise.all(wanted.slice(0, atOnce).map(ask)).then(
      (found) => !isLeft && setRevisions((was) => new Map([...was, ...found.flat()])),
      (error: ApiError) => !isLeft && setProblem(error),
    );
    return () => {
      isLeft = true;
    };
  }, [wanted, read]);
  const older = useMemo(
    (): Older | null => (before && of ? { family: of as FamilyId, entries: before, revisions } : null),
    [before, of, revisions],
  );
  const stands = useMemo(
    () => (own && older && wanted.length === 0 ? generationStands(bodies, own, older) : []),
    [own, older, wanted, bodies],
  );
  const error = (working.error ?? there.error) as ApiError | undefined;
  const again = () => {
    setProblem(null);
    void working.refetch();
    if (of !== undefined) void there.refetch();
  };
  if (problem) return { is: 'failed', error: problem, again };
  if (!entries) return error ? { is: 'failed', error, again } : { is: 'loading' };
  if (!own?.generationOf) return { is: 'none', name: own?.name ?? family };
  const isGone = there.error !== undefined && (there.error as ApiError).status === 404;
  if (isGone || before?.length === 0) return { is: 'stands', own, entries, older: null, stands: [] };
  if (!before) return error ? { is: 'failed', error, again } : { is: 'loading' };
  if (wanted.length > 0) return { is: 'loading' };
  return { is: 'stands', own, entries, older, stands };
}
