import {
  decode,
  type Elsewhere,
  entriesOf,
  holdsFor,
  type Listed,
  type Look,
  listedOf,
  type Parts,
  partsSeen,
  type Readout,
  readElsewhere,
  type Stage,
  type StageId,
  type SweepItem,
  showsCode,
  sweepPlan,
  type Walk,
} from '@wire-trail/core';
import { useCallback, useMemo, useState } from 'react';
import type { TrailData } from '../../trail-data.ts';

/** Everything a walk kept of one place, whatever it said of whose codes they were. */
export function keptAt(walk: Walk, readout: Readout, controller: string, slot: number) {
  return walk.seen.findLast(
    (s) =>
      s.slot === slot &&
      (s.readout === null || s.readout === readout.id) &&
      (s.controller === null || s.controller === controller),
  );
}

type Entered = Readonly<{ looks: readonly Look[]; mark: StageId | null; said: string | null }>;
const nothing: Entered = { looks: [], mark: null, said: null };

/** What is being read: where, what was entered so far with every step of it, and what is made of that. */
export function useDecoding(walk: Walk, data: TrailData) {
  const plan = useMemo(() => sweepPlan(data.bundle, data.alive), [data.bundle, data.alive]);
  const readouts = useMemo(
    () => entriesOf(data.bundle, 'readout').filter((r) => holdsFor(r.onlyVariants, data.alive) !== 'no'),
    [data.bundle, data.alive],
  );
  const first = plan.find((i) => i.readout.id === data.readout?.id) ?? plan[0] ?? null;
  const [item, setItem] = useState<SweepItem | null>(
    () => plan.find((i) => walk.confirmAt !== null && i.controller.id === walk.confirmAt) ?? first,
  );
  const [other, setOther] = useState<Readout | null>(null);
  const readout = other ?? item?.readout ?? null;
  const [slot, setSlot] = useState(1);
  const kept = readout && item ? keptAt(walk, readout, item.controller.id, slot) : undefined;
  const [past, setPast] = useState<readonly Entered[]>(() => [
    kept ? { looks: kept.seen.looks, mark: kept.seen.mark ?? null, said: kept.seen.said ?? null } : nothing,
  ]);
  const entered = past.at(-1) ?? nothing;
  const [stageIndex, setStageIndex] = useState(0);
  const stage = readout?.stages[stageIndex] ?? null;
  const codes = useMemo(() => data.codes.filter((c) => readout && showsCode(readout, c)), [data.codes, readout]);
  // each readout's list stays the same one, so that its table is made once
  const listedOn = useMemo(() => {
    const kept = new Map<string, readonly Listed[]>();
    return (r: Readout): readonly Listed[] => {
      const known = kept.get(r.id) ?? listedOf(data.codes.filter((c) => showsCode(r, c)));
      kept.set(r.id, known);
      return known;
    };
  }, [data.codes]);
  const listed = useMemo(() => (readout ? listedOn(readout) : []), [readout, listedOn]);
  const decoded = useMemo(
    () => (readout ? decode(readout, listed, { slot, looks: [...entered.looks] }) : null),
    [readout, listed, entered.looks, slot],
  );
  const parts = useMemo(() => (readout ? partsSeen(readout, entered.looks) : null), [readout, entered.looks]);
  const elsewhere = useMemo<readonly Elsewhere[]>(
    () => (readout ? readElsewhere(readouts, readout, entered.looks, listedOn) : []),
    [readouts, readout, entered.looks, listedOn],
  );

  const enter = useCallback(
    (change: Partial<Entered>) => setPast((was) => [...was.slice(-80), { ...(was.at(-1) ?? nothing), ...change }]),
    [],
  );
  const look = stage ? entered.looks.findLast((l) => l.stage === stage.id) : undefined;
  /** What was said of a stage just now is corrected; a look of another kind, or one more, is added. */
  const write = (next: Look) => {
    const same = look && look.kind === next.kind && look.kind !== 'pulses' && look.kind !== 'trace';
    enter({ looks: same ? entered.looks.with(entered.looks.lastIndexOf(look), next) : [...entered.looks, next] });
  };
  const openAt = (nextReadout: Readout | null, nextItem: SweepItem | null, nextSlot: number) => {
    setSlot(nextSlot);
    setStageIndex(0);
    const at = nextReadout && nextItem ? keptAt(walk, nextReadout, nextItem.controller.id, nextSlot) : undefined;
    setPast([at ? { looks: at.seen.looks, mark: at.seen.mark ?? null, said: at.seen.said ?? null } : nothing]);
  };
  return {
    plan,
    readouts,
    item,
    readout,
    slot,
    stage,
    stageIndex,
    setStageIndex,
    entered,
    look,
    codes,
    listed,
    decoded,
    parts,
    elsewhere,
    write,
    enter,
    again: () => {
      const last: Look[] = stage ? entered.looks.filter((l) => l.stage === stage.id).slice(-1) : [];
      if (last.length > 0) enter({ looks: [...entered.looks, ...last] });
    },
    undo: past.length > 1 ? () => setPast(past.slice(0, -1)) : null,
    goToSlot: (next: number) => openAt(readout, item, next),
    goTo: (next: SweepItem) => {
      setItem(next);
      setOther(null);
      openAt(next.readout, next, 1);
    },
    readBy: (next: Readout, looks: readonly Look[] = []) => {
      setOther(next.id === item?.readout.id ? null : next);
      openAt(next, item, 1);
      if (looks.length > 0) setPast([nothing, { ...nothing, looks }]);
    },
  };
}
export type Reading = ReturnType<typeof useDecoding>;
/** A stage that is being read, whatever it is read by. */
export type StageProps = Readonly<{
  data: TrailData;
  readout: Readout;
  stage: Stage;
  look: Look | undefined;
  /** What the stages said so far. */
  parts: Parts;
  onLook: (look: Look) => void;
}>;
