import { groupBy, keyText, kindWords, type Stands } from '@wire-trail/core';
import type { ReactNode } from 'react';
import { Link, useParams } from 'react-router';
import { ChangeList } from '../../../parts/changes/ChangeList.tsx';
import { Fold } from '../../../parts/fold/Fold.tsx';
import { PageBar } from '../../../parts/page-bar/PageBar.tsx';
import { Failed } from '../../../parts/states/Failed.tsx';
import { Loading } from '../../../parts/states/States.tsx';
import { Told } from '../../../parts/undo/Told.tsx';
import { TakeOver } from './TakeOver.tsx';
import { type Generation, useGeneration } from './use-generation.ts';

/** What a new generation has otherwise than the unit before it, and what has changed there since. */
export default function DifferencesPage() {
  const { family = '' } = useParams();
  const generation = useGeneration(family);
  if (generation.is === 'failed') return <Failed error={generation.error} again={generation.again} />;
  if (generation.is === 'loading') return <Loading what="what differs" />;
  const name = generation.is === 'none' ? generation.name : generation.own.name;
  const older = generation.is === 'none' ? null : (generation.own.generationOf?.name ?? null);
  return (
    <>
      <PageBar
        above={[
          { name: 'Shelf', to: '/shelf' },
          { name, to: `/shelf/${family}` },
        ]}
        title={older ? `Against ${older}` : 'Against the one before'}
      />
      {generation.is === 'none' ? (
        <p className="note">{name} is no new generation of another unit.</p>
      ) : (
        <Told>
          <Differences generation={generation} />
        </Told>
      )}
    </>
  );
}

type Standing = Extract<Generation, { is: 'stands' }>;
const of = <K extends Stands['is']>(stands: readonly Stands[], is: K): Array<Extract<Stands, { is: K }>> =>
  stands.filter((s): s is Extract<Stands, { is: K }> => s.is === is);

function Differences({ generation }: { generation: Standing }) {
  const { own, entries, older, stands } = generation;
  const before = own.generationOf?.name ?? '';
  if (!older)
    return <p className="note">{before} is not on the Shelf any more. What was begun from it stays as it is here.</p>;
  const [behind, differs, here, left, same] = [
    of(stands, 'behind'),
    of(stands, 'differs'),
    of(stands, 'only-here'),
    of(stands, 'left-out'),
    of(stands, 'as-there'),
  ];
  const to = ({ key }: Stands) => `/shelf/${own.id}/${key.kind}/${key.id}`;
  const named = (s: Stands): ReactNode => (
    <>
      <Link to={to(s)}>{s.title}</Link> <span className="soft small">{kindWords[s.key.kind]}</span>
    </>
  );
  return (
    <div className="stack">
      <p className="soft">
        {countWords(before, { same, differs, here, left, behind })} What is as there is told of that unit, and not
        proved on this one.
      </p>
      {behind.length > 0 && (
        <section className="sheet stack" aria-label="changed there since">
          <div className="row spread">
            <h2>Changed on {before} since</h2>
            {behind.length > 1 && (
              <TakeOver
                words={`Take all ${behind.length} over`}
                bodies={behind.map((b) => b.taken)}
                entries={entries}
                isMain
              />
            )}
          </div>
          {behind.map((b) => (
            <article key={keyText(b.key)} className="stack" aria-label={b.title}>
              <div className="row spread">
                <h3>{named(b)}</h3>
                <TakeOver words="Take it over" bodies={[b.taken]} entries={entries} />
              </div>
              <ChangeList changes={b.changes} />
              {b.hasOwn && b.clashes.length === 0 && (
                <p className="soft small">What is different here stays beside it.</p>
              )}
              {b.clashes.length > 0 && (
                <>
                  <p className="small">Changed on both, and left as it is here:</p>
                  <ChangeList
                    changes={b.clashes.map((c) => ({ kind: 'changed', at: c.at, from: c.theirs, to: c.mine }))}
                  />
                </>
              )}
            </article>
          ))}
        </section>
      )}
      <section className="sheet stack" aria-label="different here">
        <h2>Different here</h2>
        {differs.length === 0 && <p className="soft">Nothing yet. What is edited here is listed from then on.</p>}
        {differs.map((d) => (
          <Fold
            key={keyText(d.key)}
            lazy
            title={
              <span className="row">
                {d.title} <span className="soft small">{kindWords[d.key.kind]}</span>
                <span className="tag">{d.changes.length === 1 ? 'one change' : `${d.changes.length} changes`}</span>
              </span>
            }
          >
            <div className="stack">
              <ChangeList changes={d.changes} />
              <Link to={to(d)}>Open it</Link>
            </div>
          </Fold>
        ))}
      </section>
      {here.length > 0 && <Listed title="Only here" all={here} named={named} />}
      {left.length > 0 && (
        <section className="sheet stack" aria-label="left out here">
          <h2>Left out here</h2>
          <ul className="plain stack">
            {left.map((l) => (
              <li key={keyText(l.key)} className="row spread">
                <span>
                  {l.title} <span className="soft small">{kindWords[l.key.kind]}</span>
                </span>
                <TakeOver words="Bring it in" bodies={[l.body]} entries={entries} />
              </li>
            ))}
          </ul>
        </section>
      )}
      <Fold lazy title={`${same.length} as on ${before}`}>
        <div className="stack">
          {[...groupBy(same, (s) => kindWords[s.key.kind]).entries()].map(([kind, all]) => (
            <Listed
              key={kind}
              title={`${kind}: ${all.length}`}
              all={all}
              named={(s) => <Link to={to(s)}>{s.title}</Link>}
            />
          ))}
        </div>
      </Fold>
    </div>
  );
}

/** How many stand how; what there is none of is not said, but for what differs. */
function countWords(
  before: string,
  all: Readonly<Record<'same' | 'differs' | 'here' | 'left' | 'behind', readonly Stands[]>>,
): string {
  const n = (of: keyof typeof all, words: string): string[] =>
    all[of].length > 0 ? [`${all[of].length} ${words}`] : [];
  const parts = [
    ...n('same', `as on ${before}`),
    ...n('behind', 'changed there since'),
    `${all.differs.length} different`,
    ...n('here', 'only here'),
    ...n('left', 'left out'),
  ];
  return `${parts.join(', ')}.`;
}

function Listed({ title, all, named }: { title: string; all: readonly Stands[]; named: (s: Stands) => ReactNode }) {
  return (
    <section className="stack" aria-label={title.toLowerCase()}>
      <h2>{title}</h2>
      <ul className="plain">
        {all.map((s) => (
          <li key={keyText(s.key)}>{named(s)}</li>
        ))}
      </ul>
    </section>
  );
}
