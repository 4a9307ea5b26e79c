import Button from '@mui/material/Button';
import {
  changeSetStateWords,
  type EntryKey,
  groupBy,
  readReviewNote,
  roleAtLeast,
  writeReviewNote,
} from '@wire-trail/core';
import { useCallback, useState } from 'react';
import { useParams } from 'react-router';
import { type ApiError, api } from '../../foundation/api.ts';
import { useAppSelector } from '../../foundation/store.ts';
import { Input } from '../../parts/field/Input.tsx';
import { PageBar } from '../../parts/page-bar/PageBar.tsx';
import { Failed } from '../../parts/states/Failed.tsx';
import { Loading } from '../../parts/states/States.tsx';
import { Moment } from '../../parts/when/When.tsx';
import { isOvertaken, ReviewedEntries } from './ReviewedEntries.tsx';

/** A large set is looked at in pieces. */
const atOnce = 200;

/** A publish set: what it changes, published as a whole or given back with a word. */
export default function ChangeSetPage() {
  const { set: id = '' } = useParams();
  const session = useAppSelector((s) => s.session);
  const { currentData: set, error, refetch } = api.useChangeSetQuery(Number(id));
  const { data: settings } = api.useSettingsQuery();
  const [publish, publishing] = api.usePublishMutation();
  const [giveBack, giving] = api.useGiveBackMutation();
  const [all, setAll] = useState('');
  const [said, setSaid] = useState<ReadonlyMap<string, string>>(new Map());
  const [shown, setShown] = useState(atOnce);
  const [problem, setProblem] = useState<ApiError | null>(null);
  // nobody decides before what is to fix stands there; and what comes in above moves no button under the pointer
  const [looked, setLooked] = useState<ReadonlySet<EntryKey['family']>>(new Set());
  const onLooked = useCallback(
    (family: EntryKey['family']) => setLooked((before) => (before.has(family) ? before : new Set(before).add(family))),
    [],
  );
  if (error && !set) return <Failed error={error} again={() => void refetch()} />;
  if (!set || session.status !== 'signed-in') return <Loading what="the set" />;
  const { user } = session;
  const told = readReviewNote(set.note);
  const note = writeReviewNote({ all, of: said });
  const asks = [...said.values()].filter((text) => text.trim() !== '').length;
  const own = set.authorId === user.id;
  const reviews = roleAtLeast(user.role, 'reviewer');
  const overtaken = set.state === 'in-review' && set.items.some(isOvertaken);
  const mayPublish = reviews && !overtaken && (!own || settings?.ownReview === true);
  const isLooked = set.items.slice(0, shown).every((item) => looked.has(item.key.family));
  const run = async (action: Promise<{ error?: unknown }>) => {
    const result = await action;
    setProblem((result.error as ApiError | undefined) ?? null);
  };
  return (
    <div className="stack">
      <PageBar
        above={[{ name: 'Bench', to: '/bench' }]}
        title={set.title}
        state={<span className="tag">{changeSetStateWords[set.state]}</span>}
      />
      <p className="soft">
        by {set.author ?? 'import'}, <Moment at={set.submittedAt} />
        {set.reviewer && ` · ${set.state} by ${set.reviewer}`}
        {set.ownReview && set.state === 'published' && <strong> · reviewed by its own author</strong>}
      </p>
      {told.all && <div className="note">{told.all}</div>}
      {problem && (
        <div className="note bad" role="alert">
          <strong>{problem.title}</strong>
          {problem.detail && <p>{problem.detail}</p>}
          <ul>
            {problem.fields?.map((f) => (
              <li key={f.path.join('.') + f.reason}>
                <code>{f.path.join('.')}</code>: {f.reason}
              </li>
            ))}
          </ul>
        </div>
      )}
      {[...groupBy(set.items.slice(0, shown), (i) => i.key.family ?? '').values()].map((items) => (
        <ReviewedEntries
          key={items[0]?.key.family}
          family={items[0]?.key.family ?? null}
          items={items}
          said={set.state === 'in-review' ? said : told.of}
          onLooked={onLooked}
          onSay={reviews && set.state === 'in-review' ? (key, text) => setSaid(new Map(said).set(key, text)) : null}
        />
      ))}
      {set.items.length > shown && (
        <Button onClick={() => setShown(shown + atOnce)}>Show more of the {set.items.length}</Button>
      )}
      {set.state === 'in-review' && (
        <section className="sheet stack">
          <label className="field">
            Comment
            <Input
              fullWidth
              value={all}
              onChange={(e) => setAll(e.target.value)}
              placeholder="proved on the bench, on which unit"
              slotProps={{ input: { maxLength: 1000 } }}
            />
          </label>
          <div className="row">
            {reviews && (
              <Button
                variant="contained"
                color="primary"
                disabled={!mayPublish || !isLooked || publishing.isLoading}
                onClick={() => void run(publish({ id: set.id, note }))}
              >
                Publish
              </Button>
            )}
            {(reviews || own) && (
              <Button disabled={!isLooked || giving.isLoading} onClick={() => void run(giveBack({ id: set.id, note }))}>
                {own
                  ? 'Withdraw'
                  : asks > 0
                    ? `Ask for ${asks === 1 ? 'the change' : `the ${asks} changes`}`
                    : 'Give it back'}
              </Button>
            )}
          </div>
          {!isLooked && (
            <p className="soft small" role="status">
              Looking for what is to fix in it …
            </p>
          )}
          {own && !mayPublish && !overtaken && (
            <p className="soft small">
              A reviewer who is not the author publishes. A one-person school can switch that off in the settings.
            </p>
          )}
        </section>
      )}
    </div>
  );
}
