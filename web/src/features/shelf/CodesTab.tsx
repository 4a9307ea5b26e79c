import Button from '@mui/material/Button';
import { type Code, entriesOf, entryOf, revisionStateWords } from '@wire-trail/core';
import { lazy, Suspense, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { CodeGlyph, StandingMark } from '../../parts/code/CodeGlyph.tsx';
import { AddEntry } from '../../parts/family/AddEntry.tsx';
import { PanelDrawing } from '../../parts/panel/PanelDrawing.tsx';
import { usePlay } from '../../parts/panel/use-play.ts';
import { Empty, Loading } from '../../parts/states/States.tsx';
import type { Shelved, TabProps } from './tab-props.ts';

const CodeTable = lazy(() => import('./table/CodeTable.tsx').then((m) => ({ default: m.CodeTable })));

/** Codes and symptoms: as a list beside the panel that shows them, or as a table to work in. */
export function CodesTab(props: TabProps) {
  const [search, setSearch] = useSearchParams();
  const asTable = props.writes && search.get('as') === 'table';
  return (
    <>
      {props.writes && (
        <div className="row" role="group" aria-label="how the codes are shown">
          {(['list', 'table'] as const).map((view) => (
            <Button
              key={view}
              variant={(view === 'table') === asTable ? 'contained' : 'outlined'}
              color={(view === 'table') === asTable ? 'primary' : 'inherit'}
              aria-pressed={(view === 'table') === asTable}
              onClick={() => setSearch({ room: 'Codes', as: view }, { replace: true })}
            >
              {view}
            </Button>
          ))}
        </div>
      )}
      {asTable ? (
        <Suspense fallback={<Loading what="the table" />}>
          <CodeTable {...props} />
        </Suspense>
      ) : (
        <CodeList {...props} />
      )}
    </>
  );
}

function CodeList({ entries, family, writes }: TabProps) {
  const bodies = { entries: entries.map((e) => e.body) };
  const rows = entries
    .filter((e): e is Shelved & { body: Code } => e.body.kind === 'code')
    .sort((a, b) => (a.body.text < b.body.text ? -1 : 1));
  const symptoms = entries.filter((e) => e.body.kind === 'symptom');
  const [pointed, setPointed] = useState<Code | null>(rows[0]?.body ?? null);
  const readout = entryOf(bodies, 'readout', pointed?.readout) ?? null;
  const panel =
    entriesOf(bodies, 'panel').find((p) => p.controller === pointed?.controller) ?? entriesOf(bodies, 'panel')[0];
  const show = usePlay(readout, pointed?.text ?? null, 'in turn');
  const address = (e: Shelved) =>
    writes
      ? `/shelf/${family}/${e.body.kind}/${e.body.id}`
      : `/trail?find=${encodeURIComponent(e.body.kind === 'code' ? e.body.text : e.body.kind === 'symptom' ? e.body.title : '')}`;
  return (
    <div className="split">
      <div className="stack">
        {panel?.faces[0] && (
          <div className="sheet" style={{ position: 'sticky', top: '1rem' }}>
            <div className="row spread">
              <h2>{pointed ? 'As the unit shows it' : 'Front'}</h2>
              {pointed && <CodeGlyph text={pointed.text} size="large" />}
            </div>
            <PanelDrawing face={panel.faces[0]} lamps={show.lamps} texts={show.texts} sounding={show.sounding} />
            <p className="soft small">{show.label ? `now: ${show.label}` : 'not shown on this panel'}</p>
          </div>
        )}
      </div>
      <div className="sheet">
        {writes && (
          <div className="row">
            <AddEntry scope={family} kind="code" taken={rows.map((r) => r.body.id)} />
            <AddEntry scope={family} kind="symptom" taken={symptoms.map((r) => r.body.id)} />
          </div>
        )}
        {rows.length === 0 && <Empty title="No code yet" />}
        <div>
          {rows.map((row) => (
            <Link
              key={row.body.id}
              to={address(row)}
              className={`line ${pointed?.id === row.body.id ? 'now' : ''}`}
              onMouseEnter={() => setPointed(row.body)}
              onFocus={() => setPointed(row.body)}
            >
              <CodeGlyph text={row.body.text} size="large" />
              <span className="grow">
                <strong>{row.body.title}</strong>
                <span className="soft small">
                  {row.body.suspects
                    .slice(0, 3)
                    .map((s) => s.label)
                    .join(' · ')}
                </span>
              </span>
              <StandingMark standing={row.body.standing} />
              <State row={row} />
            </Link>
          ))}
        </div>
        {symptoms.length > 0 && <h2>Symptoms, without a code</h2>}
        <div>
          {symptoms.map(
            (row) =>
              row.body.kind === 'symptom' && (
                <Link key={row.body.id} to={address(row)} className="line">
                  <span className="soft">—</span>
                  <strong className="grow">{row.body.title}</strong>
                  <StandingMark standing={row.body.standing} />
                  <State row={row} />
                </Link>
              ),
          )}
        </div>
      </div>
    </div>
  );
}

function State({ row }: { row: Shelved }) {
  if (row.state === 'published') return <span className="soft small hide-narrow">rev {row.number}</span>;
  return (
    <span className="tag">
      {revisionStateWords[row.state]} rev {row.number}
    </span>
  );
}
