import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { entriesOf, entryOf, outcomeWords, type WalkLine } from '@wire-trail/core';
import { Link, useParams } from 'react-router';
import { api } from '../../foundation/api.ts';
import { CodeGlyph } from '../../parts/code/CodeGlyph.tsx';
import { PageBar } from '../../parts/page-bar/PageBar.tsx';
import { PanelDrawing } from '../../parts/panel/PanelDrawing.tsx';
import { Failed } from '../../parts/states/Failed.tsx';
import { Empty, Loading } from '../../parts/states/States.tsx';
import { Day } from '../../parts/when/When.tsx';
import { EarlierReadings } from './EarlierReadings.tsx';

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
    <div className="split">
      <PageBar
        above={[{ name: own?.name ?? family, to: `/shelf/${family}` }]}
        title={<span className="mono">{data.machine.serial}</span>}
        called={data.machine.serial}
      />
      <div className="stack">
        <div className="sheet">
          <p>
            <Link to={`/shelf/${family}`}>{own?.name ?? family}</Link>
            {variant && ` · ${variant.name}`}
          </p>
          {face && <PanelDrawing face={face} thumbnail />}
          <Table>
            <TableBody>
              <TableRow>
                <TableCell component="th" scope="row">
                  model
                </TableCell>
                <TableCell className="mono">{data.machine.model || 'not read'}</TableCell>
              </TableRow>
              <TableRow>
                <TableCell component="th" scope="row">
                  software
                </TableCell>
                <TableCell className="mono">{data.machine.software ?? 'not read'}</TableCell>
              </TableRow>
              {Object.entries(data.machine.options).map(([name, value]) => (
                <TableRow key={name}>
                  <TableCell component="th" scope="row">
                    {name}
                  </TableCell>
                  <TableCell>{value}</TableCell>
                </TableRow>
              ))}
              {data.machine.composition.map((a) => (
                <TableRow key={a.part}>
                  <TableCell component="th" scope="row">
                    {a.part}
                  </TableCell>
                  <TableCell>
                    {a.count}
                    {a.generation && ` · ${a.generation}`}
                  </TableCell>
                </TableRow>
              ))}
              <TableRow>
                <TableCell component="th" scope="row">
                  last seen
                </TableCell>
                <TableCell>
                  <Day at={data.machine.lastSeenAt} />
                </TableCell>
              </TableRow>
            </TableBody>
          </Table>
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
            <Table>
              <TableHead>
                <TableRow>
                  <TableCell>since</TableCell>
                  <TableCell>what</TableCell>
                  <TableCell>by</TableCell>
                </TableRow>
              </TableHead>
              <TableBody>
                {data.ledger.map((o) => (
                  <TableRow key={`${o.walk}${o.key}`}>
                    <TableCell>
                      <Link to={`/log/${o.walk}`}>
                        <Day at={o.since} />
                      </Link>
                    </TableCell>
                    <TableCell>
                      {o.setting ? `${(bundle && entryOf(bundle, 'setting', o.setting)?.name) ?? o.setting}: ` : ''}
                      {o.what}
                    </TableCell>
                    <TableCell>{o.by ? <Day at={o.by} /> : <span className="soft">nobody said</span>}</TableCell>
                  </TableRow>
                ))}
              </TableBody>
            </Table>
            <p className="soft small">Put it back on a walk of this machine; at its Clear station it is named.</p>
          </section>
        )}
        <EarlierReadings readings={data.readings} bundle={bundle} />
        <div className="sheet">
          <h2>Walks</h2>
          <Table>
            <TableHead>
              <TableRow>
                <TableCell>day</TableCell>
                <TableCell>code</TableCell>
                <TableCell>what came of it</TableCell>
                <TableCell>by</TableCell>
              </TableRow>
            </TableHead>
            <TableBody>
              {data.walks.map((w) => (
                <TableRow key={w.id}>
                  <TableCell>
                    <Link to={`/log/${w.id}`}>
                      <Day at={w.startedAt} />
                    </Link>
                  </TableCell>
                  <TableCell>
                    {w.code ? <CodeGlyph text={w.code.toUpperCase()} /> : <span className="soft">none</span>}
                  </TableCell>
                  <TableCell>
                    {w.fixedBy ? `fixed by ${w.fixedBy}` : w.outcome ? outcomeWords[w.outcome] : w.state}
                  </TableCell>
                  <TableCell>{w.by}</TableCell>
                </TableRow>
              ))}
            </TableBody>
          </Table>
        </div>
      </div>
    </div>
  );
}
