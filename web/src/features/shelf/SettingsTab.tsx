import { entriesOf } from '@wire-trail/core';
import { Link } from 'react-router';
import { StandingMark } from '../../parts/code/CodeGlyph.tsx';
import { Empty } from '../../parts/states/States.tsx';
import { AddEntry } from './AddEntry.tsx';
import type { TabProps } from './tab-props.ts';

/** Settings with how they are shown, what they may be, and the right one by variant. */
export function SettingsTab({ entries, family, writes }: TabProps) {
  const bodies = { entries: entries.map((e) => e.body) };
  const settings = entriesOf(bodies, 'setting');
  const own = entriesOf(bodies, 'family').find((f) => f.id === family);
  const variant = (id: string | null) =>
    id === null ? 'every variant' : (own?.variants.find((v) => v.id === id)?.name ?? id);
  return (
    <div className="sheet">
      {writes && <AddEntry scope={family} kind="setting" label="setting" taken={settings.map((s) => s.id)} />}
      {settings.length === 0 && <Empty title="No setting yet" />}
      <table className="table">
        <tbody>
          {settings.map((s) => (
            <tr key={s.id}>
              <td>
                {writes ? <Link to={`/shelf/${family}/setting/${s.id}`}>{s.name}</Link> : s.name}
                <div className="soft small">{s.shownAs}</div>
              </td>
              <td className="mono">{s.allowed.join(' · ')}</td>
              <td>
                {s.right.map((r) => (
                  <div key={`${r.variant}${r.value}`}>
                    <strong className="mono">{r.value}</strong> <span className="soft">on {variant(r.variant)}</span>
                  </div>
                ))}
              </td>
              <td>
                <StandingMark standing={s.standing} />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
