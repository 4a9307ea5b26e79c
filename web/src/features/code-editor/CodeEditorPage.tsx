import { type CodeId, type EntryKey, entriesOf, type Family } from '@wire-trail/core';
import { useEffect, useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { api } from '../../app/api.ts';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import { Failed, Loading } from '../../parts/states/States.tsx';
import { Beside } from './Beside.tsx';
import { Changes } from './Changes.tsx';
import './code-editor.css';
import { EditorBar } from './EditorBar.tsx';
import { Fields } from './Fields.tsx';
import { History } from './History.tsx';
import { keepDraft, keptDraft } from './kept-draft.ts';
import { type Body, draftClosed, draftOpened, redone, undone } from './slice.ts';

const views = ['Entry', 'What changed', 'History'] as const;

/** A new code starts with what can be known of it: its text, and the controller and readout of the others. */
function newCode(family: Family, id: string, text: string, like: Body | undefined): Body | null {
  const sibling = like?.kind === 'code' ? like : null;
  const controller =
    sibling?.controller ?? (family.controllers.find((c) => c.authoritative) ?? family.controllers[0])?.id;
  if (!controller) return null;
  return {
    kind: 'code',
    id: id as CodeId,
    text,
    family: family.id,
    controller,
    readout: sibling?.readout ?? null,
    decoy: false,
    title: 'Not described yet',
    saw: '',
    does: '',
    detection: { notWatchedCycles: 0, inARow: 1, erasedAfterCleanCycles: null, cycle: 'cycle' },
    signStages: [],
    suspects: [],
    circumstances: [],
    scope: 'technician',
    hazards: sibling?.hazards ?? [],
    onlyVariants: [],
    goodReadings: [],
    chart: null,
    enter: sibling?.enter ?? null,
    clear: sibling?.clear ?? null,
    seeAlso: [],
    claims: [],
    pictures: [],
    frequency: 1,
    source: null,
    standing: 'experimental',
  };
}

/** A code or symptom: edit, save a draft revision, see what it changes, submit. */
export default function CodeEditorPage() {
  const { family = '', kind = '', id = '' } = useParams();
  const [search] = useSearchParams();
  const dispatch = useAppDispatch();
  const key = { family, kind, id } as EntryKey;
  const address = `${family}/${kind}/${id}`;
  const text = search.get('new');
  const { data: entry, error } = api.useEntryQuery(key);
  const { data: working } = api.useWorkingQuery(family);
  const draft = useAppSelector((s) => s.codeDraft);
  const [view, setView] = useState<(typeof views)[number]>('Entry');
  const isNew = text !== null && error !== undefined && 'status' in error && error.status === 404;
  const isOpen = draft.status === 'open' && draft.address === address;

  useEffect(() => {
    if (isOpen || !working || (!entry && !isNew)) return;
    const like = working.find((w) => w.kind === 'code')?.body as Body | undefined;
    const own = entriesOf({ entries: working.map((w) => w.body) }, 'family').find((f) => f.id === family);
    const saved = (entry?.latest.body as Body | undefined) ?? (own ? newCode(own, id, text ?? '', like) : null);
    if (!saved) return;
    const kept = keptDraft(address);
    // what was typed and not saved on this device goes on from where it was, on the revision it was based on
    dispatch(
      draftOpened({ address, basedOn: kept?.basedOn ?? entry?.latest.number ?? 0, saved, body: kept?.body ?? saved }),
    );
  }, [isOpen, working, entry, isNew, family, id, text, address, dispatch]);
  useEffect(() => () => void dispatch(draftClosed()), [dispatch]);
  useEffect(() => {
    if (isOpen) keepDraft(address, draft.body === draft.saved ? null : { basedOn: draft.basedOn, body: draft.body });
  }, [isOpen, address, draft]);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey)) return;
      const isUndo = event.key === 'z' && !event.shiftKey;
      if (!isUndo && event.key !== 'y' && !(event.key === 'Z' && event.shiftKey)) return;
      event.preventDefault();
      dispatch(isUndo ? undone() : redone());
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [dispatch]);

  if (error && !isNew) return <Failed error={error} />;
  if (!isOpen || !working) return <Loading what="the entry" />;
  const bodies = { entries: working.map((w) => w.body) };
  const name = entriesOf(bodies, 'family').find((f) => f.id === family)?.name ?? family;
  return (
    <>
      <p className="small">
        <Link to={`/shelf/${family}?room=Codes`}>{name}</Link> ›
      </p>
      <EditorBar entryKey={key} draft={draft} latest={entry?.latest ?? null} onStale={() => setView('Entry')} />
      <div className="rooms" role="tablist" aria-label="views of the entry">
        {views.map((v) => (
          <button key={v} type="button" role="tab" aria-selected={v === view} onClick={() => setView(v)}>
            {v}
            {v === 'What changed' && entry && entry.changes.length > 0 && (
              <span className="tag" style={{ marginLeft: 6 }}>
                {entry.changes.length}
              </span>
            )}
          </button>
        ))}
      </div>
      <div className="editor">
        <Beside body={draft.body} bodies={bodies} />
        <div>
          {view === 'Entry' && <Fields body={draft.body} bodies={bodies} />}
          {view === 'What changed' && <Changes published={entry?.published?.body ?? null} body={draft.body} />}
          {view === 'History' && <History entryKey={key} entry={entry ?? null} />}
        </div>
      </div>
    </>
  );
}
