import { type Entry, type EntryKey, entriesOf, kindWords, linksOf, type Working } from '@wire-trail/core';
import { useEffect, useState } from 'react';
import { useParams, useSearchParams } from 'react-router';
import { api } from '../../foundation/api.ts';
import { useAppDispatch, useAppSelector } from '../../foundation/store.ts';
import { FamilyBar } from '../../parts/family/FamilyBar.tsx';
import { tabOfKind } from '../../parts/family/family-tabs.ts';
import { PageBar } from '../../parts/page-bar/PageBar.tsx';
import { Failed } from '../../parts/states/Failed.tsx';
import { Loading } from '../../parts/states/States.tsx';
import { TabRow } from '../../parts/tabs/TabRow.tsx';
import { Changes } from './Changes.tsx';
import { chartTabs } from './chart/tabs.ts';
import './entry-editor.css';
import { type Body, draftClosed, draftOpened, entryIn, redone, undone } from '../../foundation/entry-draft-slice.ts';
import { EditorBar } from './EditorBar.tsx';
import { EntryView } from './EntryView.tsx';
import { FoundHere } from './FoundHere.tsx';
import { History } from './History.tsx';
import { keepDraft, keptDraft } from './kept-draft.ts';
import { newEntry } from './new-entry.ts';
import { readoutTabs } from './readout/tabs.ts';
import { routeTabs } from './route/tabs.ts';
import { Siblings } from './Siblings.tsx';

const always = ['What changed', 'History'] as const;
/** Kinds with several tabs name them; the others have one. */
const tabsOf = (kind: string): readonly string[] =>
  kind === 'route' ? routeTabs : kind === 'readout' ? readoutTabs : kind === 'chart' ? chartTabs : ['Entry'];

/** Any entry: edit, save a draft revision, see what it changes, submit. */
export default function EntryEditorPage() {
  const { family = '', kind = '', id = '' } = useParams();
  const [search] = useSearchParams();
  const dispatch = useAppDispatch();
  const shared = family === 'library';
  const key = { family: shared ? null : family, kind, id } as EntryKey;
  const address = `${family}/${kind}/${id}`;
  const name = search.get('new');
  const { data: entry, error } = api.useEntryQuery(key);
  const isNew = name !== null && error !== undefined && 'status' in error && error.status === 404;
  const begins = isNew && kind === 'family';
  // what is new is made of what the unit has by now, not of what it had before the last step was kept
  const own = api.useWorkingQuery(family, { skip: shared || begins, refetchOnMountOrArgChange: name !== null });
  const library = api.useLibraryQuery(undefined, { skip: !shared });
  // a family stands on its own: nothing has to be waited for, nor taken from the screen once its first draft is saved
  const working = shared ? library.data : (own.data ?? (kind === 'family' ? noEntries : undefined));
  const isBehind = own.isFetching;
  const draft = useAppSelector((s) => s.entryDraft);
  const views = [...tabsOf(kind), ...always];
  const first = views[0] ?? '';
  const [view, changeSetView] = useState(views.find((v) => v === search.get('tab')) ?? first);
  const isOpen = draft.status === 'open' && draft.address === address;

  useEffect(() => {
    if (isOpen || !working || (!entry && !isNew) || (isNew && isBehind)) return;
    const made = () =>
      newEntry({ family: shared ? null : family, kind: kind as EntryKey['kind'], id }, name ?? id, {
        entries: working.map((w) => w.body),
      });
    const saved = (entry?.latest.body as Body | undefined) ?? made();
    if (!saved) return;
    const kept = keptDraft(address);
    // what was typed and not saved on this device goes on from where it was, on the revision it was based on
    dispatch(
      draftOpened({
        address,
        basedOn: kept?.basedOn ?? entry?.latest.number ?? 0,
        saved,
        body: kept?.body ?? saved,
        past: kept?.past ?? [],
      }),
    );
  }, [isOpen, working, entry, isNew, isBehind, family, kind, shared, id, name, address, dispatch]);
  useEffect(() => () => void dispatch(draftClosed()), [dispatch]);
  useEffect(() => {
    if (isOpen)
      keepDraft(
        address,
        draft.body === draft.saved
          ? null
          : { basedOn: draft.basedOn, body: draft.body, past: draft.past.slice(-mostKept) },
      );
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
  const body = entryIn(draft.body);
  const others = working.map((w) => w.body).filter((b) => b.kind !== kind || b.id !== id);
  const bodies = { entries: [...others, body] };
  const isListed = kind !== 'family' && kind !== 'panel' && kind !== 'account';
  const title = entriesOf(bodies, 'family').find((f) => f.id === family)?.name ?? family;
  return (
    <div className={isListed ? 'with-siblings' : ''}>
      {shared ? (
        <PageBar above={[{ name: 'Common', to: '/library' }]} title={kindWords[body.kind]} isAbove />
      ) : begins ? (
        <PageBar above={[{ name: 'Shelf', to: '/shelf' }]} title="New unit" isAbove />
      ) : (
        <FamilyBar family={family} name={title} tab={tabOfKind[body.kind] ?? 'Panel'} isAbove writes />
      )}
      {isListed && <Siblings scope={family} kind={body.kind} entries={working} />}
      <div className="stack">
        <EditorBar
          entryKey={key}
          draft={draft}
          latest={entry?.latest ?? null}
          published={Boolean(entry?.published)}
          together={draftsWith(body, working)}
          onStale={() => changeSetView(first)}
        />
        <TabRow
          name="views of the entry"
          value={view}
          onPick={changeSetView}
          tabs={views.map((v) => ({
            value: v,
            label:
              v === 'What changed' && entry && entry.changes.length > 0 ? (
                <span>
                  {v} <span className="tag">{entry.changes.length}</span>
                </span>
              ) : (
                v
              ),
          }))}
        />
        {/* routes and charts tell what is found at its place */}
        {view === first && kind !== 'route' && kind !== 'chart' && !shared && <FoundHere body={body} bodies={bodies} />}
        {tabsOf(kind).includes(view) && <EntryView body={body} bodies={bodies} tab={view} />}
        {view === 'What changed' && <Changes published={entry?.published?.body ?? null} body={body} />}
        {view === 'History' && <History entryKey={key} entry={entry ?? null} />}
      </div>
    </div>
  );
}

const noEntries: never[] = [];
/** So many steps back are there after a reload. */
const mostKept = 60;

/** Drafts an entry names, and the accounts told of a route: a publish set without them would be refused. */
function draftsWith(body: Entry, working: readonly Working[]): Array<EntryKey & { number: number }> {
  const named = new Set(linksOf(body).map((l) => `${l.to.kind}:${l.to.id}`));
  return working.flatMap((w) => {
    const told = body.kind === 'route' && w.body.kind === 'account' && w.body.route === body.id;
    const belongs =
      w.state === 'draft' && (told || named.has(`${w.kind}:${w.id}`)) && !(w.kind === body.kind && w.id === body.id);
    return belongs
      ? [{ family: w.family, kind: w.kind, id: w.id, number: w.number } as EntryKey & { number: number }]
      : [];
  });
}
