import Alert from '@mui/material/Alert';
import type { Entry, EntryKind, FamilyId } from '@wire-trail/core';
import { useState } from 'react';
import { type ApiError, api } from '../../../foundation/api.ts';
import type { Shelved } from '../tab-props.ts';

/** Keeps what a step came to as drafts, each on what was there of it; what could not be kept is told, and nothing typed is lost. */
export function useKeep(family: string, entries: readonly Shelved[]) {
  const [save, { isLoading }] = api.useSaveDraftMutation();
  const [problem, setProblem] = useState<ApiError | null>(null);
  const keep = async (bodies: readonly Entry[], note: string): Promise<boolean> => {
    for (const body of bodies) {
      const id = String(body.id);
      const there = entries.find((e) => e.body.kind === body.kind && String(e.body.id) === id);
      const result = await save({
        key: { family: family as FamilyId, kind: body.kind as EntryKind, id },
        basedOn: there?.number ?? 0,
        note,
        body,
      });
      if ('error' in result) {
        setProblem(result.error as ApiError);
        return false;
      }
    }
    setProblem(null);
    return true;
  };
  return { keep, isKeeping: isLoading, problem };
}

export function SaveProblem({ problem }: { problem: ApiError | null }) {
  if (!problem) return null;
  return (
    <Alert severity="error" role="alert">
      {problem.stale
        ? 'Somebody saved this meanwhile. What you typed is still here: look at theirs, then keep yours.'
        : problem.title}
    </Alert>
  );
}
