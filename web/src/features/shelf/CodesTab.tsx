import Button from '@mui/material/Button';
import { type Code, CodeText, codeIdOf, entriesOf, entryOf, revisionStateWords } from '@wire-trail/core';
import { type FormEvent, lazy, Suspense, useState } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { CodeGlyph, StandingMark } from '../../parts/code/CodeGlyph.tsx';
import { Input } from '../../parts/field/Input.tsx';
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
        <div className="row views" role="group" aria-label="how the codes are shown">
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
    <div className="family-room">
      <div className="stack">
        {panel?.faces[0] && (
          <div className="sheet" style={{ position: 'sticky', top: '1rem' }}>
            <div className="row spread">
              <h3>{pointed ? 'As the unit shows it' : 'Front'}</h3>
              {pointed && <CodeGlyph text={pointed.text} size="large" />}
            </div>
            <PanelDrawing face={panel.faces[0]} lamps={show.lamps} texts={show.texts} sounding={show.sounding} />
            <p className="soft small">{show.label ? `now: ${show.label}` : 'not shown on this panel'}</p>
          </div>
        )}
      </div>
      <div className="sheet">
        {writes && <AddCode family={family} taken={rows.map((r) => r.body.id)} />}
        {rows.length === 0 && <Empty title="No code yet" />}
        <div className="code-list">
          {rows.map((row) => (
            <Link
              key={row.body.id}
              to={address(row)}
              className={`code-line ${pointed?.id === row.body.id ? 'now' : ''}`}
              onMouseEnter={() => setPointed(row.body)}
              onFocus={() => setPointed(row.body)}
            >
              <CodeGlyph text={row.body.text} size="large" />
              <span>
                <strong>{row.body.title}</strong>
                <span className="soft small" style={{ display: 'block' }}>
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
        {symptoms.length > 0 && <h3 style={{ marginTop: '1.25rem' }}>Symptoms, without a code</h3>}
        <div className="code-list">
          {symptoms.map(
            (row) =>
              row.body.kind === 'symptom' && (
                <Link key={row.body.id} to={address(row)} className="code-line">
                  <span className="soft">—</span>
                  <strong>{row.body.title}</strong>
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

function AddCode({ family, taken }: { family: string; taken: readonly string[] }) {
  const navigate = useNavigate();
  const [text, setText] = useState('');
  const id = codeIdOf(text);
  const isTaken = taken.includes(id);
  const isCode = CodeText.safeParse(text.trim()).success && id !== '';
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (isCode && !isTaken) void navigate(`/shelf/${family}/code/${id}?new=${encodeURIComponent(text.trim())}`);
  };
  return (
    <form className="row" onSubmit={submit} style={{ marginBottom: '0.75rem' }}>
      <label className="field" style={{ width: 160 }}>
        <span className="visually-hidden">New code</span>
        <Input
          fullWidth
          className="mono"
          placeholder="new code"
          value={text}
          onChange={(e) => setText(e.target.value)}
          slotProps={{ input: { maxLength: 16 } }}
        />
      </label>
      <Button type="submit" disabled={!isCode || isTaken}>
        Write an entry
      </Button>
      {isTaken && <span className="wrong">{text.trim()} has an entry already.</span>}
    </form>
  );
}
