import { type Answer, diff, type Entry, kindWords, linksOf, titleOf } from '@wire-trail/core';
import { ChangeList } from '../../parts/changes/ChangeList.tsx';
import { Fold } from '../../parts/fold/Fold.tsx';
import { EntryLooks } from './EntryLooks.tsx';
import { FoundIn } from './FoundIn.tsx';

type Props = Readonly<{
  body: Entry;
  entries: readonly Entry[];
  family: string | null;
  findings: Answer<'findings'> | undefined;
}>;

/** Something that was never published, as it will be: its drawing or steps, what it leads to, what is to fix, and every field. */
export function NewEntry({ body, entries, family, findings }: Props) {
  const links = new Map(linksOf(body).map(({ to }) => [`${to.kind}:${to.id}`, to]));
  const { kind, id } = body;
  return (
    <div className="stack">
      <p className="soft small">New: nothing of it is published yet.</p>
      <EntryLooks body={body} entries={entries} family={family} />
      {links.size > 0 && (
        <p className="row small">
          <span className="soft">Leads to</span>
          {[...links.values()].map((to) => {
            const target = entries.find((e) => e.kind === to.kind && e.id === to.id);
            return (
              <span key={`${to.kind}:${to.id}`} className="tag">
                {kindWords[to.kind]}: {target ? titleOf(target) : `${to.id}, which is not there`}
              </span>
            );
          })}
        </p>
      )}
      <FoundIn body={body} findings={findings} />
      <Fold title="Every field" lazy>
        <ChangeList changes={diff({ kind, id }, body)} />
      </Fold>
    </div>
  );
}
