import Button from '@mui/material/Button';
import { type Entry, keyOf, keyText } from '@wire-trail/core';
import { useCallback, useEffect, useState } from 'react';
import { type ApiError, api } from '../../../foundation/api.ts';
import { useUndo } from '../../../parts/undo/use-undo.tsx';
import type { Shelved } from '../tab-props.ts';
import { JobBar } from '../table/JobBar.tsx';
import { useJob } from '../table/use-job.ts';

type Props = Readonly<{
  words: string;
  /** What is written, each as a draft on what is here of it. */
  bodies: readonly Entry[];
  entries: readonly Shelved[];
  isMain?: boolean;
}>;

/** Writes what comes from the older unit as drafts, and takes them back as easily. */
export function TakeOver({ words, bodies, entries, isMain = false }: Props) {
  const [save, saving] = api.useSaveDraftMutation();
  const [saveAll] = api.useSaveDraftsMutation();
  const [discard] = api.useDiscardMutation();
  const [problem, setProblem] = useState<ApiError | null>(null);
  /** What was here of what is taken over all at once. */
  const [taken, setTaken] = useState<readonly Shelved[]>([]);
  const run = useJob();
  const undo = useUndo();
  const here = (body: Entry): Shelved | undefined => entries.find((e) => keyText(e.body) === keyText(body));
  /** What was there before is written once more. */
  const putBack = useCallback(
    ({ number, body }: Shelved) => save({ key: keyOf(body), basedOn: number + 1, note: 'taken back', body }),
    [save],
  );
  const takeBack = async (body: Entry, was: Shelved | undefined) => {
    if (!was) return void (await discard([keyOf(body)]));
    await putBack(was);
  };
  const one = async (body: Entry) => {
    const was = here(body);
    const result = await save({ key: keyOf(body), basedOn: was?.number ?? 0, note: 'taken over', body });
    if ('error' in result) return setProblem(result.error as ApiError);
    undo('Taken over. It is a draft.', () => void takeBack(body, was));
  };
  const all = async () => {
    setTaken(bodies.flatMap((body) => here(body) ?? []));
    const items = bodies.map((body) => ({ basedOn: here(body)?.number ?? 0, body }));
    await run.start(() => saveAll({ note: 'taken over', submit: null, items }));
  };
  const isDone = run.job?.state === 'done';
  useEffect(() => {
    if (!isDone || taken.length === 0) return;
    setTaken([]);
    undo(`${taken.length} taken over. They are drafts.`, () => {
      for (const was of taken) void putBack(was);
    });
  }, [isDone, taken, undo, putBack]);
  const take = () => {
    setProblem(null);
    const [only, ...more] = bodies;
    void (only && more.length === 0 ? one(only) : all());
  };
  return (
    <div className="stack">
      <Button
        {...(isMain ? { variant: 'contained' as const, color: 'primary' as const } : { size: 'small' as const })}
        disabled={saving.isLoading || run.job?.state === 'running'}
        onClick={take}
      >
        {words}
      </Button>
      <JobBar run={run} what="taking it over" />
      {problem && (
        <p className="wrong" role="alert">
          {problem.stale ? 'Somebody saved it meanwhile: look once more.' : problem.title}
        </p>
      )}
    </div>
  );
}
