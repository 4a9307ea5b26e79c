import { randomUUID } from 'node:crypto';
import type { Job } from '@wire-trail/core';
import { ProblemError } from './problem.ts';

type Kept = { owner: number; view: Job; cancelled: boolean; endedAt: number | null };

/** Thrown within a job's transaction when somebody cancelled it, so that everything is rolled back. */
class Cancelled extends Error {}

/** Long work of the server that tells how far it got and can be stopped. Kept in memory: a restart rolls it back and forgets it. */
export type Jobs = Readonly<{
  start: (
    input: Readonly<{ owner: number; total: number }>,
    work: (onProgress: (done: number) => Promise<void>) => Promise<Job['result']>,
  ) => Job;
  read: (id: string, owner: number) => Job;
  cancel: (id: string, owner: number) => Job;
  /** Resolves when every job has come to its end; those that have not within this time are stopped and rolled back. */
  end: (withinMs: number) => Promise<void>;
}>;

const keptMs = 10 * 60_000;

export function makeJobs(now: () => Date, onError: (error: unknown) => void = () => {}): Jobs {
  const jobs = new Map<string, Kept>();
  const active = new Set<Promise<void>>();
  const own = (id: string, owner: number): Kept => {
    const job = jobs.get(id);
    if (!job || job.owner !== owner) throw new ProblemError('not-found');
    return job;
  };
  const sweep = () => {
    for (const [id, job] of jobs) if (job.endedAt !== null && now().getTime() - job.endedAt > keptMs) jobs.delete(id);
  };
  const end = (job: Kept, change: Partial<Job>) => {
    job.view = { ...job.view, ...change };
    job.endedAt = now().getTime();
  };
  const fail = (job: Kept, error: unknown) => {
    if (error instanceof Cancelled) return end(job, { state: 'cancelled' });
    if (!(error instanceof ProblemError)) onError(error);
    const problem =
      error instanceof ProblemError
        ? { code: error.code, detail: error.detail, fields: error.fields }
        : { code: 'internal' as const, detail: null, fields: [] };
    end(job, { state: 'failed', problem });
  };
  return {
    start({ owner, total }, work) {
      sweep();
      const view: Job = { id: randomUUID(), state: 'running', done: 0, total, result: null, problem: null };
      const job: Kept = { owner, view, cancelled: false, endedAt: null };
      jobs.set(view.id, job);
      const onProgress = async (done: number) => {
        // lets a request to cancel, or to look, come in between
        await new Promise((resolve) => setImmediate(resolve));
        if (job.cancelled) throw new Cancelled();
        job.view = { ...job.view, done };
      };
      const running = work(onProgress)
        .then(
          (result) => end(job, { state: 'done', done: total, result }),
          (error: unknown) => fail(job, error),
        )
        .finally(() => active.delete(running));
      active.add(running);
      return view;
    },
    async end(withinMs) {
      const late = setTimeout(() => {
        for (const job of jobs.values()) if (job.endedAt === null) job.cancelled = true;
      }, withinMs);
      await Promise.all(active);
      clearTimeout(late);
    },
    read: (id, owner) => own(id, owner).view,
    cancel(id, owner) {
      const job = own(id, owner);
      job.cancelled = true;
      return job.view;
    },
  };
}
