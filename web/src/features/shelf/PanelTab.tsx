import EditIcon from '@mui/icons-material/EditOutlined';
import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { type Control, type ControlId, entriesOf, type PlaceId, variantName } from '@wire-trail/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { AddEntry } from '../../parts/family/AddEntry.tsx';
import { CoverTag } from '../../parts/panel/CoverTag.tsx';
import { lampsOfMode } from '../../parts/panel/lamps-of-mode.ts';
import { PanelDrawing } from '../../parts/panel/PanelDrawing.tsx';
import { HowFar } from './FindingsList.tsx';
import type { TabProps } from './tab-props.ts';
import { UnitPagePane } from './UnitPagePane.tsx';

/** The unit's faces, its controls to be tried, its badges and variants. */
export function PanelTab({ entries, family, writes, onToFix }: TabProps & { onToFix: () => void }) {
  const bodies = { entries: entries.map((e) => e.body) };
  const own = entriesOf(bodies, 'family').find((f) => f.id === family);
  const modes = entriesOf(bodies, 'mode');
  const [modeId, setModeId] = useState(modes.find((m) => m.sort === 'standby')?.id ?? modes[0]?.id);
  const [badge, setBadge] = useState<string | undefined>(undefined);
  const [places, setPlaces] = useState<ReadonlyMap<ControlId, PlaceId>>(new Map());
  const mode = modes.find((m) => m.id === modeId);
  const put = (control: Control, place: PlaceId | null) =>
    place && setPlaces(new Map([...places, [control.id, place]]));
  const letGo = (control: Control) => {
    if (control.mechanism.kind !== 'places') return;
    const { places: all, start } = control.mechanism;
    const back = all.find((p) => p.id === places.get(control.id))?.springsTo;
    if (back) setPlaces(new Map([...places, [control.id, back ?? start]]));
  };
  const panels = entriesOf(bodies, 'panel');
  const supply = [...places.values()].includes('off' as PlaceId);
  return (
    <div className="split">
      <div className="stack">
        {panels.flatMap((panel) =>
          panel.faces.map((face, i) => (
            <div key={`${panel.id}${face.id}`} className="sheet">
              <div className="row spread">
                <h2>
                  {panels.length > 1 && `${panel.name}: `}
                  {face.label}
                  {i === 0 && own && panel.onlyVariants && (
                    <span className="soft small">
                      {' '}
                      only {panel.onlyVariants.map((v) => variantName(own, v)).join(', ')}
                    </span>
                  )}
                  {i === 0 && panel.copies.most > 1 && <span className="soft"> up to {panel.copies.most} of them</span>}
                </h2>
                {writes && i === 0 && <Link to={`/shelf/${family}/panel/${panel.id}`}>draw</Link>}
                <CoverTag face={face} />
              </div>
              <PanelDrawing
                face={face}
                lamps={supply ? new Map() : lampsOfMode(mode)}
                places={places}
                badge={badge}
                onControl={put}
                onControlEnd={letGo}
              />
            </div>
          )),
        )}
      </div>
      <div className="stack">
        {own?.generationOf && (
          <p className="note">
            A new generation of {own.generationOf.name}. What was not proved on this one yet is told of that one.
          </p>
        )}
        {writes && (
          <div className="row">
            <AddEntry scope={family} kind="panel" taken={panels.map((p) => p.id)} />
            <Button component={Link} to={`/shelf/${family}/steps`}>
              Step by step
            </Button>
            {own?.generationOf && (
              <Button component={Link} to={`/shelf/${family}/differences`}>
                What differs from {own.generationOf.name}
              </Button>
            )}
            <Button component={Link} to={`/shelf/${family}/family/${family}`} startIcon={<EditIcon />}>
              Variants, parts, ratings
            </Button>
          </div>
        )}
        {own?.summary && <p className="soft">{own.summary}</p>}
        {writes && <HowFar family={family} entries={entries} onGo={onToFix} />}
        <div className="sheet">
          <h2>How to recognise it</h2>
          <ul>
            {own?.recognisedBy.map((r) => (
              <li key={r}>{r}</li>
            ))}
          </ul>
          {own?.plate && <p>Plate: {own.plate}</p>}
          {own?.softwareShown && <p>Software: {own.softwareShown}</p>}
          {own?.sheetHidden && <p>Service sheet: {own.sheetHidden}</p>}
          {own && own.badges.length > 0 && (
            <div className="row" role="group" aria-label="badge">
              <span className="soft">badge</span>
              {own.badges.map((b) => (
                <Button
                  key={b.id}
                  variant={badge === b.id ? 'contained' : 'outlined'}
                  color={badge === b.id ? 'primary' : 'inherit'}
                  onClick={() => setBadge(badge === b.id ? undefined : b.id)}
                >
                  {b.name}
                </Button>
              ))}
            </div>
          )}
        </div>
        <div className="sheet">
          <h2>Modes</h2>
          <div className="row">
            {modes.map((m) => (
              <Button
                key={m.id}
                variant={m.id === modeId ? 'contained' : 'outlined'}
                color={m.id === modeId ? 'primary' : 'inherit'}
                aria-pressed={m.id === modeId}
                onClick={() => setModeId(m.id)}
              >
                {m.name}
              </Button>
            ))}
          </div>
          <p>{mode?.normalSigns}</p>
        </div>
        <div className="sheet">
          <h2>Variants</h2>
          <Table>
            <TableHead>
              <TableRow>
                <TableCell>Variant</TableCell>
                <TableCell>Model</TableCell>
                <TableCell>Software</TableCell>
                <TableCell>Differs in</TableCell>
              </TableRow>
            </TableHead>
            <TableBody>
              {own?.variants.map((v) => (
                <TableRow key={v.id}>
                  <TableCell>{v.name}</TableCell>
                  <TableCell className="mono">{v.models.join(', ')}</TableCell>
                  <TableCell className="mono">
                    {[v.software?.from && `≥ ${v.software.from}`, v.software?.below && `< ${v.software.below}`]
                      .filter(Boolean)
                      .join(', ') || 'any'}
                  </TableCell>
                  <TableCell>
                    {Object.entries(v.values).map(([id, value]) => (
                      <div key={id}>
                        {own.parameters.find((p) => p.id === id)?.name ?? id}: <span className="mono">{value}</span>
                      </div>
                    ))}
                  </TableCell>
                </TableRow>
              ))}
            </TableBody>
          </Table>
        </div>
        {own && panels.length > 0 && <UnitPagePane entries={bodies.entries} family={family} />}
      </div>
    </div>
  );
}
