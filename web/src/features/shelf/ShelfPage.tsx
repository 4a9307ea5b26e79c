import AddIcon from '@mui/icons-material/UploadFileOutlined';
import Button from '@mui/material/Button';
import { roleAtLeast } from '@wire-trail/core';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { api } from '../../foundation/api.ts';
import { useAppSelector } from '../../foundation/store.ts';
import { PageBar } from '../../parts/page-bar/PageBar.tsx';
import { Failed } from '../../parts/states/Failed.tsx';
import { Empty, Loading } from '../../parts/states/States.tsx';
import { AddUnit } from './AddUnit.tsx';
import { BringIn } from './BringIn.tsx';
import { FirstStart } from './first-start/FirstStart.tsx';
import { sampleFamily } from './first-start/sample.ts';
import { TakeAway } from './first-start/TakeAway.tsx';
import { LookAlikes } from './LookAlikes.tsx';
import { type Card, cardsOf, chosen, useWanted } from './shelf-filter.ts';
import './shelf.css';
import { ShelfFilter } from './ShelfFilter.tsx';
import { ShelfCards, ShelfList } from './ShelfViews.tsx';

const none: readonly Card[] = [];

/** The library as one recognises it: by the drawn panels, narrowed by what one types and picks. */
export default function ShelfPage() {
  const { data, error, refetch } = api.useFamiliesQuery();
  const session = useAppSelector((s) => s.session);
  const [importing, setImporting] = useState(false);
  const writes = session.status === 'signed-in' && roleAtLeast(session.user.role, 'trainer');
  const { data: begun } = api.useBegunFamiliesQuery(undefined, { skip: !writes });
  const { data: own } = api.useOwnFamiliesQuery(undefined, { skip: !writes });
  const [wanted, want] = useWanted();
  const cards = useMemo(() => (data ? cardsOf(data, begun ?? [], own ?? []) : none), [data, begun, own]);
  const shown = useMemo(() => chosen(cards, wanted), [cards, wanted]);
  return (
    <div className="stack">
      <PageBar
        title="Shelf"
        state={data && <span className="tag">{cards.length === 1 ? '1 unit' : `${cards.length} units`}</span>}
        actions={
          <>
            <Button component={Link} to="/which">
              Which unit is it?
            </Button>
            {writes && (
              <>
                <Button startIcon={<AddIcon />} onClick={() => setImporting(true)}>
                  Import
                </Button>
                <AddUnit units={cards.map((c) => c.family)} />
              </>
            )}
          </>
        }
      />
      {error && <Failed error={error} again={() => void refetch()} />}
      {!data && !error && <Loading what="the shelf" />}
      {data && cards.length === 0 && !writes && (
        <Empty title="Nothing to look up yet">
          A trainer puts units on the Shelf; they stand here once they are published.
        </Empty>
      )}
      {data && begun && cards.length === 0 && writes && (
        <FirstStart who={session.user.role} onImport={() => setImporting(true)} />
      )}
      {writes && cards.some((c) => c.family.id === sampleFamily && c.published === null) && <TakeAway />}
      {cards.length > 0 && (
        <ShelfFilter cards={cards} shown={shown.length} wanted={wanted} onWant={want} writes={writes} />
      )}
      {writes && data && <LookAlikes />}
      {cards.length > 0 && shown.length === 0 && (
        <Empty title="No unit is like that">Take a choice back, or type less.</Empty>
      )}
      {wanted.as === 'list' ? <ShelfList cards={shown} /> : <ShelfCards cards={shown} />}
      {importing && <BringIn onClose={() => setImporting(false)} />}
    </div>
  );
}
