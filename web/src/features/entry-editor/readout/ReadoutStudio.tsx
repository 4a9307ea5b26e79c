import { assertNever, type Entry, entriesOf, type Readout, type Sign, showsCode } from '@wire-trail/core';
import { useMemo } from 'react';
import { draftEdited } from '../../../foundation/entry-draft-slice.ts';
import { useAppDispatch } from '../../../foundation/store.ts';
import { SchemaForm } from '../SchemaForm.tsx';
import { AccountsRoom } from './AccountsRoom.tsx';
import { LookAlikeRoom } from './LookAlikeRoom.tsx';
import type { ReadoutAt } from './readout-at.ts';
import { readoutRooms } from './rooms.ts';
import './readout.css';
import { ShownRoom } from './ShownRoom.tsx';
import { VectorsRoom } from './VectorsRoom.tsx';

const elsewhere = ['vectors', 'accounts'] as const;

/** The room of a readout: see it play, build its table, find its look-alikes, keep its tests, hold accounts side by side. */
export function ReadoutStudio({ body, bodies, room }: { body: Readout; bodies: { entries: Entry[] }; room: string }) {
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
  const tab = readoutRooms.find((t) => t === room) ?? readoutRooms[0];
  switch (tab) {
    case 'Look-alikes':
      return <LookAlikeRoom {...at} />;
    case 'Tests':
      return <VectorsRoom {...at} />;
    case 'Two accounts':
      return <AccountsRoom {...at} />;
    case 'About the readout':
      return <SchemaForm body={body} bodies={bodies} elsewhere={elsewhere} />;
    case 'Shown and read':
      return <ShownRoom {...at} signs={signs} />;
    default:
      return assertNever(tab);
  }
}
