import {
  assertNever,
  type Bundle,
  bundleFormat,
  bundleVersion,
  type Chart,
  type Entry,
  type FamilyId,
} from '@wire-trail/core';
import { useMemo } from 'react';
import { draftEdited } from '../../../foundation/entry-draft-slice.ts';
import { useAppDispatch } from '../../../foundation/store.ts';
import { SchemaForm } from '../SchemaForm.tsx';
import type { ChartAt } from './chart-at.ts';
import { chartTabs } from './tabs.ts';
import './chart.css';
import { DrawPane } from './DrawPane.tsx';
import { PrintPane } from './PrintPane.tsx';
import { TryPane } from './TryPane.tsx';

/** Steps are drawn and outlined, not filled into a form. */
const elsewhere = ['nodes', 'start'] as const;

/** The editor of a chart: drawn and outlined side by side, tried, printed and exchanged. */
export function ChartStudio({ body, bodies, tab }: { body: Chart; bodies: { entries: Entry[] }; tab: string }) {
  const dispatch = useAppDispatch();
  const bundle = useMemo<Bundle>(
    () => ({
      format: bundleFormat,
      version: bundleVersion,
      family: (body.family ?? 'library') as FamilyId,
      entries: bodies.entries,
    }),
    [body.family, bodies.entries],
  );
  const at: ChartAt = {
    body,
    bodies,
    bundle,
    onEdit: (next, about) => void dispatch(draftEdited({ body: next, about })),
  };
  const shown = chartTabs.find((t) => t === tab) ?? chartTabs[0];
  switch (shown) {
    case 'Try it':
      return <TryPane {...at} />;
    case 'Print and exchange':
      return <PrintPane {...at} />;
    case 'About the chart':
      return <SchemaForm body={body} bodies={bodies} elsewhere={elsewhere} />;
    case 'Chart and outline':
      return <DrawPane {...at} />;
    default:
      return assertNever(shown);
  }
}
