import { assertNever, type Entry, entriesOf, type Readout, type Sign, showsCode } from '@wire-trail/core';
import { useMemo } from 'react';
import { draftEdited } from '../../../foundation/entry-draft-slice.ts';
import { useAppDispatch } from '../../../foundation/store.ts';
import { SchemaForm } from '../SchemaForm.tsx';
import { AccountsPane } from './AccountsPane.tsx';
import { LearnPane } from './LearnPane.tsx';
import { LookAlikePane } from './LookAlikePane.tsx';
import type { ReadoutAt } from './readout-at.ts';
import { readoutTabs } from './tabs.ts';
import './readout.css';
import { ShownPane } from './ShownPane.tsx';
import { VectorsPane } from './VectorsPane.tsx';

const elsewhere = ['vectors', 'accounts'] as const;

/** The editor of a readout: see it play, build its table, find its look-alikes, keep its tests, hold accounts side by side. */
export function ReadoutStudio({ body, bodies, tab }: { body: Readout; bodies: { entries: Entry[] }; tab: string }) {
  const dispatch = useAppDispatch();
  const codes = useMemo(() => entriesOf(bodies, 'code').filter((c) => showsCode(body, c)), [bodies, body]);
  const texts = useMemo(() => [...new Set(codes.map((c) => c.text))], [codes]);
  const signs = useMemo(
    () =>
      new Map(
        entriesOf(bodies, 'panel').flatMap((p) =>
          p.faces.flatMap((f) => f.signs.map((s): [string, Sign] => [s.id, s])),
        ),
      ),
    [bodies],
  );
  const at: ReadoutAt = {
    body,
    bodies,
    codes,
    texts,
    nameOf: (sign) => signs.get(sign)?.label ?? sign,
    onEdit: (change, about) => void dispatch(draftEdited({ body: { ...body, ...change } as Readout, about })),
  };
  const shown = readoutTabs.find((t) => t === tab) ?? readoutTabs[0];
  switch (shown) {
    case 'Learn from examples':
      return <LearnPane {...at} signs={signs} />;
    case 'Look-alikes':
      return <LookAlikePane {...at} />;
    case 'Tests':
      return <VectorsPane {...at} />;
    case 'Two descriptions':
      return <AccountsPane {...at} />;
    case 'About the readout':
      return <SchemaForm body={body} bodies={bodies} elsewhere={elsewhere} />;
    case 'Shown and read':
      return <ShownPane {...at} signs={signs} />;
    default:
      return assertNever(shown);
  }
}
