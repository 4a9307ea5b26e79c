import Button from '@mui/material/Button';
import { type Answer, type Entry, keyText, withAccepted, withoutAccepted } from '@wire-trail/core';
import { useState } from 'react';
import { api } from '../../foundation/api.ts';
import { useAppSelector } from '../../foundation/store.ts';
import { Input } from '../../parts/field/Input.tsx';
import type { TabProps } from './tab-props.ts';
import { JobBar } from './table/JobBar.tsx';
import { useJob } from './table/use-job.ts';

type Found = Answer<'findings'>[number];
type About = Readonly<{ finding: string; facts: string }>;

/** The entries that findings are about, each changed by what was found in it. */
function changedBy(
  findings: readonly Found[],
  entries: TabProps['entries'],
  change: (entry: Entry, about: readonly About[]) => Entry,
) {
  const about = new Map<string, About[]>();
  for (const { entry, code, facts } of findings)
    if (entry && facts !== '')
      about.set(keyText(entry), [...(about.get(keyText(entry)) ?? []), { finding: code, facts }]);
  return entries.flatMap(({ body, number }) => {
    const own = about.get(keyText(body));
    return own ? [{ basedOn: number, body: change(body, own) }] : [];
  });
}

/** Lets findings stand, with a reason and one's name: written as drafts, which are submitted like any change. */
export function AcceptFindings({ findings, entries }: Pick<TabProps, 'entries'> & { findings: readonly Found[] }) {
  const [open, setOpen] = useState(false);
  const [reason, setReason] = useState('');
  const session = useAppSelector((s) => s.session);
  const [save] = api.useSaveDraftsMutation();
  const run = useJob();
  const may = findings.filter((f) => f.facts !== '');
  if (may.length === 0 || session.status !== 'signed-in') return null;
  if (!open)
    return (
      <Button variant="text" size="inline" onClick={() => setOpen(true)}>
        {may.length === 1 ? 'Let it stand …' : `Let all ${may.length} stand …`}
      </Button>
    );
  const accept = () => {
    const as = { reason: reason.trim(), by: session.user.name, on: new Date().toISOString().slice(0, 10) };
    const items = changedBy(may, entries, (entry, about) => withAccepted(entry, about, as));
    return run.start(() => save({ note: `let stand: ${as.reason}`.slice(0, 200), submit: null, items }));
  };
  return (
    <form
      className="stack"
      onSubmit={(e) => {
        e.preventDefault();
        if (reason.trim()) void accept();
      }}
    >
      <label className="field">
        Why it may stand
        <Input
          fullWidth
          value={reason}
          onChange={(e) => setReason(e.target.value)}
          slotProps={{ input: { maxLength: 400 } }}
        />
      </label>
      <div className="row">
        <Button type="submit" disabled={!reason.trim() || run.job?.state === 'running'}>
          Let it stand
        </Button>
        <Button variant="text" onClick={() => setOpen(false)}>
          Cancel
        </Button>
      </div>
      <JobBar run={run} what="letting it stand" />
    </form>
  );
}

/** Opens a finding again that somebody let stand. */
export function OpenAgain({ finding, entries }: Pick<TabProps, 'entries'> & { finding: Found }) {
  const [save] = api.useSaveDraftsMutation();
  const run = useJob();
  const again = () =>
    run.start(() => save({ note: 'open again', submit: null, items: changedBy([finding], entries, withoutAccepted) }));
  return (
    <Button variant="text" size="inline" disabled={run.job?.state === 'running'} onClick={() => void again()}>
      Open again
    </Button>
  );
}
