import Button from '@mui/material/Button';
import { type Bundle, type Entry, type Finding, findingWords, keyText, mendsOf, tryMend } from '@wire-trail/core';
import { useMemo, useState } from 'react';
import { draftEdited } from '../../foundation/entry-draft-slice.ts';
import { useAppDispatch } from '../../foundation/store.ts';
import { Worse } from '../../parts/mends/Worse.tsx';

type Props = Readonly<{
  finding: Finding;
  /** The unit as it stands with what is edited here, in which it was found. */
  bundle: Bundle;
  body: Entry;
}>;

/** What mends a finding within the entry that is edited: one edit more, undone as any other. */
export function MendHere({ finding, bundle, body }: Props) {
  const dispatch = useAppDispatch();
  const [asked, setAsked] = useState<Readonly<{ to: Entry; tried: ReturnType<typeof tryMend> }> | null>(null);
  // what changes other entries is mended in the unit's own list
  const mends = useMemo(
    () =>
      mendsOf(finding, bundle).flatMap(({ words, entries }) => {
        const [to, ...more] = entries;
        return to && more.length === 0 && keyText(to) === keyText(body) ? [{ words, to }] : [];
      }),
    [finding, bundle, body],
  );
  const edit = (to: Entry) => void dispatch(draftEdited({ body: to, about: '' }));
  const mend = (words: string, to: Entry) => {
    const tried = tryMend(finding, bundle, { words, entries: [to] });
    if (tried.isGone && !tried.brings.some((f) => f.severity === 'error')) edit(to);
    else setAsked({ to, tried });
  };
  if (mends.length === 0) return null;
  return (
    <>
      <div className="row mends no-print">
        {mends.map(({ words, to }) => (
          <Button key={words} size="small" onClick={() => mend(words, to)}>
            {words}
          </Button>
        ))}
      </div>
      {asked && (
        <Worse
          isGone={asked.tried.isGone}
          brings={asked.tried.brings.map((f) => ({ severity: f.severity, words: findingWords(f) }))}
          onAll={() => {
            setAsked(null);
            edit(asked.to);
          }}
          onLeave={() => setAsked(null)}
        />
      )}
    </>
  );
}
