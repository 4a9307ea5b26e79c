import {
  type Bundle,
  bundleFormat,
  bundleVersion,
  type Entry,
  type FamilyId,
  familyEntry,
  unitPage,
  type VariantId,
} from '@wire-trail/core';
import { useMemo, useState } from 'react';
import { Select } from '../../parts/field/Select.tsx';
import { Fold } from '../../parts/fold/Fold.tsx';
import { SheetView } from '../../parts/sheet/SheetView.tsx';

/** One page for the unit, to laminate inside its cover: composed from everything the family says, for one variant or all. */
export function UnitPagePane({ entries, family }: { entries: readonly Entry[]; family: string }) {
  return (
    <Fold title="One page for the unit, to print">
      <Pane entries={entries} family={family} />
    </Fold>
  );
}

function Pane({ entries, family }: { entries: readonly Entry[]; family: string }) {
  const bundle = useMemo<Bundle>(
    () => ({ format: bundleFormat, version: bundleVersion, family: family as FamilyId, entries: [...entries] }),
    [entries, family],
  );
  const { variants } = familyEntry(bundle);
  const [variant, setVariant] = useState<VariantId | null>(null);
  const [paper, setPaper] = useState<'page' | 'card'>('page');
  const [audience, setAudience] = useState<'service' | 'operator'>('service');
  const sheet = useMemo(
    () => unitPage({ bundle, variant, paper, audience, address: `${location.origin}/shelf/${family}` }),
    [bundle, variant, paper, audience, family],
  );
  return (
    <div className="stack">
      <div className="row">
        <Select
          native
          value={audience}
          onChange={(e) => setAudience(e.target.value as typeof audience)}
          inputProps={{ 'aria-label': 'for whom' }}
        >
          <option value="service">for service</option>
          <option value="operator">for whoever uses it</option>
        </Select>
        <Select
          native
          value={variant ?? ''}
          onChange={(e) => setVariant((e.target.value || null) as VariantId | null)}
          inputProps={{ 'aria-label': 'for which variant' }}
        >
          <option value="">all variants</option>
          {variants.map((v) => (
            <option key={v.id} value={v.id}>
              {v.name}
            </option>
          ))}
        </Select>
        <Select
          native
          value={paper}
          onChange={(e) => setPaper(e.target.value as typeof paper)}
          inputProps={{ 'aria-label': 'paper' }}
        >
          <option value="page">A4</option>
          <option value="card">pocket size</option>
        </Select>
      </div>
      <SheetView sheet={sheet} />
    </div>
  );
}
