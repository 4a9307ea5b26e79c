import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import { entriesOf } from '@wire-trail/core';
import { Link } from 'react-router';
import { useVerbatim } from '../../foundation/use-own.ts';
import { StandingMark } from '../../parts/code/CodeGlyph.tsx';
import { AddEntry } from '../../parts/family/AddEntry.tsx';
import { Empty } from '../../parts/states/States.tsx';
import type { TabProps } from './tab-props.ts';

/** Settings with how they are shown, what they may be, and the right one by variant. */
export function SettingsTab({ entries, family, writes }: TabProps) {
  const verbatim = useVerbatim();
  const bodies = { entries: entries.map((e) => e.body) };
  const settings = entriesOf(bodies, 'setting');
  const own = entriesOf(bodies, 'family').find((f) => f.id === family);
  const variant = (id: string | null) =>
    id === null ? 'every variant' : (own?.variants.find((v) => v.id === id)?.name ?? id);
  return (
    <div className="sheet">
      {writes && <AddEntry scope={family} kind="setting" taken={settings.map((s) => s.id)} />}
      {settings.length === 0 && <Empty title="No setting yet" />}
      <Table>
        <TableBody>
          {settings.map((s) => (
            <TableRow key={s.id}>
              <TableCell>
                {writes ? <Link to={`/shelf/${family}/setting/${s.id}`}>{s.name}</Link> : s.name}
                <div className="soft small">{s.shownAs}</div>
              </TableCell>
              <TableCell className="mono">{s.allowed.map((a) => verbatim(a, s.unit)).join(' · ')}</TableCell>
              <TableCell>
                {s.right.map((r) => (
                  <div key={`${r.variant}${r.value}`}>
                    <strong className="mono">{verbatim(r.value, s.unit)}</strong>{' '}
                    <span className="soft">on {variant(r.variant)}</span>
                  </div>
                ))}
              </TableCell>
              <TableCell>
                <StandingMark standing={s.standing} />
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </div>
  );
}
