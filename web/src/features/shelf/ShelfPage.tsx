import Button from '@mui/material/Button';
import { findingWords, lintTraits, roleAtLeast, traitsOf } from '@wire-trail/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { api } from '../../foundation/api.ts';
import { useAppSelector } from '../../foundation/store.ts';
import { PageBar } from '../../parts/page-bar/PageBar.tsx';
import { lampsOfMode } from '../../parts/panel/lamps-of-mode.ts';
import { PanelDrawing } from '../../parts/panel/PanelDrawing.tsx';
import { Failed } from '../../parts/states/Failed.tsx';
import { Empty, Loading } from '../../parts/states/States.tsx';
import { AddEntry } from './AddEntry.tsx';
import { BringIn } from './BringIn.tsx';
import './shelf.css';

const counted = (n: number, one: string): string => `${n} ${one}${n === 1 ? '' : 's'}`;

/** The library as one recognises it: by the drawn panels, not by a table of names. */
export default function ShelfPage() {
  const { data, error, refetch } = api.useFamiliesQuery();
  const session = useAppSelector((s) => s.session);
  const [bringing, setBringing] = useState(false);
  const writes = session.status === 'signed-in' && roleAtLeast(session.user.role, 'trainer');
  const { data: begun } = api.useBegunFamiliesQuery(undefined, { skip: !writes });
  const alike = data
    ? lintTraits(data.map(({ family, panels }) => ({ id: family.id, traits: traitsOf(family, panels) })))
    : [];
  return (
    <>
      <div className="row spread">
        <PageBar title="Shelf" />
        <span className="row">
          <Button component={Link} to="/which">
            Which unit is it?
          </Button>
          {writes && (
            <>
              <AddEntry
                scope=""
                kind="family"
                label="family"
                taken={[...(data ?? []), ...(begun ?? [])].map((f) => f.family.id)}
              />
              <Button onClick={() => setBringing(true)}>Bring in a bundle file …</Button>
            </>
          )}
        </span>
      </div>
      {error && <Failed error={error} again={() => void refetch()} />}
      {!data && !error && <Loading what="the shelf" />}
      {data?.length === 0 && <Empty title="The shelf is empty">Bring in a bundle file to begin.</Empty>}
      {writes &&
        alike.map((finding) => (
          <p key={findingWords(finding)} className="note small">
            {findingWords(finding)} Write a trait down that differs.
          </p>
        ))}
      <ul className="plain shelf">
        {begun?.map(({ family, panels }) => (
          <li key={family.id}>
            <Link to={`/shelf/${family.id}`} className="shelf-card begun">
              {panels[0]?.faces[0] && <PanelDrawing face={panels[0].faces[0]} thumbnail />}
              <div className="row spread">
                <h2>{family.name}</h2>
                <span className="tag">not published yet</span>
              </div>
              <p className="soft small">{family.recognisedBy.join(' · ')}</p>
            </Link>
          </li>
        ))}
        {data?.map(({ family, panels, standby, counts }) => (
          <li key={family.id}>
            <Link to={`/shelf/${family.id}`} className="shelf-card">
              {panels[0]?.faces[0] && <PanelDrawing face={panels[0].faces[0]} lamps={lampsOfMode(standby)} thumbnail />}
              <div className="row spread">
                <h2>{family.name}</h2>
                <span className="tag">{family.sort}</span>
              </div>
              <p className="soft small">{family.recognisedBy.join(' · ')}</p>
              <p className="small">
                {[
                  counted(counts.codes, 'code'),
                  counted(counts.symptoms, 'symptom'),
                  counted(counts.charts, 'chart'),
                  counted(counts.routes, 'route'),
                ].join(' · ')}
              </p>
              {family.badges.length > 1 && (
                <p className="small soft">sold as {family.badges.map((b) => b.name).join(', ')}</p>
              )}
            </Link>
          </li>
        ))}
      </ul>
      {bringing && <BringIn onClose={() => setBringing(false)} />}
    </>
  );
}
