import { entriesOf, entryOf, type WalkLine } from '@wire-trail/core';
import { Link, useParams } from 'react-router';
import { api } from '../../foundation/api.ts';
import { CodeGlyph } from '../../parts/code/CodeGlyph.tsx';
import { PanelDrawing } from '../../parts/panel/PanelDrawing.tsx';
import { Empty, Failed, Loading } from '../../parts/states/States.tsx';
import './machine.css';
import { EarlierReadings } from './EarlierReadings.tsx';

const day = (iso: string | null) => iso?.slice(0, 10) ?? '';

/** Codes that came more than once, and whether anything was repaired for them. */
function cameBack(walks: readonly WalkLine[]): Array<{ code: string; times: number; repaired: boolean }> {
  const codes = new Set(walks.flatMap((w) => w.code ?? []));
  return [...codes].flatMap((code) => {
    const own = walks.filter((w) => w.code === code);
    return own.length > 1 ? [{ code, times: own.length, repaired: own.some((w) => w.outcome === 'fixed') }] : [];
  });
}

/** One real unit by its serial number: what it is, what is attached, and everything that was done to it. */
export default function MachinePage() {
  const { family = '', serial = '' } = useParams();
  const { currentData: data, error, refetch } = api.useMachineQuery({ family, serial });
  const { data: bundle } = api.useBundleQuery(family);
  if (error && !data) return <Failed error={error} again={() => void refetch()} />;
  if (!data) return <Loading what="the machine" />;
  if (!data.machine) return <Empty title="Nobody has walked this unit yet">Its first walk makes it known.</Empty>;
  const own = bundle && entriesOf(bundle, 'family').find((f) => f.id === family);
  const face = bundle && entriesOf(bundle, 'panel')[0]?.faces[0];
  const variant = own?.variants.find((v) => v.id === data.machine?.variant);
  const back = cameBack(data.walks);
  return (
    <div className="machine-page">
      <div className="stack">
        <div className="sheet">
          <h1 className="mono">{data.machine.serial}</h1>
          <p>
            <Link to={`/shelf/${family}`}>{own?.name ?? family}</Link>
            {variant && ` · ${variant.name}`}
          </p>
          {face && <PanelDrawing face={face} thumbnail />}
          <table className="table">
            <tbody>
              <tr>
                <th>model</th>
                <td className="mono">{data.machine.model || 'not read'}</td>
              </tr>
              <tr>
                <th>software</th>
                <td className="mono">{data.machine.software ?? 'not read'}</td>
              </tr>
              {Object.entries(data.machine.options).map(([name, value]) => (
                <tr key={name}>
                  <th>{name}</th>
                  <td>{value}</td>
                </tr>
              ))}
              {data.machine.composition.map((a) => (
                <tr key={a.part}>
                  <th>{a.part}</th>
                  <td>
                    {a.count}
                    {a.generation && ` · ${a.generation}`}
                  </td>
                </tr>
              ))}
              <tr>
                <th>last seen</th>
                <td>{day(data.machine.lastSeenAt)}</td>
              </tr>
            </tbody>
          </table>
        </div>
      </div>
      <div className="stack">
        {back.map(({ code, times, repaired }) => (
          <p key={code} className="note">
            <CodeGlyph text={code.toUpperCase()} /> came {times} times.{' '}
            {repaired
              ? 'What was done before did not hold: begin with the next suspect.'
              : 'Nothing was repaired for it yet: see what was read, and where it is going.'}
          </p>
        ))}
        {data.ledger.length > 0 && (
          <section className="sheet" aria-label="ledger">
            <h2>Left limited, or not put back</h2>
            <table className="table">
              <thead>
                <tr>
                  <th>since</th>
                  <th>what</th>
                  <th>by</th>
                </tr>
              </thead>
              <tbody>
                {data.ledger.map((o) => (
                  <tr key={`${o.walk}${o.key}`}>
                    <td>
                      <Link to={`/log/${o.walk}`}>{day(o.since)}</Link>
                    </td>
                    <td>
                      {o.setting ? `${(bundle && entryOf(bundle, 'setting', o.setting)?.name) ?? o.setting}: ` : ''}
                      {o.what}
                    </td>
                    <td>{o.by ?? <span className="soft">nobody said</span>}</td>
                  </tr>
                ))}
              </tbody>
            </table>
            <p className="soft small">Put it back on a walk of this machine; at its Clear station it is named.</p>
          </section>
        )}
        <EarlierReadings readings={data.readings} bundle={bundle} />
        <div className="sheet">
          <h2>Walks</h2>
          <table className="table">
            <thead>
              <tr>
                <th>day</th>
                <th>code</th>
                <th>what came of it</th>
                <th>by</th>
              </tr>
            </thead>
            <tbody>
              {data.walks.map((w) => (
                <tr key={w.id}>
                  <td>
                    <Link to={`/log/${w.id}`}>{day(w.startedAt)}</Link>
                  </td>
                  <td>{w.code ? <CodeGlyph text={w.code.toUpperCase()} /> : <span className="soft">none</span>}</td>
                  <td>{w.fixedBy ? `fixed by ${w.fixedBy}` : (w.outcome?.replaceAll('-', ' ') ?? w.state)}</td>
                  <td>{w.by}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      </div>
    </div>
  );
}
