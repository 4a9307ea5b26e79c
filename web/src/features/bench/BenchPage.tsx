import Button from '@mui/material/Button';
import { codeIdOf, groupBy, type Question } from '@wire-trail/core';
import { type FormEvent, useState } from 'react';
import { Link } from 'react-router';
import { api } from '../../foundation/api.ts';
import { CodeGlyph } from '../../parts/code/CodeGlyph.tsx';
import { Input } from '../../parts/field/Input.tsx';
import { PageBar } from '../../parts/page-bar/PageBar.tsx';
import { Failed } from '../../parts/states/Failed.tsx';
import { Empty, Loading } from '../../parts/states/States.tsx';
import { Day, Moment } from '../../parts/when/When.tsx';
import { FromField } from './FromField.tsx';

/** The trainer's week: what waits for review, and what the field asks. */
export default function BenchPage() {
  const sets = api.useChangeSetsQuery(undefined);
  const questions = api.useQuestionsQuery();
  const failed = [sets, questions].find((asked) => asked.error && !asked.data);
  if (failed) return <Failed error={failed.error} again={() => void failed.refetch()} />;
  if (!sets.data || !questions.data) return <Loading what="the bench" />;
  const waiting = sets.data.filter((s) => s.state === 'in-review');
  const rest = sets.data.filter((s) => s.state !== 'in-review').slice(0, 20);
  const ranked = [...groupBy(questions.data, (q) => `${q.family} ${q.text}`).values()].sort(
    (a, b) => b.length - a.length,
  );
  return (
    <div className="stack">
      <PageBar title="Bench" />
      <section className="stack">
        <h2>Waiting for review</h2>
        {waiting.length === 0 && (
          <Empty title="Nothing waits">
            A submitted draft stands here until a reviewer who is not its author has seen it.
          </Empty>
        )}
        {waiting.map((set) => (
          <Link key={set.id} to={`/bench/${set.id}`} className="line">
            <strong>{set.title}</strong>
            <span className="soft">{set.author ?? 'import'}</span>
            <span className="soft small">
              <Moment at={set.submittedAt} />
            </span>
          </Link>
        ))}
      </section>
      <section className="stack">
        <h2>What the field asks</h2>
        {ranked.length === 0 && <Empty title="No open question" />}
        {ranked.map((group) => (
          <Asked key={group[0]?.id} group={group} />
        ))}
      </section>
      <FromField />
      <section className="stack">
        <h2>Lately</h2>
        {rest.map((set) => (
          <Link key={set.id} to={`/bench/${set.id}`} className="line">
            <strong>{set.title}</strong>
            <span>
              {set.state}
              {set.ownReview && set.state === 'published' ? ', by its own author' : ''}
            </span>
            <span className="soft small">{set.reviewer ?? set.note}</span>
          </Link>
        ))}
      </section>
    </div>
  );
}

function Asked({ group }: { group: readonly Question[] }) {
  const [settle, { isLoading }] = api.useSettleMutation();
  const { data: families } = api.useFamiliesQuery();
  const [answer, setAnswer] = useState('');
  const [open, setOpen] = useState(false);
  const [first] = group;
  if (!first) return null;
  const id = codeIdOf(first.text);
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    for (const question of group) await settle({ id: question.id, answer: answer.trim() });
  };
  return (
    <div className="sheet asked stack">
      <div className="row spread">
        <span className="row">
          <CodeGlyph text={first.text} size="large" />
          <span className="soft">
            {families?.find((f) => f.family.id === first.family)?.family.name ?? first.family}
          </span>
          {group.length > 1 && <span className="tag">asked {group.length} times</span>}
        </span>
        <span className="row">
          {first.family && (
            <Button component={Link} to={`/shelf/${first.family}/code/${id}?new=${encodeURIComponent(first.text)}`}>
              Write an entry
            </Button>
          )}
          <Button onClick={() => setOpen(!open)}>Answer …</Button>
        </span>
      </div>
      {group.map((q) => (
        <p key={q.id}>
          {q.words || 'No further word.'}{' '}
          <span className="soft small">
            {q.by}, <Day at={q.askedAt} /> · <Link to={`/log/${q.walk}`}>the walk</Link>
          </span>
        </p>
      ))}
      {open && (
        <form className="row" onSubmit={(e) => void submit(e)}>
          <label className="field" style={{ flex: 1 }}>
            What it turned out to be
            <Input
              fullWidth
              value={answer}
              onChange={(e) => setAnswer(e.target.value)}
              slotProps={{ input: { maxLength: 2000 } }}
            />
          </label>
          <Button type="submit" variant="contained" color="primary" disabled={!answer.trim() || isLoading}>
            Answer
          </Button>
        </form>
      )}
    </div>
  );
}
