import Button from '@mui/material/Button';
import {
  type EntryKey,
  entrySchemas,
  lookedAt,
  placeWords,
  problemsOf,
  type RevisionWithBody,
  revisionStateWords,
  type Stale,
  sameJson,
  titleOf,
} from '@wire-trail/core';
import { useEffect, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { type ApiError, api } from '../../foundation/api.ts';
import {
  type DraftState,
  draftEdited,
  draftSaved,
  entryIn,
  redone,
  undone,
} from '../../foundation/entry-draft-slice.ts';
import { useAppDispatch } from '../../foundation/store.ts';
import { CodeGlyph } from '../../parts/code/CodeGlyph.tsx';
import { Input } from '../../parts/field/Input.tsx';
import { useTitle } from '../../parts/page-bar/PageBar.tsx';
import { UndoRedo } from '../../parts/undo/UndoRedo.tsx';
import { keepDraft } from './kept-draft.ts';
import { StaleDialog } from './StaleDialog.tsx';
import { WhatIsWrong } from './WhatIsWrong.tsx';

type Props = Readonly<{
  entryKey: EntryKey;
  draft: Extract<DraftState, { status: 'open' }>;
  latest: RevisionWithBody | null;
  published: boolean;
  /** Drafts it names, which have to be published with it. */
  together: ReadonlyArray<EntryKey & { number: number }>;
  onStale: () => void;
}>;

/** What can be done with the entry: undo, redo, save, submit; and what to do when somebody saved in between. */
export function EditorBar({ entryKey, draft, latest, published, together, onStale }: Props) {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const [save, saving] = api.useSaveDraftMutation();
  const [submit, submitting] = api.useSubmitMutation();
  const [stale, setStale] = useState<Stale | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const [problem, setProblem] = useState<ApiError | null>(null);
  const [note, setNote] = useState('');
  const [discard] = api.useDiscardMutation();
  const [sure, setSure] = useState(false);
  const { saved, basedOn } = draft;
  const body = entryIn(draft.body);
  const isDirty = !sameJson(body, saved) || basedOn === 0;
  const parsed = entrySchemas[body.kind].safeParse(body);
  const isSound = parsed.success;
  const problems = new Map(parsed.success ? [] : problemsOf(parsed.error).map((p) => [p.path.join('.'), p.reason]));
  const mayHand = latest?.state === 'draft' && !isDirty;

  useTitle(titleOf(body));

  const run = async () => {
    if (!isDirty || !isSound || saving.isLoading) return;
    setSaid(null);
    // who saves it here has looked at it here
    const result = await save({ key: entryKey, basedOn, note: note.trim(), body: lookedAt(body) });
    if (result.data) {
      dispatch(draftSaved({ number: result.data.number, body: result.data.body }));
      setSaid(`Saved as revision ${result.data.number}.`);
      setNote('');
      setProblem(null);
      return;
    }
    const error = result.error as ApiError;
    setProblem(error);
    if (error.stale) {
      setStale(error.stale);
      onStale();
    }
  };
  const runNow = useRef(run);
  useEffect(() => {
    runNow.current = run;
  });
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.key !== 's') return;
      event.preventDefault();
      void runNow.current();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
  /** An entry that was never published goes as it came; asked for twice, because its drafts go with it. */
  const take = async () => {
    if (!sure) return setSure(true);
    const result = await discard([entryKey]);
    if (result.error) return setProblem(result.error as ApiError);
    keepDraft(`${entryKey.family ?? 'library'}/${entryKey.kind}/${entryKey.id}`, null);
    void navigate(
      entryKey.family && entryKey.kind !== 'family'
        ? `/shelf/${entryKey.family}`
        : entryKey.family
          ? '/shelf'
          : '/library',
    );
  };
  const hand = async () => {
    const title = titleOf(body);
    const result = await submit({ title, items: [{ ...entryKey, number: basedOn }, ...together] });
    if ('data' in result && result.data) void navigate(`/bench/${result.data.id}`);
    else setProblem(result.error as ApiError);
  };
  return (
    <div className="row spread">
      <h1 className="page-title">
        {body.kind === 'code' && <CodeGlyph text={body.text} />} {body.kind === 'code' ? body.title : titleOf(body)}{' '}
        <span className="tag">
          {basedOn === 0 ? 'new' : `${latest ? revisionStateWords[latest.state] : ''} · rev ${basedOn}`}
        </span>
      </h1>
      <div className="row no-print">
        <UndoRedo
          undo={draft.past.length > 0 ? () => dispatch(undone()) : null}
          redo={draft.future.length > 0 ? () => dispatch(redone()) : null}
        />
        {isDirty && basedOn > 0 && (
          <Button variant="text" onClick={() => dispatch(draftEdited({ body: saved, about: '' }))}>
            Discard my edits
          </Button>
        )}
        <Input
          placeholder="What changed, in a few words"
          value={note}
          onChange={(e) => setNote(e.target.value)}
          slotProps={{ input: { 'aria-label': 'note on this revision', maxLength: 1000 } }}
        />
        {!published && latest?.state === 'draft' && (
          <Button onClick={() => void take()}>{sure ? 'Really withdraw it' : 'Withdraw'}</Button>
        )}
        <Button
          variant={isDirty ? 'contained' : 'outlined'}
          color={isDirty ? 'primary' : 'inherit'}
          disabled={!isDirty || !isSound || saving.isLoading}
          onClick={() => void run()}
        >
          Save draft
        </Button>
        <Button
          variant={mayHand ? 'contained' : 'outlined'}
          color={mayHand ? 'primary' : 'inherit'}
          disabled={!mayHand || submitting.isLoading}
          onClick={() => void hand()}
        >
          Submit for review
        </Button>
      </div>
      <p className="small" role="status">
        {problem && !stale ? (
          <span className="wrong">
            {problem.title} {problem.fields?.map((f) => `${placeWords(f.path.slice(1))}: ${f.reason}`).join('; ')}
          </span>
        ) : !isSound ? (
          <WhatIsWrong problems={problems} />
        ) : (
          (said ?? (isDirty ? 'Not saved yet; kept on this device.' : ''))
        )}
      </p>
      {stale && <StaleDialog stale={stale} draft={draft} onClose={() => setStale(null)} />}
    </div>
  );
}
