import Button from '@mui/material/Button';
import {
  type Bundle,
  entriesOf,
  type FamilyId,
  familyEntry,
  identify,
  type SeenTraits,
  type TraitSubject,
  traitsOf,
} from '@wire-trail/core';
import { useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { useBundles } from '../../foundation/device/use-bundles.ts';
import { beginWalk } from '../../foundation/device/walks.ts';
import { useAppSelector } from '../../foundation/store.ts';
import { Pressable } from '../../parts/field/Pressable.tsx';
import { PageBar } from '../../parts/page-bar/PageBar.tsx';
import { lampsOfMode } from '../../parts/panel/lamps-of-mode.ts';
import { PanelDrawing } from '../../parts/panel/PanelDrawing.tsx';
import { Empty, Loading } from '../../parts/states/States.tsx';
import { pointedBy } from './pointed-by.ts';

type Subject = TraitSubject & Readonly<{ bundle: Bundle }>;

/** Which unit is it? One question at a time, each with a picture of every answer, until one family is left. */
export default function WhichPage() {
  const navigate = useNavigate();
  const session = useAppSelector((s) => s.session);
  const { bundles, loading } = useBundles();
  const [answers, setAnswers] = useState<ReadonlyArray<readonly [string, string | null]>>([]);
  const subjects = useMemo(
    () =>
      bundles.map(
        (bundle): Subject => ({
          id: bundle.family,
          traits: traitsOf(familyEntry(bundle), entriesOf(bundle, 'panel')),
          bundle,
        }),
      ),
    [bundles],
  );
  const seen: SeenTraits = Object.fromEntries(answers);
  const { left, ask } = useMemo(() => identify(subjects, Object.fromEntries(answers)), [subjects, answers]);
  if (loading) return <Loading what="the library on this device" />;
  if (subjects.length === 0)
    return <Empty title="No unit is kept on this device yet">Open the Trail once with a connection.</Empty>;
  const answer = (value: string | null) => ask && setAnswers([...answers, [ask.trait, value]]);
  const begin = async (family: FamilyId) => {
    const bundle = bundles.find((b) => b.family === family);
    if (!bundle || session.status !== 'signed-in') return;
    const walk = await beginWalk(bundle, session.user.id, { kind: 'panel' });
    void navigate(`/trail/${walk}`);
  };
  return (
    <div className="stack">
      <PageBar above={[{ name: 'Trail', to: '/trail' }]} title="Which unit is it?" />
      <div className="row spread">
        <span className="row">
          {answers.length > 0 && <Button onClick={() => setAnswers(answers.slice(0, -1))}>One back</Button>}
          {answers.length > 0 && (
            <Button variant="text" onClick={() => setAnswers([])}>
              From the beginning
            </Button>
          )}
        </span>
      </div>
      <p className="soft" role="status">
        {left.length === 1 ? 'One unit is left.' : `${left.length} of ${subjects.length} units are left.`}{' '}
        {Object.entries(seen)
          .map(([trait, value]) => `${trait}: ${value ?? 'cannot tell'}`)
          .join(' · ')}
      </p>
      {ask && left.length > 1 && (
        <section aria-label="question">
          <h2 className="which-question">
            {ask.trait.charAt(0).toUpperCase()}
            {ask.trait.slice(1)}?
          </h2>
          <div className="tiles">
            {ask.answers.map(({ value, left: ids }) => (
              <Pressable key={value} className="tile which-answer" onClick={() => answer(value)}>
                <Example
                  subject={
                    left.find((s) => s.id === ids[0] && s.traits.get(ask.trait) === value) ??
                    left.find((s) => s.traits.get(ask.trait) === value)
                  }
                  trait={ask.trait}
                />
                <strong>{value}</strong>
                <span className="soft small">{ids.length === 1 ? 'leaves 1' : `leaves ${ids.length}`}</span>
              </Pressable>
            ))}
          </div>
          <Button size="glove" onClick={() => answer(null)}>
            Cannot tell
          </Button>
        </section>
      )}
      {left.length === 0 && (
        <div className="note" role="alert">
          No unit on this device fits all of that. Take one answer back, or ask the trainer: it may be a new one.
        </div>
      )}
      {(left.length <= 6 || !ask) && left.length > 0 && (
        <section>
          <h2>
            {left.length === 1 ? 'It is this one' : ask ? 'Still possible' : 'These cannot be told apart from here'}
          </h2>
          <div className="tiles">
            {left.map(({ id, bundle }) => {
              const face = entriesOf(bundle, 'panel')[0]?.faces[0];
              const family = familyEntry(bundle);
              return (
                <Pressable key={id} className="tile unit-card" onClick={() => void begin(family.id)}>
                  {face && (
                    <PanelDrawing
                      face={face}
                      lamps={lampsOfMode(entriesOf(bundle, 'mode').find((m) => m.sort === 'standby'))}
                      thumbnail
                    />
                  )}
                  <strong>{family.name}</strong>
                  <span className="soft small">{family.recognisedBy.slice(0, 2).join(' · ')}</span>
                </Pressable>
              );
            })}
          </div>
        </section>
      )}
    </div>
  );
}

/** A unit that has the answer, with what the question is about pointed at. */
function Example({ subject, trait }: { subject: Subject | undefined; trait: string }) {
  const face = subject && entriesOf(subject.bundle, 'panel')[0]?.faces[0];
  return face ? <PanelDrawing face={face} pointed={pointedBy(trait, face)} thumbnail /> : null;
}
