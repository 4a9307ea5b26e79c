import Button from '@mui/material/Button';
import { type Answer, type Entry, type EntryKey, keyText, kindWords, linksOf, titleOf } from '@wire-trail/core';
import { useEffect, useMemo, useState } from 'react';
import { Link } from 'react-router';
import { api } from '../../foundation/api.ts';
import { ChangeList } from '../../parts/changes/ChangeList.tsx';
import { Input } from '../../parts/field/Input.tsx';
import { Fold } from '../../parts/fold/Fold.tsx';
import { EntryLooks } from './EntryLooks.tsx';
import { FoundIn } from './FoundIn.tsx';
import { NewEntry } from './NewEntry.tsx';

type Item = Answer<'changeSet'>['items'][number];
type Props = Readonly<{
  family: EntryKey['family'];
  items: readonly Item[];
  /** What is said of each entry; what a reviewer says of it is told by `onSay`, which is left out where nobody may. */
  said: ReadonlyMap<string, string>;
  onSay: ((key: string, said: string) => void) | null;
  /** Told once what is to fix and what leans on it stands there, or cannot be had. */
  onLooked: (family: EntryKey['family']) => void;
}>;

/** Whether a newer revision of it is published: this one would take that back. */
export const isOvertaken = (item: { number: number; published: number | null }): boolean =>
  item.published !== null && item.published > item.number;

const none: readonly Entry[] = [];
/** So many of what names an entry are named. */
const namedAtMost = 12;

/**
 * What a set changes in one unit, entry by entry: what differs, how it will be, what is to fix in it and what else leans on it,
 * with a place for what the reviewer says of it.
 */
export function ReviewedEntries({ family, items, said, onSay, onLooked }: Props) {
  const { data: findings, isError: noFindings } = api.useFindingsQuery(family ?? '', { skip: family === null });
  const { data: working, isError: noWorking } = api.useWorkingQuery(family ?? '', { skip: family === null });
  const isLooked = family === null || ((findings !== undefined || noFindings) && (working !== undefined || noWorking));
  useEffect(() => {
    if (isLooked) onLooked(family);
  }, [isLooked, family, onLooked]);
  const entries = useMemo(
    () => [...items.map((i) => i.body), ...(working?.map((w) => w.body) ?? none)],
    [items, working],
  );
  const namedBy = useMemo(() => namersOf(working?.map((w) => w.body) ?? none), [working]);
  return items.map((item) => {
    const key = keyText(item.key);
    const namers = namedBy.get(key) ?? [];
    return (
      <section key={key} className="sheet stack" aria-label={titleOf(item.body)}>
        <div className="row spread">
          <h2>{titleOf(item.body)}</h2>
          <span className="soft small">
            {kindWords[item.key.kind]} · rev {item.number}
            {item.before !== null && ` against rev ${item.before}`}
          </span>
        </div>
        {isOvertaken(item) && (
          <div className="note bad">
            <strong>
              Revision {item.published} has been published since this was submitted; publishing revision {item.number}{' '}
              would take it back.
            </strong>
            <p>Give it back and save it anew on revision {item.published}. What differs between the two:</p>
          </div>
        )}
        {item.before === null ? (
          <NewEntry body={item.body} entries={entries} family={family} findings={findings} />
        ) : (
          <>
            <ChangeList changes={item.changes} />
            <Fold title="As it will be" lazy>
              <EntryLooks body={item.body} entries={entries} family={family} />
              <p className="small">
                <Link to={`/shelf/${family ?? 'library'}/${item.key.kind}/${item.key.id}`}>All of it</Link>
                {family && (
                  <>
                    {' · '}
                    <Link to={`/play/${family}`}>Play the unit</Link>
                  </>
                )}
              </p>
            </Fold>
            <FoundIn body={item.body} findings={findings} />
          </>
        )}
        {namers.length > 0 && (
          <p className="row small">
            <span className="soft">Touches</span>
            {namers.slice(0, namedAtMost).map((e) => (
              <span key={keyText(e)} className="tag">
                {kindWords[e.kind]}: {titleOf(e)}
              </span>
            ))}
            {namers.length > namedAtMost && <span className="soft">and {namers.length - namedAtMost} more</span>}
          </p>
        )}
        {onSay ? (
          <Says said={said.get(key) ?? ''} onSay={(text) => onSay(key, text)} />
        ) : (
          said.has(key) && (
            <div className="note">
              <strong>The reviewer asks:</strong> {said.get(key)}
            </div>
          )
        )}
      </section>
    );
  });
}

/** What a reviewer asks for at one entry; of a large set hardly any is asked about, so its field comes when it is wanted. */
function Says({ said, onSay }: { said: string; onSay: (said: string) => void }) {
  const [open, setOpen] = useState(said !== '');
  if (!open)
    return (
      <div>
        <Button variant="text" size="inline" onClick={() => setOpen(true)}>
          Ask for a change …
        </Button>
      </div>
    );
  return (
    <label className="field">
      What should be otherwise here
      <Input
        fullWidth
        multiline
        autoFocus
        value={said}
        onChange={(e) => onSay(e.target.value)}
        slotProps={{ input: { maxLength: 1000 } }}
      />
    </label>
  );
}

/** By the key of an entry, the entries that name it. */
function namersOf(entries: readonly Entry[]): ReadonlyMap<string, readonly Entry[]> {
  const named = new Map<string, Entry[]>();
  // everything is of its unit
  for (const entry of entries)
    for (const key of new Set(linksOf(entry).map(({ to }) => `${to.kind}:${to.id}`)))
      if (!key.startsWith('family:')) named.set(key, [...(named.get(key) ?? []), entry]);
  return named;
}
