import type { Job } from '@wire-trail/core';
import { useEffect, useState } from 'react';
import { type ApiError, api } from '../../../foundation/api.ts';
import { useAppDispatch } from '../../../foundation/store.ts';

const everyMs = 300;

export type JobRun = Readonly<{
  job: Job | null;
  error: ApiError | null;
  start: (begin: () => Promise<{ data?: Job | undefined; error?: unknown }>) => Promise<void>;
  cancel: () => void;
  forget: () => void;
}>;

/** A long piece of the server's work, from its beginning to what became of it. */
export function useJob(): JobRun {
  const dispatch = useAppDispatch();
  const [job, setJob] = useState<Job | null>(null);
  const [error, setError] = useState<ApiError | null>(null);
  const [stop] = api.useCancelJobMutation();
  const id = job?.state === 'running' ? job.id : null;
  useEffect(() => {
    if (id === null) return;
    const timer = setInterval(async () => {
      const asked = await dispatch(api.endpoints.job.initiate(id, { forceRefetch: true, subscribe: false }));
      if (!asked.data) return;
      setJob(asked.data);
      if (asked.data.state === 'done') dispatch(api.util.invalidateTags(['Entries', 'Sets']));
    }, everyMs);
    return () => clearInterval(timer);
  }, [id, dispatch]);
  return {
    job,
    error,
    start: async (begin) => {
      setError(null);
      const result = await begin();
      if (result.data) setJob(result.data);
      else setError(result.error as ApiError);
    },
    cancel: () => id !== null && void stop(id),
    forget: () => {
      setJob(null);
      setError(null);
    },
  };
}
