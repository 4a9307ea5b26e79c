import Button from '@mui/material/Button';
import { type Answer, keyOf, keyText } from '@wire-trail/core';
import { useState } from 'react';
import { type ApiError, api } from '../../foundation/api.ts';
import { Worse } from '../../parts/mends/Worse.tsx';
import { useUndo } from '../../parts/undo/use-undo.tsx';
import type { TabProps } from './tab-props.ts';

type Found = Answer<'findings'>[number];
type Comes = Answer<'mend'>;
type Weighed = Readonly<{ words: string; comes: Comes }>;

/** What can be done about a finding in one go: a draft of it is written, and taken back as easily. What would bring worse is asked first. */
export function Mends({ finding, family, entries }: Pick<TabProps, 'family' | 'entries'> & { finding: Found }) {
  const [weigh, weighing] = api.useMendMutation();
  const [save, saving] = api.useSaveDraftMutation();
  const [discard] = api.useDiscardMutation();
  const [asked, setAsked] = useState<Weighed | null>(null);
  const [problem, setProblem] = useState<ApiError | null>(null);
  const undo = useUndo();
  const isBusy = weighing.isLoading || saving.isLoading;
  if (finding.mends.length === 0) return null;

  const write = async (words: string, { items }: Comes) => {
    const was = items.map(({ body }) => entries.find((e) => keyText(e.body) === keyText(body)));
    for (const { basedOn, body } of items) {
      const result = await save({ key: keyOf(body), basedOn, note: words, body });
      if ('error' in result) return setProblem(result.error as ApiError);
    }
    undo(`${words}. It is a draft.`, () => void takeBack(items, was));
  };
  /** What was there before is written once more; what was not is taken back. */
  const takeBack = async (items: Comes['items'], was: ReadonlyArray<TabProps['entries'][number] | undefined>) => {
    for (const [i, { basedOn, body }] of items.entries()) {
      const before = was[i]?.body;
      if (before) await save({ key: keyOf(body), basedOn: basedOn + 1, note: 'mend taken back', body: before });
      else await discard([keyOf(body)]);
    }
  };
  const mend = async (words: string) => {
    setProblem(null);
    const { code, entry, at, words: said } = finding;
    const result = await weigh({ family, code, entry, at, words: said, mend: words });
    if (!result.data) return setProblem(result.error as ApiError);
    const isWorse = !result.data.isGone || result.data.brings.some((f) => f.severity === 'error');
    if (isWorse) setAsked({ words, comes: result.data });
    else await write(words, result.data);
  };

  return (
    <>
      <div className="row mends">
        {finding.mends.map((words) => (
          <Button key={words} size="small" disabled={isBusy} onClick={() => void mend(words)}>
            {words}
          </Button>
        ))}
      </div>
      {problem && (
        <p className="wrong" role="alert">
          {problem.stale ? 'Somebody saved it meanwhile. Nothing was changed.' : problem.title}
        </p>
      )}
      {asked && (
        <Worse
          {...asked.comes}
          isBusy={isBusy}
          onAll={() => {
            setAsked(null);
            void write(asked.words, asked.comes);
          }}
          onLeave={() => setAsked(null)}
        />
      )}
    </>
  );
}
