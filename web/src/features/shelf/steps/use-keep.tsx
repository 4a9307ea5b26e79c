import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import { type Entry, type EntryKind, type FamilyId, keyText, merge, type Stale, sameJson } from '@wire-trail/core';
import { type ReactElement, useContext, useState } from 'react';
import { type ApiError, api } from '../../../foundation/api.ts';
import { BothInOne } from '../../../parts/changes/BothInOne.tsx';
import type { Shelved } from '../tab-props.ts';
import { Keeping } from './keeping.ts';

/** Two who changed one thing: it is asked which shall stand. */
type Asked = Readonly<{
  stale: Stale;
  before: Entry | undefined;
  mine: Entry;
  settle: (both: Entry | null) => void;
}>;

/**
 * Keeps what a step came to as drafts, each on what was there of it. What somebody else kept meanwhile goes together with
 * it; where both changed one thing it is asked, and nothing typed is lost. `said` is what is to be told of all that.
 */
export function useKeep(family: string, entries: readonly Shelved[]) {
  const [save, { isLoading }] = api.useSaveDraftMutation();
  const [problem, setProblem] = useState<ApiError | null>(null);
  const [joined, setJoined] = useState<string | null>(null);
  const [asked, setAsked] = useState<Asked | null>(null);
  // what was there when the step was opened: on that stands what is typed, whatever has come since
  const [bases] = useState(() => new Map(entries.map((e) => [keyText(e.body), { number: e.number, body: e.body }])));
  const ask = (of: Omit<Asked, 'settle'>): Promise<Entry | null> =>
    new Promise((resolve) =>
      setAsked({
        ...of,
        settle: (both) => {
          setAsked(null);
          resolve(both);
        },
      }),
    );
  /** One of them, on top of whatever came in between. */
  const keepOne = async (body: Entry, note: string): Promise<ApiError | null> => {
    const place = keyText(body);
    const there = bases.get(place) ?? entries.find((e) => keyText(e.body) === place);
    const key = { family: family as FamilyId, kind: body.kind as EntryKind, id: String(body.id) };
    let [mine, before, basedOn] = [body, there?.body, there?.number ?? 0];
    for (;;) {
      const result = await save({ key, basedOn, note, body: mine });
      if (result.data) {
        bases.set(place, { number: result.data.number, body: result.data.body });
        return null;
      }
      const error = result.error as ApiError;
      const { stale } = error;
      if (!stale) return error;
      const both = merge(before, mine, stale.body);
      const next = both.clashes.length === 0 ? (both.value as Entry) : await ask({ stale, before, mine });
      if (!next) return error;
      setJoined(stale.author ?? 'An import');
      [mine, before, basedOn] = [next, stale.body, stale.number];
    }
  };
  const hold = useContext(Keeping);
  const keepAll = async (bodies: readonly Entry[], note: string): Promise<boolean> => {
    setJoined(null);
    for (const body of bodies) {
      const wrong = await keepOne(body, note);
      setProblem(wrong);
      if (wrong) return false;
    }
    return true;
  };
  const keep = (bodies: readonly Entry[], note: string): Promise<boolean> => {
    const work = keepAll(bodies, note);
    hold(work);
    return work;
  };
  const said: ReactElement = (
    <>
      {problem && (
        <Alert severity="error" role="alert">
          {problem.stale
            ? 'Somebody saved this meanwhile. What you typed is still here, and not kept yet.'
            : problem.title}
        </Alert>
      )}
      {joined && !problem && (
        <Alert severity="info">{joined} saved this meanwhile: it holds what both of you did.</Alert>
      )}
      {asked && (
        <BothInOne
          stale={asked.stale}
          before={asked.before}
          mine={asked.mine}
          onClose={() => asked.settle(null)}
          actions={(both) => (
            <>
              <Button variant="contained" color="primary" onClick={() => asked.settle(both)}>
                Both in one
              </Button>
              <Button onClick={() => asked.settle(null)}>Not yet</Button>
            </>
          )}
        />
      )}
    </>
  );
  return { keep, isKeeping: isLoading, said };
}

/**
 * What is typed stands on what was there: where somebody else has kept it meanwhile, it goes onto what they made of it.
 * Nothing is taken while `waits` says that what is typed cannot be read yet.
 */
export function useOnTop<T extends Entry>(own: T | undefined, typed: T, waits: boolean, take: (both: T) => void): void {
  const [from, setFrom] = useState(own);
  if (own === from || waits) return;
  setFrom(own);
  if (!own || !from || sameJson(own, from)) return;
  const both = merge(from, typed, own).value as T;
  if (!sameJson(both, typed)) take(both);
}
