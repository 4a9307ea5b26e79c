import { type Bundle, bundleFormat, bundleVersion, type Entry, entriesOf, type FamilyId } from '@wire-trail/core';
import { useMemo } from 'react';
import { useParams, useSearchParams } from 'react-router';
import { api } from '../../foundation/api.ts';
import { FamilyBar } from '../../parts/family/FamilyBar.tsx';
import { Failed } from '../../parts/states/Failed.tsx';
import { Empty, Loading } from '../../parts/states/States.tsx';
import { Told } from '../../parts/undo/Told.tsx';
import { Reading } from './Reading.tsx';
import './telling.css';

/** What somebody says of a unit, read in: the telling at the left by what became of it, draft ways at the right. */
export default function TellingPage() {
  const { family = '' } = useParams();
  const [search] = useSearchParams();
  const { data, error, refetch } = api.useWorkingQuery(family);
  const entries = useMemo(() => data?.map((w) => w.body) ?? null, [data]);
  const bundle = useMemo<Bundle | null>(() => (entries ? readOn(family, entries) : null), [family, entries]);
  if (error && !data) return <Failed error={error} again={() => void refetch()} />;
  if (!entries || !data || !bundle) return <Loading what="the unit" />;
  const name = entriesOf({ entries }, 'family').find((f) => f.id === family)?.name ?? family;
  return (
    <Told>
      <FamilyBar family={family} name={name} tab="Routes" writes isAbove />
      {entriesOf({ entries }, 'panel').length === 0 ? (
        <Empty title="No panel yet">Draw the panel first; what is told is read on its controls.</Empty>
      ) : (
        <Reading
          key={family}
          family={family}
          working={data}
          entries={entries}
          bundle={bundle}
          asked={{ into: search.get('into'), beside: search.get('beside'), isNew: search.get('new') }}
        />
      )}
    </Told>
  );
}

/** What a telling is read on: the unit, its panels and the instruments. */
const readOn = (family: string, entries: readonly Entry[]): Bundle => ({
  format: bundleFormat,
  version: bundleVersion,
  family: family as FamilyId,
  entries: entries.filter((e) => e.kind === 'family' || e.kind === 'panel' || e.kind === 'instrument'),
});
