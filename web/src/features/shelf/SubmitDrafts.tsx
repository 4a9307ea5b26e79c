import Button from '@mui/material/Button';
import { keyOf } from '@wire-trail/core';
import { useNavigate } from 'react-router';
import { type ApiError, api } from '../../foundation/api.ts';
import type { Shelved } from './tab-props.ts';

/** Hands every draft of a family to a reviewer together: what belongs together is published together. */
export function SubmitDrafts({ name, entries }: { name: string; entries: readonly Shelved[] }) {
  const navigate = useNavigate();
  const [submit, { isLoading, error }] = api.useSubmitMutation();
  const drafts = entries.filter((e) => e.state === 'draft');
  const hand = async () => {
    const items = drafts.map((d) => ({ ...keyOf(d.body), number: d.number }));
    const result = await submit({ title: `${name}: ${items.length} drafts`, items });
    if (result.data) void navigate(`/bench/${result.data.id}`);
  };
  return (
    <>
      <Button disabled={isLoading} onClick={() => void hand()}>
        Submit {drafts.length === 1 ? 'the draft' : `all ${drafts.length} drafts`}
      </Button>
      {error && <span className="wrong">{(error as ApiError).title}</span>}
    </>
  );
}
