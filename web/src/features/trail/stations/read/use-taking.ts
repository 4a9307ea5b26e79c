import { type Candidate, type Code, confirmAt, type Stage } from '@wire-trail/core';
import { useState } from 'react';
import type { Happening } from '../../../../foundation/device/walks.ts';
import type { StationProps } from '../StationLayout.tsx';
import type { Reading } from './use-decoding.ts';

/** What becomes of a reading: a code taken, no code, nothing at this board, or something no table lists. */
export function useTaking({ walk, data, add }: Pick<StationProps, 'walk' | 'data' | 'add'>, reading: Reading) {
  const { readout, decoded, entered, slot, item, codes } = reading;
  const [unlisted, setUnlisted] = useState(false);
  const [several, setSeveral] = useState<readonly Code[]>([]);
  const alone = reading.plan.length < 2;
  const first = decoded?.candidates[0];
  const place = readout && { readout: readout.id, ...(item && { controller: item.controller.id }) };
  const keep = (): Happening[] =>
    decoded && place
      ? [
          {
            kind: 'seen',
            ...place,
            seen: {
              slot,
              looks: [...entered.looks],
              ...(entered.mark && { mark: entered.mark }),
              ...(entered.said && { said: entered.said }),
            },
            made: decoded.candidates.slice(0, 20).map((c) => ({ code: c.code, certainty: Math.min(1, c.certainty) })),
          },
        ]
      : [];
  const swept = (result: 'codes' | 'nothing-stored' | 'no-answer'): Happening[] =>
    alone || !item ? [] : [{ kind: 'swept', controller: item.controller.id, result }];
  const taken = (code: Code, isMore = !alone): Happening => {
    const confirm = item && !alone ? confirmAt(data.bundle, reading.plan, item) : null;
    return {
      kind: 'code-taken',
      code: code.id,
      slot,
      ...place,
      ...(confirm && !walk.swept.has(confirm) && { confirmAt: confirm }),
      ...(isMore && { more: true }),
    };
  };
  const takeCode = (code: Code) => add(...keep(), ...swept('codes'), taken(code));
  const takeSpecial = async (id: Stage['id']) => {
    if (!readout) return;
    const means = readout.specials.find((s) => s.id === id)?.means;
    const nothing = means === 'nothing-stored' || means === 'end-of-list' || means === 'healthy';
    if (alone || !nothing) return add(...keep(), { kind: 'special', readout: readout.id, special: id });
    const left = reading.plan.filter((i) => i !== item && !walk.swept.has(i.controller.id));
    const [next] = left;
    // nothing anywhere: that is the answer
    const isAll = !next && walk.taken.length === 0;
    await add(
      ...keep(),
      ...swept('nothing-stored'),
      ...(isAll ? [{ kind: 'special' as const, readout: readout.id, special: id }] : []),
    );
    if (next) reading.goTo(next);
  };
  const take = async (candidate: Candidate) => {
    if (candidate.kind === 'special') return takeSpecial(candidate.code as Stage['id']);
    const [code, ...others] = codes.filter((c) => c.text === candidate.code);
    if (!code) return setUnlisted(true);
    // entries for several variants, and it is not known which this is: both stay in sight
    if (others.length > 0) return setSeveral([code, ...others]);
    await takeCode(code);
  };
  const keepAndNext = async () => {
    const code = first?.kind === 'listed' ? codes.find((c) => c.text === first.code) : undefined;
    await add(...keep(), ...(code ? [...swept('codes'), taken(code, true)] : []));
    reading.goToSlot(slot + 1);
  };
  return { alone, first, swept, several, unlisted, setUnlisted, take, takeCode, takeSpecial, keepAndNext };
}
