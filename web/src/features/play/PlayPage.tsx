import { type Bundle, bundleFormat, bundleVersion, type FamilyId, roleAtLeast } from '@wire-trail/core';
import { useEffect, useMemo, useState } from 'react';
import { useParams, useSearchParams } from 'react-router';
import { api } from '../../foundation/api.ts';
import { freshBundle } from '../../foundation/device/bundles.ts';
import { keptBundle } from '../../foundation/device/database.ts';
import { useAppSelector } from '../../foundation/store.ts';
import { Empty, Loading } from '../../parts/states/States.tsx';
import { PlayedUnit } from './PlayedUnit.tsx';

/** The unit, played: operate the drawn panel, and it answers as the unit would. What is drilled is what is published. */
export default function PlayPage() {
  const { family = '' } = useParams();
  const [search] = useSearchParams();
  const session = useAppSelector((s) => s.session);
  const drafts =
    search.get('drafts') !== null && session.status === 'signed-in' && roleAtLeast(session.user.role, 'trainer');
  const working = api.useWorkingQuery(family, { skip: !drafts });
  const [kept, setKept] = useState<Bundle | null | 'missing'>(null);
  useEffect(() => {
    if (drafts) return;
    let stale = false;
    const find = async () => {
      const found =
        (await freshBundle(family, new Date().toISOString())) ?? (await keptBundle(family))?.bundle ?? 'missing';
      if (!stale) setKept(found);
    };
    void find();
    return () => {
      stale = true;
    };
  }, [family, drafts]);
  const bundle = useMemo<Bundle | null | 'missing'>(
    () =>
      drafts
        ? working.data
          ? {
              format: bundleFormat,
              version: bundleVersion,
              family: family as FamilyId,
              entries: working.data.map((w) => w.body),
            }
          : null
        : kept,
    [drafts, working.data, family, kept],
  );
  if (bundle === 'missing')
    return (
      <Empty title="This unit is not on this device">Open it once with a connection; then it plays without one.</Empty>
    );
  if (bundle === null) return <Loading what="the unit" />;
  return (
    <PlayedUnit
      key={`${family}${bundle.pinned?.hash ?? bundle.entries.length}`}
      bundle={bundle}
      goal={search.get('route')}
      drafts={drafts}
    />
  );
}
